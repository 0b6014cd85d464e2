// A learner's own notes: words marked on a page, a note at a moment of a film, written offline, found on another device,
// taken along as a text.
import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { DEMO_LINK } from '@fernbrake/demo'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { expectNoBarriers } from '../support/barriers.ts'
import { openDesk, watchForErrors } from '../support/pages.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
test.beforeAll(async () => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
})
test.afterAll(() => server?.stop())

async function begin(page: Page): Promise<void> {
  await page.goto(`${server.url}/open/${DEMO_LINK}`)
  await page.getByRole('button', { name: 'Sign in instead' }).click()
  await page.getByLabel('Email address').fill('keeper@harrowmere.example')
  await page.getByLabel('Password').fill(DEMO_PASSWORD)
  await page.getByRole('button', { name: 'Sign in and begin' }).click()
  await expect(page.getByRole('heading', { name: 'Before You Watch' })).toBeVisible()
}
/** Selects the first place on the page where these words stand, as a learner does by dragging. */
const select = (page: Page, words: string) =>
  page.evaluate((wanted) => {
    const walker = document.createTreeWalker(document.querySelector('main')!, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const at = node.textContent!.indexOf(wanted)
      if (at < 0) continue
      const range = document.createRange()
      range.setStart(node, at)
      range.setEnd(node, at + wanted.length)
      document.getSelection()!.removeAllRanges()
      return document.getSelection()!.addRange(range)
    }
  }, words)
const marks = (page: Page) =>
  page.evaluate(() => [...(CSS.highlights.get('own-notes') ?? [])].map(String))

test('words on a page are marked, and what is noted is found on another device', async ({
  browser,
}) => {
  const page = await openDesk(browser)
  const errors = watchForErrors(page)
  await begin(page)
  await select(page, 'with a windlass in your hand')
  await page.getByRole('button', { name: 'Mark and write' }).click()
  await page.keyboard.type('Which one fits ours?')
  await page.context().setOffline(true)
  await select(page, 'Why is the hill cut into steps')
  await page.getByRole('button', { name: 'Mark', exact: true }).click()
  expect(await marks(page)).toEqual([
    'with a windlass in your hand',
    'Why is the hill cut into steps',
  ])
  await page.getByRole('button', { name: 'Note on this page' }).click()
  await page.keyboard.type('Read again on Friday')
  await page.getByRole('textbox', { name: /Why is the hill/ }).focus()
  await page.keyboard.type('For the water')
  await expect(page.getByText(/waits? to be sent/)).toBeVisible()
  await page.context().setOffline(false)
  await expect(page.getByText(/waits? to be sent/)).toHaveCount(0)
  await expectNoBarriers(page, 'page with own notes')

  const phone = await (
    await browser.newContext({ viewport: { width: 390, height: 844 } })
  ).newPage()
  await begin(phone)
  const notes = phone.locator('[data-note]')
  await expect(notes).toHaveCount(3)
  await expect(notes.nth(1)).toHaveValue('For the water')
  await expect(notes.nth(0)).toHaveValue('Which one fits ours?')
  await expect(notes.nth(2)).toHaveValue('Read again on Friday')
  expect(await marks(phone)).toHaveLength(2)
  await phone.getByRole('button', { name: /^Take it away: Note on “Why/ }).click()
  await expect(notes).toHaveCount(2)
  expect(await marks(phone)).toEqual(['with a windlass in your hand'])
  await phone.getByRole('button', { name: 'Put it back' }).click()
  await expect(notes).toHaveCount(3)
  await phone.context().close()
  expect(errors).toEqual([])
  await page.context().close()
})

test('a note is written at a moment of a film by a key, and all are taken along', async ({
  browser,
}) => {
  const page = await openDesk(browser)
  await begin(page)
  await page.getByRole('button', { name: /^Go on with/ }).click()
  await page.getByRole('button', { name: 'Play', exact: true }).click()
  await expect(page.getByText(/You have watched (?!0)/)).toBeVisible()
  // Whoever speaks to the computer switches the letters off; nothing happens then by chance.
  await page.getByText('Keys', { exact: true }).click()
  const letters = page.getByLabel('Letters act')
  await letters.uncheck()
  await expectNoBarriers(page, 'the keys beside a film')
  await page.locator('body').press('n')
  await expect(page.locator('[data-note]')).toHaveCount(0)
  await letters.check()
  await letters.press('Escape')
  await expect(letters).toBeHidden()
  await page.locator('body').press('n')
  await page.keyboard.type('A hill, not a river')
  // Left with the last key: nothing of it is lost.
  await page.goto('about:blank')
  await page.goBack()
  await page.getByRole('tab', { name: 'My notes' }).click()
  await expect(page.locator('[data-note]')).toHaveValue('A hill, not a river')
  await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible()
  await expectNoBarriers(page, 'film with own notes')
  const arriving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take my notes along' }).click()
  const text = readFileSync(await (await arriving).path(), 'utf8')
  expect(text).toMatch(/^# Water That Climbs\n\n## Before You Watch\n\n“with a windlass/)
  expect(text).toMatch(/“[^”]+”\nWhich one fits ours\?/)
  expect(text).toMatch(/## Water That Climbs\n\n\[0:\d\d\] A hill, not a river\n$/)
  await page.context().close()
})
