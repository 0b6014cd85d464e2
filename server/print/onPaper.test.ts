// What is written in a thread of its own: in turn, whatever becomes of one of them.
import { expect, it } from 'vitest'
import { onPaper, type PaperWish } from './onPaper.ts'

const cards = (count: number): PaperWish => ({
  what: 'cards',
  cards: {
    title: 'Spring intake',
    origin: 'http://harrowmere.example',
    cards: Array.from({ length: count }, (_, at) => ({
      name: `Learner ${at}`,
      groups: '',
      signIn: `learner-${at}`,
      phrase: 'gate sill weir',
    })),
  },
})

it('comes as a PDF, to each who asked', async () => {
  const [few, more] = await Promise.all([onPaper(cards(1)), onPaper(cards(40))])
  for (const pdf of [few, more]) expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  expect(more.length).toBeGreaterThan(few.length)
})

it('keeps nobody else waiting while it is written', async () => {
  let turns = 0
  const beat = setInterval(() => (turns += 1), 5)
  await onPaper(cards(300))
  clearInterval(beat)
  // Written in this thread, hardly one would have come between.
  expect(turns).toBeGreaterThan(20)
})

it('a wish that cannot be written fails alone', async () => {
  const bad = { what: 'cards', cards: { title: 'x', origin: 'y', cards: null } } as never
  await expect(onPaper(bad)).rejects.toThrow()
  expect((await onPaper(cards(1))).subarray(0, 5).toString()).toBe('%PDF-')
})
