// @vitest-environment happy-dom
// One pointer from a press until it is let go.
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { followPointer } from './followPointer.ts'

let pressed: HTMLElement
const captured: number[] = []
beforeEach(() => {
  pressed = document.createElement('div')
  pressed.setPointerCapture = (id: number) => void captured.push(id)
  document.body.append(pressed)
})
afterEach(() => {
  pressed.remove()
  captured.length = 0
})

const event = (type: string, x: number, { y = 0, pointerId = 1 } = {}) =>
  new PointerEvent(type, { clientX: x, clientY: y, pointerId, bubbles: true })

function press(options = {}) {
  const steps = { move: vi.fn(), end: vi.fn() }
  let stop: () => void = () => undefined
  pressed.addEventListener('pointerdown', (down) => (stop = followPointer(down, steps, options)), {
    once: true,
  })
  pressed.dispatchEvent(event('pointerdown', 10))
  const tell = (type: string, x: number, more = {}) => document.dispatchEvent(event(type, x, more))
  return { steps, tell, stop: () => stop() }
}

describe('a pointer that is followed', () => {
  it('is heard of until it is let go, once, and then no more', () => {
    const { steps, tell } = press()
    tell('pointermove', 20)
    tell('pointerup', 30)
    tell('pointermove', 40)
    tell('pointerup', 40)
    expect(steps.move.mock.calls.map(([{ clientX }]) => clientX)).toEqual([20])
    expect(steps.end.mock.calls.map(([{ clientX }, isKept]) => [clientX, isKept])).toEqual([
      [30, true],
    ])
    expect(captured).toEqual([1])
  })
  it('is not kept where it was cut off', () => {
    const { steps, tell } = press()
    tell('pointercancel', 20)
    expect(steps.end.mock.calls[0]![1]).toBe(false)
  })
  it('is not taken for another finger', () => {
    const { steps, tell } = press()
    tell('pointermove', 20, { pointerId: 2 })
    tell('pointerup', 20, { pointerId: 2 })
    expect(steps.move).not.toHaveBeenCalled()
    expect(steps.end).not.toHaveBeenCalled()
    tell('pointerup', 20)
    expect(steps.end).toHaveBeenCalledTimes(1)
  })
  it('that only trembles drags nothing; once it has gone far enough, coming back is a move as well', () => {
    const { steps, tell } = press({ fromPx: 4 })
    tell('pointermove', 12, { y: 2 })
    expect(steps.move).not.toHaveBeenCalled()
    tell('pointermove', 13, { y: 3 })
    tell('pointermove', 10)
    expect(steps.move).toHaveBeenCalledTimes(2)
  })
  it('is left alone once it is stopped, and is not captured where what was pressed moves about', () => {
    const { steps, tell, stop } = press({ captures: false })
    stop()
    tell('pointermove', 20)
    tell('pointerup', 20)
    expect([steps.move.mock.calls, steps.end.mock.calls, captured]).toEqual([[], [], []])
  })
})
