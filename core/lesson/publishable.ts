// What keeps a draft from becoming an edition. Doubts belong to the proof; these are plain impossibilities.
import type { Issue } from '../fields/index.ts'
import { findWhatCannotBeAsked, type Question, pointsAtFrame } from '../questions/index.ts'
import { withoutHidden } from './hidden.ts'
import { cueStartMs } from './order.ts'
import {
  filmLengthMs,
  filmsInOrder,
  findUnreadyPart,
  hasFrames,
  partOfKind,
  partsInOrder,
  type UnreadyCode,
} from './parts/index.ts'
import type { Condition } from './forkSchema.ts'
import type { Cue, Lesson } from './schema.ts'

/** What can be wrong with a lesson besides its questions; the language files have a sentence for each. */
export type BlockingCode =
  | UnreadyCode
  | 'lesson.noTitle'
  | 'lesson.noParts'
  | 'part.noFilm'
  | 'cue.beyondEnd'
  | 'cue.noFrame'
  | 'fork.noWords'
  | 'fork.noQuestion'
  | 'fork.ownTime'
  | 'route.noQuestion'
  | 'gate.noQuestion'
  | (typeof LACKING)[keyof typeof LACKING][0]
  | 'overlay.noAddress'
  | 'overlay.noAction'
/** Something that is wrong with more than one question. */
type Blocking = Issue & { code: BlockingCode }

/** The reasons why this lesson cannot be published; empty when it can. Hidden parts may be as they are. */
export function findWhatBlocksPublishing(draft: Lesson): Issue[] {
  const lesson = withoutHidden(draft)
  return [
    ...findMissingBasics(lesson),
    ...findMissingFilms(lesson),
    ...findBadCues(lesson),
    ...partsInOrder(lesson).flatMap((part) => findUnreadyPart(lesson, part)),
    ...findBadRoutes(lesson),
  ]
}

function findMissingBasics(lesson: Lesson): Blocking[] {
  const issues: Blocking[] = []
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

function findMissingFilms(lesson: Lesson): Blocking[] {
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
    ...findBadFork(lesson, cue),
    ...findBadOverlay(cue),
  ])
}

function findBeyondEnd(lesson: Lesson, cue: Cue): Blocking[] {
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
  return [
    ...findWhatCannotBeAsked(question),
    ...findMissingFrame(lesson, cue.partId, question),
  ].map((issue) => ({ ...issue, path: ['cues', cue.id, ...issue.path] }))
}

/** A question that points at a frame, though the film stays with its host and nobody can draw its frames. */
function findMissingFrame(lesson: Lesson, partId: string, question: Question): Blocking[] {
  const film = partOfKind(lesson, partId, 'film')
  if (!pointsAtFrame(question) || !film || hasFrames(film)) return []
  const message = `A question asks for a place on a frame, and the film of “${film.title}” stays with its host.`
  return [{ path: ['mediaId'], code: 'cue.noFrame', message }]
}

/** Whether it can never hold, as no question is named. */
const hangsOnNothing = (condition: Condition | null | undefined) =>
  condition?.if === 'answer' && condition.cueId === null

/** Routes and gates that hang on an answer which nobody is asked for: the way stays shut for everybody. */
function findBadRoutes({ routes = {}, parts }: Lesson): Blocking[] {
  return [
    ...Object.values(routes)
      .filter(({ condition }) => hangsOnNothing(condition))
      .map(({ id }) => ({
        path: ['routes', id],
        code: 'route.noQuestion' as const,
        message: 'A way on hangs on an answer, and no question is named.',
      })),
    ...Object.values(parts)
      .filter(({ gate }) => hangsOnNothing(gate?.condition))
      .map(({ id, title }) => ({
        path: ['parts', id, 'gate'],
        code: 'gate.noQuestion' as const,
        message: `The gate before “${title}” hangs on an answer, and no question is named.`,
      })),
  ]
}

function findBadFork(lesson: Lesson, cue: Cue): Blocking[] {
  if (cue.kind !== 'fork') return []
  const ways = Object.values(cue.choices)
  const bad = (code: BlockingCode, message: string) => [{ path: ['cues', cue.id], code, message }]
  if (!cue.decides && ways.some(({ text }) => text.trim() === ''))
    return bad('fork.noWords', 'A way of a fork has no words that a learner could choose it by.')
  if (cue.decides && ways.some(({ condition }) => hangsOnNothing(condition)))
    return bad('fork.noQuestion', 'A way of a fork hangs on an answer, and no question is named.')
  const lengthMs = filmLengthMs(lesson, cue.partId) ?? Infinity
  const leadsHere = ways.some(
    ({ target }) => target.to === 'time' && Math.min(target.atMs, lengthMs) === cue.atMs,
  )
  return leadsHere
    ? bad('fork.ownTime', 'A way of a fork leads to the fork’s own time, and so nowhere.')
    : []
}

const LACKING = {
  picture: ['overlay.noPicture', 'An overlay is to show a picture and has none yet.'],
  sound: ['overlay.noSound', 'An overlay is to let hear something and has no sound yet.'],
  film: ['overlay.noFilm', 'An overlay is to show a second film and has none yet.'],
} as const

function findBadOverlay(cue: Cue): Blocking[] {
  if (cue.kind !== 'overlay') return []
  const { content, id, action } = cue
  const bad = (code: BlockingCode, message: string) => [{ path: ['cues', id], code, message }]
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
