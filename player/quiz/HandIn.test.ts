// What the last button of a quiz is called: it hands in or shows, with a class that is told at once or later.
import { expect, it } from 'vitest'
import { createSSRApp, ref } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { addMessages, createPlayerI18n } from '../i18n.ts'
import texts from '../locales/enQuiz.ts'
import HandIn from './HandIn.vue'
import type { Quiz } from './useQuiz.ts'

it.each([
  // told at the end, handed in, held back by the class
  [true, false, false, 'Hand in and see how you did', true],
  [true, true, false, 'See how you did', false],
  [false, false, false, 'See how you did', false],
  [true, false, true, 'Hand in', true],
  [true, true, true, 'See what you gave', false],
  [false, false, true, 'See what you gave', false],
])('%s, %s, %s: %s', async (tellsAtEnd, handedIn, isHeldBack, word, explains) => {
  const quiz = {
    stillOpen: ref([]),
    handedIn: ref(handedIn),
    isHeldBack,
    summary: ref({ answered: 2, count: 3 }),
  } as unknown as Quiz
  const app = createSSRApp(HandIn, { quiz, tellsAtEnd })
  const i18n = await createPlayerI18n('en')
  addMessages(texts)
  const page = await renderToString(app.use(i18n))
  expect(page).toMatch(new RegExp(`>\\s*${word}\\s*</button>`))
  expect(page).toContain('2 of 3 answered')
  const help = isHeldBack ? 'is told to everybody later' : 'You are told what is right'
  expect(page.includes(help)).toBe(explains)
})
