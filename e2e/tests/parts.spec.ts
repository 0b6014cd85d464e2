// The parts that are no films: a page, a still, a deck and a chronicle are made on the bench, learned by pointer and by
// keyboard, at a desk and on a phone, while the server dies, and read in the results.
import { expect, test, type Page } from '@playwright/test'
import { makePdf } from '../../server/testing/pdf.ts'
import { addPart, startBench, unfold, type Bench } from '../support/bench.ts'
import { option, sheetOf } from '../support/everyKind.ts'
import { picturePng } from '../support/films.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { expectKept, goInAsGuest, watchForErrors } from '../support/pages.ts'

test.describe.configure({ mode: 'serial' })

const CAPTIONS = `WEBVTT

00:00.500 --> 00:01.500
The gate holds the water.

00:01.500 --> 00:02.500
The paddle lets it through.
`

let desk: Bench
let bench: Page
let on: ReturnType<typeof sheetOf>
let link: string
let picture: { name: string; mimeType: string; buffer: Buffer }

test.beforeAll(async ({ browser }) => {
  desk = await startBench(browser, { title: 'Gates and paddles', seconds: 4, captions: CAPTIONS })
  bench = desk.page
  on = sheetOf(bench)
  picture = { name: 'lock.png', mimeType: 'image/png', buffer: picturePng(640, 360) }
})
test.afterAll(() => desk?.stop())

const undo = () => bench.getByRole('button', { name: 'Undo' }).click()
const left = () => bench.locator('.left')
const tabs = () => bench.getByRole('navigation', { name: 'Parts of the lesson' }).locator('ol > li')
const adder = (name: string) => left().getByRole('button', { name, exact: true }).last().click()
const more = async (name: string) => {
  // A menu closes when what is beneath it scrolls, so the button is brought into sight before, and the scrolling has been told.
  const button = left().getByRole('button', { name: 'More…' })
  await button.hover()
  await bench.evaluate(
    () => new Promise((told) => requestAnimationFrame(() => requestAnimationFrame(told))),
  )
  await button.click()
  await bench.getByRole('menuitem', { name, exact: true }).click()
}
/** A field of the sheet, where the sheet itself bears the same name. */
const box = (name: string) => on.side().getByRole('textbox', { name, exact: true })
const blocks = () => left().locator('[data-block]')

test('a page takes texts, a stretch of film by its script, a fact, and a question', async () => {
  await addPart(bench, 'Page')
  await on.field('Name of this part').fill('Before you watch')
  await adder('+ Text')
  await expect(box('Text')).toBeFocused()
  await box('Text').fill('Welcome, {first name}.')
  await unfold(bench, 'How it stands on the page')
  await on.field('Note in the margin').fill('Ten minutes')
  await adder('+ Stretch of film')
  await on.press('Choose lines of the script')
  await on.side().getByRole('button', { name: 'The paddle lets it through.' }).click()
  await expect(on.field('From')).toHaveValue('00:00:01:12')
  await more('Fact')
  await on.field('Words over the fact').fill('Mark this')
  await box('Text').fill('Water lies flat.')
  await on.choose('Ground', 'straw')
  await adder('+ Question')
  await box('Question').fill('What holds it?')
  await on.press('Paste a list')
  await on.side().getByLabel('One a line.').fill('* The gate\nThe paddle')
  await on.press('Take in 2 lines')
  await expect(blocks()).toHaveText(['Text', 'Stretch of film', 'Fact', 'Question'])
  await expectNoBarriers(bench, 'page on the bench')
})

test('blocks move by button and by dragging, into columns too, and all can be undone', async () => {
  await on.press('Up')
  await expect(blocks()).toHaveText(['Text', 'Stretch of film', 'Question', 'Fact'])
  await undo()
  await blocks().nth(2).dragTo(blocks().nth(0))
  await expect(blocks()).toHaveText(['Fact', 'Text', 'Stretch of film', 'Question'])
  await undo()
  await more('Two columns')
  await on.choose('How the columns share the page', 'the second is wider')
  await blocks().nth(1).click()
  await on.choose('It stands', 'in the first column')
  await blocks().last().click()
  await expect(left().locator('.columns [data-block]')).toHaveText(['Stretch of film'])
  // A block that somebody takes away does not stay on its sheet.
  await on.press('Copy')
  await expect(blocks()).toHaveCount(5)
  await undo()
  await expect(blocks()).toHaveCount(4)
  await expectKept(bench)
})

