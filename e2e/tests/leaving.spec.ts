// A learner goes while the film plays, or sits behind a network that answers in the server's place: nothing of it is lost.
import { expect, test, type BrowserContext, type Page } from '@playwright/test'
import type { Attempt } from '@fernbrake/core/contract'
import { furthestMs, normalise } from '@fernbrake/core/watching'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { openDesk, signIn } from '../support/pages.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let context: BrowserContext
let address = ''
const FILM = 'the-film'
/** A frame or two lie between what is shown and what is told. */
const FRAMES_MS = 250

test.beforeAll(async ({ browser }) => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
  const page = await openDesk(browser)
  context = page.context()
  await signIn(page, server.url, 'learner@harrowmere.example', DEMO_PASSWORD)
  await page.getByRole('button', { name: 'Begin “Water That Climbs”' }).click()
  await page.waitForURL(/\/learn\//)
  address = page.url()
  await page.getByRole('button', { name: /^2 / }).click()
  await page.close()
})
test.afterAll(async () => {
  await context?.close()
  await server?.stop()
})

/** What the server has of this learner. */
async function told() {
  const reply = await context.request.get(address.replace('/learn/', '/api/attempts/'))
  const { progress } = (await reply.json()) as Attempt
  const spans = normalise(progress.covered[FILM] ?? [])
  return { spans, furthestMs: furthestMs(spans), atMs: progress.atMs }
}

/** Plays on for a while, and answers with where the film is. */
async function playOn(page: Page, forMs: number): Promise<number> {
  await page.goto(address)
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  const placeMs = () =>
    page.evaluate(() => Math.round(document.querySelector('video')!.currentTime * 1000))
  const fromMs = await placeMs()
  await expect.poll(placeMs, { intervals: [50] }).toBeGreaterThan(fromMs + forMs)
  return placeMs()
}

test('a tab that is closed while the film plays has told all that was watched, and the place', async () => {
  const page = await context.newPage()
  const leftMs = await playOn(page, 2000)
  await page.close()
  await expect.poll(async () => (await told()).furthestMs).toBeGreaterThan(leftMs - FRAMES_MS)
  expect((await told()).atMs).toBeGreaterThan(leftMs - FRAMES_MS)
})

test('so has one that goes to another page, without a hole', async () => {
  const page = await context.newPage()
  const leftMs = await playOn(page, 2000)
  await page.goto(`${server.url}/`)
  await expect.poll(async () => (await told()).furthestMs).toBeGreaterThan(leftMs - FRAMES_MS)
  const { spans, atMs } = await told()
  expect(atMs).toBeGreaterThan(leftMs - FRAMES_MS)
  expect(spans.length).toBeLessThan(3)
  await page.close()
})

test('what a network answers in the server’s place lets go of nothing', async () => {
  const page = await context.newPage()
  let blocked = 0
  await page.route('**/records', (route) => {
    blocked += 1
    const body = '<h1>Blocked by the school’s filter</h1>'
    return route.fulfill({ status: 403, contentType: 'text/html', body })
  })
  const leftMs = await playOn(page, 6000)
  await page.getByRole('button', { name: 'Pause', exact: true }).first().click()
  await expect(page.getByText(/Working offline\. \d+ entries wait/)).toBeVisible()
  expect(blocked).toBeGreaterThan(0)
  await page.unroute('**/records')
  await page.reload()
  await expect.poll(async () => (await told()).furthestMs).toBeGreaterThan(leftMs - FRAMES_MS)
  await page.close()
})
