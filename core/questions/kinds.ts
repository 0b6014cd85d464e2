// What every kind of question can do where it is answered, by kind. A new kind is a line here, and in makings.ts.
import { mediaOfText, partsOfText, type RichText } from '../fields/index.ts'
import { area } from './area/kind.ts'
import { checklist } from './checklist/kind.ts'
import { choice } from './choice/kind.ts'
import { gaps } from './gaps/kind.ts'
import type { FilesAsked, LeafShape, QuestionKind } from './kind.ts'
import { longText } from './longText/kind.ts'
import { match } from './match/kind.ts'
import { number } from './number/kind.ts'
import { order } from './order/kind.ts'
import { poll } from './poll/kind.ts'
import { recap } from './recap/kind.ts'
import { recording } from './recording/kind.ts'
import { scale } from './scale/kind.ts'
import { shortText } from './shortText/kind.ts'
import { terms } from './terms/kind.ts'
import { trueFalse } from './trueFalse/kind.ts'
import { upload } from './upload/kind.ts'
import { isSettled, unsaid, type Mark, type Verdict } from './mark.ts'
import type { Answer, AnswerOf, Question, QuestionKindName, QuestionOf } from './schema.ts'

type Kinds = { [K in QuestionKindName]: QuestionKind<QuestionOf<K>, AnswerOf<K>> }

const KINDS: Kinds = {
  choice,
  trueFalse,
  shortText,
  number,
  gaps,
  order,
  match,
  area,
  longText,
  upload,
  recording,
  poll,
  scale,
  checklist,
  recap,
  terms,
}

/** The kinds in the order in which they are offered. */
export const QUESTION_KINDS = Object.keys(KINDS) as QuestionKindName[]

/** What this question's kind can do; each kind only ever meets questions and answers of its own. */
export const kindOf = (question: Pick<Question, 'kind'>) =>
  KINDS[question.kind] as unknown as QuestionKind<Question, Answer>

/** Marks any value as an answer to any question; never throws. Of a question that was cut nothing can be said. */
export const markQuestion = (question: Question, answer: unknown): Mark =>
  isUnsaid(question) ? unsaid(question) : kindOf(question).mark(question, answer)

/** Whether an answer can only be marked where the whole question is known. */
export const isUnsaid = (question: Question): boolean =>
  question.cut === true && isGraded(question) && !isSelfJudged(question) && !isByPerson(question)

/** An answer as a person would read it in a report. */
export const readableAnswer = (question: Question, answer: Answer): string =>
  answer.kind === question.kind ? kindOf(question).readable(question, answer) : ''

/** Whether an answer is one to this question: of its kind, and naming only what it has. */
export const fitsQuestion = (question: Question, answer: Answer): boolean =>
  answer.kind === question.kind && kindOf(question).fits(question, answer)

/** Whether it can be answered right or wrong; polls and scales only ask. */
export const isGraded = (question: Pick<Question, 'kind'>): boolean => kindOf(question).graded

/** Whether a person has to look at the answers. */
export const isByPerson = (question: Pick<Question, 'kind'>): boolean => kindOf(question).byPerson

/** Whether learners say themselves how far they are. */
export const isSelfJudged = (question: Pick<Question, 'kind'>): boolean =>
  kindOf(question).selfJudged ?? false

/** Whether no other answer follows. What only asks, or waits for a person, may be answered anew while tries are left. */
export function isFinal(question: Question, right: boolean, triesUsed: number): boolean {
  const noneLeft = question.tries > 0 && triesUsed >= question.tries
  return noneLeft || (right && isGraded(question) && !isByPerson(question))
}

/** Whether nothing stands against going on after an answer: see `isSettled`; of what is unsaid it is not known yet. */
export const isSettledHere = (question: Question, verdict: Verdict): boolean =>
  verdict === 'unmarked' && isUnsaid(question) ? false : isSettled(verdict)

/** Whether another try begins with the answer before it. */
export const isMended = (question: Pick<Question, 'kind'>): boolean => kindOf(question).mended

/** The shape of its leaf on the frond. */
export const leafShape = (question: Pick<Question, 'kind'>): LeafShape =>
  kindOf(question).leaf ?? 'question'

/** What of a few things an answer names; nothing where its kind is not counted so. */
export const chosenIn = (answer: Answer): string[] => kindOf(answer).chosen?.(answer) ?? []

/** Whether its answers read as words that the language files have. */
export const readsAsWord = (question: Pick<Question, 'kind'>): boolean =>
  kindOf(question).readsAsWord ?? false

/** All texts of a question that a learner may read. */
export function textsOf(question: Question): RichText[] {
  const { stem, hint, feedback, explanation } = question
  return [stem, hint, ...Object.values(feedback), explanation, ...kindOf(question).texts(question)]
}

/** The media that a question shows. */
export const mediaOfQuestion = (question: Question): string[] => [
  ...textsOf(question).flatMap(mediaOfText),
  ...kindOf(question).media(question),
]

/** The film parts whose stretches a question shows, and the one its evidence lies in. */
export const partsOfQuestion = (question: Question): string[] => [
  ...textsOf(question).flatMap(partsOfText),
  ...(question.evidence ? [question.evidence.partId] : []),
]

/** The files that come with an answer. */
export const filesOfAnswer = (answer: Answer): string[] => kindOf(answer).filesOf?.(answer) ?? []

/** What a question's files may be; null where it asks for none. */
export const filesAsked = (question: Question): FilesAsked | null =>
  kindOf(question).filesAsked?.(question) ?? null
