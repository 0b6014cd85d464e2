// @vitest-environment happy-dom
// What is said of sending: the most pressing thing first, and nothing where all is well.
import { mount } from '@vue/test-utils'
import { beforeAll, expect, it } from 'vitest'
import type { HostState } from '../hosts/Host.ts'
import { createPlayerI18n } from '../i18n.ts'
import HostStrip from './HostStrip.vue'

let i18n: Awaited<ReturnType<typeof createPlayerI18n>>
beforeAll(async () => (i18n = await createPlayerI18n('en')))
const well: HostState = { waiting: 0, unkept: 0, connection: 'online', refused: [] }
const refusal = { id: 'r', code: 'closed' as const, message: 'It had closed.' }

it.each<[what: string, state: Partial<HostState>, says: string]>([
  ['all is well', {}, ''],
  ['waiting for a moment is nothing to speak of', { waiting: 3 }, ''],
  ['offline, with nothing waiting', { connection: 'offline' }, 'Everything so far is sent.'],
  ['offline, with one entry', { connection: 'offline', waiting: 1 }, 'One entry waits to be sent.'],
  ['offline, with several', { connection: 'offline', waiting: 4 }, '4 entries wait to be sent.'],
  [
    'signed out',
    { connection: 'signedOut', waiting: 2 },
    '2 entries wait on this device; sign in again',
  ],
  ['the server only reads', { connection: 'readOnly', waiting: 1 }, 'is sent later'],
  ['refused', { refused: [refusal] }, 'One entry could not be taken in: It had closed.'],
  ['refused more than once', { refused: [refusal, refusal] }, '2 entries could not be taken in'],
  ['offline before refused', { connection: 'offline', refused: [refusal] }, 'Working offline.'],
  [
    'no room on the device before all else',
    { connection: 'offline', waiting: 2, unkept: 2 },
    'no room left. 2 entries are held by this page alone',
  ],
  ['no room, but all is being sent', { unkept: 2 }, ''],
])('%s', (_what, state, says) => {
  const strip = mount(HostStrip, {
    props: { state: { ...well, ...state } },
    global: { plugins: [i18n] },
  })
  if (says === '') expect(strip.text()).toBe('')
  else expect(strip.text()).toContain(says)
  expect(strip.find('a').exists()).toBe(state.connection === 'signedOut')
})
