// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'

beforeEach(() => {
  localStorage.clear()
  vi.resetModules()
})

/** As a page that is opened anew has it. */
async function fold(name: 'look' | 'place' = 'look') {
  const { default: SheetFold } = await import('./SheetFold.vue')
  const props = { name, title: 'Look', holds: 'large' }
  const wrapper = mount(SheetFold, { props, slots: { default: '<input>' } })
  const press = async () => {
    const details = wrapper.element as HTMLDetailsElement
    details.open = !details.open
    await wrapper.trigger('toggle')
  }
  return { wrapper, press, isOpen: () => wrapper.find('input').exists() }
}

it('is shut to begin with and tells what it holds; opened, it stays open for the next sheet and the next visit', async () => {
  const first = await fold()
  expect(first.isOpen()).toBe(false)
  expect(first.wrapper.text()).toContain('large')
  await first.press()
  expect(first.isOpen()).toBe(true)
  const second = await fold()
  expect(second.isOpen()).toBe(true)
  expect((await fold('place')).isOpen()).toBe(false)
  vi.resetModules()
  const later = await fold()
  expect(later.isOpen()).toBe(true)
  await later.press()
  vi.resetModules()
  expect((await fold()).isOpen()).toBe(false)
})

it('what was kept and is no list of folds opens none', async () => {
  for (const kept of ['{"look":true}', '["nonsense"]', 'look', 'null']) {
    localStorage.setItem('fernbrake-folds', kept)
    vi.resetModules()
    expect((await fold()).isOpen()).toBe(false)
  }
})
