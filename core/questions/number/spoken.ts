// Numbers in words, in English, German, French and Spanish: twenty-one, einundzwanzig, quatre-vingt-douze, treinta y uno,
// two and a half, three quarters, a dozen, seven point five.
import { ALONE, ENGLISH, FRENCH, GERMAN, LANGUAGES, type Language } from './numberWords.ts'

/** A German compound taken apart into its words: zweitausend · drei · hundert · vier · und · zwanzig. */
const GERMAN_PIECES = new RegExp(
  `^(?:${[...GERMAN.adds.keys(), ...GERMAN.times.keys(), 'und', 'einhalb', 'anderthalb']
    .sort((a, b) => b.length - a.length)
    .map((word) => `(${word})`)
    .join('|')})`,
)

/** Longer than any number word; the longest is of 65 letters, 777,777. */
const LONGEST = 80

interface Word {
  text: string
  /** Where the text goes on behind it. */
  end: number
}

/** The words of a text, small; what is joined by a hyphen is two. */
const wordsIn = (text: string): Word[] =>
  [...text.toLowerCase().matchAll(/[^\s-]+/g)].map((found) => ({
    text: found[0].replace(/,$/, ''),
    end: found.index + found[0].length,
  }))

function germanPieces(words: readonly Word[]): Word[] {
  return words.flatMap((word) => {
    const pieces: string[] = []
    for (let rest = word.text.slice(0, LONGEST); rest !== '';) {
      const found = GERMAN_PIECES.exec(rest)
      if (!found) return [word]
      pieces.push(found[0])
      rest = rest.slice(found[0].length)
    }
    const spoken = pieces.flatMap((piece) =>
      piece === 'einhalb'
        ? ['und', 'ein', 'halb']
        : piece === 'anderthalb'
          ? ['ein', 'und', 'ein', 'halb']
          : [piece],
    )
    return spoken.map((text) => ({ text, end: word.end }))
  })
}

/** What was read so far: its value and how many words it took. */
interface Read {
  value: number
  count: number
}

/** A whole number at the beginning of these words; null where there is none. */
function wholeIn(words: readonly Word[], language: Language): Read | null {
  const { adds, times, ones, joins } = language
  let [total, current, at] = [0, 0, 0]
  let taken = 0
  for (; at < words.length; at += 1) {
    const { text } = words[at]!
    const [add, by] = [adds.get(text), times.get(text)]
    const next = words[at + 1]?.text ?? ''
    if (by !== undefined) {
      if (at > 0 && taken === 0) break
      if (by < 1e3) current = beforeTimes(current) * by
      else {
        // A thousand millions: what was said before is multiplied, but for what is greater.
        const below = total % by
        ;[total, current] = [total - below + beforeTimes(below + current) * by, 0]
      }
    } else if (add !== undefined) {
      const sum = added(current, add, language)
      if (sum === null) break
      current = sum
    } else if (taken === 0 && ones.has(text) && times.has(next)) {
      current = 1
    } else if (taken > 0 && joins.has(text) && isJoined(current, total, adds.get(next), language)) {
      continue
    } else break
    taken = at + 1
  }
  return taken > 0 ? { value: total + current, count: taken } : null
}

/** `hundred` alone is one of them. */
const beforeTimes = (current: number) => (current === 0 ? 1 : current)

/** Four twenties, sixty-ten and what follows them, ten-seven. */
const addsInFrench = (rest: number, add: number): boolean =>
  (add === 20 && rest === 4) ||
  ((rest === 60 || rest === 80) && add < 20) ||
  ([10, 70, 90].includes(rest) && add >= 7 && add < 10)

/** A number said behind another: ones behind tens, both behind hundreds; null where they are two numbers. */
function added(current: number, add: number, language: Language): number | null {
  if (current === 0) return add
  const rest = current % 100
  if (add === 0 || add >= 100) return null
  if (language === FRENCH && addsInFrench(rest, add)) return current + (add === 20 ? 76 : add)
  // Germans say the ones before the tens.
  if (language === GERMAN && add >= 20 && rest > 0 && rest < 10) return current + add
  if (rest === 0) return current + add
  return add < 10 && rest >= 20 && rest % 10 === 0 ? current + add : null
}

