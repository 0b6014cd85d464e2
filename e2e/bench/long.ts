// The bench with a film of three hours, 1,000 cues (5,000 for moving about) and 30,000 words of script: opening, moving about, editing.
import { execFileSync } from 'node:child_process'
import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser, Page } from '@playwright/test'
import type { Media } from '@fernbrake/core/contract'
import {
  checkLesson,
  edits,
  emptyLesson,
  runEdit,
  type Cue,
  type Edit,
  type EditMade,
} from '@fernbrake/core/lesson'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { putFilm, sendJson, signedInCookie } from '../support/http.ts'
import { signIn } from '../support/pages.ts'
import type { RealServer } from '../support/server.ts'
import { inRounds, type Figure } from './stating/figure.ts'
import { middle, quantile } from './stating/judge.ts'

const HOURS = 3
const CUES = 1000
const MANY_CUES = 5000
const LINES = 3000
const WORDS_A_LINE = 10
const LENGTH_MS = HOURS * 3_600_000
const idOf = (cues: number) => `three-hours-${cues}`
const MOVE_FOR_MS = 3000
const EDITS = 60
const CALM_LIMIT_MS = 1500

/** A film that costs little to make and to read: what counts here is how long it is. */
async function makeLongFilm(): Promise<Buffer> {
  const folder = await mkdtemp(join(tmpdir(), 'fernbrake-bench-'))
  try {
    const path = join(folder, 'long.mp4')
    const seconds = LENGTH_MS / 1000
    const picture = ['-f', 'lavfi', '-i', `testsrc=size=160x90:rate=2:duration=${seconds}`]
    const sound = ['-f', 'lavfi', '-i', `sine=frequency=330:sample_rate=16000:duration=${seconds}`]
    const codecs = ['-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac']
    execFileSync('ffmpeg', ['-v', 'error', ...picture, ...sound, ...codecs, '-b:a', '24k', path])
    return await readFile(path)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

function cueAt(index: number, partId: string, count: number): Cue {
  const atMs = Math.round(((index + 0.5) * LENGTH_MS) / count)
  const id = `cue-${index}`
  const base = { id, partId, order: `a${String(index).padStart(5, '0')}V` }
  const box = { x: 0.1, y: 0.1, width: 0.4, height: 0.1 }
  const look = { ink: '#17231C', fill: '#FFFDF8', size: 0.045, align: 'start' } as const
  if (index % 5 === 0) return { ...base, kind: 'bookmark', atMs, title: `Chapter ${index}` }
  if (index % 5 === 1) return { ...base, kind: 'note', atMs, text: `Note ${index}` }
  const span = { fromMs: atMs, toMs: Math.min(LENGTH_MS, atMs + 20_000) }
  return { ...base, kind: 'overlay', ...span, box, look, text: `Words on the picture ${index}` }
}

/** The lesson as a few edits: film, script, cues, as many at once as may be pasted. */
function editsOfLongLesson(media: Media, count: number): EditMade[] {
  let lesson = emptyLesson('Three hours on the navigation')
  const made: EditMade[] = []
  const edit = <A>(kind: Edit<A>, args: A) => {
    const outcome = runEdit(lesson, kind, args)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues.slice(0, 3)))
    lesson = outcome.lesson
    made.push(outcome.made)
  }
  const partId = 'film'
  edit(edits.addFilmPart, { id: partId, title: 'Three hours' })
  const { id: mediaId, durationMs, frameRate } = media
  edit(edits.attachFilm, { partId, mediaId, durationMs, frameRate })
  const text = Array.from({ length: WORDS_A_LINE }, (_, word) => `word${word}`).join(' ')
  const lines = Array.from({ length: LINES }, (_, index) => {
    const fromMs = Math.round((index * LENGTH_MS) / LINES)
    return { id: `line-${index}`, fromMs, toMs: fromMs + 3000, text: `${index} ${text}` }
  })
  edit(edits.importScript, { id: 'script', partId, language: 'en', lines })
  const cues = Array.from({ length: count }, (_, index) => cueAt(index, partId, count))
  for (let from = 0; from < count; from += CUES) {
    const some = cues.slice(from, from + CUES)
    const newIds = Object.fromEntries(some.map(({ id }) => [id, id]))
    const clip = { kind: 'fernbrake-cues', cues: some, questions: {} } as const
    edit(edits.pasteCues, { clip, partId, atMs: timeOf(some[0]!), newIds })
  }
  return made
}

const timeOf = (cue: Cue) => ('atMs' in cue ? cue.atMs : cue.fromMs)

