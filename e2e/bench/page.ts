// The learner's page: how much script is sent before the first frame can play, and how late that frame is compared
// with a bare <video> page that plays the same film from the same server.
import { once } from 'node:events'
import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { gzipSync } from 'node:zlib'
import type { Browser, Page, Response } from '@playwright/test'
import { LECTURE_LINK } from '@fernbrake/demo'
import type { RealServer } from '../support/server.ts'
import type { Figure } from './figure.ts'

const RUNS = 45
const FILM = '/api/media/water-budget-film/files/playable'
const BARE = '/bare-video-page'

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

const median = (numbers: number[]) =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)]!

/**
 * The headers that the server gives its pages. Some of them have the browser begin a new process when it comes from a page
 * without them, whatever the page; so the bare page gets them too, or that would be counted as ours.
 */
async function pageHeaders(target: string): Promise<[string, string][]> {
  const { headers } = await fetch(`${target}/open/${LECTURE_LINK}`)
  const ofTheBody = /^(content-length|content-encoding|transfer-encoding|connection|keep-alive)$/
  return [...headers].filter(([name]) => !ofTheBody.test(name))
}

/** Passes everything on to the server, but answers the bare page itself, so that both pages travel the same way. */
async function startFront(target: string): Promise<{ url: string; close(): void }> {
  const bareHeaders = new Map(await pageHeaders(target))
  const front = createServer((incoming, outgoing) => {
    if (incoming.url === BARE)
      return void outgoing
        .setHeaders(bareHeaders)
        .end(`<!doctype html><video src="${FILM}" preload="auto" muted></video>`)
    const { method, headers } = incoming
    const onward = request(target + incoming.url, { method, headers }, (answer) => {
      outgoing.writeHead(answer.statusCode!, answer.headers)
      answer.pipe(outgoing)
    })
    onward.on('error', () => outgoing.destroy())
    outgoing.on('close', () => onward.destroy())
    incoming.pipe(onward)
  }).listen(0, '127.0.0.1')
  await once(front, 'listening')
  const close = () => void front.close()
  return { url: `http://127.0.0.1:${(front.address() as AddressInfo).port}`, close }
}

export async function measurePage(browser: Browser, server: RealServer): Promise<Figure[]> {
  const front = await startFront(server.url)
  const { url } = front
  const context = await browser.newContext()
  await context.addInitScript(NOTE_FIRST_FRAME)
  const page = await context.newPage()
  let scriptBytes = 0
  const weigh = (response: Response) => {
    if (response.request().resourceType() === 'script')
      void response.body().then((body) => (scriptBytes += gzipSync(body).length))
  }
  page.on('response', weigh)
  await page.goto(`${url}/open/${LECTURE_LINK}`)
  await page.getByLabel('Your first and last name').fill('Bench Runner')
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
  await page.waitForURL('**/learn/**')
  await page.locator('video').waitFor()
  await page.waitForLoadState('networkidle')
  const learn = page.url()
  const sent = scriptBytes
  // Taking bodies out of the browser costs time, and only one of the two pages has scripts.
  page.off('response', weigh)
  const [ours, bare]: [number[], number[]] = [[], []]
  const client = await context.newCDPSession(page)
  await client.send('Network.setCacheDisabled', { cacheDisabled: true })
  for (let run = 0; run < RUNS; run += 1) {
    bare.push(await firstFrame(page, url + BARE))
    ours.push(await firstFrame(page, learn))
  }
  await context.close()
  front.close()
  const [own, reference] = [median(ours), median(bare)]
  // Each round against its own neighbour: a machine that others use too is slower in one minute than in the next.
  const times = median(ours.map((ms, round) => ms / bare[round]!))
  return [
    {
      what: 'Script sent to a learner before the first frame',
      value: `${(sent / 1000).toFixed(1)} kB gzip`,
      reference: 'none',
      aim: 'at most 130 kB',
    },
    {
      what: `First frame, median of ${RUNS} rounds, nothing cached`,
      value: `${own.toFixed(0)} ms = ${times.toFixed(2)} × the bare page`,
      reference: `bare <video> page ${reference.toFixed(0)} ms`,
      aim: 'at most 1.3 ×',
    },
  ]
}
