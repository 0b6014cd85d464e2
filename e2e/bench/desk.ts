// A pile of a thousand long answers on the marking desk: until it can be marked, and from Enter to the next answer.
import type { Browser, Page } from '@playwright/test'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { edits } from '@fernbrake/core/lesson'
import { edited, lessonWithFilm, withQuestion } from '@fernbrake/core/testing'
import { NAMED, signIn } from '../support/pages.ts'
import type { RealServer } from '../support/server.ts'
import { bigIds, putBigClasses, type BigLesson } from './bigClass.ts'
import { inRounds, type Figure } from './stating/figure.ts'
import { middle } from './stating/judge.ts'

const ANSWERS = 1000
/** Marked in each round, one after the other; the middle one counts. */
const MARKS = 11
const OWNER = 'designer@harrowmere.example'

export function longAnswers(): BigLesson {
  const asked = withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000 })
  const changed = { questionId: 'q-a', kind: 'longText' as const, ids: [] }
  const lesson = edited(asked, edits.changeQuestionKind, changed)
  const words = 'The gates are opened one after the other, so that the water climbs with the boat. '
  return {
    id: 'big-desk',
    lesson,
    recordsOf: (_random, index) => [
      {
        kind: 'response',
        id: `answer-${index}`,
        cueId: 'a',
        questionId: 'q-a',
        answer: { kind: 'longText', text: words.repeat(1 + (index % 7)) },
        answeredAt: new Date(Date.now() - 60_000).toISOString(),
      },
    ],
  }
}

/** Ms from the key until another learner's answer is drawn, taken in the page. */
const untilNext = (page: Page, key: string) =>
  page.evaluate(
    (pressed) =>
      new Promise<number>((resolve) => {
        const name = () => document.querySelector('.answer h2')?.textContent
        const [before, began] = [name(), performance.now()]
        const look = () =>
          name() === before
            ? requestAnimationFrame(look)
            : requestAnimationFrame(() => resolve(performance.now() - began))
        const on = document.activeElement ?? document.body
        if (pressed === 'Enter') on.closest('form')?.requestSubmit()
        else on.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true }))
        look()
      }),
    key,
  )

export async function measureDesk(browser: Browser, server: RealServer): Promise<Figure[]> {
  const big = longAnswers()
  await putBigClasses(server.settings, [ANSWERS], OWNER, big)
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.addInitScript(NAMED)
  await signIn(page, server.url, OWNER, DEMO_PASSWORD)
  const points = page.getByRole('textbox', { name: 'Points' })
  const desk = `${server.url}/marking/assignment/${bigIds(big.id, ANSWERS).assignmentId}`
  const opening = await inRounds(async () => {
    await page.goto(`${server.url}/`)
    await page.waitForLoadState('networkidle')
    const began = performance.now()
    await page.goto(desk)
    await points.waitFor()
    return performance.now() - began
  })
  const marking: number[] = []
  const stepping: number[] = []
  await inRounds(async () => {
    const [entered, stepped]: [number[], number[]] = [[], []]
    for (let index = 0; index < MARKS; index += 1) {
      await points.fill('1')
      entered.push(await untilNext(page, 'Enter'))
      stepped.push(await untilNext(page, 'ArrowDown'))
    }
    marking.push(middle(entered))
    stepping.push(middle(stepped))
    return 0
  })
  await page.close()
  const what = `Marking desk with ${ANSWERS} answers`
  const reference = `${MARKS} marks a round, one after the other`
  return [
    {
      id: 'desk.open',
      what: `${what}, until it can be marked`,
      unit: 'ms',
      rounds: opening,
      aim: { most: 600 },
      limit: 'a bare page with the same text',
      isWork: true,
      reference: 'from the address on',
    },
    {
      id: 'desk.enter',
      what: `${what}, from Enter to the next answer`,
      unit: 'ms',
      rounds: marking,
      aim: { most: 60 },
      limit: 'a frame',
      reference,
    },
    {
      id: 'desk.arrow',
      what: `${what}, from an arrow to the next answer`,
      unit: 'ms',
      rounds: stepping,
      aim: { most: 40 },
      limit: 'a frame',
      reference,
    },
  ]
}
