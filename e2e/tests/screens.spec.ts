// The demo's screens: no barriers, no complaints of the security policy, and the states between.
import { gzipSync } from 'node:zlib'
import { expect, test, type Page } from '@playwright/test'
import { DEMO_LINK } from '@fernbrake/demo'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { expectNoBarriers } from '../support/barriers.ts'
import { openPhone, signIn, watchForErrors } from '../support/pages.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

let server: RealServer
test.beforeAll(async () => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
})
test.afterAll(() => server?.stop())

test('the demo’s places', async ({ page }) => {
  const errors = watchForErrors(page)
  await page.goto(`${server.url}/lessons/water-that-climbs?part=the-film`)
  await expect(page.getByRole('heading', { name: 'Demo accounts' })).toBeVisible()
  await expectNoBarriers(page, 'sign-in')
  await page.getByRole('button', { name: /Designer/ }).click()
  await expect(page.getByText('Water will not lie on a slope.')).toBeVisible()
  await expectNoBarriers(page, 'bench of the demo')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await expectNoBarriers(page, 'keys')
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'See it as a learner' }).click()
  await expect(page.getByText('Nothing you do here is kept.')).toBeVisible()
  await expectNoBarriers(page, 'preview')
  await page.getByRole('link', { name: 'Back to the bench' }).click()
  await page.getByRole('link', { name: 'Results' }).click()
  await expect(page.locator('.summary')).toContainText('31')
  await expect(page.getByRole('row', { name: /Ansa Quillmere/ })).toBeVisible()
  await expectNoBarriers(page, 'results of the demo')
  await page.goto(`${server.url}/nowhere/at/all`)
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible()
  await page.goto(`${server.url}/lessons/not-mine`)
  await expect(page.getByText('There is nothing here, or it is not yours to see.')).toBeVisible()
  expect(errors).toEqual([])
})

test('the open answer of a large pile stays in sight, however the pile is turned', async ({
  page,
}) => {
  await signIn(page, server.url, 'designer@harrowmere.example', DEMO_PASSWORD)
  await page.goto(`${server.url}/marking/assignment/spring-water`)
  const line = page.locator('.rail [aria-current="true"]')
  await expect(line).toBeInViewport()
  await page.getByLabel('Also what was marked by itself').check()
  await expect(page.getByText(/of 3\d\d marked/)).toBeVisible()
  await expect(line).toBeInViewport()
  await page.getByRole('button', { name: 'By learner' }).click()
  await expect(line).toBeInViewport()
  // Of hundreds of answers those alone are on the page that are in sight, and a few around them.
  expect(await page.locator('.rail li').count()).toBeLessThan(60)
})

test('the keeper sees accounts and space', async ({ page }) => {
  await signIn(page, server.url, 'keeper@harrowmere.example', DEMO_PASSWORD)
  await page.getByRole('link', { name: 'Accounts and space' }).click()
  await expect(page.getByRole('row', { name: /Merrin Coldwell/ })).toBeVisible()
  await expectNoBarriers(page, 'keeper')
})

/** Nothing reaches beyond the right edge. */
async function expectToFit(page: Page): Promise<void> {
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)
  expect(wide).toBeLessThanOrEqual(0)
}

test('a learner on a phone', async ({ browser }) => {
  const page = await openPhone(browser)
  await page.goto(`${server.url}/open/${DEMO_LINK}`)
  await page.getByLabel('Your first and last name').fill('Ottoline Fairweather')
  await page.getByRole('button', { name: 'Go in as a guest' }).tap()
  await expectNoBarriers(page, 'page on a phone')
  await page.getByRole('button', { name: 'Go on with “Water That Climbs”' }).tap()
  await page.getByRole('button', { name: /The chamber/ }).tap()
  await expect(page.getByRole('heading', { name: /Why is the hill/ })).toBeVisible()
  await expectNoBarriers(page, 'question on a phone')
  await expectToFit(page)
  for (const label of await page.locator('.option').all())
    expect((await label.boundingBox())!.height).toBeGreaterThanOrEqual(44)
  // WCAG 1.4.10: at 320 pixels nothing needs sideways scrolling; and a phone on its side still shows the film.
  await page.setViewportSize({ width: 320, height: 640 })
  await expectToFit(page)
  await page.setViewportSize({ width: 844, height: 390 })
  await expectToFit(page)
  expect((await page.locator('video').boundingBox())!.height).toBeGreaterThan(150)
  await page.context().close()
})

test('the script that a learner is sent is small, and carries no schemas', async ({ page }) => {
  const scripts: Promise<Buffer>[] = []
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script') scripts.push(response.body())
  })
  await page.goto(`${server.url}/open/${DEMO_LINK}`)
  await expect(page.getByLabel('Your first and last name')).toBeVisible()
  const all = Buffer.concat(await Promise.all(scripts))
  expect(gzipSync(all).length).toBeLessThan(126_000)
  expect(all.toString()).not.toContain('ZodError')
})

test('the page to sign in on fetches little, and neither schemas nor what only others need', async ({
  page,
}) => {
  const scripts: Promise<Buffer>[] = []
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script') scripts.push(response.body())
  })
  await page.goto(server.url)
  await expect(page.getByRole('heading', { name: 'Demo accounts' })).toBeVisible()
  await page.waitForLoadState('networkidle')
  const all = Buffer.concat(await Promise.all(scripts))
  expect(gzipSync(all).length).toBeLessThan(80_000)
  for (const other of ['ZodError', 'EIO', 'p-button', 'Rubric'])
    expect(all.toString()).not.toContain(other)
})

test('a link that leads nowhere says so', async ({ page }) => {
  await page.goto(`${server.url}/open/no-such-link`)
  await expect(page.getByText('There is no lesson behind this link.')).toBeVisible()
})
