// What pages do while nothing changes: timers and frames that run, and how much of a processor they take beside a bare <video> page.
import type { Browser, BrowserContext, Page } from '@playwright/test'
import { LECTURE_LINK } from '@fernbrake/demo'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { signIn } from '../support/pages.ts'
import { DESIGNER, type RealServer } from '../support/server.ts'
import { BARE, startFront } from './bareVideo.ts'
import { inRounds, type Figure } from './stating/figure.ts'
import { middle } from './stating/judge.ts'

/** So long each page is left alone in a round, in ms, after it has come to rest. */
const ALONE_MS = 5_000
const REST_MS = 3_000

/** Counts, in the page itself, what is called back by a clock or by a frame. */
const COUNT_CALLS = `window.calledBack = 0
for (const name of ['setTimeout', 'setInterval', 'requestAnimationFrame']) {
  const own = window[name]
  window[name] = (call, ...rest) =>
    own.call(window, (...given) => { window.calledBack += 1; return typeof call === 'function' ? call(...given) : undefined }, ...rest)
}`

interface Idle {
  calls: number
  /** Share of one processor, in percent. */
  busy: number
}

async function leftAlone(page: Page): Promise<Idle> {
  const client = await page.context().newCDPSession(page)
  await client.send('Performance.enable')
  const taskSeconds = async () => {
    const { metrics } = await client.send('Performance.getMetrics')
    return metrics.find(({ name }) => name === 'TaskDuration')!.value
  }
  const calls = () => page.evaluate(() => (window as unknown as { calledBack: number }).calledBack)
  const before = { calls: await calls(), seconds: await taskSeconds() }
  await page.waitForTimeout(ALONE_MS)
  const seconds = (await taskSeconds()) - before.seconds
  return { calls: (await calls()) - before.calls, busy: (seconds / (ALONE_MS / 1000)) * 100 }
}

async function openPage(context: BrowserContext, open: (page: Page) => Promise<void>) {
  const page = await context.newPage()
  await page.addInitScript(COUNT_CALLS)
  await open(page)
  await page.waitForLoadState('networkidle')
  await page.waitForTimeout(REST_MS)
  return page
}

/** Opens the pages in turn; each is measured while it is in front, the bare one right beside it. */
export async function measureIdle(browser: Browser, { url }: RealServer): Promise<Figure[]> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const guest = await browser.newContext()
  const player = await openPage(guest, async (page) => {
    await page.goto(`${url}/open/${LECTURE_LINK}`)
    await page.getByLabel('Your first and last name').fill('Bench Idler')
    await page.getByRole('button', { name: 'Go in as a guest' }).click()
    await page.waitForURL('**/learn/**')
    await page.locator('video').waitFor()
  })
  // A guest may see the film.
  const front = await startFront(url)
  const bare = await openPage(guest, async (page) => {
    await page.goto(front.url + BARE)
    await page.locator('video').waitFor()
  })
  const bench = await openPage(context, async (page) => {
    await signIn(page, url, DESIGNER.email, DEMO_PASSWORD)
    await page
      .getByRole('heading', { name: 'The Water Budget of a Flight' })
      .getByRole('link')
      .click()
    await page.locator('[data-test=timecode]').waitFor()
  })
  const measured: Record<'player' | 'bench' | 'bare', Idle[]> = { player: [], bench: [], bare: [] }
  await inRounds(async () => {
    for (const [name, page] of Object.entries({ player, bench, bare })) {
      await page.bringToFront()
      measured[name as keyof typeof measured].push(await leftAlone(page))
    }
    return 0
  })
  await context.close()
  await guest.close()
  front.close()
  const bareBusy = measured.bare.map(({ busy }) => busy)
  return (['player', 'bench'] as const).flatMap((name) => [
    {
      id: `idle.${name}.calls`,
      what: `Timers and frames that run in 5 s on the ${name} while nothing changes`,
      unit: 'count' as const,
      rounds: measured[name].map(({ calls }) => calls),
      aim: { most: 0 },
      limit: '0',
      reference: `a bare <video> page ${middle(measured.bare.map(({ calls }) => calls))}`,
    },
    {
      id: `idle.${name}.busy`,
      what: `Of a processor, the ${name} while nothing changes, beyond a bare <video> page`,
      unit: '%' as const,
      rounds: measured[name].map(({ busy }, round) => busy - bareBusy[round]!),
      aim: { most: 1 },
      limit: '0 %, the bare page itself',
      reference: `a bare <video> page ${middle(bareBusy).toFixed(2)} %`,
    },
  ])
}
