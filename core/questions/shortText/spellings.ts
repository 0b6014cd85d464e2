// One word with two spellings, British and American, where the one is no slip of the other: both are right wherever one is.
import { remembered } from '../../fields/index.ts'

const PAIRS = `
grey gray | tyre tire | plough plow | sulphur sulfur | aluminium aluminum | mould mold
programme program | sceptic skeptic | jewellery jewelry | moustache mustache | pyjamas pajamas
manoeuvre maneuver | oesophagus esophagus | oestrogen estrogen | foetus fetus | caesium cesium
gaol jail | haem heme | orthopaedic orthopedic | sulphate sulfate | sulphide sulfide | sulphuric sulfuric
`
const american: ReadonlyMap<string, string> = new Map(
  PAIRS.split(/[|\n]/).flatMap((pair) => {
    const [british, other] = pair.trim().split(' ')
    return other ? [[british!, other] as const, [`${british!}s`, `${other}s`] as const] : []
  }),
)

/** A text in small letters with each of these words in its American spelling. */
export const inOneSpelling = remembered(1000, (text: string) =>
  text
    .split(' ')
    .map((word) => american.get(word) ?? word)
    .join(' '),
)

/** Endings and letters by which British and American spellings differ. */
const REGULAR: readonly (readonly [RegExp, string])[] = [
  [/our/g, 'or'],
  [/re$/, 'er'],
  [/([iy])s(?=e|ed|es|ing|er|ation|able)/g, '$1z'],
  [/ogue/g, 'og'],
  [/[ao]e/g, 'e'],
  [/ll/g, 'l'],
  [/ence$/, 'ense'],
  [/mme$/, 'm'],
  [/gement/g, 'gment'],
]
const regular = (word: string) =>
  REGULAR.reduce((now, [from, to]) => now.replace(from, to), inOneSpelling(word))

/** Whether two words, small and without accents, are one in two spellings. */
export const isOneWord = (one: string, other: string): boolean => regular(one) === regular(other)