test('a still takes a picture; pins are put, dragged, nudged, and open a text, a question, a part', async () => {
  await addPart(bench, 'Still')
  await on.field('Name of this part').fill('The lock')
  await left().getByTestId('file-picture').setInputFiles(picture)
  const image = left().locator('.plane img')
  await expect(image).toBeVisible()
  await left().getByRole('button', { name: '+ Pin where I press' }).click()
  await image.click({ position: { x: 60, y: 60 } })
  await on.field('What the pin is called').fill('Gate')
  await on.field('What it says').fill('It holds the water.')
  await left().getByRole('button', { name: '+ Pin in the middle' }).click()
  await on.field('What the pin is called').fill('Sill')
  await on.choose('The pin opens', 'a question')
  await box('Question').fill('Who stays clear?')
  await on.choose('Kind of question', 'Short answer')
  await on.field('Answer 1').fill('the boat')
  const pins = left().locator('[data-pin]')
  const place = async () => (await pins.nth(1).boundingBox())!
  const before = await place()
  await pins.nth(1).press('ArrowRight')
  await pins.nth(1).press('Shift+ArrowDown')
  const nudged = await place()
  expect(nudged.x - before.x).toBeGreaterThan(1)
  expect(nudged.y - before.y).toBeGreaterThan(10)
  await bench.mouse.move(nudged.x + 22, nudged.y + 22)
  await bench.mouse.down()
  await bench.mouse.move(nudged.x + 90, nudged.y + 40, { steps: 4 })
  await bench.mouse.up()
  expect((await place()).x - nudged.x).toBeGreaterThan(50)
  await undo()
  await expect.poll(async () => Math.round((await place()).x - nudged.x)).toBe(0)
  await left().getByRole('button', { name: '+ Pin in the middle' }).click()
  await on.choose('The pin opens', 'another part')
  await on.choose('It leads to', 'Before you watch')
  await unfold(bench, 'How it looks')
  await on.choose('Shape', 'kite')
  for (let step = 0; step < 6; step += 1) await pins.nth(2).press('Shift+ArrowLeft')
  await expectNoBarriers(bench, 'still on the bench')
})

test('a deck takes pictures and the pages of a PDF, and says what it cannot take', async () => {
  await addPart(bench, 'Deck')
  await on.field('Name of this part').fill('Furniture')
  const slides = left().locator('.strip li')
  const document = left().getByTestId('file-document')
  const pdf = (name: string, wish: Parameters<typeof makePdf>[0]) => ({
    name,
    mimeType: 'application/pdf',
    buffer: makePdf(wish),
  })
  await document.setInputFiles(pdf('locked.pdf', { pages: ['x'], locked: true }))
  await expect(left().getByText('This PDF asks for a password.')).toBeVisible()
  await document.setInputFiles(pdf('gates.pdf', { pages: ['The beam', 'The collar'] }))
  await expect(slides).toHaveCount(2)
  await expect(on.field('What it shows, for those who cannot see it')).toHaveValue('The beam')
  await on.field('What the picture is called').fill('Balance beam')
  await on.field('What is said beside it').fill('You push here.')
  await left()
    .getByTestId('file-picture')
    .setInputFiles([picture, { ...picture, name: 'lock 2.png' }])
  await expect(slides).toHaveCount(4)
  await slides.nth(2).dragTo(slides.nth(0))
  await expect(slides.nth(0).getByRole('button')).toHaveAccessibleName(/^1: lock/)
  await undo()
  await expectNoBarriers(bench, 'deck on the bench')
})

