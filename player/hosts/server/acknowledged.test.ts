// @vitest-environment happy-dom
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { acknowledgedOf } from './acknowledged.ts'

beforeEach(() => {
  localStorage.clear()
  vi.useFakeTimers({ now: 1_000_000 })
})

describe('what was acknowledged', () => {
  it('just now may be younger than what came with a page, also for the next page', () => {
    expect(acknowledgedOf('a').isRecent()).toBe(false)
    acknowledgedOf('a').note()
    vi.advanceTimersByTime(9000)
    expect(acknowledgedOf('a').isRecent()).toBe(true)
    expect(acknowledgedOf('another').isRecent()).toBe(false)
  })
  it('long ago is in whatever a page comes with', () => {
    acknowledgedOf('a').note()
    vi.advanceTimersByTime(11_000)
    expect(acknowledgedOf('a').isRecent()).toBe(false)
  })
  it('is nothing where something else lies there', () => {
    localStorage.setItem('fernbrake-acknowledged a', '"nonsense')
    expect(acknowledgedOf('a').isRecent()).toBe(false)
  })
})
