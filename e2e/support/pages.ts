// Steps that several browser tests take, in the words of the interface.
import AxeBuilder from '@axe-core/playwright'
import { expect, type Browser, type Page } from '@playwright/test'
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

/** What fades in has colours of its own until it is there. */
const comeToRest = (page: Page) =>
  page.evaluate(async () => {
    const passing = document
      .getAnimations()
      .filter(({ effect }) => Number.isFinite(effect?.getComputedTiming().endTime))
    await Promise.allSettled(passing.map(({ finished }) => finished))
  })

/** Nothing that axe knows to be a barrier, by WCAG 2.2 A and AA; `within` looks at one part of the page alone. */
export async function expectNoBarriers(page: Page, what: string, within = 'html'): Promise<void> {
  await comeToRest(page)
  const { violations } = await new AxeBuilder({ page })
    .include(within)
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  const found = violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(' | ')}`,
  )
  expect.soft(found, what).toEqual([])
}

/** The head of the bench says that everything is in the database. */
export async function expectKept(page: Page): Promise<void> {
  await expect(page.getByTestId('keeping')).toContainText(/· kept /)
}

/** Complaints of the page that no test expects: script errors, and whatever the security policy refused. */
export function watchForErrors(page: Page): string[] {
  const errors: string[] = []
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
