// Coming to a page for the first time, and going back to one that the browser has kept as it was.
import { chromium, expect, test, type Page } from '@playwright/test'
import { CHROMIUM } from '../playwright.config.ts'
import { signIn } from '../support/pages.ts'
import { DESIGNER, startRealServer, type RealServer } from '../support/server.ts'

let server: RealServer
test.beforeAll(async () => (server = await startRealServer()))
test.afterAll(() => server.stop())

/** A browser that keeps pages for going back, as everybody's does; others are told not to. */
async function keepingBrowser() {
  return chromium.launch({
    ...CHROMIUM,
    ignoreDefaultArgs: ['--disable-back-forward-cache'],
    args: CHROMIUM.args,
  })
}

/** Notes whether a page was brought back as it was, where that outlives the page. */
const NOTE_RETURNS = `addEventListener('pageshow', ({ persisted }) => { if (persisted) window.broughtBack = (window.broughtBack ?? 0) + 1 })`
const broughtBack = (page: Page) =>
  page.evaluate(() => (window as unknown as { broughtBack?: number }).broughtBack ?? 0)

/** A page that is brought back loads nothing, so nothing of the kind is waited for. */
const goBack = (page: Page) => page.goBack({ waitUntil: 'commit' })

async function lessonsAndAway(page: Page): Promise<void> {
  await page.addInitScript(NOTE_RETURNS)
  await signIn(page, server.url, DESIGNER.email)
  await page.goto(`${server.url}/`)
  await expect(page.getByRole('heading', { name: 'Your lessons' })).toBeVisible()
  await page.goto(`${server.url}/open/a-code-of-nothing`)
  await page.waitForLoadState('networkidle')
}

test('a page is there again at once, with what changed meanwhile', async () => {
  const browser = await keepingBrowser()
  const page = await (await browser.newContext()).newPage()
  await lessonsAndAway(page)
  await page.request.post(`${server.url}/api/lessons`, {
    data: { id: 'made-meanwhile', title: 'Made meanwhile', language: 'en' },
  })
  await goBack(page)
  await expect(page.getByText('Made meanwhile')).toBeVisible()
  expect(await broughtBack(page)).toBe(1)
  await browser.close()
})

test('whoever has signed out leaves nothing to go back to', async () => {
  const browser = await keepingBrowser()
  const context = await browser.newContext()
  const page = await context.newPage()
  await lessonsAndAway(page)
  const other = await context.newPage()
  await other.goto(`${server.url}/`)
  await other.getByRole('button', { name: 'Sign out' }).click()
  await expect(other.getByLabel('Email address')).toBeVisible()
  await goBack(page)
  await expect(page.getByLabel('Email address')).toBeVisible()
  await expect(page.getByText('Your lessons')).toHaveCount(0)
  await browser.close()
})

test('whose session the server has ended sees nothing of it either', async () => {
  const browser = await keepingBrowser()
  const context = await browser.newContext()
  const page = await context.newPage()
  await lessonsAndAway(page)
  await context.clearCookies()
  await goBack(page)
  await expect(page.getByLabel('Email address')).toBeVisible()
  await browser.close()
})

test('what a page shows is asked for once, while the page itself is on its way', async ({
  page,
}) => {
  await signIn(page, server.url, DESIGNER.email)
  await page.request.post(`${server.url}/api/lessons`, {
    data: { id: 'asked-once', title: 'Asked once', language: 'en' },
  })
  // What the page before still asks for is its own.
  await expect(page.getByText('Your lessons').first()).toBeVisible()
  await page.waitForLoadState('networkidle')
  for (const [path, heading, least] of [
    ['/', 'Your lessons', ['/api/attempts', '/api/enquiries', '/api/lessons', '/api/marking']],
    ['/lessons/asked-once', 'Asked once', ['/api/lessons/asked-once']],
  ] as const) {
    const asked: string[] = []
    const note = (request: { url(): string; method(): string }) => {
      const { pathname } = new URL(request.url())
      if (pathname.startsWith('/api/') && request.method() === 'GET') asked.push(pathname)
    }
    page.on('request', note)
    await page.goto(server.url + path)
    await expect(page.getByText(heading).first()).toBeVisible()
    await page.waitForLoadState('networkidle')
    page.off('request', note)
    const calls = asked.filter((one) => !one.includes('/media/') && !one.includes('socket'))
    expect(calls).toEqual(expect.arrayContaining([...least]))
    expect(calls.length).toBe(new Set(calls).size)
  }
})
