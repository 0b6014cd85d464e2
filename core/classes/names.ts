// Names of learners: what a roster takes as one, and the names they sign in by.
import { cleanText } from '../fields/index.ts'

export const LONGEST_NAME = 120
export const LONGEST_SIGN_IN = 40

/** What is wrong with a name on a roster. `formula`: a spreadsheet would take it for one. */
export type NameFault = 'noLetters' | 'tooLong' | 'formula' | 'markup'

/** A name with single spaces and without control characters. */
export const tidyName = (name: string): string =>
  cleanText(name.normalize('NFC')).replace(/\s+/g, ' ').trim()

/** What keeps a tidied name from a roster, or null. One word is enough; a teacher knows who it is. */
export function nameFault(name: string): NameFault | null {
  if (/^[=+\-@]/.test(name)) return 'formula'
  if (/[<>{}|\\]|https?:/i.test(name)) return 'markup'
  if (name.length > LONGEST_NAME) return 'tooLong'
  return /\p{L}/u.test(name) ? null : 'noLetters'
}

/** What two spellings of one name have in common: case, accents and spaces aside. */
export const nameKey = (name: string): string =>
  withoutMarks(tidyName(name)).toLocaleLowerCase('en').replace(/\s+/g, ' ')

const withoutMarks = (text: string) => text.normalize('NFKD').replace(/\p{M}/gu, '')
/** Letters that no decomposition takes apart. */
const SPELT: Record<string, string> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  ł: 'l',
  þ: 'th',
  ı: 'i',
}

/** The name somebody signs in by, such as `perrin.askew`; `learner` where a name has no Latin letters to type. */
export function signInNameOf(name: string): string {
  const plain = withoutMarks(name.toLocaleLowerCase('en')).replace(
    /[ßæœøđðłþı]/g,
    (letter) => SPELT[letter]!,
  )
  const words = plain.replace(/['’]/g, '').match(/[a-z0-9]+/g) ?? []
  const [first, last] = [words[0], words.length > 1 ? words.at(-1) : undefined]
  const joined = [first, last].filter((word) => word !== undefined).join('.')
  return joined === '' ? 'learner' : joined.slice(0, LONGEST_SIGN_IN - 6).replace(/\.$/, '')
}

/** A sign-in name however it was typed: dots, hyphens and spaces aside, and in small letters. An address stays as it is. */
export function signInKey(typed: string): string {
  const name = typed.trim().toLowerCase()
  return name.includes('@') ? name : name.replace(/[\s._-]+/g, '')
}

/** The first of `wanted`, `wanted2`, `wanted3` … that is not taken; it is taken from then on. */
export function chooseSignInName(wanted: string, taken: Set<string>): string {
  let name = wanted
  for (let number = 2; taken.has(name); number += 1) name = `${wanted}${number}`
  taken.add(name)
  return name
}
