// What a look at the middle of a film passes over.
import { expect, it } from 'vitest'
import { edited, lessonWithFilm, PART, withQuestion } from '../testing/index.ts'
import { edits } from '../lesson/index.ts'
import { buildSchedule, passedBefore } from './index.ts'

const LENGTH_MS = 60_000

it('is all that holds or turns off before that moment, and nothing at it, after it, or beside the film', () => {
  let lesson = lessonWithFilm(LENGTH_MS)
  for (const [id, atMs] of [
    ['holds', 5_000],
    ['beside', 6_000],
    ['at', 20_000],
    ['after', 30_000],
  ] as const)
    lesson = withQuestion(lesson, { id, atMs })
  lesson = edited(lesson, edits.setHold, { cueId: 'holds', hold: 'answered' })
  lesson = edited(lesson, edits.setHold, { cueId: 'beside', hold: 'none' })
  for (const [cueId, atMs, decides] of [
    ['asks', 8_000, false],
    ['decides', 9_000, true],
  ] as const) {
    lesson = edited(lesson, edits.addFork, {
      cueId,
      partId: PART,
      atMs,
      choiceIds: [`${cueId}-1`, `${cueId}-2`],
    })
    lesson = edited(lesson, edits.setForkRules, { cueId, rules: { decides } })
  }
  const passed = (ms: number) => passedBefore(buildSchedule(lesson, PART, LENGTH_MS), ms)
  expect(passed(20_000)).toEqual(['holds', 'asks', 'decides'])
  expect(passed(0)).toEqual([])
  expect(passed(20_001)).toContain('at')
})
