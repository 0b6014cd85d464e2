// What keeps a draft from becoming an edition. Doubts belong to the proof; these are plain impossibilities.
import type { Issue } from '../fields/index.ts'
import { findWhatCannotBeAsked } from '../questions/index.ts'
import { withoutHidden } from './hidden.ts'
import { cueStartMs } from './order.ts'
import { filmLengthMs, filmsInOrder, partsInOrder } from './parts.ts'
import { findUnreadyPart } from './unready.ts'
import type { Choice } from './forkSchema.ts'
import type { Cue, Lesson } from './schema.ts'

/** The reasons why this lesson cannot be published; empty when it can. Hidden parts may be as they are. */
export function findWhatBlocksPublishing(draft: Lesson): Issue[] {
  const lesson = withoutHidden(draft)
  return [
    ...findMissingBasics(lesson),
    ...findMissingFilms(lesson),
    ...findBadCues(lesson),
    ...partsInOrder(lesson).flatMap((part) => findUnreadyPart(lesson, part)),
  ]
}

function findMissingBasics(lesson: Lesson): Issue[] {
  const issues: Issue[] = []
  if (lesson.title.trim() === '')
    issues.push({ path: ['title'], code: 'lesson.noTitle', message: 'The lesson has no title.' })
  if (Object.keys(lesson.parts).length === 0)
    issues.push({
      path: ['parts'],
      code: 'lesson.noParts',
      message: 'The lesson has no part for learners yet.',
    })
  return issues
}

function findMissingFilms(lesson: Lesson): Issue[] {
  return filmsInOrder(lesson)
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
  const durationMs = filmLengthMs(lesson, cue.partId)
  if (durationMs === null || cueStartMs(cue) <= durationMs) return []
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
  if (cue.kind !== 'fork') return []
  const ways = Object.values(cue.choices)
  const bad = (code: string, message: string) => [{ path: ['cues', cue.id], code, message }]
  if (!cue.decides && ways.some(({ text }) => text.trim() === ''))
    return bad('fork.noWords', 'A way of a fork has no words that a learner could choose it by.')
  const hangsOnNothing = ({ condition }: Choice) =>
    condition?.if === 'answer' && condition.cueId === null
  if (cue.decides && ways.some(hangsOnNothing))
    return bad('fork.noQuestion', 'A way of a fork hangs on an answer, and no question is named.')
  return []
}

const LACKING = {
  picture: ['overlay.noPicture', 'An overlay is to show a picture and has none yet.'],
  sound: ['overlay.noSound', 'An overlay is to let hear something and has no sound yet.'],
  film: ['overlay.noFilm', 'An overlay is to show a second film and has none yet.'],
} as const

function findBadOverlay(cue: Cue): Issue[] {
  if (cue.kind !== 'overlay') return []
  const { content, id, action } = cue
  const bad = (code: string, message: string) => [{ path: ['cues', id], code, message }]
  if (content && 'mediaId' in content && content.mediaId === null) {
    const [code, message] = LACKING[content.form]
    return bad(code, message)
  }
  const opensNothing = action?.does === 'address' && action.address === null
  const leadsNowhere =
    (content?.form === 'link' || content?.form === 'web') && content.address === null
  if (leadsNowhere || opensNothing)
    return bad('overlay.noAddress', 'A link on the picture has no address yet.')
  if (content?.form === 'button' && !action)
    return bad('overlay.noAction', 'A button on the picture does nothing yet.')
  return []
}