function isJoined(current: number, total: number, next: number | undefined, language: Language) {
  if (next === undefined) return false
  if (language === ENGLISH) return next > 0 && current % 100 === 0 && current + total >= 100
  if (language === GERMAN) return next >= 20 ? current % 100 < 10 && current > 0 : false
  if (language === FRENCH) return current % 100 >= 20 && (next === 1 || next === 11)
  return current % 100 >= 30 && current % 10 === 0 && next < 10
}

/** `half`, `a quarter`, `three quarters`, `two and a half`. */
function shareIn(words: readonly Word[], language: Language): Read | null {
  const { shares, ones } = language
  const shareAt = (at: number) => shares.get(words[at]?.text ?? '')
  const first = words[0]?.text ?? ''
  if (shares.has(first))
    return ALONE.has(first) ? { value: 1 / shares.get(first)!, count: 1 } : null
  if (ones.has(words[0]?.text ?? '') && shareAt(1)) return { value: 1 / shareAt(1)!, count: 2 }
  const whole = wholeIn(words, language)
  if (!whole) return null
  return shareBehind(words.slice(whole.count), whole, language)
}

/** `quarters` behind three, `and a half` behind two. */
function shareBehind(words: readonly Word[], whole: Read, language: Language): Read | null {
  const { value, count } = whole
  const [first = '', ...after] = words.map(({ text }) => text)
  const share = language.shares.get(first)
  // The twenty-fifth is no twenty fifths.
  const isMany = language !== ENGLISH || first.endsWith('s') || value === 1
  if (share !== undefined && value < 20 && isMany) return { value: value / share, count: count + 1 }
  if (after.length === 0 || !language.joins.has(first)) return null
  const part = shareIn(words.slice(1), language)
  return part && part.value < 1
    ? { value: value + part.value, count: count + 1 + part.count }
    : null
}

/** `seven point five two`. */
function pointIn(words: readonly Word[], language: Language): Read | null {
  const whole = wholeIn(words, language)
  if (!whole || !language.point.has(words[whole.count]?.text ?? '')) return null
  const digits: number[] = []
  for (let at = whole.count + 1; at < words.length; at += 1) {
    const digit = language.adds.get(words[at]!.text)
    if (digit === undefined || digit > 9) break
    digits.push(digit)
  }
  if (digits.length === 0) return null
  const value = Number(`${whole.value}.${digits.join('')}`)
  return { value, count: whole.count + 1 + digits.length }
}

/** What a share is of: half a litre, ein Viertel von einem Liter. */
const OF = /^(?:of |von |d'|de )?(?:an? |one |einem |einer |un |une |una )?/

/** Whether a word is a number, or a part of one. Only in the language at hand: cents and quarts are none in English. */
const isNumberWord = (word: string, { adds, times, shares }: Language): boolean =>
  adds.has(word) || times.has(word) || shares.has(word)

/**
 * The number in words that a text begins with, and what stands behind it; null where it begins with none, or where another
 * number follows.
 */
export function readSpokenNumber(text: string): { value: number; rest: string } | null {
  const plain = wordsIn(text)
  let best: { value: number; end: number; isShare: boolean; language: Language } | null = null
  for (const language of LANGUAGES) {
    const words = language === GERMAN ? germanPieces(plain) : plain
    const share = shareIn(words, language)
    const read = share ?? pointIn(words, language) ?? wholeIn(words, language)
    const end = read ? words[read.count - 1]!.end : 0
    if (read && (!best || end > best.end))
      best = { value: read.value, end, isShare: share !== null, language }
  }
  if (!best) return null
  const behind = text.slice(best.end).replace(/^[\s,-]+/, '')
  const rest = best.isShare ? behind.replace(OF, '') : behind
  const { language, isShare } = best
  // Half a million is multiplied by whoever reads on; any other number behind it makes it no answer.
  const others = wordsIn(rest).filter(
    ({ text: word }, at) =>
      isNumberWord(word, language) && !(isShare && at === 0 && language.times.has(word)),
  )
  return others.length > 0 ? null : { value: best.value, rest }
}

/** The share that words name from their beginning on, as in `7 and a half`. */
export function readSpokenShare(text: string): { value: number; rest: string } | null {
  const words = wordsIn(text)
  for (const language of LANGUAGES) {
    if (!language.joins.has(words[0]?.text ?? '')) continue
    const share = shareIn(words.slice(1), language)
    if (share && share.value < 1) {
      const rest = text.slice(words[share.count]!.end).trim()
      return { value: share.value, rest: rest.replace(OF, '') }
    }
  }
  return null
}
