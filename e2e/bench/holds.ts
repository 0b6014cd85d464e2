// Holds: of 200 in a real browser, how many stand on the cue's very frame: of an even film, of one whose frame rate varies, and at
// double speed. The film carries its frame number in its picture, so what is counted is what is on screen, not what a clock says.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, Page } from '@playwright/test'
import {
  edits,
  emptyLesson,
  runEdit,
  type Edit,
  type EditMade,
  type Lesson,
} from '@fernbrake/core/lesson'
import { frameShown, makeNumberedFilm } from '../support/films.ts'
import { signIn } from '../support/pages.ts'
import type { RealServer } from '../support/server.ts'
import { DEMO_PASSWORD } from '@fernbrake/server'
import type { Figure } from './stating/figure.ts'

const HOLDS = 200
/** Between two holds, in frames: prime, so that holds fall on every place within a group of pictures. */
const STEP_FRAMES = 7
const FRAME_MS = 40
const PART = 'film'

const holdFrame = (index: number) => 10 + index * STEP_FRAMES

interface Way {
  id: string
  what: string
  varies: boolean
  rate: number
}
const WAYS: readonly Way[] = [
  { id: 'holds.exact', what: '25 frames a second', varies: false, rate: 1 },
  { id: 'holds.varying', what: 'a frame rate that varies', varies: true, rate: 1 },
  { id: 'holds.double', what: '25 frames a second, at double speed', varies: false, rate: 2 },
]

export async function measureHolds(browser: Browser, { url }: RealServer): Promise<Figure[]> {
  const folder = mkdtempSync(join(tmpdir(), 'fernbrake-holds-'))
  const figures: Figure[] = []
  try {
    for (const way of WAYS) figures.push(await measureWay(browser, url, folder, way))
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
  return figures
}

async function measureWay(
  browser: Browser,
  url: string,
  folder: string,
  { id, what, varies, rate }: Way,
): Promise<Figure> {
  const page = await browser.newPage()
  // The loader of TypeScript keeps the names of inner functions with a helper that a page does not have.
  await page.addInitScript({ content: 'globalThis.__name = (named) => named' })
  const seconds = Math.ceil((holdFrame(HOLDS) * FRAME_MS) / 1000) + 2
  const film = makeNumberedFilm(folder, seconds, { varies })
  await signIn(page, url, 'designer@harrowmere.example', DEMO_PASSWORD)
  const mediaId = await putFilm(page, url, film)
  const code = await publishLesson(page, mediaId, id.replace('.', '-'))
  const offsets = await playThrough(page, url, code, { rate, varies })
  await page.close()
  const near = offsets.filter((offset) => offset === 0 || offset === 1).length
  return {
    id,
    what: `Holds of ${HOLDS} that stand on the cue’s very frame, ${what}`,
    unit: 'count',
    rounds: [offsets.filter((offset) => offset === 0).length],
    aim: { least: HOLDS },
    limit: String(HOLDS),
    reference: `the frame number drawn into the film; ${near} on that frame or the next`,
  }
}

async function putFilm(page: Page, url: string, film: string): Promise<string> {
  await page.getByLabel('Title of a new lesson').fill('Upload')
  await page.getByRole('button', { name: 'Begin this lesson' }).click()
  await page.getByTestId('film').or(page.locator('[data-test=film]')).setInputFiles(film)
  await page.locator('video').waitFor()
  const address = (await page.locator('video').getAttribute('src'))!
  await page.goto(url)
  return address.split('/')[3]!
}

/** Publishes a lesson with a hold every few frames, through the API, as the bench would. */
async function publishLesson(page: Page, mediaId: string, lessonId: string): Promise<string> {
  const made = lessonEdits(mediaId)
  return page.evaluate(
    async ({ list, id }) => {
      const send = async (method: string, path: string, body: unknown) => {
        const response = await fetch(path, {
          method,
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(body),
        })
        if (!response.ok) throw new Error(await response.text())
        return (await response.json()) as { revision: number; linkCode: string }
      }
      await send('POST', '/api/lessons', { id, title: 'Holds', language: 'en' })
      let revision = 0
      for (let from = 0; from < list.length; from += 200)
        ({ revision } = await send('PATCH', `/api/lessons/${id}/draft`, {
          revision,
          edits: list.slice(from, from + 200),
        }))
      return (await send('POST', `/api/lessons/${id}/editions`, { revision, number: 1 })).linkCode
    },
    {
      id: lessonId,
      list: made.map(({ name, patches }, index) => ({ id: `edit-${index}`, name, patches })),
    },
  )
}

function lessonEdits(mediaId: string): EditMade[] {
  let lesson: Lesson = emptyLesson('Holds')
  const made: EditMade[] = []
  const edit = <A>(kind: Edit<A>, args: A) => {
    const outcome = runEdit(lesson, kind, args)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
    lesson = outcome.lesson
    made.push(outcome.made)
  }
  edit(edits.addFilmPart, { id: PART, title: 'Film' })
  const durationMs = (holdFrame(HOLDS) + 25) * FRAME_MS
  edit(edits.attachFilm, { partId: PART, mediaId, durationMs, frameRate: '25' })
  for (let index = 0; index < HOLDS; index += 1) {
    const [cueId, questionId] = [`c${index}`, `q${index}`]
    const optionIds: [string, string] = [`${questionId}a`, `${questionId}b`]
    edit(edits.addQuestion, {
      cueId,
      questionId,
      optionIds,
      partId: PART,
      atMs: holdFrame(index) * FRAME_MS,
    })
    edit(edits.setQuestionText, { questionId, field: 'stem', text: `Frame ${holdFrame(index)}` })
    for (const optionId of optionIds)
      edit(edits.setOptionText, { questionId, optionId, field: 'text', text: optionId })
    edit(edits.setHold, { cueId, hold: 'shown' })
  }
  return made
}

/** Reads the frame number from the fields of the picture on screen. */
const readNumber = (video: HTMLVideoElement): number => {
  const canvas = new OffscreenCanvas(320, 64)
  const context = canvas.getContext('2d')!
  context.drawImage(video, 0, 0, 320, 64)
  let number = 0
  for (let bit = 0; bit < 8; bit += 1)
    if (context.getImageData(bit * 40 + 20, 32, 1, 1).data[0]! > 128) number += 2 ** bit
  return number
}

async function playThrough(
  page: Page,
  url: string,
  code: string,
  { rate, varies }: { rate: number; varies: boolean },
): Promise<number[]> {
  await page.goto(`${url}/open/${code}`)
  await page.getByRole('button', { name: 'Begin the lesson' }).click()
  await page.locator('video').waitFor()
  if (rate !== 1) await page.getByLabel('Speed').selectOption(String(rate))
  await page.locator('body').press('k')
  const offsets: number[] = []
  for (let index = 0; index < HOLDS; index += 1) {
    await page.getByRole('heading', { name: `Frame ${holdFrame(index)}`, exact: true }).waitFor()
    await page.waitForFunction(() => {
      const video = document.querySelector('video')!
      return video.paused && !video.seeking
    })
    const shown = await page.locator('video').evaluate(readNumber)
    const due = varies ? frameShown(holdFrame(index)) : holdFrame(index)
    offsets.push((((shown - due) % 256) + 256) % 256)
    await page.getByRole('button', { name: 'Go on without answering' }).click()
  }
  return offsets
}
