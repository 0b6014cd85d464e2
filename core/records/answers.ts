// What comes of an answer: marked here, whatever the player thinks of it, with what was answered before.
import { isInTime } from '../classes/index.ts'
import type { Lesson } from '../lesson/index.ts'
import {
  filesOfAnswer,
  fitsQuestion,
  markQuestion,
  type Answer,
  type Question,
  type Verdict,
} from '../questions/index.ts'
import { response, type ResponseRecordInput } from './kinds/response.ts'
import type { Refusal } from './refusals.ts'
import { heardAt, type BatchTime } from './time.ts'

/** What is known of a learner when an answer of theirs is judged. */
export interface AnswerFacts {
  time: BatchTime
  /** When it closes, where it was given to a class. */
  closesAt: Date | null
  /** The answers of this attempt, those of this batch included. */
  given: readonly { id: string; questionId: string }[]
  /** The question of each file that was handed in. */
  handed: ReadonlyMap<string, string>
  /** The questions that the learner was told whole after they had been held back. */
  wereTold: ReadonlySet<string>
  /** Whether something of a question is held back from this learner. */
  isHeldBack(questionId: string): boolean
  /** An answer in the ids of the lesson as it is stored, where the learner knows others. */
  inIds(questionId: string, answer: Answer): Answer
}

/** An answer that is accepted, marked. */
export interface MarkedAnswer {
  question: Question
  answer: Answer
  tryNumber: number
  verdict: Verdict
  points: number
  answeredAt: Date
  isDoubtful: boolean
}

export type AnswerOutcome =
  | { is: 'accepted'; marked: MarkedAnswer }
  /** Stored already; nothing changes. */
  | { is: 'known' }
  /** What is right had been told before it came: it is kept beside the others, and does not count. */
  | { is: 'afterTelling'; answer: Answer; answeredAt: Date }
  | { is: 'refused'; why: Refusal }

const refused = (why: Refusal): AnswerOutcome => ({ is: 'refused', why })

/** Judges one answer; `sent` is as the player sent it. */
export function judgeAnswer(
  lesson: Lesson,
  facts: AnswerFacts,
  sent: ResponseRecordInput,
): AnswerOutcome {
  const fault = response.faultIn(lesson, sent)
  if (fault) return refused(fault)
  const answer = facts.inIds(sent.questionId, sent.answer)
  const question = lesson.questions[sent.questionId]!
  // Whoever had it cut could not work on a recap until all was found.
  const asked = facts.isHeldBack(question.id) ? { ...question, cut: true as const } : question
  if (!fitsQuestion(asked, answer)) return refused('wrongAnswerKind')
  if (facts.given.some(({ id }) => id === sent.id)) return { is: 'known' }
  const { at: answeredAt, isDoubtful } = heardAt(sent.answeredAt, facts.time)
  if (!isInTime(answeredAt.getTime(), facts.closesAt)) return refused('closed')
  if (filesOfAnswer(answer).some((id) => facts.handed.get(id) !== question.id))
    return refused('missingFile')
  if (facts.wereTold.has(question.id)) return { is: 'afterTelling', answer, answeredAt }
  const tries = facts.given.filter(({ questionId }) => questionId === question.id).length
  if (question.tries > 0 && tries >= question.tries) return refused('noTriesLeft')
  const { verdict, points } = markQuestion(question, answer)
  const marked = { question, answer, tryNumber: tries + 1, verdict, points, answeredAt, isDoubtful }
  return { is: 'accepted', marked }
}
