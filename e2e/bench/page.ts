// The learner's page: how much script the browser has fetched when the first frame can be shown, and how late that frame is compared
// with a bare <video> page that plays the same film from the same server. And how much script the page to sign in on fetches.
import type { Browser, Page } from '@playwright/test'
import { LECTURE_LINK } from '@fernbrake/demo'
import type { RealServer } from '../support/server.ts'
import { BARE, startFront } from './bareVideo.ts'
import { inRounds, ROUNDS, type Figure } from './stating/figure.ts'
import { middle } from './stating/judge.ts'

/** Frames waited for in each round; the middle one counts. */
const RUNS = 9

/** Notes, in the page itself, when the first frame can be shown: no message to the browser lies in between. */
const NOTE_FIRST_FRAME = `document.addEventListener(
  'loadeddata',
  () => { window.firstFrameMs ??= performance.now() },
  { capture: true },
)`

/** Opens an address; ms from the beginning of its navigation to the first frame. */
async function firstFrame(page: Page, address: string): Promise<number> {
  await page.goto(address, { waitUntil: 'commit' })
  const noted = await page.waitForFunction(
    () => (window as unknown as { firstFrameMs?: number }).firstFrameMs,
  )
  const atMs = (await noted.jsonValue())!
  // What this page still has to do must not weigh on the one that is opened next.
  await page.waitForLoadState('load')
  await page.evaluate(() => new Promise((done) => requestIdleCallback(done)))
  return atMs
}

/** Bytes of script, as they travelled, that had come by a moment of the page, or until now; by the browser's own timings. */
const scriptKilobytes = (page: Page, untilMs: number | null = null): Promise<number> =>
  page.evaluate((until) => {
    const entries = performance.getEntriesByType('resource') as PerformanceResourceTiming[]
    return entries
      .filter(({ name }) => new URL(name).pathname.endsWith('.js'))
      .filter(({ responseEnd }) => until === null || responseEnd <= until)
      .reduce((sum, { encodedBodySize }) => sum + encodedBodySize / 1000, 0)
  }, untilMs)

/** Goes in as a guest; the address of the lesson. */
async function learnerAddress(page: Page, url: string): Promise<string> {
  await page.goto(`${url}/open/${LECTURE_LINK}`)
  await page.getByLabel('Your first and last name').fill('Bench Runner')
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
  await page.waitForURL('**/learn/**')
  await page.locator('video').waitFor()
  await page.waitForLoadState('networkidle')
  return page.url()
}

/** All script that the page to sign in on has fetched when it has come to rest, in a browser that has nothing yet. */
async function signInKilobytes(browser: Browser, url: string): Promise<number> {
  const context = await browser.newContext()
  const page = await context.newPage()
  await page.goto(`${url}/`)
  await page.getByRole('button', { name: 'Sign in' }).waitFor()
  await page.waitForLoadState('networkidle')
  const kilobytes = await scriptKilobytes(page)
  await context.close()
  return kilobytes
}

export async function measurePage(browser: Browser, server: RealServer): Promise<Figure[]> {
  const front = await startFront(server.url)
  const { url } = front
  const context = await browser.newContext()
  await context.addInitScript(NOTE_FIRST_FRAME)
  const page = await context.newPage()
  const learn = await learnerAddress(page, url)
  const client = await context.newCDPSession(page)
  await client.send('Network.setCacheDisabled', { cacheDisabled: true })
  const scripts: number[] = []
  const bareMs: number[] = []
  // Each frame against its own neighbour: a machine that others use too is slower in one minute than in the next.
  const times = await inRounds(async () => {
    const round: number[] = []
    for (let run = 0; run < RUNS; run += 1) {
      bareMs.push(await firstFrame(page, url + BARE))
      const ownMs = await firstFrame(page, learn)
      if (run === 0) scripts.push(await scriptKilobytes(page, ownMs))
      round.push(ownMs / bareMs.at(-1)!)
    }
    return middle(round)
  })
  const all = await scriptKilobytes(page)
  await context.close()
  front.close()
  return [
    {
      id: 'page.script',
      what: 'Script a learner’s browser has fetched when the first frame can be shown',
      unit: 'kB',
      rounds: scripts,
      aim: { most: 90 },
      limit: 'what shows a film and its controls: Vue and its texts alone are 45 kB',
      reference: `with all that follows ${all.toFixed(1)} kB`,
    },
    {
      id: 'page.sign-in',
      what: 'Script that the page to sign in on fetches',
      unit: 'kB',
      rounds: [await signInKilobytes(browser, server.url)],
      aim: { most: 70 },
      limit: 'Vue, its router and its texts alone are 52 kB',
      reference: 'all of it, by the browser’s own timings',
    },
    {
      id: 'page.first-frame',
      what: 'First frame with nothing cached, beside a bare <video> page',
      unit: 'x',
      rounds: times,
      aim: { most: 1.05 },
      limit: '1 ×, the bare page itself',
      reference: `bare page ${middle(bareMs).toFixed(0)} ms, ${RUNS} frames a round, ${ROUNDS} rounds`,
    },
  ]
}
