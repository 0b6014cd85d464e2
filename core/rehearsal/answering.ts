// How a simulated learner answers: a chance of being right from ability and difficulty, as in item response theory
// (three-parameter logistic model).
import { plainOf } from '../fields/index.ts'
import { guessing, harderBy, type Question } from '../questions/index.ts'

/** How sharply ability tells right from wrong. */
const DISCRIMINATION = 1.3
/** Difficulty of a question whose evidence was watched, and what not having seen it adds. */
const DIFFICULTY = -0.9
const UNSEEN = 1.2
/** A stem of so many letters is read at ease; twice as many is harder by this. */
const EASY_LETTERS = 120
const LONG_STEM = 0.25

export function difficultyOf(question: Question, hadSeen: boolean): number {
  const letters = plainOf(question.stem).length
  const reading = LONG_STEM * Math.max(0, Math.log2(letters / EASY_LETTERS || 1))
  return DIFFICULTY + (hadSeen ? 0 : UNSEEN) + harderBy(question) + reading
}

/** Between the guessing floor and 1. */
export function chanceOfRight(question: Question, ability: number, hadSeen: boolean): number {
  const floor = guessing(question)
  const knows = 1 / (1 + Math.exp(-DISCRIMINATION * (ability - difficultyOf(question, hadSeen))))
  return floor + (1 - floor) * knows
}
