// What keeps a draft from becoming an edition. Doubts belong to the proof; these are plain impossibilities.
import type { Issue } from '../fields/index.ts'
import { findWhatCannotBeAsked } from '../questions/index.ts'
import { cueStartMs, partsInOrder } from './order.ts'
import type { Cue, Lesson } from './schema.ts'

/** The reasons why this lesson cannot be published; empty when it can. */
export function findWhatBlocksPublishing(lesson: Lesson): Issue[] {
  return [...findMissingBasics(lesson), ...findMissingFilms(lesson), ...findBadCues(lesson)]
}

function findMissingBasics(lesson: Lesson): Issue[] {
  const issues: Issue[] = []
  if (lesson.title.trim() === '')
    issues.push({ path: ['title'], code: 'lesson.noTitle', message: 'The lesson has no title.' })
  if (Object.keys(lesson.parts).length === 0)
    issues.push({ path: ['parts'], code: 'lesson.noParts', message: 'The lesson has no film yet.' })
  return issues
}

function findMissingFilms(lesson: Lesson): Issue[] {
  return partsInOrder(lesson)
    .filter((part) => part.mediaId === null || part.durationMs === null)
    .map((part) => ({
      path: ['parts', part.id, 'mediaId'],
      code: 'part.noFilm',
      message: `“${part.title}” has no film that is ready to play.`,
    }))
}

function findBadCues(lesson: Lesson): Issue[] {
  return Object.values(lesson.cues).flatMap((cue) => [
    ...findBeyondEnd(lesson, cue),
    ...findBadQuestion(lesson, cue),
  ])
}

function findBeyondEnd(lesson: Lesson, cue: Cue): Issue[] {
  const durationMs = lesson.parts[cue.partId]?.durationMs
  if (durationMs == null || cueStartMs(cue) <= durationMs) return []
  return [
    {
      path: ['cues', cue.id],
      code: 'cue.beyondEnd',
      message: 'Something is placed after the film has ended.',
    },
  ]
}

function findBadQuestion(lesson: Lesson, cue: Cue): Issue[] {
  if (cue.kind !== 'question') return []
  const question = lesson.questions[cue.questionId]
  if (!question) return []
  return findWhatCannotBeAsked(question).map((issue) => ({
    ...issue,
    path: ['cues', cue.id, ...issue.path],
  }))
}