async function putLongLesson(
  url: string,
  cookie: string,
  media: Media,
  count: number,
): Promise<void> {
  const title = 'Three hours on the navigation'
  const lessonId = idOf(count)
  await sendJson(cookie, 'POST', `${url}/api/lessons`, { id: lessonId, title, language: 'en' })
  let revision = 0
  for (const [index, { name, patches }] of editsOfLongLesson(media, count).entries()) {
    const edit = { id: `long-${index}`, name, patches }
    const address = `${url}/api/lessons/${lessonId}/draft`
    const reply = await sendJson(cookie, 'PATCH', address, { revision, edits: [edit] })
    revision = (reply as { revision: number }).revision
  }
}

/**
 * Ms until script and frond stand, and a click would be heard: from the arrival of the lesson's data and of the bench's own script,
 * whichever comes later, and from the address on.
 */
async function measureOpening(
  page: Page,
  url: string,
  cues: number,
): Promise<{ drawn: number; whole: number }> {
  await page.goto(`${url}/lessons/${idOf(cues)}`, { waitUntil: 'commit' })
  const usable = await page.waitForFunction(() => {
    const stands =
      document.querySelector('.time .frond .crowd path') && document.querySelector('.side .line')
    return stands ? performance.now() : null
  })
  const at = (await usable.jsonValue())!
  const arrived = await page.evaluate((id) => {
    const entries = performance.getEntriesByType('resource') as PerformanceResourceTiming[]
    const needed = entries.filter(({ name }) => {
      const { pathname } = new URL(name)
      return pathname === `/api/lessons/${id}` || /\/assets\/BenchView-.*\.js$/.test(pathname)
    })
    return Math.max(...needed.map(({ responseEnd }) => responseEnd))
  }, idOf(cues))
  return { drawn: at - arrived, whole: at }
}

/** Ms for reading the same document with JSON.parse and checking it by the schema, once the code for that is warm. */
async function readingMs(url: string, cookie: string): Promise<number> {
  const reply = await fetch(`${url}/api/lessons/${idOf(CUES)}`, { headers: { Cookie: cookie } })
  const text = await reply.text()
  const { lesson } = JSON.parse(text) as { lesson: unknown }
  if (!checkLesson(lesson).ok) throw new Error('The lesson is not valid')
  const read = () => {
    const began = performance.now()
    checkLesson((JSON.parse(text) as { lesson: unknown }).lesson)
    return performance.now() - began
  }
  return middle(await inRounds(read))
}

type Doing = 'nothing' | 'zoom' | 'scroll'

/** Frames a second that the page draws while this is done once a frame. */
async function framesASecond(page: Page, doing: Doing): Promise<number> {
  return page.evaluate(
    ({ what, forMs }) =>
      new Promise<number>((resolve) => {
        const frond = document.querySelector('.time .frond')
        const list = [...document.querySelectorAll('.side *')].find(
          (one) => one.scrollHeight > one.clientHeight + 400,
        )
        let frames = 0
        const began = performance.now()
        const onFrame = () => {
          const passed = performance.now() - began
          if (passed >= forMs) return resolve((frames / passed) * 1000)
          const deltaY = Math.sin(frames / 20) * 60
          const wheel = { bubbles: true, cancelable: true, ctrlKey: true, clientX: 640, deltaY }
          if (what === 'zoom') frond!.dispatchEvent(new WheelEvent('wheel', wheel))
          if (what === 'scroll') list!.scrollTop += 37
          frames += 1
          requestAnimationFrame(onFrame)
        }
        requestAnimationFrame(onFrame)
      }),
    { what: doing, forMs: MOVE_FOR_MS },
  )
}

/** Ms from a key that edits to the page laid out anew; the 95th percentile. */
async function measureEdits(page: Page): Promise<number> {
  const took = await page.evaluate(async (count) => {
    const took: number[] = []
    for (let edit = 0; edit < count; edit += 1) {
      const began = performance.now()
      const key = edit % 2 === 0 ? '.' : ','
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
      // What Vue draws anew it draws before the next task.
      for (let turn = 0; turn < 10; turn += 1) await Promise.resolve()
      document.body.getBoundingClientRect()
      took.push(performance.now() - began)
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 20)))
    }
    return took
  }, EDITS)
  return quantile(took, 0.95)
}

/** The script heap of the page, and all that its process holds in memory; in MB. */
async function memoryOf(browser: Browser, page: Page): Promise<{ heap: number; whole: number }> {
  const client = await page.context().newCDPSession(page)
  await client.send('HeapProfiler.collectGarbage')
  const { usedSize } = await client.send('Runtime.getHeapUsage')
  const system = await browser.newBrowserCDPSession()
  const { processInfo } = await system.send('SystemInfo.getProcessInfo')
  const renderers = processInfo.filter(({ type }) => type === 'renderer')
  const sizes = await Promise.all(
    renderers.map(async ({ id }) => {
      const status = await readFile(`/proc/${id}/status`, 'utf8')
      return Number(/VmRSS:\s+(\d+) kB/.exec(status)?.[1] ?? 0) * 1024
    }),
  )
  // No other page is open, so the largest of them is the one that draws the bench.
  return { heap: usedSize / 1e6, whole: Math.max(...sizes) / 1e6 }
}

