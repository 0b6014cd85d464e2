// What is written in a thread of its own: in turn, whatever becomes of one of them.
import { expect, it } from 'vitest'
import type { CardSheet } from './cards.ts'
import { drawnCards } from './signInCards.ts'

const cards = (count: number): CardSheet => ({
  language: 'en',
  title: 'Spring intake',
  origin: 'http://harrowmere.example',
  cards: Array.from({ length: count }, (_, at) => ({
    name: `Learner ${at}`,
    groups: '',
    signIn: `learner-${at}`,
    phrase: 'gate sill weir',
  })),
})

it('comes as a PDF, to each who asked', async () => {
  const [few, more] = await Promise.all([drawnCards(cards(1)), drawnCards(cards(40))])
  for (const pdf of [few, more]) expect(Buffer.from(pdf.subarray(0, 5)).toString()).toBe('%PDF-')
  expect(more.length).toBeGreaterThan(few.length)
})

it('keeps nobody else waiting while it is written', async () => {
  let turns = 0
  const beat = setInterval(() => (turns += 1), 5)
  await drawnCards(cards(300))
  clearInterval(beat)
  // Written in this thread, hardly one would have come between.
  expect(turns).toBeGreaterThan(20)
})

it('a wish that cannot be written fails alone', async () => {
  const bad = { title: 'x', origin: 'y', cards: null } as never
  await expect(drawnCards(bad)).rejects.toThrow()
  expect(
    Buffer.from(await drawnCards(cards(1)))
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
})
