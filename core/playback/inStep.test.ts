import { describe, expect, it } from 'vitest'
import { isOutOfStep, placeInStep } from './index.ts'

const VOICE = { fromMs: 10_000, startMs: 0, lengthMs: 8000 }
const CLOSE_UP = { fromMs: 10_000, startMs: 60_000, lengthMs: 90_000 }
const at = (mediaMs: number, playing = true) => ({ mediaMs, playing })

describe('placeInStep', () => {
  it('follows the film from where it begins', () => {
    expect(placeInStep(at(10_000), VOICE)).toEqual({ atMs: 0, playing: true })
    expect(placeInStep(at(12_500), VOICE)).toEqual({ atMs: 2500, playing: true })
    expect(placeInStep(at(12_500), CLOSE_UP)).toEqual({ atMs: 62_500, playing: true })
  })

  it('stands while the film stands, before its time and after its end', () => {
    expect(placeInStep(at(12_500, false), VOICE)).toEqual({ atMs: 2500, playing: false })
    expect(placeInStep(at(9000), VOICE)).toEqual({ atMs: 0, playing: false })
    expect(placeInStep(at(18_000), VOICE)).toEqual({ atMs: 8000, playing: false })
  })

  it('shows what came before where the film is before its time', () => {
    expect(placeInStep(at(5000), CLOSE_UP)).toEqual({ atMs: 55_000, playing: true })
  })
})

describe('isOutOfStep', () => {
  const wanted = (atMs: number, playing = true) => ({ atMs, playing })
  it('lets small differences be while it plays', () => {
    expect(isOutOfStep(3000, wanted(3250), VOICE)).toBe(false)
    expect(isOutOfStep(3000, wanted(3400), VOICE)).toBe(true)
    expect(isOutOfStep(3400, wanted(3000), VOICE)).toBe(true)
  })

  it('does not cut off a first word that came late', () => {
    expect(isOutOfStep(0, wanted(700), VOICE)).toBe(false)
    expect(isOutOfStep(0, wanted(1000), VOICE)).toBe(true)
    expect(isOutOfStep(60_000, wanted(60_700), CLOSE_UP)).toBe(false)
    expect(isOutOfStep(700, wanted(0), VOICE)).toBe(true)
  })

  it('is exact where it stands', () => {
    expect(isOutOfStep(3000, wanted(3030, false), VOICE)).toBe(false)
    expect(isOutOfStep(3000, wanted(3080, false), VOICE)).toBe(true)
  })
})
