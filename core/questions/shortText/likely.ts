// Which letter is put for which by a slip of the hand or the ear: keys that lie side by side, letters that sound or look alike.
// Any other letter in its place makes another word more often than a slip: horse and house, base and case, power and tower.
import { remembered } from '../../fields/index.ts'

/** The rows of the keyboards that these words are typed on, each half a key further in than the one above it. */
const KEYBOARDS = [
  ['qwertyuiop', 'asdfghjkl', 'zxcvbnm'],
  ['qwertzuiop', 'asdfghjkl', 'yxcvbnm'],
  ['azertyuiop', 'qsdfghjklm', 'wxcvbn'],
]
const VOWELS = 'aeiouy'
/** Taken for each other by ear or by eye, two by two. */
const ALIKE = 'ck cg cs cz sz kq kx sx gj dt bp bd pq fv vw mn lr sc'.split(' ')
/** The same at the beginning of a word, where a slip is rare and another letter a matter of sound alone. */
const ALIKE_FIRST = 'ck cs cz sz kq gj fv vw iy'.split(' ')

const both = (pair: string) => [pair, [...pair].reverse().join('')]

function besideOnKeys(rows: readonly string[]): string[] {
  return rows.flatMap((row, at) =>
    [...row].flatMap((key, index) => {
      const below = rows[at + 1] ?? ''
      return [row[index + 1], below[index], below[index - 1]].flatMap((other) =>
        other === undefined ? [] : both(key + other),
      )
    }),
  )
}
const BESIDE = new Set([...KEYBOARDS.flatMap(besideOnKeys), ...ALIKE.flatMap(both)])
const FIRST = new Set(ALIKE_FIRST.flatMap(both))
const isLatin = remembered(400, (letter: string) => /\p{Script=Latin}/u.test(letter))
const bare = remembered(400, (letter: string) => letter.normalize('NFD').replace(/\p{M}/gu, ''))

/** What a slip costs that nobody makes: more than any word may have. */
export const NEVER = 9

/**
 * What it costs to have written the letter at `i` of what was typed for the one at `j` of what is listed, in slips: 1 where
 * hand or ear may well have slipped, 2 for any other letter. At the beginning only what sounds alike is let pass; another
 * vowel in a word of four letters makes another word.
 */
export function exchangeCost(
  typed: readonly string[],
  i: number,
  listed: readonly string[],
  j: number,
): number {
  const [given, asked] = [typed[i]!, listed[j]!]
  if (given === asked) return 0
  // Where the keys lie is known for Latin letters alone.
  if (!isLatin(given) || !isLatin(asked)) return 1
  const [from, to] = [bare(given), bare(asked)]
  if (from === to) return 1
  if (i === 0 || j === 0) return FIRST.has(from + to) ? 1 : NEVER
  // The wrong one of two was doubled: kepper.
  if (given === listed[j - 1] || given === listed[j + 1]) return 1
  if (VOWELS.includes(from) && VOWELS.includes(to)) return listed.length < 5 ? 2 : 1
  return BESIDE.has(from + to) ? 1 : 2
}

/** What a letter too many or too few costs: at the very beginning it makes another word (arid, rid), unless it is doubled. */
export const gapCost = (letter: string, next: string | undefined, isFirst: boolean): number =>
  isFirst && letter !== next && isLatin(letter) ? 2 : 1