test('a document comes into its deck though another part is open, the page is loaded anew, and somebody publishes', async () => {
  const slides = left().locator('.strip li')
  const before = await slides.count()
  const way = bench.getByRole('list', { name: 'Media on their way into the lesson' })
  const open = (name: string) => tabs().getByRole('button', { name }).click()
  const pdf = (name: string, pages: string[]) => ({
    name,
    mimeType: 'application/pdf',
    buffer: makePdf({ pages }),
  })
  // The line stands still until it is let go.
  let letGo = () => {}
  const held = new Promise<void>((done) => (letGo = done))
  await bench.route('**/api/uploads/*', async (route) => {
    if (route.request().method() === 'PATCH') await held
    await route.continue()
  })
  await left()
    .getByTestId('file-document')
    .setInputFiles(pdf('log.pdf', ['Boats', 'Days', 'Tolls']))
  await expect(left().getByText('Being sent')).toBeVisible()
  await expect(way).toHaveCount(0)
  await open('Before you watch')
  await expect(
    way.getByText(/“log.pdf” is being sent, .* It comes into “Furniture” by itself/),
  ).toBeVisible()
  await expectNoBarriers(bench, 'a bench that waits for a medium')
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  const dialog = bench.getByRole('dialog')
  await expect(dialog.getByText(/^One medium is still on its way into the lesson/)).toBeVisible()
  await bench.keyboard.press('Escape')
  letGo()
  await expect(way).toHaveCount(0)
  await open('Furniture')
  await expect(slides).toHaveCount(before + 3)
  await undo()
  await expect(slides).toHaveCount(before)
  await bench.unrouteAll({ behavior: 'wait' })
  // Prepared while nobody has the page open: what was chosen is known all the same.
  let isAway = true
  await bench.route('**/api/media/*', (route) => (isAway ? route.abort() : route.continue()))
  await left()
    .getByTestId('file-document')
    .setInputFiles(pdf('tolls.pdf', ['One', 'Two']))
  await expect(left().getByText('Being prepared')).toBeVisible()
  await bench.reload()
  await expect(left().getByText('Being prepared')).toBeVisible()
  isAway = false
  await open('Furniture')
  await expect(slides).toHaveCount(before + 2)
  await undo()
  await expect(slides).toHaveCount(before)
  await expectKept(bench)
})

test('a chronicle takes dates from BCE to a day, and says when something ends too soon', async () => {
  await addPart(bench, 'Chronicle')
  await on.field('Name of this part').fill('What happened')
  await on.press('+ Category')
  await on.field('Name').fill('Works')
  const entry = async (title: string, year: string) => {
    await left().getByRole('button', { name: '+ Entry' }).click()
    await on.field('What happened').fill(title)
    await box('In the year').fill(year)
  }
  await entry('The flight is dug', '1793')
  await on.side().getByText('It lasted until a later date').click()
  await box('Until the year').fill('1790')
  await expect(on.side().getByText('It ends before it begins')).toBeVisible()
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await bench.getByRole('button', { name: 'Go to it in “What happened”' }).first().click()
  await box('Until the year').fill('1797')
  await on.choose('Category', 'Works')
  await entry('An older ditch', '300')
  await on.choose('Era', 'BCE')
  await entry('The first boat', '1797')
  await on.choose('Era', 'CE')
  await on.choose('Month', 'February')
  await on.choose('Day', '28')
  await box('Text').fill('It carried lime.')
  const listed = left().locator('.list li')
  await expect(listed.nth(0)).toContainText('300 BCE')
  await expect(listed).toHaveText([/An older ditch/, /dug/, /The first boat/])
  await expectNoBarriers(bench, 'chronicle on the bench')
  await expect(tabs()).toHaveCount(5)
  await expectKept(bench)
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await bench.getByTestId('publish').click()
  link = await bench.getByTestId('link').inputValue()
  expect(desk.errors).toEqual([])
})

test('the draft is seen as on a phone that is as wide as one, from any part', async () => {
  await bench.keyboard.press('Escape')
  await bench.getByRole('link', { name: 'See it as a learner' }).click()
  await bench.getByRole('button', { name: 'Phone' }).click()
  await bench.getByLabel('From').selectOption({ label: 'The lock' })
  const phone = bench.frameLocator('iframe')
  await expect(phone.getByRole('heading', { level: 1, name: 'The lock' })).toBeVisible()
  expect(await phone.locator('html').evaluate(() => innerWidth)).toBe(390)
  await expectNoBarriers(bench, 'preview on a phone')
  await bench.getByRole('link', { name: 'Back to the bench' }).click()
  await expect(left()).toBeVisible()
})

let page: Page
let complaints: string[]
const goOn = (title: string) => page.getByRole('button', { name: `Go on with “${title}”` }).click()
const heading = (name: string) => page.getByRole('heading', { level: 1, name })
const give = () => page.getByRole('button', { name: 'Give this answer' }).click()

test('a learner reads the page: the film plays on it, the answer is kept while the server is away', async ({
  browser,
}) => {
  page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  complaints = watchForErrors(page)
  await goInAsGuest(page, link, 'Wenna Tolliver')
  await page.getByRole('button', { name: 'Before you watch' }).click()
  await expect(heading('Before you watch')).toBeFocused()
  await expect(page.getByText('Welcome, Wenna.')).toBeVisible()
  await expectNoBarriers(page, 'page on a phone')
  await page.getByRole('button', { name: 'Play the film from 0:01 to 0:02' }).click()
  await expect(page.getByRole('button', { name: 'Play it again' })).toBeVisible()
  await expect(page.getByText('One question here is not answered yet.')).toBeVisible()
  await desk.server.kill()
  await option(page.locator('article'), 'The gate')
  await give()
  await expect(page.locator('.verdict')).toContainText('Right')
  await expect(page.getByText(/Working offline/)).toBeVisible()
  await goOn('The lock')
  await desk.server.start()
  await expect(page.getByText(/Working offline/)).toHaveCount(0)
})

