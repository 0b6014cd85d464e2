// Twelve jobs of authoring and teaching, played through the real interface: what they cost hands and head.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { selectors, type Browser, type Page } from '@playwright/test'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { makeFilm, picturePng } from '../support/films.ts'
import { signIn } from '../support/pages.ts'
import type { RealServer } from '../support/server.ts'
import { AUTHORING, type Desk, type Job } from './effort/authoring.ts'
import { handsOn } from './effort/hands.ts'
import { secondsOf, type Effort } from './effort/model.ts'
import { GIVING, MARKING, SKIPPING } from './effort/teaching.ts'
import type { Figure } from './stating/figure.ts'

const OWNER = 'designer@harrowmere.example'
const JOBS: readonly Job[] = [...AUTHORING, GIVING, MARKING, SKIPPING]

/** What each job took when it was first measured, in seconds, before anything was bettered for it. */
const AT_FIRST: readonly number[] = [
  5.7, 26.9, 25.6, 17.2, 34.6, 14.8, 38.6, 21.9, 56.4, 30.1, 23.5, 19.8,
]

const LINES = [
  'The keeper shuts the lower gates.',
  'Then the upper paddle is wound.',
  'The chamber fills from below.',
  'The boat rises with the water.',
  'Nobody stands on the gates.',
  'The upper gates are opened.',
]

function makeMaterial() {
  const folder = mkdtempSync(join(tmpdir(), 'fernbrake-effort-'))
  const captions = join(folder, 'said.vtt')
  const time = (at: number) => `00:${String(at).padStart(2, '0')}.000`
  const said = LINES.map(
    (line, index) => `${time(4 + index * 8)} --> ${time(8 + index * 8)}\n${line}`,
  )
  writeFileSync(captions, `WEBVTT\n\n${said.join('\n\n')}\n`)
  const picture = join(folder, 'card.png')
  writeFileSync(picture, picturePng(640, 360))
  return { folder, files: { film: makeFilm(folder, 60), captions, picture } }
}

async function play(job: Job, desk: Omit<Desk, 'hands'>): Promise<Effort> {
  await job.ready?.({ ...desk, hands: handsOn(desk.page) })
  const hands = handsOn(desk.page)
  await job.act({ ...desk, hands })
  await job.done({ ...desk, hands })
  return hands.effort
}

const inWords = ({ keys, moves, scrolls, homings, choices }: Effort) =>
  `${keys} keys, ${moves} ways of the pointer, ${scrolls} scrolls, ${homings} changes of the hand, ${choices} choices`

function figureOf(job: Job, index: number, effort: Effort): Figure {
  // As they are told: kept figures that differ by less than that are the same.
  const seconds = Math.round(secondsOf(effort) * 10) / 10
  const first = AT_FIRST[index] ?? seconds
  return {
    id: `effort.${index + 1}`,
    what: `Job ${index + 1}, ${job.what}`,
    unit: 's',
    rounds: [seconds],
    aim: { most: Math.round((first * 20) / 3) / 10 },
    limit: 'the words alone',
    reference: `${inWords(effort)}; at first ${first.toFixed(1)} s`,
  }
}

export async function measureEffort(browser: Browser, server: RealServer): Promise<Figure[]> {
  // As the tests have it, whose steps are used here too.
  selectors.setTestIdAttribute('data-test')
  const { folder, files } = makeMaterial()
  const page = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 } })
  ).newPage()
  try {
    await signIn(page, server.url, OWNER, DEMO_PASSWORD)
    await beginLesson(page)
    const desk = { page, side: page.locator('.side'), left: page.locator('.left'), files }
    const figures: Figure[] = []
    for (const [index, job] of JOBS.entries())
      figures.push(figureOf(job, index, await play(job, desk)))
    return figures
  } finally {
    await page.context().close()
    rmSync(folder, { recursive: true, force: true })
  }
}

async function beginLesson(page: Page): Promise<void> {
  await page.getByLabel('Title of a new lesson').fill('At the sill')
  await page.getByRole('button', { name: 'Begin this lesson' }).click()
  await page.getByRole('button', { name: 'Choose a film' }).first().waitFor()
}
