// Small rules of the interface: where somebody goes once they are in, how far an arrow moves, what came of an act.
import { describe, expect, it, vi } from 'vitest'
import type { Router } from 'vue-router'
import { nudgeOf } from './nudge.ts'
import { useAct } from './useAct.ts'
import { whereTo } from './whereTo.ts'

describe('whoever signed in', () => {
  const go = async (wanted: unknown) => {
    const push = vi.fn(() => Promise.resolve())
    const assign = vi.fn()
    vi.stubGlobal('location', { assign })
    await whereTo({ push } as unknown as Router, wanted)
    vi.unstubAllGlobals()
    return { push: push.mock.calls.flat(), assign: assign.mock.calls.flat() }
  }
  it.each(['/classes/spring', '/lessons/a?part=b'])('goes on to %s', async (to) => {
    expect(await go(to)).toEqual({ push: [to], assign: [] })
  })
  it.each(['/learn/a', '/open/code', '/embed/code'])(
    'leaves for %s, which is a page of its own',
    async (to) => {
      expect(await go(to)).toEqual({ push: [], assign: [to] })
    },
  )
  it.each([
    'https://elsewhere.example/',
    '//elsewhere.example',
    '/\\elsewhere.example',
    'javascript:alert(1)',
    '',
    undefined,
    null,
    ['/classes'],
  ])('is not led away by %s', async (to) => {
    expect(await go(to)).toEqual({ push: ['/'], assign: [] })
  })
})

describe('an arrow', () => {
  it.each([
    ['ArrowLeft', -1, 0],
    ['ArrowRight', 1, 0],
    ['ArrowUp', 0, -1],
    ['ArrowDown', 0, 1],
  ])('%s', (key, x, y) => {
    const [dx, dy] = nudgeOf(key)!
    expect([Math.sign(dx), Math.sign(dy)]).toEqual([x, y])
  })
  it.each(['Enter', 'a', 'toString', '__proto__'])('is not %s', (key) =>
    expect(nudgeOf(key)).toBeNull(),
  )
})

describe('what is carried out', () => {
  it('is under way until it is done, and was', async () => {
    const { act, busy, fault } = useAct()
    let end!: () => void
    const done = act(() => new Promise((resolve) => (end = resolve)))
    expect(busy.value).toBe(true)
    end()
    expect(await done).toBe(true)
    expect([busy.value, fault.value]).toEqual([false, null])
  })
  it('or went wrong, which is told until it is tried again', async () => {
    const { act, busy, fault } = useAct()
    const wrong = new Error('Away')
    expect(await act(() => Promise.reject(wrong))).toBe(false)
    expect([busy.value, fault.value]).toEqual([false, wrong])
    await act(() => Promise.resolve())
    expect(fault.value).toBeNull()
  })
})
