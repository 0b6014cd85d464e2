// Beginnings and endings by which two words differ in what they mean and so little in how they are written that a slip might
// make the one of the other (likely.ts): it is none. Those that nobody writes for each other need no row.

import { remembered } from '../../fields/index.ts'

/** Any two of one row make different words of what follows; '' is the word without any. */
const BEGINNINGS: readonly (readonly string[])[] = [
  ['hypo', 'hyper'],
  ['intra', 'inter', 'infra', 'intro'],
  ['ante', 'anti'],
  ['pre', 'pro', 'per'],
  ['micro', 'macro', 'mikro', 'makro'],
  ['endo', 'exo', 'ecto', 'ento'],
  ['', 'a', 'e'],
  ['ab', 'ad', 'a', 'al', 'af', 'ef'],
  ['sub', 'sur', 'super'],
  ['un', 'in', 'im', 'en', 'on', 'an'],
  ['ver', 'er', 'zer'],
  ['mono', 'mon'],
]

const ENDINGS: readonly (readonly string[])[] = [
  ['ose', 'ase'],
  ['ous', 'ic'],
  ['er', 'ee'],
  ['ist', 'ism'],
  ['blast', 'clast'],
  ['metre', 'metry'],
  ['able', 'ably'],
]

/** Endings that make other substances of these; of other words they make mistakes alone (definate). */
const OF_ELEMENTS = [
  ['ide', 'ine', 'ate', 'ite', 'ane', 'ic', 'ous', 'yl'],
  ['id', 'in', 'at', 'it'],
]
const ELEMENT =
  /^(?:nitr|sulf|sulph|phosph|chlor|brom|iod|fluor|carbon|bicarbon|chrom|mangan|arsen|acet|form|oxal|silic|bor|perchlor|perox|ox|hydr|cyan|az|am|aln|alum)$/
const OF_CHAINS = [['ane', 'ene', 'yne', 'anol', 'anal', 'anone', 'ine', 'yl', 'anoic']]
const CHAIN = /^(?:cyclo|iso|neo)?(?:meth|eth|prop|but|pent|hex|hept|oct|non|dec|benz|alk)$/

/** A beginning or ending says something only where so many letters are left beside it. */
const LEAST_STEM = 3
const MOST_KEPT = 2000

/** The words that a beginning or an ending makes of this one and that mean something else. Lower case, without accents. */
export const oppositesOf = remembered(MOST_KEPT, (word): string[] => {
  const found = new Set([
    ...exchanged(
      word,
      BEGINNINGS,
      (part) => word.startsWith(part),
      (part, other) => other + word.slice(part.length),
    ),
    ...exchanged(
      word,
      ENDINGS,
      (part) => word.endsWith(part),
      (part, other) => word.slice(0, word.length - part.length) + other,
    ),
  ])
  for (const [rows, stem] of [
    [OF_ELEMENTS, ELEMENT],
    [OF_CHAINS, CHAIN],
  ] as const)
    substancesLike(word, rows, stem).forEach((other) => found.add(other))
  found.delete(word)
  // One of two letters left out is a slip, whatever beginning it looks like: imediate.
  return [...found].filter((other) => !lacksDouble(other, word))
})

/** The word with one of its endings made into each of the others, where what is before it names an element or a chain. */
const substancesLike = (word: string, rows: typeof ENDINGS, stem: RegExp): string[] =>
  rows.flatMap((row) =>
    row
      .filter((part) => word.endsWith(part) && stem.test(word.slice(0, -part.length)))
      .flatMap((part) => row.map((other) => word.slice(0, -part.length) + other)),
  )

const lacksDouble = (other: string, word: string): boolean =>
  other.length === word.length - 1 &&
  [...word].some(
    (letter, at) => letter === word[at + 1] && word.slice(0, at) + word.slice(at + 1) === other,
  )

function exchanged(
  word: string,
  rows: typeof BEGINNINGS,
  has: (part: string) => boolean,
  exchange: (part: string, other: string) => string,
): string[] {
  return rows.flatMap((row) =>
    row
      .filter((part) => has(part) && word.length - part.length >= LEAST_STEM)
      .flatMap((part) =>
        row.filter((other) => other !== part).map((other) => exchange(part, other)),
      ),
  )
}
