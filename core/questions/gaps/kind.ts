// What a passage with gaps can do.
import { issueAt, mistakeOf, type QuestionKind, type QuestionMaking } from '../kind.ts'
import { markOf } from '../mark.ts'
import { answerOf, ownOf } from '../reading.ts'
import { findListed } from '../shortText/judge.ts'
import { comparable, withOtherWords } from '../shortText/words.ts'
import { shuffled } from '../../chance/index.ts'
import { mixOf } from '../mix.ts'
import { passageOf, readPassage, type Gap } from './passage.ts'
import type { GapsAnswer, GapsQuestion } from './schema.ts'

const extrasOf = ({ extras }: Pick<GapsQuestion, 'extras'>) =>
  extras
    .split('\n')
    .map((word) => word.trim())
    .filter((word) => word !== '')

const once = (words: readonly string[]) => [...new Set(words)]

/** The words that can be dragged: one for each gap, and those that fit nowhere, mixed for this learner. */
export function wordBank(question: GapsQuestion, seed: string): string[] {
  if (question.cut) return extrasOf(question)
  const { gaps } = readPassage(question.passage)
  const words = gaps.flatMap(({ fits, wrong }) => [...fits.slice(0, 1), ...wrong])
  return shuffled([...words, ...extrasOf(question)], mixOf(question, seed))
}

/** The words that one gap's list offers: its own where it has wrong ones of its own, else the whole bank. */
export function listOfGap(question: GapsQuestion, gap: Gap, seed: string): string[] {
  if (question.cut) return gap.wrong.length > 0 ? gap.wrong : once(extrasOf(question))
  const own = gap.wrong.length > 0 ? [...gap.fits.slice(0, 1), ...gap.wrong] : null
  const all = own ?? once(wordBank(question, seed))
  return shuffled(once(all), `${mixOf(question, seed)} ${gap.id}`)
}

function fills(question: GapsQuestion, gap: Gap, text: string): boolean {
  const { rules, filledBy } = question
  if (filledBy !== 'typing')
    return gap.fits.some((word) => word === text.trim().replace(/\s+/g, ' '))
  const listed = [
    ...gap.fits.map((word) => ({ word, share: 1 })),
    ...gap.wrong.map((word) => ({ word, share: 0 })),
  ].map(({ word, share }, id) => ({ id: String(id), text: word, as: 'words' as const, share }))
  return findListed(listed, text, rules)?.share === 1
}

export const gaps: QuestionKind<GapsQuestion, GapsAnswer> = {
  graded: true,
  byPerson: false,
  mended: true,
  /** The mean over the gaps. */
  mark(question, answer) {
    const filled = answerOf(answer, 'gaps')?.filled
    const given = (typeof filled === 'object' && filled !== null ? filled : {}) as Record<
      string,
      unknown
    >
    const perPart = readPassage(question.passage).gaps.map((gap) => {
      const text = Object.hasOwn(given, gap.id) ? given[gap.id] : undefined
      const picked = typeof text === 'string' && text.trim() !== '' && text.length <= 1000
      return { id: gap.id, picked, right: picked && fills(question, gap, text) }
    })
    const share = perPart.filter(({ right }) => right).length / Math.max(1, perPart.length)
    return markOf(question, question.credit === 'partial' || share === 1 ? share : 0, perPart)
  },
  fits(question, { filled }) {
    const ids = new Set(readPassage(question.passage).gaps.map(({ id }) => id))
    return Object.keys(filled).every((id) => ids.has(id))
  },
  readable: (question, { filled }) =>
    readPassage(question.passage)
      .gaps.map(({ id }) => `${id}: ${ownOf(filled, id)?.trim() || '–'}`)
      .join('; '),
  texts: ({ passage, extras }) => [passage, extras],
  media: () => [],
}

export const gapsMaking: QuestionMaking<GapsQuestion, GapsAnswer> = {
  blank: (base) => ({
    ...base,
    kind: 'gaps',
    passage: '',
    filledBy: 'typing',
    extras: '',
    rules: { minds: { case: false, accents: false }, typos: true },
    credit: 'partial',
  }),
  findWhatCannotBeAsked(question) {
    const { gaps, faults } = readPassage(question.passage)
    if (faults.length > 0)
      return [issueAt('passage', `question.${faults[0]}`, 'A bracket of the passage is not right.')]
    if (gaps.length === 0)
      return [issueAt('passage', 'question.noGaps', 'The passage has no gap yet.')]
    const alike = (words: string[]) => words.map((word) => comparable(word, question.rules))
    const isBoth = ({ fits, wrong }: Gap) => alike(wrong).some((word) => alike(fits).includes(word))
    return gaps.some(isBoth)
      ? [issueAt('passage', 'question.gapBoth', 'A word both fits a gap and does not.')]
      : []
  },
  /** Gaps that are typed into are empty; else what they offer lies as the learner finds it, all of it alike. */
  cut(question, { mix }) {
    const whole = { ...question, mix }
    const isListed = ({ wrong }: Gap) => question.filledBy === 'list' && wrong.length > 0
    const passage = passageOf(question.passage, (gap) =>
      isListed(gap) ? `~${listOfGap(whole, gap, '').join('|')}` : '',
    )
    const hasBank = question.filledBy !== 'typing'
    const { others: _, ...rules } = question.rules
    return { ...question, rules, passage, extras: hasBank ? wordBank(whole, '').join('\n') : '' }
  },
  draw(question, right, chance) {
    const { gaps } = readPassage(question.passage)
    const spare = gaps.flatMap(({ fits }) => fits.slice(0, 1)).concat(extrasOf(question))
    const missed = Math.floor(chance.next() * gaps.length)
    const filled = gaps.map(({ id, fits, wrong }, index) => {
      if (right || index !== missed) return [id, fits[0] ?? '']
      const gap = { id, fits, wrong }
      const others = [...wrong.slice(0, 1), ...spare, 'water?', '']
      return [id, mistakeOf(others, (word) => word !== '' && fills(question, gap, word))]
    })
    return { kind: 'gaps', filled: Object.fromEntries(filled) as GapsAnswer['filled'] }
  },
  harder: () => 0.6,
  slipsIn: ({ rules, filledBy, passage }) =>
    rules.typos && filledBy === 'typing'
      ? readPassage(passage).gaps.flatMap(({ fits }) => fits)
      : [],
  withOthers: withOtherWords,
}