test('pins are opened by finger and from the list by keyboard; one asks, one leads away', async () => {
  await expect(heading('The lock')).toBeFocused()
  await page.locator('.still-picture [data-pin]').first().click()
  await expect(page.getByText('It holds the water.')).toBeVisible()
  await expect(page.getByText('1 of 3 opened')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.locator('.still-picture [data-pin]').first()).toBeFocused()
  await page.getByRole('button', { name: 'Larger' }).click()
  await expect(page.getByText('150%')).toBeVisible()
  const list = page.locator('.pins')
  await list.getByRole('button', { name: 'Sill' }).press('Enter')
  await page.getByRole('textbox').fill('the boat')
  await give()
  await expect(page.locator('.verdict')).toContainText('Right')
  await expectNoBarriers(page, 'still on a phone')
  await list.getByRole('button', { name: 'Pin 3' }).press('Enter')
  await page.getByRole('button', { name: 'Go to “Before you watch”' }).click()
  await expect(heading('Before you watch')).toBeFocused()
  await page.getByRole('button', { name: /^3 The lock/ }).click()
  await expect(heading('The lock')).toBeFocused()
  // What was opened is remembered, here and after a reload.
  await page.reload()
  await expect(page.getByText('3 of 3 opened')).toBeVisible()
  await goOn('Furniture')
})

test('a deck is leafed through by keyboard and goes on where it was left', async () => {
  const stage = page.getByRole('region', { name: /^The deck/ })
  await expect(stage.getByText('1 of 4 · Balance beam')).toBeVisible()
  await expect(stage.getByText('You push here.')).toBeVisible()
  await expect(stage.getByRole('img', { name: 'The beam' })).toBeVisible()
  // Nobody need press it first.
  await page.keyboard.press('ArrowRight')
  await stage.press('ArrowRight')
  await expect(stage.getByText(/^3 of 4/)).toBeVisible()
  await expectNoBarriers(page, 'deck on a phone')
  await expect.poll(() => page.evaluate(() => navigator.onLine)).toBe(true)
  await page.reload()
  await expect(stage.getByText(/^3 of 4/)).toBeVisible()
  // It is finished once all of it was seen, and says so before.
  await expect(page.getByText('You have seen 3 of 4 pictures.')).toBeVisible()
  await stage.press('End')
  await expect(page.getByText('You have seen 3 of 4 pictures.')).toBeHidden()
  await goOn('What happened')
})

test('a chronicle is a list on a phone and a drawing where there is room; the lesson ends with it', async () => {
  await expect(page.locator('.list li')).toHaveText([/300 BCE/, /1793 to 1797/, /The first boat/])
  await expectNoBarriers(page, 'chronicle as a list')
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.getByRole('button', { name: 'Along time' }).click()
  await page.locator('[data-item]').last().click()
  await expect(page.getByText('It carried lime.')).toBeVisible()
  await page.getByRole('button', { name: 'Longer' }).click()
  await expect(page.locator('[data-item]').last()).toBeInViewport()
  await page.getByRole('button', { name: 'Earlier' }).click()
  await expect(page.getByRole('heading', { name: 'The flight is dug' })).toBeVisible()
  await expectNoBarriers(page, 'chronicle along time')
  await goOn('Gates and paddles')
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  await expect(page.getByText('Everything is kept.')).toBeVisible()
  expect(complaints).toEqual([])
})

test('the results tell who came to each part, and what of it they saw', async () => {
  await bench.goto(`${desk.server.url}${new URL(bench.url()).pathname}/results`)
  const learner = bench.getByRole('row', { name: /Wenna Tolliver/ })
  await expect(learner).toContainText('Finished')
  await expect(learner).toContainText('2 / 2')
  const part = (name: string) =>
    bench.locator('.class-frond').filter({ has: bench.getByRole('heading', { name }) })
  await expect(part('The lock').getByText('Opened by 1 of 1.')).toBeVisible()
  await expect(part('The lock').getByRole('listitem').first()).toHaveText(/Gate.*1/)
  await learner.getByRole('button').click()
  await expect(bench.getByText('Opened, and saw 4 of 4.')).toBeVisible()
  await expectNoBarriers(bench, 'results of every part')
  expect(desk.errors).toEqual([])
})
