// Words of a language that are no slips of what a lesson asks for.
import { describe, expect, it } from 'vitest'
import {
  blankBase,
  blankQuestion,
  markQuestion,
  nearWords,
  withOthers,
  wordsListed,
  type Question,
} from '@fernbrake/core/questions'
import { wordsNear } from './wordsNear.ts'

const warnings: unknown[] = []
const log = { warn: (...said: unknown[]) => void warnings.push(said) } as never

function asking(word: string): Question {
  const question = blankQuestion('shortText', blankBase('q'), () => 'one')
  const listed = {
    id: 'one',
    order: 'a0',
    text: word,
    as: 'words',
    share: 1,
    feedback: '',
  } as const
  const rules = { minds: { case: false, accents: false }, typos: true }
  return { ...question, listed: { one: listed }, rules } as Question
}

/** Asks for one word in this language, and says which of some answers are right. */
async function rightOf(word: string, typed: string[], language = 'en'): Promise<string[]> {
  const question = asking(word)
  const near = await wordsNear(language, wordsListed(question), log)
  const asked = withOthers(question, near)
  return typed.filter(
    (text) => markQuestion(asked, { kind: 'shortText', text }).verdict === 'right',
  )
}

describe('a slip that makes another word is none', () => {
  it.each([
    ['trial', ['trail', 'trill'], ['trial', 'trials', 'trrial']],
    ['silver', ['sliver'], ['silver', 'sillver', 'silvre']],
    ['cirrus', ['citrus'], ['cirus']],
    ['vector', ['victor'], ['vectro']],
    ['glacier', ['glazier'], ['glaciar', 'glaciers']],
    ['colour', ['dolour'], ['color', 'colours']],
    ['photosynthesis', [], ['photosyntesis', 'photosinthesis']],
  ])('%s', async (word, wrong, right) =>
    expect(await rightOf(word, [...wrong, ...right])).toEqual(right),
  )

  it('in French and Spanish too, without their accents', async () => {
    expect(await rightOf('écluse', ['éclose', 'eclusse'], 'fr-FR')).toEqual(['eclusse'])
    expect(await rightOf('canal', ['canel', 'cabal'], 'es')).toEqual(['canel'])
  })
})

it('nothing is looked for in a language without a list, or where slips are minded', async () => {
  expect(await wordsNear('de', new Set(['kanal']), log)).toEqual([])
  expect(await wordsNear('en', new Set(), log)).toEqual([])
  expect(warnings).toEqual([])
})

it('what is near is found as if each word were compared with each', () => {
  const words = ['trail', 'tribal', 'trials', 'zebra', 'trial', 'atrial', 'metal', 'medal']
  expect(nearWords(new Set(['trial', 'metal']), words)).toEqual(['trail', 'tribal', 'medal'])
})
