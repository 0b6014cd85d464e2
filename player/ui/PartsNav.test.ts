// @vitest-environment happy-dom
// The parts of a lesson: which can be opened, and why the others cannot.
import { mount } from '@vue/test-utils'
import { beforeAll, describe, expect, it } from 'vitest'
import { createPlayerI18n } from '../i18n.ts'
import PartsNav from './PartsNav.vue'
import type { PartsState, ShownPart } from './partsState.ts'

let i18n: Awaited<ReturnType<typeof createPlayerI18n>>
beforeAll(async () => (i18n = await createPlayerI18n('en')))

const part = (id: string, more: Partial<ShownPart> = {}): ShownPart => ({
  id,
  title: `Part ${id}`,
  kind: 'page',
  isDone: false,
  label: id,
  shut: null,
  isOpen: true,
  ...more,
})
const nav = (...all: ShownPart[]) => {
  const parts: PartsState = { openId: 'a', all, ways: [], waits: [], isOver: false, awaits: false }
  const wrapper = mount(PartsNav, { props: { parts }, global: { plugins: [i18n] } })
  return { wrapper, line: (at: number) => wrapper.findAll('button')[at]! }
}

it('a lesson of one part has no list of parts', () => {
  expect(nav(part('a')).wrapper.find('nav').exists()).toBe(false)
})

describe('a part', () => {
  it('that is open leads there; the one that is shown already does not', async () => {
    const { wrapper, line } = nav(part('a'), part('b'))
    await line(0).trigger('click')
    await line(1).trigger('click')
    expect(wrapper.emitted('pick')).toEqual([['b']])
    expect(line(0).attributes('aria-current')).toBe('step')
  })
  it('behind a gate says what opens it, and leads nowhere', async () => {
    const { wrapper, line } = nav(
      part('a'),
      part('b', { isOpen: false, shut: 'once you saw the film' }),
    )
    await line(1).trigger('click')
    expect(wrapper.emitted('pick')).toBeUndefined()
    expect(line(1).text()).toContain('once you saw the film')
    // It can be reached by keyboard, so that it can be heard why.
    expect(line(1).attributes('aria-disabled')).toBe('true')
    expect(line(1).attributes('disabled')).toBeUndefined()
  })
  it('that comes in its turn says that, and one that is done says that', () => {
    const { line } = nav(part('a', { isDone: true, isOpen: true }), part('b', { isOpen: false }))
    const [done, waits] = [line(0).text(), line(1).text()]
    expect(done).not.toBe(waits.replaceAll('b', 'a'))
    expect(done.toLowerCase()).toContain('finished')
  })
})
