// @vitest-environment happy-dom
// When what waits is sent, and that nothing runs while nothing waits.
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { keepSending } from './keepSending.ts'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

/** A device on which so many things wait; sending takes one of them along, unless the line is cut. */
function device(waits: number) {
  const state = { waits, offline: false, sent: 0, looked: 0 }
  const kept = keepSending({
    flush: () => {
      state.sent += 1
      if (!state.offline) state.waits = Math.max(0, state.waits - 1)
      return Promise.resolve()
    },
    isDone: () => {
      state.looked += 1
      return Promise.resolve(state.waits === 0)
    },
    isOffline: () => state.offline,
    leave: () => Promise.resolve(),
  })
  return { state, ...kept }
}
const pass = (seconds: number) => vi.advanceTimersByTimeAsync(seconds * 1000)

describe('what waits', () => {
  it('is sent every few seconds until nothing waits, and then nothing runs', async () => {
    const { state, stop } = device(3)
    await pass(60)
    expect([state.waits, state.sent]).toEqual([0, 3])
    expect(vi.getTimerCount()).toBe(0)
    stop()
  })

  it('is sent within the same few seconds when it comes later', async () => {
    const { state, wake, stop } = device(0)
    await pass(600)
    expect(state.sent).toBe(1)
    state.waits = 1
    wake()
    await pass(5)
    expect([state.waits, state.sent]).toEqual([0, 2])
    stop()
  })

  it('is not overlooked where it comes while it is looked whether anything waits', async () => {
    const { state, wake, stop } = device(0)
    const look = vi.fn(() => Promise.resolve(true))
    stop()
    const kept = keepSending({
      flush: () => {
        state.sent += 1
        return Promise.resolve()
      },
      isDone: () => {
        if (look.mock.calls.length === 0) kept.wake()
        return look()
      },
      isOffline: () => false,
      leave: () => Promise.resolve(),
    })
    await pass(30)
    expect([state.sent, look.mock.calls.length]).toEqual([2, 2])
    wake()
    kept.stop()
  })

  it('is tried for less and less often without a connection, and at once when it is back', async () => {
    const { state, stop } = device(1)
    state.offline = true
    await pass(600)
    const tries = state.sent
    expect(tries).toBeGreaterThan(10)
    expect(tries).toBeLessThan(40)
    state.offline = false
    window.dispatchEvent(new Event('online'))
    await pass(0)
    expect([state.waits, state.sent]).toEqual([0, tries + 1])
    stop()
  })

  it('is still sent where it cannot be told whether anything waits', async () => {
    let sent = 0
    const { stop } = keepSending({
      flush: () => {
        sent += 1
        return Promise.resolve()
      },
      isDone: () => Promise.reject(new Error('the store is shut')),
      isOffline: () => false,
      leave: () => Promise.resolve(),
    })
    await pass(20)
    expect(sent).toBe(4)
    stop()
    await pass(20)
    expect(sent).toBe(4)
  })
})
