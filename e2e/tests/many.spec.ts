// Many lessons: found by what is said in them, put away, gathered in a collection, and shared as a page.
import { expect, test, type Page } from '@playwright/test'
import { emptyLesson, type Lesson } from '@fernbrake/core/lesson'
import { lessonWithFilm, PART, filmOf } from '@fernbrake/core/testing'
import { expectNoBarriers } from '../support/barriers.ts'
import { inDatabase, putLesson } from '../support/lessons.ts'
import { openPhone, signIn, watchForErrors } from '../support/pages.ts'
import { DESIGNER, startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let page: Page
let errors: string[]
const COUNT = 40

const said = (title: string, text: string): Lesson => {
  const lesson = lessonWithFilm()
  const line = { id: 'line', fromMs: 12_000, toMs: 14_000, text }
  return {
    ...lesson,
    title,
    parts: { [PART]: { ...filmOf(lesson), mediaId: null } },
    scripts: { s: { id: 's', partId: PART, language: 'en', lines: { line } } },
  }
}

test.beforeAll(async ({ browser }) => {
  server = await startRealServer()
  await inDatabase(server.settings, async (client) => {
    for (let number = 1; number <= COUNT; number += 1) {
      const lesson = { ...emptyLesson(`Evening ${number}`), tags: [number % 2 ? 'locks' : 'boats'] }
      await putLesson(client, DESIGNER.email, { id: `many-${number}`, lesson })
    }
    const lesson = said('At the sill', 'The heron waits where the water is warm.')
    await putLesson(client, DESIGNER.email, { id: 'sill', lesson })
    await client.query(`UPDATE lessons SET link_code = 'link-' || id, seen_by = 'link'`)
  })
  page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  errors = watchForErrors(page)
  await signIn(page, server.url, DESIGNER.email)
})
test.afterAll(() => server?.stop())

const cards = () => page.getByRole('article')
const find = () => page.getByRole('searchbox')

test('a lesson is found by its title, its tags, and what is said in it; the words lead to the moment', async () => {
  await expect(cards()).toHaveCount(COUNT + 1)
  await find().fill('evening 40')
  await expect(cards()).toHaveCount(1)
  await find().fill('BOATS')
  await expect(cards()).toHaveCount(COUNT / 2)
  // Letter by letter, as fast as nobody types: none is lost to the address, which follows.
  await find().fill('')
  await find().pressSequentially('heron warm')
  await expect(find()).toHaveValue('heron warm')
  await expect(page).toHaveURL(/words=heron\+warm/)
  await expect(find()).toHaveValue('heron warm')
  await expect(page.getByText('One lesson holds these words.')).toBeVisible()
  await expectNoBarriers(page, 'lessons that were found', 'main')
  const place = page.getByRole('link', { name: /The heron waits/ })
  await expect(place).toHaveAttribute('href', '/lessons/sill?part=part-1&at=12000')
  await place.click()
  await expect(page.getByRole('button', { name: 'Publish', exact: false }).first()).toBeVisible()
  // The way back leads to what was found.
  await page.goBack()
  await expect(find()).toHaveValue('heron warm')
  await expect(cards()).toHaveCount(1)
  await find().fill('no such word')
  await expect(page.getByText('No lesson holds these words.')).toBeVisible()
  await find().fill('')
})

test('they are sorted by title as people count, and shown as cards or lines; both are remembered', async () => {
  await page.getByLabel('In order of').selectOption('title')
  await expect(cards().nth(2)).toContainText('Evening 2')
  await page.getByLabel('Shown as').selectOption('cards')
  await page.reload()
  await expect(page.getByLabel('In order of')).toHaveValue('title')
  await expect(cards().nth(2)).toContainText('Evening 2')
  await expect(page.getByLabel('Shown as')).toHaveValue('false')
  await page.getByLabel('Shown as').selectOption('lines')
})

test('what is put away is out of the way, is told when it is looked for, and comes back', async () => {
  await page.getByRole('button', { name: 'Put “Evening 40” away' }).click()
  await expect(cards()).toHaveCount(COUNT)
  await find().fill('evening 40')
  const shown = page.getByRole('button', { name: 'Show one that is put away' })
  await expect(shown).toBeVisible()
  await shown.click()
  await expect(cards()).toHaveCount(1)
  await page.getByRole('button', { name: 'Use “Evening 40” again' }).click()
  await find().fill('')
  await page.getByRole('button', { name: /^In use/ }).click()
  await expect(cards()).toHaveCount(COUNT + 1)
})

test('some are chosen together and gathered in a collection, which is ordered and shared as a page', async ({
  browser,
}) => {
  await find().fill('evening 1')
  await page.getByRole('button', { name: 'Choose several' }).click()
  await page.getByRole('checkbox', { name: 'Choose “Evening 1”' }).check()
  await page.getByRole('checkbox', { name: 'Choose “Evening 10”' }).check()
  await page.getByLabel('Title of the collection').fill('First week')
  await page.getByRole('button', { name: 'Put in', exact: true }).click()
  await expect(page.getByText('They are in “First week”.')).toBeVisible()
  await page.getByRole('button', { name: 'Done choosing' }).click()
  await find().fill('')
  await page.getByRole('button', { name: /^First week/ }).click()
  await expect(cards()).toHaveCount(2)
  await page.getByRole('link', { name: 'The page of this collection' }).click()
  await page.getByRole('button', { name: 'Move up: Evening 10' }).click()
  await expect(page.getByRole('listitem').first()).toContainText('Evening 10')
  await page.getByLabel('Find a lesson by its title or tags').fill('sill')
  await page.getByRole('button', { name: 'Put “At the sill” in' }).click()
  await expect(page.getByRole('listitem').nth(2)).toContainText('At the sill')
  await page.getByRole('radio', { name: 'Anyone with its link' }).check()
  const link = await page.getByTestId('link').inputValue()
  await expectNoBarriers(page, 'a collection', 'main')

  const stranger = await openPhone(browser)
  await stranger.goto(link)
  await expect(stranger.getByRole('heading', { name: 'First week' })).toBeVisible()
  await expect(stranger.getByRole('listitem')).toHaveText([
    /Evening 10/,
    /Evening 1/,
    /At the sill/,
  ])
  await expectNoBarriers(stranger, 'a collection as others see it', 'main')
  await stranger.context().close()
  await page.getByRole('radio', { name: 'Only I' }).check()
  await expect(page.getByText('Kept.')).toBeVisible()
  expect(errors).toEqual([])
})
