// Comparing words as people type them: width, spaces, quotation marks, capitals and accents. Small slips stand in slips.ts.
import type { WordRules } from './schema.ts'

type Minds = Pick<WordRules, 'minds'>

/** Nobody sees these, and pasting brings them along: soft hyphens, joiners, marks of direction, the Arabic lengthening line. */
const UNSEEN =
  /[\u00ad\u0640\u061c\u180e\u200b\u200c\u200e\u200f\u202a-\u202e\u2060-\u2064\ufeff]|\u200d|\ufe0e|\ufe0f/g

/** What has a meaning of its own and would be taken apart by Unicode's folding. */
const BEFORE_FOLDING: readonly (readonly [RegExp, string])[] = [
  [UNSEEN, ''],
  [/[\u2018\u2019\u02bc\u02b9\u2032`´]/g, "'"],
  [/[\u201c-\u201f\u2033\u00ab\u00bb]/g, '"'],
  [/[\u2010-\u2015\u2212]/g, '-'],
]

/** Letters that are written with nothing that could be taken off, and that people type without. */
const PLAIN_LETTERS: Record<string, string> = {
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  æ: 'ae',
  œ: 'oe',
  ħ: 'h',
  ŧ: 't',
  ı: 'i',
  ß: 'ss',
  Ø: 'O',
  Ł: 'L',
  Đ: 'D',
  Ð: 'D',
  Þ: 'TH',
  Æ: 'AE',
  Œ: 'OE',
  Ħ: 'H',
  Ŧ: 'T',
  ẞ: 'SS',
}
const HAS_PLAIN = /[øłđðþæœħŧıßØŁĐÐÞÆŒĦŦẞ]/g

/** Only where a mark is an accent: in Latin and Greek, the two dots and the stress of Cyrillic, the vowels of Arabic and Hebrew. */
const ACCENTS =
  /(?<=[\p{Script=Latin}\p{Script=Greek}]\p{M}*)\p{M}|(?<=[еЕ])\u0308|(?<=\p{Script=Cyrillic}\p{M}*)\u0301|[\u064b-\u0652\u0670\u0591-\u05bd\u05bf\u05c1\u05c2\u05c4\u05c5\u05c7]/gu

const withoutAccents = (text: string): string =>
  text
    .normalize('NFD')
    .replace(ACCENTS, '')
    .normalize('NFC')
    .replace(HAS_PLAIN, (letter) => PLAIN_LETTERS[letter]!)

const IS_PLAIN = /^[a-z0-9]+(?: [a-z0-9]+)*$/

/**
 * The text as it is compared: NFKC, nothing unseen, single spaces, one sort of quotation marks, and capitals and accents as
 * the rules say. What is compared once is compared the same again.
 */
export function comparable(text: string, { minds }: Minds): string {
  if (IS_PLAIN.test(text)) return text
  let plain = BEFORE_FOLDING.reduce((now, [from, to]) => now.replace(from, to), text).normalize(
    'NFKC',
  )
  plain = BEFORE_FOLDING.reduce((now, [from, to]) => now.replace(from, to), plain)
  if (!minds.accents) plain = withoutAccents(plain)
  if (!minds.case) plain = caseFolded(plain)
  if (!minds.accents) plain = withoutAccents(plain)
  return plain.replace(/\s+/gu, ' ').trim()
}

/** Both ways, so that letters with two small forms (ς and σ, ß and SS) meet. */
const caseFolded = (text: string): string =>
  text.replace(/[ßẞ]/g, 'ss').toUpperCase().toLowerCase().replace(/ς/g, 'σ').normalize('NFC')

/** Without a full stop behind it and quotation marks around it, where anything is left then. */
export function withoutTrimmings(plain: string): string {
  const bare = plain
    .replace(/[\s.,;]+$/, '')
    .replace(/^(["'])(.*)\1$/, '$2')
    .replace(/[\s.,;]+$/, '')
    .trim()
  return bare === '' ? plain : bare
}

const ARTICLES = new Set(
  'the a an der die das den dem ein eine einen le la les un une el las los una'.split(' '),
)

/** Without the article before it; null where there is none, or nothing else. */
export function withoutArticle(plain: string): string | null {
  const [first = '', ...rest] = plain.split(' ')
  if (ARTICLES.has(first.toLowerCase())) return rest.length > 0 ? rest.join(' ') : null
  return /^l'\S{2,}/i.test(plain) ? plain.slice(2) : null
}

/** As it is written where two dots cannot be typed: Mueller for Müller. */
export const spelledOut = (text: string): string =>
  text.normalize('NFC').replace(/[äöüÄÖÜ]/g, (letter) => `${SPELLED[letter.toLowerCase()]!}`)
const SPELLED: Record<string, string> = { ä: 'ae', ö: 'oe', ü: 'ue' }

/** A question with words that are no slips for what it lists; the same question where there is nothing to say. */
export function withOtherWords<Q extends { rules: WordRules }>(question: Q, others: string[]): Q {
  const { others: before, ...rules } = question.rules
  if (others.length === 0 && before === undefined) return question
  return { ...question, rules: others.length > 0 ? { ...rules, others } : rules }
}
