// How far a learner has come, brought up to date with each record that the player makes.
import type { Attempt, LearnerRecord } from '@fernbrake/core/contract'
import { assertNever } from '@fernbrake/core/fields'
import type { Lesson } from '@fernbrake/core/lesson'
import { withNote } from '@fernbrake/core/notes'
import { markQuestion } from '@fernbrake/core/questions'

export type LearnerProgress = Attempt['progress']

/** Brings `progress` to what it will be once this record is taken in. Changes it in place. */
export function noteRecord(lesson: Lesson, progress: LearnerProgress, record: LearnerRecord): void {
  switch (record.kind) {
    case 'place':
      progress.partId = record.partId
      progress.atMs = record.atMs
      for (const id of record.released)
        if (!progress.released.includes(id)) progress.released.push(id)
      return
    case 'span': {
      const { fromMs, toMs, hidden } = record
      if (!hidden) (progress.covered[record.partId] ??= []).push({ fromMs, toMs })
      return
    }
    case 'response': {
      const { cueId, questionId, answer } = record
      const question = lesson.questions[questionId]
      if (!question) return
      const { verdict, points } = markQuestion(question, answer)
      const tries = progress.responses.filter((one) => one.questionId === questionId).length
      progress.responses.push({ cueId, questionId, answer, verdict, points, tryNumber: tries + 1 })
      return
    }
    case 'choice':
      progress.chosen[record.cueId] = record.choiceId
      return
    case 'finish':
      if (!progress.finishedParts.includes(record.partId))
        progress.finishedParts.push(record.partId)
      return
    case 'seen': {
      const seen = (progress.seen[record.partId] ??= [])
      if (!seen.includes(record.thingId)) seen.push(record.thingId)
      return
    }
    case 'ownNote': {
      const { noteId, partId, place, words, isGone, at } = record
      const note = isGone ? null : { id: noteId, partId, place, words, at }
      progress.ownNotes = withNote(progress.ownNotes, noteId, note)
      return
    }
    // What is said to others is no progress.
    case 'say':
      return
    default:
      assertNever(record)
  }
}
