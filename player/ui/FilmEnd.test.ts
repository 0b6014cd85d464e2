// What is said at the end of a film, to those who are told how they did and to those who are told later.
import { describe, expect, it } from 'vitest'
import { createSSRApp } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { createPlayerI18n } from '../i18n.ts'
import FilmEnd from './FilmEnd.vue'
import type { PartsState } from './partsState.ts'

interface Score {
  points: number
  max: number
}
const ending = { message: 'So far {score}', pass: { share: 0.5, message: 'Well done, {score}' } }

/** The words of the page, without what draws them. */
async function wordsAt(score: Score | null, filmScore = score, more: object = {}) {
  const facts = { firstName: 'Odile', className: '', score: score ? 'told' : 'later' }
  const app = createSSRApp(FilmEnd, {
    ending,
    forkEnding: '',
    score,
    filmScore,
    facts,
    watched: 0.8,
    allSent: true,
    parts: { ways: [], waits: [], isOver: false } as unknown as PartsState,
    stillOpen: [],
    ...more,
  })
  const page = await renderToString(app.use(await createPlayerI18n('en')))
  return page.replace(/<[^>]*>/g, ' ').replace(/\s+/g, ' ')
}

describe('the end of a film', () => {
  it('tells the share watched and the marks, and the words that go with them', async () => {
    const passed = await wordsAt({ points: 3, max: 4 }, { points: 1, max: 2 })
    expect(passed).toContain('Well done, told')
    expect(passed).toContain('You watched 80% of the film and have 1 of 2 marks.')
    expect(await wordsAt({ points: 1, max: 4 })).toContain('So far told')
  })

  it('says nothing of marks while the class is told later', async () => {
    const words = await wordsAt(null)
    expect(words).toContain('You watched 80% of the film.')
    expect(words).not.toMatch(/mark|Well done|So far|told/)
  })

  it('keeps words that hang on nothing, and those of the fork that led here', async () => {
    const plain = { ending: { message: 'Now {score}', pass: null } }
    expect(await wordsAt(null, null, plain)).toContain('Now later')
    expect(await wordsAt(null, null, { forkEnding: 'The boat sank.' })).toContain('The boat sank.')
  })

  it('speaks of no marks where the film asks for none', async () => {
    const words = await wordsAt({ points: 3, max: 4 }, { points: 0, max: 0 })
    expect(words).toContain('You watched 80% of the film.')
    expect(words).not.toContain('marks')
  })
})
