// Opening a question: from the moment at which the film is held until the question can be answered, for every question
// of the demo's lessons. A learner's place is told so that each sitting begins just before one of them.
import { nanoid } from 'nanoid'
import type { Browser, BrowserContext, Page } from '@playwright/test'
import type { Attempt } from '@fernbrake/core/contract'
import { cuesInOrder, filmsInOrder, type QuestionCue } from '@fernbrake/core/lesson'
import type { RealServer } from '../support/server.ts'
import { ROUNDS, type Figure } from './stating/figure.ts'
import { middle } from './stating/judge.ts'

const LINKS = ['cantle-steps-1', 'cantle-steps-2']
/** The sitting begins so long before the question, in ms. */
const BEFORE_MS = 1200

interface Opening {
  kind: string
  ms: number
}

/** Notes when the film is paused by the page, and when after that an answer's fields and its button have been drawn. */
const NOTE_TIMES = `
  const pause = HTMLMediaElement.prototype.pause
  HTMLMediaElement.prototype.pause = function () {
    if (!this.paused) globalThis.heldAt = performance.now()
    return pause.call(this)
  }
  const look = () => {
    const stands = document.querySelector('section.question form fieldset') &&
      document.querySelector('section.question form button[type=submit]')
    if (globalThis.heldAt && stands) globalThis.readyAt = performance.now()
    else requestAnimationFrame(look)
  }
  requestAnimationFrame(look)
`

async function goIn(context: BrowserContext, url: string, link: string): Promise<Attempt> {
  const post = await context.request.post(`${url}/api/links/${link}/attempts`, {
    data: { name: 'Bench Learner' },
  })
  const { attemptId } = (await post.json()) as { attemptId: string }
  return (await (await context.request.get(`${url}/api/attempts/${attemptId}`)).json()) as Attempt
}

async function measureOne(
  browser: Browser,
  url: string,
  link: string,
  index: number,
): Promise<Opening | null> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  try {
    const attempt = await goIn(context, url, link)
    const part = filmsInOrder(attempt.lesson)[0]!
    const cues = cuesInOrder(attempt.lesson, part.id)
    const questions = cues.filter((cue): cue is QuestionCue => cue.kind === 'question')
    const cue = questions[index]
    if (!cue) return null
    const place = {
      kind: 'place',
      id: nanoid(),
      partId: part.id,
      atMs: Math.max(0, cue.atMs - BEFORE_MS),
      released: cues.filter(({ id }) => id !== cue.id).map(({ id }) => id),
      at: new Date().toISOString(),
    }
    await context.request.post(`${url}/api/attempts/${attempt.id}/records`, {
      data: { records: [place] },
    })
    const page = await context.newPage()
    const kind = attempt.lesson.questions[cue.questionId]!.kind
    return { kind, ms: await openingMs(page, `${url}/learn/${attempt.id}`) }
  } finally {
    await context.close()
  }
}

async function openingMs(page: Page, address: string): Promise<number> {
  await page.addInitScript({ content: NOTE_TIMES })
  await page.goto(address)
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  const times = await page.waitForFunction(() => {
    const { heldAt, readyAt } = globalThis as unknown as { heldAt: number; readyAt?: number }
    return readyAt === undefined ? null : ([heldAt, readyAt] as const)
  })
  const [heldAt, readyAt] = (await times.jsonValue())!
  return readyAt - heldAt
}

/** Every question of these lessons, opened once. */
async function openAll(browser: Browser, url: string): Promise<Opening[]> {
  const openings: Opening[] = []
  for (const link of LINKS)
    for (let index = 0; ; index += 1) {
      const opening = await measureOne(browser, url, link, index)
      if (!opening) break
      openings.push(opening)
    }
  return openings
}

export async function measureOpeningQuestions(
  browser: Browser,
  { url }: RealServer,
): Promise<Figure[]> {
  const rounds: Opening[][] = []
  for (let round = 0; round < ROUNDS; round += 1) rounds.push(await openAll(browser, url))
  const slowest = rounds.map((one) =>
    one.reduce((worst, next) => (next.ms > worst.ms ? next : worst)),
  )
  const kinds = new Set(rounds[0]!.map(({ kind }) => kind)).size
  const what = `From the hold to a question that can be answered, ${rounds[0]!.length} questions of ${kinds} kinds`
  const reference = `a frame at 60 a second 17 ms; slowest ${[...new Set(slowest.map(({ kind }) => kind))].join(', ')}`
  return [
    {
      id: 'opening.middle',
      what: `${what}, the middle one`,
      unit: 'ms',
      rounds: rounds.map((one) => middle(one.map(({ ms }) => ms))),
      aim: { most: 34 },
      limit: 'one frame, 17 ms: a film is looked at once a frame',
      reference,
    },
    {
      id: 'opening.slowest',
      what: `${what}, the slowest`,
      unit: 'ms',
      rounds: slowest.map(({ ms }) => ms),
      aim: { most: 67 },
      limit: 'one frame, 17 ms',
      reference,
    },
  ]
}
