// @vitest-environment happy-dom
// The class's time runs out while a lesson is open.
import { mount } from '@vue/test-utils'
import { beforeAll, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { createPlayerI18n } from '../i18n.ts'
import ClosedStrip from './ClosedStrip.vue'

let i18n: Awaited<ReturnType<typeof createPlayerI18n>>
beforeAll(async () => (i18n = await createPlayerI18n('en')))

it('is told from that moment on, also to a page that was open before', async () => {
  vi.useFakeTimers({ now: new Date('2026-04-20T10:00:00Z') })
  const props = { closesAt: '2026-04-20T10:00:40Z' }
  const wrapper = mount(ClosedStrip, { props, global: { plugins: [i18n] } })
  expect(wrapper.find('[role=status]').exists()).toBe(false)
  vi.advanceTimersByTime(30_000)
  await nextTick()
  expect(wrapper.find('[role=status]').exists()).toBe(false)
  vi.advanceTimersByTime(15_000)
  await nextTick()
  expect(wrapper.find('[role=status]').text()).toMatch(/20/)
  wrapper.unmount()
  expect(vi.getTimerCount()).toBe(0)
})