/** Ms from choosing an overlay to its calm spots on the sheet: waiting, reading the strip, looking, drawing. */
async function measureCalm(page: Page): Promise<number> {
  for (;;) {
    const ms = await page.evaluate(
      (limitMs) =>
        new Promise<number | null>((resolve) => {
          const began = performance.now()
          const key = { key: 'ArrowDown', bubbles: true }
          document.body.dispatchEvent(new KeyboardEvent('keydown', key))
          const look = () => {
            const passed = performance.now() - began
            const isGone = passed < 60
            if (!isGone && document.querySelector('.side .calm tbody tr')) return resolve(passed)
            if (passed > limitMs) return resolve(null)
            requestAnimationFrame(look)
          }
          requestAnimationFrame(look)
        }),
      CALM_LIMIT_MS,
    )
    // Bookmarks and notes have none.
    if (ms !== null) return ms
  }
}

/** What moving about costs, with so many cues on the frond. */
async function movingFigures(page: Page, cues: number, bareRate: number): Promise<Figure[]> {
  await page.locator('.time .frond .crowd path').first().waitFor()
  const aim = { least: cues > CUES ? 55 : 58 }
  const of = (id: string, what: string, rounds: number[]): Figure => ({
    id: `long.${id}-${cues}`,
    what: `Frames a second while ${what}, ${HOURS} h with ${cues} cues and ${LINES * WORDS_A_LINE} words`,
    unit: 'fps',
    rounds,
    aim,
    limit: '60, the screen’s own',
    reference: `an empty page ${bareRate.toFixed(0)}`,
  })
  return [
    of('scroll', 'scrolling the script', await inRounds(() => framesASecond(page, 'scroll'))),
    of('zoom', 'zooming the frond', await inRounds(() => framesASecond(page, 'zoom'))),
  ]
}

export async function measureLong(browser: Browser, { url }: RealServer): Promise<Figure[]> {
  const cookie = await signedInCookie(url)
  const { media } = await putFilm(url, cookie, await makeLongFilm())
  for (const cues of [CUES, MANY_CUES]) await putLongLesson(url, cookie, media, cues)
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  // The loader that runs this file names functions by a helper that the page does not have.
  await context.addInitScript('globalThis.__name = (named) => named')
  const page = await context.newPage()
  await page.goto(`${url}/api/health`)
  const bareRate = middle(await inRounds(() => framesASecond(page, 'nothing')))
  await signIn(page, url, 'designer@harrowmere.example', DEMO_PASSWORD)
  await measureOpening(page, url, MANY_CUES)
  const moving = await movingFigures(page, MANY_CUES, bareRate)
  const readMs = await readingMs(url, cookie)
  const opening: Awaited<ReturnType<typeof measureOpening>>[] = []
  await inRounds(async () => opening.push(await measureOpening(page, url, CUES)))
  moving.unshift(...(await movingFigures(page, CUES, bareRate)))
  await page.keyboard.press('0')
  await page.keyboard.press('ArrowDown')
  const edits = await inRounds(() => measureEdits(page))
  const { heap, whole } = await memoryOf(browser, page)
  await page.keyboard.press('Enter')
  const calm = await inRounds(() => measureCalm(page))
  await context.close()
  return [
    {
      id: 'long.open',
      what: 'Bench usable after the lesson’s data and the bench’s script arrived, beside reading the data with JSON.parse and the schema',
      unit: 'x',
      rounds: opening.map(({ drawn }) => drawn / readMs),
      aim: { most: 3 },
      limit: '1 ×, reading it and drawing nothing',
      reference: `${middle(opening.map(({ drawn }) => drawn)).toFixed(0)} ms, reading ${readMs.toFixed(0)} ms; from the address on ${middle(opening.map(({ whole }) => whole)).toFixed(0)} ms`,
    },
    ...moving,
    {
      id: 'long.edit',
      what: `An edit on screen, the slowest but ${EDITS / 20} of ${EDITS}`,
      unit: 'ms',
      rounds: edits,
      aim: { most: 1000 / 60 + 4 },
      limit: 'one frame of the empty page',
      isWork: true,
      reference: `a frame of this machine’s empty page ${(1000 / bareRate).toFixed(1)} ms`,
    },
    {
      id: 'long.memory',
      what: 'Memory after that: all that the process of the page holds',
      unit: 'MB',
      rounds: [whole],
      aim: { most: 400 },
      limit: 'an empty page, some 60 MB',
      reference: `its script heap alone ${heap.toFixed(0)} MB`,
    },
    {
      id: 'long.calm',
      what: 'Calm spots on the sheet after an overlay of 20 s was chosen',
      unit: 'ms',
      rounds: calm,
      aim: { most: 300 },
      limit: '120 ms, which it waits',
      reference: '120 ms of waiting for more edits included',
    },
  ]
}
