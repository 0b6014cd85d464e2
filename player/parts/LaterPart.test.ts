// @vitest-environment happy-dom
// A part whose view is fetched when it is first opened: what is shown until it is there, and when it cannot come.
import { flushPromises, mount } from '@vue/test-utils'
import { beforeAll, beforeEach, expect, it, vi } from 'vitest'
import { createPlayerI18n } from '../i18n.ts'
import { fetchPartPlayer } from './fetchPart.ts'
import LaterPart from './LaterPart.vue'

vi.mock('./fetchPart.ts', () => ({ fetchPartPlayer: vi.fn() }))
const fetch = vi.mocked(fetchPartPlayer)
const View = {
  props: ['part'],
  emits: ['toPart'],
  template: "<button @click=\"$emit('toPart', 'next')\">{{ part.title }}</button>",
}

let i18n: Awaited<ReturnType<typeof createPlayerI18n>>
beforeAll(async () => (i18n = await createPlayerI18n('en')))
beforeEach(() => void fetch.mockReset())

const opened = () =>
  mount(LaterPart, {
    props: { part: { kind: 'page', title: 'A page' } } as never,
    global: { plugins: [i18n] },
  })

it('says that it comes, then shows it, and hands on what it tells', async () => {
  fetch.mockResolvedValue({ default: View })
  const wrapper = opened()
  expect(wrapper.find('[role=status]').exists()).toBe(true)
  await flushPromises()
  expect(wrapper.text()).toBe('A page')
  await wrapper.find('button').trigger('click')
  expect(wrapper.emitted('toPart')).toEqual([['next']])
})

it('without a connection says so, and is there once asked for again', async () => {
  fetch.mockRejectedValueOnce(new Error('offline')).mockResolvedValue({ default: View })
  const wrapper = opened()
  await flushPromises()
  expect(wrapper.find('[role=alert]').exists()).toBe(true)
  await wrapper.find('button').trigger('click')
  await flushPromises()
  expect(wrapper.text()).toBe('A page')
  expect(fetch).toHaveBeenCalledTimes(2)
})
