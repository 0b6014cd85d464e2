// Coming back to a film: whose time is up, and what is asked again.
import { describe, expect, it } from 'vitest'
import { edits } from '../lesson/index.ts'
import { edited, lessonWithFilm, PART, withQuestion } from '../testing/index.ts'
import { buildSchedule, releasedOnceLedTo, timesUp } from './index.ts'

const plain = ['a', 'b'].reduce(
  (lesson, id, index) => withQuestion(lesson, { id, atMs: 10_000 * (index + 1) }),
  lessonWithFilm(60_000),
)
const timed = edited(plain, edits.setHold, { cueId: 'b', countdownMs: 8000 })
const schedule = buildSchedule(timed, PART, 60_000)

describe('time is up', () => {
  it.each([
    ['before it was come to', {}, [], []],
    ['while some is left', { b: 7999 }, ['b'], []],
    ['once it has run', { b: 8000 }, [], ['b']],
    ['where it was left on another device', {}, ['a', 'b'], ['b']],
  ] as const)('%s', (_when, waited, released, late) =>
    expect(timesUp(schedule, waited, released)).toEqual(late),
  )
})

describe('whoever a way led here', () => {
  const all = ['a', 'b', 'elsewhere', '__proto__']
  it('is asked again what they can still answer, but nothing that has its own time', () =>
    expect(releasedOnceLedTo(timed, PART, all, {})).toEqual(['b', 'elsewhere', '__proto__']))
  it('is not asked what no try is left for', () => {
    const results = { a: { right: false, final: true, tries: 2 } }
    expect(releasedOnceLedTo(timed, PART, all, results)).toEqual(all)
    expect(
      releasedOnceLedTo(timed, PART, all, { a: { right: false, final: false, tries: 1 } }),
    ).toEqual(['b', 'elsewhere', '__proto__'])
  })
})
