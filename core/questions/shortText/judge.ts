// Which of the listed answers somebody meant.
import { remembered } from '../../fields/index.ts'
import { readPattern } from './pattern.ts'
import type { ListedAnswer, WordRules } from './schema.ts'
import { slipsOf, type SlipRules } from './slips.ts'
import { inOneSpelling } from './spellings.ts'
import { comparable, spelledOut, withoutArticle, withoutTrimmings } from './words.ts'

export type Listed = Pick<ListedAnswer, 'id' | 'text' | 'as' | 'share'>

/** Without capitals and accents, whatever the question minds. */
const BARE = { minds: { case: false, accents: false } }
const NOTHING: ReadonlySet<string> = new Set()

/**
 * The listed answer that a text stands for, or null: first those that say the same, then the patterns, then, where
 * typos are let pass, the one with the fewest slips, unless a wrong one is as near (computation page, Marking).
 */
export function findListed<L extends Listed>(
  listed: readonly L[],
  text: string,
  rules: WordRules,
): L | null {
  const typed = formsOf(text, rules)
  if (typed.bare === '') return null
  const words = listed
    .filter((one) => one.as === 'words')
    .map((one) => ({ one, forms: listedForms(rules)(one.text) }))
  const same = words.filter(({ forms }) => saysTheSame(typed, forms))
  if (same.length > 0) return best(same.map(({ one }) => one))
  const fits = listed.filter((one) => {
    if (one.as !== 'pattern') return false
    const pattern = listedPattern(rules)(one.text)
    return pattern.ok && (pattern.matches(typed.bare) || pattern.matches(typed.whole))
  })
  if (fits.length > 0) return best(fits)
  return rules.typos ? nearest(words, typed, rules) : null
}

/** What is made of a text under these rules, remembered: what is listed is compared with every answer. */
function underRules<T>(
  make: (text: string, rules: Minds) => T,
): (rules: Minds) => (text: string) => T {
  const all = [false, true].map((minded) =>
    [false, true].map((accents) =>
      remembered(MOST_LISTED, (text) => make(text, { minds: { case: minded, accents } })),
    ),
  )
  return ({ minds }) => all[Number(minds.case)]![Number(minds.accents)]!
}
type Minds = Pick<WordRules, 'minds'>
const MOST_LISTED = 1000
const listedForms = underRules(formsOf)
const listedPattern = underRules((text, rules) =>
  readPattern(text, (letters) => comparable(letters, rules) || letters),
)

/** The ways in which one text is compared. */
interface Forms {
  whole: string
  /** Without quotation marks and a full stop around it. */
  bare: string
  /** Without its article, where it has one. */
  named: string | null
  /** With two dots written out: where accents do not matter. */
  spelled: string | null
}

function formsOf(text: string, rules: Minds): Forms {
  const whole = comparable(text, rules)
  const bare = withoutTrimmings(whole)
  const isSpelled = !rules.minds.accents && /[äöüÄÖÜ]|[aouAOU]\u0308/.test(text)
  return {
    whole,
    bare,
    named: withoutArticle(bare),
    spelled: isSpelled ? withoutTrimmings(comparable(spelledOut(text), rules)) : null,
  }
}

const saysTheSame = (typed: Forms, listed: Forms): boolean =>
  typed.bare === listed.bare ||
  typed.whole === listed.whole ||
  inOneSpelling(typed.bare) === inOneSpelling(listed.bare) ||
  (typed.spelled !== null && typed.spelled === listed.bare) ||
  (listed.spelled !== null && listed.spelled === typed.bare) ||
  // An article too many; one that is asked for is not left out.
  (listed.named === null && typed.named !== null && typed.named === listed.bare)

/** Where several say the same, the one that earns most. */
const best = <L extends Listed>(found: readonly L[]): L | null =>
  found.reduce<L | null>((most, one) => (most && most.share >= one.share ? most : one), null)

function nearest<L extends Listed>(
  words: readonly { one: L; forms: Forms }[],
  typed: Forms,
  rules: WordRules,
): L | null {
  const own: SlipRules = {
    fold: (word) => comparable(word, BARE),
    others: rules.others ? new Set(rules.others) : NOTHING,
  }
  const near = words.flatMap(({ one, forms }) => {
    const ways = [slipsOf(typed.bare, forms.bare, own)]
    if (forms.named === null && typed.named !== null)
      ways.push(slipsOf(typed.named, forms.bare, own))
    if (forms.spelled !== null) ways.push(slipsOf(typed.bare, forms.spelled, own))
    const slips = ways.filter((way) => way !== null)
    return slips.length > 0 ? [{ one, slips: Math.min(...slips) }] : []
  })
  if (near.length === 0) return null
  const fewest = Math.min(...near.map(({ slips }) => slips))
  const nearestOnes = near.filter(({ slips }) => slips === fewest).map(({ one }) => one)
  // As near to a wrong answer as to a right one is nobody's slip of the hand.
  const wrong = nearestOnes.find(({ share }) => share === 0)
  return wrong ?? best(nearestOnes)
}
