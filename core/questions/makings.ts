// What every kind of question can do for those who write, hold back or rehearse its questions, by kind. Apart from kinds.ts,
// so that a learner's player, which does nothing of it, is not sent it. A new kind is a line here as well.
import { isBlank, type Issue, type RichText } from '../fields/index.ts'
import { areaMaking } from './area/kind.ts'
import { checklistMaking } from './checklist/kind.ts'
import { choiceMaking } from './choice/kind.ts'
import { gapsMaking } from './gaps/kind.ts'
import { longTextMaking } from './longText/kind.ts'
import { matchMaking } from './match/kind.ts'
import { numberMaking } from './number/kind.ts'
import { orderMaking } from './order/kind.ts'
import { pollMaking } from './poll/kind.ts'
import { recapMaking } from './recap/kind.ts'
import { recordingMaking } from './recording/kind.ts'
import { scaleMaking } from './scale/kind.ts'
import { shortTextMaking } from './shortText/kind.ts'
import { termsMaking } from './terms/kind.ts'
import { trueFalseMaking } from './trueFalse/kind.ts'
import { uploadMaking } from './upload/kind.ts'
import type { QuestionBase } from './base.ts'
import { issueAt, type Chance, type Countable, type QuestionMaking } from './kind.ts'
import type { Answer, AnswerOf, Question, QuestionKindName, QuestionOf } from './schema.ts'

type Makings = { [K in QuestionKindName]: QuestionMaking<QuestionOf<K>, AnswerOf<K>> }

const MAKINGS: Makings = {
  choice: choiceMaking,
  trueFalse: trueFalseMaking,
  shortText: shortTextMaking,
  number: numberMaking,
  gaps: gapsMaking,
  order: orderMaking,
  match: matchMaking,
  area: areaMaking,
  longText: longTextMaking,
  upload: uploadMaking,
  recording: recordingMaking,
  poll: pollMaking,
  scale: scaleMaking,
  checklist: checklistMaking,
  recap: recapMaking,
  terms: termsMaking,
}

/** What can be done with this question's kind; each only ever meets questions and answers of its own. */
export const makingOf = (question: Pick<Question, 'kind'>) =>
  MAKINGS[question.kind] as unknown as QuestionMaking<Question, Answer>

/** A new question of a kind, ready to be written on. */
export const blankQuestion = (
  kind: QuestionKindName,
  base: QuestionBase,
  newId: () => string,
): Question => makingOf({ kind }).blank(base, newId)

/** An answer as a simulated learner gives it. */
export const drawAnswer = (question: Question, right: boolean, chance: Chance): Answer =>
  makingOf(question).draw(question, right, chance)

/** The chance of being right for whoever knows nothing. */
export const guessing = (question: Question): number => makingOf(question).guessing?.(question) ?? 0

/** How much harder it is than one that asks for one thing of a few, in logits. */
export const harderBy = (question: Question): number => makingOf(question).harder?.(question) ?? 0

/** Whether an answer can be right in part. */
export const canBePartly = (question: Question): boolean =>
  !(makingOf(question).neverPartly?.(question) ?? false)

/** Whether it points at a frame of the film that asks it, and so can be asked by nothing else. */
export const pointsAtFrame = (question: Question): boolean =>
  makingOf(question).pointsAtFrame?.(question) ?? false

/** Whether it holds what only a question has that was cut for a learner. */
export const holdsCut = (question: Question): boolean =>
  question.cut !== undefined ||
  question.mix !== undefined ||
  (makingOf(question).holdsCut?.(question) ?? false)

/** What can be chosen, and what of it is right; empty for kinds that are not told so. */
export const optionsOf = (question: Question) => makingOf(question).options?.(question) ?? []

/** What can be chosen where nothing is right; empty for kinds that mark. */
export const countablesOf = (question: Question): Countable[] =>
  makingOf(question).countables?.(question) ?? []

/** Whether whoever has answered may see how all have. */
export const showsTally = (question: Question): boolean =>
  makingOf(question).showsTally?.(question) ?? false

/** A good answer, for whoever marks; '' where there is none. */
export const modelAnswer = (question: Question): RichText =>
  makingOf(question).model?.(question) ?? ''

/** Whether the words of its answers are counted for whoever marks. */
export const countsWords = (question: Pick<Question, 'kind'>): boolean =>
  makingOf(question).countsWords ?? false

/** An answer as those may see it who are not to know whose it is. */
export const withoutNames = (answer: Answer): Answer =>
  makingOf(answer).withoutNames?.(answer) ?? answer

/** The reasons why this question cannot be asked yet; empty when it can. Paths are relative to the question. */
export function findWhatCannotBeAsked(question: Question): Issue[] {
  const own = makingOf(question).findWhatCannotBeAsked(question)
  return isBlank(question.stem)
    ? [issueAt('stem', 'question.noStem', 'The question has no text.'), ...own]
    : own
}
