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
    ...findBadFork(cue),
    ...findBadOverlay(cue),
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

function findBadFork(cue: Cue): Issue[] {
  if (cue.kind !== 'fork' || cue.decides) return []
  return Object.values(cue.choices)
    .filter(({ text }) => text.trim() === '')
    .slice(0, 1)
    .map(() => ({
      path: ['cues', cue.id],
      code: 'fork.noWords',
      message: 'A way of a fork has no words that a learner could choose it by.',
    }))
}

function findBadOverlay(cue: Cue): Issue[] {
  if (cue.kind !== 'overlay') return []
  const { content, id, action } = cue
  const bad = (code: string, message: string) => [{ path: ['cues', id], code, message }]
  if (content?.form === 'picture' && content.mediaId === null)
    return bad('overlay.noPicture', 'An overlay is to show a picture and has none yet.')
  if (content?.form === 'link' && content.address === null)
    return bad('overlay.noAddress', 'A link on the picture has no address yet.')
  if (content?.form === 'button' && !action)
    return bad('overlay.noAction', 'A button on the picture does nothing yet.')
  return []
}
