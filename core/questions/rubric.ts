// A rubric: what whoever marks looks at, and how far each of it can be reached. It is written as one text, a line for each
// thing: “Order of the steps: 0 missing / 1 named / 2 named and in order”. A line without levels, “Clear drawing (3)”, is
// worth up to that many whole points.

export interface RubricLevel {
  points: number
  words: string
}
export interface Criterion {
  title: string
  /** From the fewest points to the most. */
  levels: RubricLevel[]
}

export const LONGEST_RUBRIC = 4000
const MOST_CRITERIA = 12
const MOST_LEVEL_POINTS = 100
/** More whole points than this are not listed one by one. */
const MOST_STEPS = 10

const NUMBER = /^(\d+(?:[.,]\d+)?)(?:\s+|$)(.*)$/u
const WORTH = /^(.*?)\s*\((\d{1,3})\)$/u

/** Null where a line says nothing of points. */
function criterionOf(line: string): Criterion | null {
  const colon = line.indexOf(':')
  if (colon > 0) {
    const levels = line
      .slice(colon + 1)
      .split('/')
      .map((level) => NUMBER.exec(level.trim()))
    if (levels.length >= 2 && levels.every((level) => level !== null)) {
      const read = levels.map(([, points, words]) => ({
        points: Number(points!.replace(',', '.')),
        words: words!.trim(),
      }))
      const title = line.slice(0, colon).trim()
      const inOrder = read.sort((a, b) => a.points - b.points)
      return inOrder.every(({ points }) => points <= MOST_LEVEL_POINTS)
        ? { title, levels: inOrder }
        : null
    }
  }
  const worth = WORTH.exec(line)
  const most = Number(worth?.[2])
  if (!worth?.[1] || !(most >= 1 && most <= MOST_STEPS)) return null
  const steps = Array.from({ length: most + 1 }, (_, points) => ({ points, words: '' }))
  return { title: worth[1], levels: steps }
}

const linesOf = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')

/** The things looked at, in their order; lines that cannot be read are left out. */
export function rubricOf({ rubric = '' }: { rubric?: string }): Criterion[] {
  return linesOf(rubric)
    .flatMap((line) => criterionOf(line) ?? [])
    .slice(0, MOST_CRITERIA)
}

/** The numbers, from 1, of the lines that cannot be read, or are one too many. */
export function unreadableLines({ rubric = '' }: { rubric?: string }): number[] {
  return linesOf(rubric).flatMap((line, index) =>
    criterionOf(line) === null || index >= MOST_CRITERIA ? [index + 1] : [],
  )
}

/** The most that its levels come to together. */
export const rubricMax = (criteria: readonly Criterion[]): number =>
  criteria.reduce((sum, { levels }) => sum + levels.at(-1)!.points, 0)

/**
 * The points of a question for the levels that were reached, one a criterion, as indexes into its levels: their share of
 * what the rubric comes to, out of the question's points, to two places. Null as long as one is missing or does not exist.
 */
export function pointsOfLevels(
  question: { points: number; rubric?: string },
  levels: readonly (number | null)[],
): number | null {
  const criteria = rubricOf(question)
  const max = rubricMax(criteria)
  if (criteria.length === 0 || levels.length !== criteria.length || max === 0) return null
  let reached = 0
  for (const [index, { levels: steps }] of criteria.entries()) {
    const level = levels[index]
    const step = level === null || level === undefined ? undefined : steps[level]
    if (!step) return null
    reached += step.points
  }
  return Math.round((reached / max) * question.points * 100) / 100
}
