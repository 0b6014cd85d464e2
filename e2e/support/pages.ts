// Steps that several browser tests take, in the words of the interface.
import { expect, type Browser, type Page, type Request } from '@playwright/test'
import { PASSWORD } from './server.ts'

/** For `addInitScript`: what runs in a page was translated with a helper that names functions, which pages do not have. */
export const NAMED = { content: 'globalThis.__name = (named) => named' }

/** A page of somebody on a phone, with a context of its own. */
export async function openPhone(browser: Browser): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  })
  return context.newPage()
}

/** A page of somebody at a desk, with a context of its own. */
export async function openDesk(browser: Browser): Promise<Page> {
  return (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
}

export async function signIn(
  page: Page,
  url: string,
  email: string,
  password = PASSWORD,
): Promise<void> {
  await page.goto(`${url}/sign-in`)
  await page.getByLabel('Email address').fill(email)
  await page.getByLabel('Password', { exact: true }).fill(password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await page.waitForURL(`${url}/`)
}

/** The head of the bench says that everything is in the database. */
export async function expectKept(page: Page): Promise<void> {
  await expect(page.getByTestId('keeping')).toContainText(/· kept /)
}

/**
 * Follows what a page asks for. What it answers with waits until nothing is on its way any more, and what came is drawn;
 * films, which come on and on, are not waited for.
 */
export function followRequests(page: Page): () => Promise<void> {
  const open = new Set<Request>()
  page.on('request', (request) => {
    if (request.resourceType() !== 'media') open.add(request)
  })
  page.on('requestfinished', (request) => void open.delete(request))
  page.on('requestfailed', (request) => void open.delete(request))
  const drawn = () =>
    page.evaluate(async () => {
      for (let frame = 0; frame < 3; frame += 1)
        await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
    })
  return async () => {
    await page.waitForLoadState()
    // What came may ask for more, once it is drawn.
    await expect
      .poll(async () => {
        const before = open.size
        await drawn()
        return before + open.size
      })
      .toBe(0)
  }
}

/** Complaints of the page that no test expects: script errors, and whatever the security policy refused. */
export function watchForErrors(page: Page): string[] {
  const errors: string[] = []
  // What a script catches again is not told on the console by itself.
  void page.addInitScript(() =>
    addEventListener('securitypolicyviolation', ({ violatedDirective, sourceFile }) =>
      console.error(`Content Security Policy: ${violatedDirective} in ${sourceFile}`),
    ),
  )
  page.on('pageerror', (error) => errors.push(error.message))
  page.on('console', (message) => {
    if (/Content.Security.Policy|Refused to/i.test(message.text())) errors.push(message.text())
  })
  return errors
}

/** Shows another moment of the film on the bench by typing its time. */
export async function goTo(bench: Page, time: string): Promise<void> {
  const timecode = bench.getByTestId('timecode')
  await timecode.fill(time)
  await timecode.press('Enter')
  await timecode.blur()
}

/** Goes into a lesson by its link, under a name that nobody has to prove. */
export async function goInAsGuest(page: Page, link: string, name: string): Promise<void> {
  await page.goto(link)
  await page.getByLabel('Your first and last name').fill(name)
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
}
