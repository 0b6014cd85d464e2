// What of a lesson can still be answered, part by part.
import { describe, expect, it } from 'vitest'
import type { Attempt } from '@fernbrake/core/contract'
import { edits } from '@fernbrake/core/lesson'
import {
  edited,
  lessonWithFilm,
  PAGE,
  PART,
  QUIZ,
  withQuestion,
  withQuiz,
  withThings,
} from '@fernbrake/core/testing'
import type { OpenedLesson } from '../hosts/Host.ts'
import { stillOpenIn } from './stillOpen.ts'

const film = ['a', 'b'].reduce(
  (lesson, id, index) => withQuestion(lesson, { id, atMs: 10_000 * (index + 1) }),
  lessonWithFilm(60_000),
)
const lesson = withThings(withQuiz(edited(film, edits.setHold, { cueId: 'b', countdownMs: 8000 })))
type Response = Attempt['progress']['responses'][number]
const answered = (cueId: string, which: 'a' | 'b', tryNumber = 1): Response => ({
  cueId,
  questionId: `q-${cueId}`,
  tryNumber,
  answer: { kind: 'choice', picked: [`${cueId}-${which}`] },
  ...(which === 'a' ? { verdict: 'right', points: 1 } : { verdict: 'wrong', points: 0 }),
})

function openIn(partId: string, responses: Response[] = [], released: string[] = [], tells = true) {
  const progress = { responses, released }
  const assignment = { tells }
  return stillOpenIn({ lesson, progress, assignment, seed: 's' } as unknown as OpenedLesson, partId)
}

describe('what can still be answered in a part', () => {
  it('is all that was not answered right, as long as tries are left', () => {
    expect(openIn(PART)).toBe(2)
    expect(openIn(PART, [answered('a', 'a')])).toBe(1)
    expect(openIn(PART, [answered('a', 'b')])).toBe(2)
  })

  it('counts a question no more whose time ran out', () => {
    expect(openIn(PART, [], ['a', 'b'])).toBe(1)
    expect(openIn(PART, [answered('a', 'a')], ['a', 'b'])).toBe(0)
  })

  it('does not tell by it what came of an answer before the class is told', () =>
    expect(openIn(PART, [answered('a', 'a')], [], false)).toBe(
      openIn(PART, [answered('a', 'b')], [], false),
    ))

  it('counts what a page asks, nothing of a quiz, and nothing of what there is not', () => {
    expect(openIn(PAGE)).toBeGreaterThan(0)
    expect([QUIZ, 'none'].map((id) => openIn(id))).toEqual([0, 0])
  })
})
