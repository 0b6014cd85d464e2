// Beginnings and endings by which two words differ in what they mean and hardly in how they are written, by language: a slip
// that makes the one of the other is none.

import { remembered } from '../../fields/index.ts'

/** Any two of one row make different words of what follows; '' is the word without any. */
const BEGINNINGS: readonly (readonly string[])[] = [
  // English, and what several languages took from Greek and Latin.
  ['in', 'de', 'ex', 're', 'con', 'dis'],
  ['hypo', 'hyper'],
  ['intra', 'inter', 'infra', 'extra', 'intro'],
  ['ante', 'anti', 'andi'],
  ['pre', 'pro', 'per', 'post'],
  ['micro', 'macro', 'mikro', 'makro'],
  ['endo', 'exo', 'ecto', 'ento'],
  ['', 'mono', 'di', 'tri', 'tetra', 'bi', 'poly', 'uni', 'semi'],
  ['over', 'under'],
  ['ab', 'ad', 'a', 'al', 'af', 'ef'],
  ['e', 'i', 'em', 'im'],
  ['sub', 'super', 'sur'],
  ['homo', 'hetero'],
  ['iso', 'aniso'],
  ['out', 'in', 'on', 'up', 'down'],
  ['maxi', 'mini'],
  ['ob', 'sub'],
  ['ana', 'cata', 'kata', 'meta'],
  ['proto', 'deutero'],
  ['', 'un', 'in', 'im', 'il', 'ir', 'dis', 'non', 'mis', 'a', 'an', 'de', 're', 'non-'],
  // German.
  ['ein', 'aus', 'auf', 'ab', 'an', 'zu', 'um', 'vor', 'nach'],
  ['ver', 'er', 'ent', 'be', 'zer', 'ge'],
  ['', 'un', 'miss', 'ent', 'ver', 'be'],
  ['ober', 'unter', 'über'],
  ['innen', 'aussen', 'außen'],
  // French and Spanish.
  ['', 'in', 'im', 'il', 'ir', 'de', 'des', 'mal', 're'],
  ['sobre', 'sub', 'sur', 'sous'],
]

const ENDINGS: readonly (readonly string[])[] = [
  // Chemistry.
  ['ide', 'ine', 'ate', 'ite', 'ane', 'ene', 'yne', 'ol', 'al', 'one', 'ose', 'ase', 'in', 'ain'],
  ['id', 'in', 'at', 'it', 'an', 'en', 'on'],
  ['ous', 'ic'],
  // People, states, illnesses.
  ['er', 'ee', 'or'],
  ['less', 'ful'],
  ['ist', 'ism', 'ity'],
  ['itis', 'osis', 'oma', 'emia', 'uria'],
  ['phobic', 'philic'],
  ['phobe', 'phile'],
  ['blast', 'clast'],
  ['lysis', 'genesis', 'stasis'],
  ['ity', 'ive'],
  ['meter', 'metre', 'metry'],
  ['able', 'ably'],
  ['los', 'voll', 'reich', 'arm'],
]

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
  found.delete(word)
  return [...found]
})

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
