// What a kind of question must be able to do. A new kind is a folder that does this, and a line in kinds.ts and schema.ts.
import type { Issue, RichText } from '../fields/index.ts'
import type { QuestionBase } from './base.ts'
import type { Mark } from './mark.ts'
import type { FileSort } from './upload/sorts.ts'

/** How a question is cut for one learner: see cut.ts. */
export interface Cutting<A> {
  /** The name that something of the question goes by for this learner, by its id. */
  nameOf(id: string): string
  /** What the question's mixing follows from. */
  mix: string
  /** Answers whose outcome the learner knows: what was said of what they name may be said again. */
  told: readonly A[]
}

/** What answers to a kind name, and how its names are hidden. */
export interface Hiding<Q, A> {
  /** All that answers can name, as this learner finds it; what stands for the same thing stands together. */
  ids(question: Q, mix: string): string[][]
  renamed(answer: A, rename: (id: string) => string): A
  /** Whether the parts of a mark go by these ids too. */
  inParts: boolean
}

/** Where chance comes from: uniform in [0, 1). */
export interface Chance {
  next(): number
}

/** What files may be handed in: their sorts, and how large each may be. */
export interface FilesAsked {
  sorts: FileSort[]
  mostBytes: number
}

/** What a kind can do where its questions are answered. */
export interface QuestionKind<Q extends QuestionBase, A> {
  /** Whether there is something to be right about; polls and the like only ask. */
  graded: boolean
  /** Whether a person has to read the answer. */
  byPerson: boolean
  /** Learners say themselves how far they are: nothing in it is right or wrong, though it may earn points. */
  selfJudged?: true
  /** Whether another try begins with the answer before it, to be mended; else it is given anew. */
  mended: boolean
  /** Marks any value as an answer. Pure and total: never throws, whatever the value is. */
  mark(question: Q, answer: unknown): Mark
  /** Whether an answer names only what the question has, and no more than it allows. */
  fits(question: Q, answer: A): boolean
  /** The answer as a person would read it in a report. */
  readable(question: Q, answer: A): string
  /** The texts that it has besides those of every kind. */
  texts(question: Q): RichText[]
  /** The media that it needs besides those in its texts. */
  media(question: Q): string[]
  /** What the files of its answers may be; only of kinds that ask for files. */
  filesAsked?(question: Q): FilesAsked
  /** The ids of the files that an answer names. */
  filesOf?(answer: A): string[]
  /** Its leaf on the frond, where that has a shape of its own. */
  leaf?: LeafShape
  /** What of a few things an answer names, by id; only of kinds whose answers can be counted by them. */
  chosen?(answer: A): string[]
  /** How an answer reads is one of a few words that the language files have (`true`, `false`). */
  readsAsWord?: true
}

/** The shapes of leaves on the frond. */
export type LeafShape = 'question' | 'recap'

/** A text of a list that a question is made of. */
export interface Line {
  id: string
  order: string
  text: RichText
}

/** One of a few things that can be chosen, as it is counted afterwards. */
export interface Countable {
  id: string
  label: string
  colour: string | null
}

/** What a kind can do for those who write its questions, hold them back, or rehearse them: learners need none of it. */
export interface QuestionMaking<Q extends QuestionBase, A> {
  /** A new question of this kind, ready to be written on. */
  blank(base: QuestionBase, newId: () => string): Q
  /** Why it cannot be asked yet, besides what all kinds need; paths are relative to the question. */
  findWhatCannotBeAsked(question: Q): Issue[]
  /** The question without anything that tells what is right; what all kinds have is cut already. */
  cut(question: Q, cutting: Cutting<A>): Q
  /** Only of kinds whose answers name what the question has. */
  hiding?: Hiding<Q, A>
  /** An answer as a simulated learner gives it: right, or with a mistake that people make. */
  draw(question: Q, right: boolean, chance: Chance): A
  /** The chance of being right for whoever knows nothing; none where it is not said. */
  guessing?(question: Q): number
  /** How much harder it is than one that asks for one thing of a few, in logits; as hard where it is not said. */
  harder?(question: Q): number
  /** The texts that go along where it becomes a question of another kind that has such a list. */
  lines?(question: Q): Record<string, Line>
  /** Whether no answer can be right in part. */
  neverPartly?(question: Q): boolean
  /** Whether it points at a frame of the film that asks it. */
  pointsAtFrame?(question: Q): boolean
  /** Whether it holds what only a question has that was cut for a learner. */
  holdsCut?(question: Q): boolean
  /** The words that it lists as right and lets slips pass in; empty where it minds slips. */
  slipsIn?(question: Q): string[]
  /** The question with words that are no slips for what it lists; without any where there are none. */
  withOthers?(question: Q, others: string[]): Q
  /** What can be chosen, and what of it is right: how often each was picked is told by thirds of a class. */
  options?(question: Q): { id: string; label: string; right: boolean }[]
  /** What can be chosen where nothing is right: how often each was, is shown as bars. */
  countables?(question: Q): Countable[]
  /** Whether whoever has answered may see how all have. */
  showsTally?(question: Q): boolean
  /** A good answer, for whoever marks; '' where there is none. */
  model?(question: Q): RichText
  /** Whether the words of an answer are counted for whoever marks. */
  countsWords?: true
  /** An answer as those may see it who are not to know whose it is. */
  withoutNames?(answer: A): A
}

export const issueAt = (path: string, code: string, message: string): Issue => ({
  path: [path],
  code,
  message,
})

/**
 * The first of some mistakes that is one: what people get wrong may be right here, as ten times nought. The last where all of
 * them are right.
 */
export function mistakeOf<A>(mistakes: readonly A[], isRight: (answer: A) => boolean): A {
  return mistakes.find((answer) => !isRight(answer)) ?? mistakes.at(-1)!
}

/** One of the things; the first where chance says 0. */
export function oneOf<T>(things: readonly T[], chance: Chance): T {
  return things[Math.min(things.length - 1, Math.floor(chance.next() * things.length))]!
}
