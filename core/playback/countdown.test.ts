// Questions that set a time: all tries together, not given back by leaving, and nobody is kept when it is over.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { edits, type Lesson } from '../lesson/index.ts'
import { edited, lessonWithFilm, PART, withQuestion } from '../testing/index.ts'
import {
  advance,
  buildSchedule,
  countdownOf,
  startPlayback,
  type PlaybackEvent,
  type PlaybackState,
} from './index.ts'

const END = 60_000
const asked = (wish: Partial<Parameters<typeof withQuestion>[1]> = {}): Lesson =>
  edited(withQuestion(lessonWithFilm(END), { id: 'a', atMs: 10_000, ...wish }), edits.setHold, {
    cueId: 'a',
    countdownMs: 20_000,
  })
const lesson = asked()

function run(events: PlaybackEvent[], from = startPlayback(), of = lesson): PlaybackState {
  const schedule = buildSchedule(of, PART, END)
  return events.reduce((state, event) => advance(schedule, state, event).state, from)
}
const left = (state: PlaybackState, of = lesson) =>
  countdownOf(buildSchedule(of, PART, END), state)?.leftMs ?? null
const clock = (ms: number): PlaybackEvent => ({ kind: 'clock', ms })
const tick = (mediaMs: number): PlaybackEvent => ({ kind: 'tick', mediaMs })
const answered = (right: boolean, final = false): PlaybackEvent => ({
  kind: 'answered',
  cueId: 'a',
  result: { right, final },
})
const dismissed: PlaybackEvent = { kind: 'dismissed', cueId: 'a' }
const held = run([tick(0), tick(10_000)])

describe('a question that sets a time', () => {
  it('counts only while it holds the film', () => {
    expect(left(run([tick(0), clock(9000), tick(5000)]))).toBeNull()
    expect(left(run([clock(5000)], held))).toBe(15_000)
  })

  it('goes on counting through further tries, and stops with the last', () => {
    const second = run([clock(5000), answered(false), clock(5000)], held)
    expect(left(second)).toBe(10_000)
    expect(left(run([answered(true, true), clock(5000)], second))).toBeNull()
  })

  it('gives no time back to whoever leaves and returns, or opens the lesson anew', () => {
    const away = run([clock(12_000), { kind: 'seeked', fromMs: 10_000, toMs: 2000 }], held)
    expect(left(run([tick(2100), tick(10_000)], away))).toBe(8000)
    const later = startPlayback({ waited: away.waited })
    expect(left(run([tick(9000), tick(10_000)], later))).toBe(8000)
  })

  it('does not count while its evidence is played again', () => {
    const evidence = { partId: PART, fromMs: 1000, toMs: 9000 }
    const shown = asked({ evidence })
    const at = run([tick(0), tick(10_000), clock(4000)], startPlayback(), shown)
    const watching = run([{ kind: 'rewatch', cueId: 'a' }, clock(50_000)], at, shown)
    expect(left(run([tick(9000)], watching, shown), shown)).toBe(16_000)
  })

  it('lets go when the time is over, answered or not, whatever it asked for', () => {
    for (const hold of ['answered', 'right'] as const) {
      const of = asked({ hold })
      const over = run([tick(0), tick(10_000), clock(20_000)], startPlayback(), of)
      expect(over).toMatchObject({ timeUp: { a: true }, results: { a: { final: true } } })
      expect(run([dismissed], over, of).mode.kind).toBe('free')
    }
  })

  it('takes what is given as the time runs out, without another try and without sending back', () => {
    const evidence = { partId: PART, fromMs: 1000, toMs: 9000 }
    const of = asked({ evidence, sendBack: true })
    const over = run([tick(0), tick(10_000), clock(20_000), answered(false)], startPlayback(), of)
    expect(over.mode).toEqual({ kind: 'held', cueId: 'a' })
    expect(over.results.a).toEqual({ right: false, final: true })
  })

  it('keeps a right answer from before', () => {
    const over = run([answered(true), clock(20_000)], held)
    expect(over.results.a).toEqual({ right: true, final: true })
  })

  it('never counts backwards, and never below nothing', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -5000, max: 9000 }), { maxLength: 12 }), (steps) => {
        let state = held
        let before = 20_000
        for (const step of steps) {
          state = run([clock(step)], state)
          const now = left(state) ?? 0
          expect(now).toBeLessThanOrEqual(before)
          expect(now).toBeGreaterThanOrEqual(0)
          before = now
        }
      }),
    )
  })

  it('runs on where the learner opens it again, and never by playing over it', () => {
    const passed = startPlayback({ released: ['a'], waited: { a: 5000 } })
    const over = run(
      [
        { kind: 'tick', mediaMs: 0 },
        { kind: 'tick', mediaMs: END },
      ],
      passed,
    )
    expect(over.beside).toEqual([])
    const opened = run([{ kind: 'opened', cueId: 'a' }], over)
    expect(left(opened)).toBe(15_000)
    const late = run([clock(16_000)], opened)
    expect(late).toMatchObject({
      timeUp: { a: true },
      results: { a: { right: false, final: true } },
    })
    const later = startPlayback({ released: ['a'], timeUp: ['a'] })
    expect(left(run([{ kind: 'opened', cueId: 'a' }], later))).toBeNull()
  })

  it('has no time beside a running film', () => {
    const beside = edited(lesson, edits.setHold, { cueId: 'a', hold: 'none' })
    expect(beside.cues.a).not.toHaveProperty('countdownMs')
  })
})
