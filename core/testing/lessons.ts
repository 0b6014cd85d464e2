// The smallest valid lessons that tests need, built with the same edits as real ones.
import { edits, emptyLesson, runEdit, type Edit, type Hold, type Lesson } from '../lesson/index.ts'

export const PART = 'part-1'

/** Runs an edit and throws where it is refused. */
export function edited<A>(lesson: Lesson, edit: Edit<A>, args: A): Lesson {
  const outcome = runEdit(lesson, edit, args)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return outcome.lesson
}

/** A lesson with one film part of the given length. */
export function lessonWithFilm(durationMs = 60_000): Lesson {
  const lesson = edited(emptyLesson('A lesson'), edits.addFilmPart, { id: PART, title: 'A film' })
  return edited(lesson, edits.attachFilm, {
    partId: PART,
    mediaId: 'media-1',
    durationMs,
    frameRate: '25',
  })
}

export interface QuestionWish {
  id: string
  atMs: number
  hold?: Hold
  sendBack?: boolean
  again?: boolean
  evidence?: { fromMs: number; toMs: number }
}

/** Adds a choice question that can be published: option `<id>-a` is right, `<id>-b` is wrong. */
export function withQuestion(lesson: Lesson, wish: QuestionWish): Lesson {
  const { id, atMs, hold = 'answered', sendBack = false, again = false } = wish
  const optionIds: [string, string] = [`${id}-a`, `${id}-b`]
  let next = edited(lesson, edits.addQuestion, {
    cueId: id,
    questionId: `q-${id}`,
    optionIds,
    partId: PART,
    atMs,
    evidence: wish.evidence ?? null,
  })
  const questionId = `q-${id}`
  next = edited(next, edits.setQuestionText, { questionId, field: 'stem', text: `Stem of ${id}` })
  for (const optionId of optionIds)
    next = edited(next, edits.setOptionText, {
      questionId,
      optionId,
      field: 'text',
      text: optionId,
    })
  return edited(next, edits.setHold, { cueId: id, hold, sendBack, again })
}

/** A lesson with one of everything: question `a`, overlay `o`, bookmark `b`, note `note`, script `s`. */
export function fullLesson(): Lesson {
  let lesson = withQuestion(lessonWithFilm(), { id: 'a', atMs: 5000 })
  lesson = edited(lesson, edits.addOverlay, {
    cueId: 'o',
    partId: PART,
    fromMs: 1000,
    toMs: 4000,
    text: '',
  })
  lesson = edited(lesson, edits.addBookmark, { cueId: 'b', partId: PART, atMs: 0, title: '' })
  lesson = edited(lesson, edits.addNote, { cueId: 'note', partId: PART, atMs: 8000 })
  return edited(lesson, edits.importScript, {
    ...{ id: 's', partId: PART, language: 'en' },
    lines: [
      { id: 'l1', fromMs: 1000, toMs: 3000, text: 'Water climbs hills' },
      { id: 'l2', fromMs: 3000, toMs: 4000, text: 'by steps.' },
      { id: 'l3', fromMs: 6000, toMs: 8000, text: 'Each is a lock.' },
    ],
  })
}
