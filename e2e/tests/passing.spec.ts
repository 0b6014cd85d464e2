// Captions as they come, and a question that a learner passes over: it holds nobody again, and can be answered all the same.
import { expect, test, type Page } from '@playwright/test'
import { addPart, startBench, type Bench } from '../support/bench.ts'
import { option, sheetOf } from '../support/everyKind.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { expectKept, goInAsGuest, goTo, openPhone, watchForErrors } from '../support/pages.ts'

test.describe.configure({ mode: 'serial' })

const CAPTIONS = `WEBVTT

00:00.500 --> 00:02.000
The gate holds the water.

00:01.000 --> 00:03.500
The paddle lets it through.
`

let desk: Bench
let bench: Page
let link = ''
let page: Page
let complaints: string[]
let on: ReturnType<typeof sheetOf>

test.beforeAll(async ({ browser }) => {
  desk = await startBench(browser, { title: 'Passing over', seconds: 7, captions: CAPTIONS })
  bench = desk.page
  on = sheetOf(bench)
})
test.afterAll(() => desk?.stop())

const bring = (name: string, text: string, encoding: BufferEncoding = 'utf8') =>
  bench
    .locator('input[type=file][accept*=".vtt"]')
    .setInputFiles({ name, mimeType: 'text/vtt', buffer: Buffer.from(text, encoding) })
const press = (name: string) => bench.getByRole('button', { name, exact: true }).click()

test('what of captions cannot be read is told by its line, and all of it can be taken back', async () => {
  await press('Captions')
  await bring('broken.vtt', `${CAPTIONS}\n00:4.0 --> 00:05.000\nSo it goes up.\n`)
  await expect(bench.getByText('Line 9: the time cannot be read.')).toBeVisible()
  await expect(bench.getByText('2 captions were taken.')).toBeVisible()
  await expectNoBarriers(bench, 'captions that were read in part')
  await press('Take it all back')
  await expect(bench.getByText('Line 9')).toHaveCount(0)
})

test('letters of an older program are shown before they are taken', async () => {
  const line = 'Die Schleuse schließt über Nacht.'
  await press('Captions')
  await bring('older.srt', `1\n00:00:01,000 --> 00:00:02,000\n${line}\n`, 'latin1')
  const asked = bench.getByRole('region', { name: 'Written with the signs of' })
  await expect(asked.getByText(line)).toBeVisible()
  await expectNoBarriers(bench, 'captions whose letters are in doubt')
  await asked.getByRole('combobox').click()
  await bench.getByRole('option', { name: 'Cyrillic (Windows-1251)' }).click()
  await expect(asked.getByText(line)).toHaveCount(0)
  await press('Leave it')
  await expect(bench.getByText('The gate holds the water.')).toBeVisible()
})

test('nothing is shifted further than there is room before somebody was asked', async () => {
  await bench.getByLabel('Shift by').fill('-3')
  await press('Shift')
  await expect(
    bench.getByText('Only 0.5 s are free before the first of these lines.'),
  ).toBeVisible()
  await press('Leave them')
  await press('Captions')
})

test('a question that may be passed over, and one that waits for the right answer, are written', async () => {
  await goTo(bench, '2')
  await bench.locator('body').press('q')
  await on.side().getByRole('textbox', { name: 'Question', exact: true }).fill('What holds it?')
  await on.field('Option 1').fill('The gate')
  await on.field('Option 2').fill('The paddle')
  await on.side().getByRole('radio', { name: 'Option 1 is right' }).check()
  await on.choose('Playback', 'Stops until answered right')
  await expect(on.side().getByText('goes on after 2 tries in any case')).toBeVisible()
  await on.side().getByText('Until right, however many tries').click()
  await expect(on.side().getByText('After 3 wrong ones learners are shown')).toBeVisible()
  await expectNoBarriers(bench, 'a question that waits for the right answer', '.side')
  await on.choose('Playback', 'Stops; may be passed over')
  await on.press('Close')
  await goTo(bench, '5')
  await bench.locator('body').press('q')
  await on.choose('Kind of question', 'Number')
  await on.side().getByRole('textbox', { name: 'Question', exact: true }).fill('How much is it?')
  await on.field('Number').fill('1.5')
  await on.field('Unit').fill('m³')
  await expect(on.side().getByText('Also taken:')).toContainText('1500 L')
  await on.choose('Playback', 'Runs on, question beside it')
  await on.press('Close')
  await addPart(bench, 'Page')
  await press('+ Text')
  await bench.getByRole('textbox', { name: 'Text' }).fill('The gate is shut again.')
  await expectKept(bench)
  await press('Publish edition 1')
  await bench.getByTestId('publish').click()
  link = await bench.getByTestId('link').inputValue()
  expect(desk.errors).toEqual([])
})

const stem = (words: string) => page.getByRole('heading', { name: words })
const play = () =>
  page
    .getByRole('button', { name: /^(Play|Watch again)$/ })
    .first()
    .click()

test('two captions at one time are both shown', async ({ browser }) => {
  page = await openPhone(browser)
  complaints = watchForErrors(page)
  await goInAsGuest(page, link, 'Wenna Tolliver')
  await play()
  // Looked for in each frame: they are gone again soon.
  await page.waitForFunction(() => {
    const shown = document.querySelector('.caption')?.textContent ?? ''
    return ['The paddle lets it through.', 'The gate holds the water.'].every((words) =>
      shown.includes(words),
    )
  })
})

test('passing over releases the hold; the leaf opens the question, and the end lists what is open', async () => {
  await expect(stem('What holds it?')).toBeVisible()
  await page.getByRole('button', { name: 'Go on without answering' }).click()
  await expect(stem('How much is it?')).toBeVisible()
  await page.getByRole('button', { name: 'Close the question' }).click()
  const end = page.getByRole('region', { name: '2 questions here are still open' })
  await expect(end).toBeVisible()
  await expectNoBarriers(page, 'an end that lists what is open')
  await end.getByRole('button', { name: /Question 2, at 0:05/ }).click()
  await page.getByRole('textbox').fill('1,5 m³')
  await page.getByRole('button', { name: 'Give this answer' }).click()
  await expect(page.locator('.verdict')).toContainText('Right')
  await page.getByRole('button', { name: 'Close the question' }).click()
  await expect(page.getByRole('region', { name: 'One question here is still open' })).toBeVisible()
})

test('a lesson that ends on a page lists what is open in its film, and leads there', async () => {
  await page.getByRole('button', { name: 'Go on with “Page 1”' }).tap()
  await page.getByRole('button', { name: 'I am done here' }).tap()
  await expect(stem('You have worked through the lesson.')).toBeVisible()
  const left = page.getByRole('list', { name: 'Still open in other parts' })
  await expect(left.getByRole('button')).toHaveCount(1)
  await expectNoBarriers(page, 'the end of a lesson that lists what is open')
  await left.getByRole('button', { name: /^One question of “.+” is still open$/ }).press('Enter')
  await expect(page.getByRole('button', { name: /Question 1\s+not answered/ })).toBeVisible()
})

test('after a reload it is still offered by the contents and its leaf, keeps its tries, and holds nobody', async () => {
  await page.reload()
  await page.getByRole('button', { name: /Question 1\s+not answered/ }).press('Enter')
  await expect(stem('What holds it?')).toBeVisible()
  await page.getByRole('button', { name: 'Close the question' }).click()
  const leaf = (await page.locator('.cue.question').first().boundingBox())!
  await page.touchscreen.tap(leaf.x + leaf.width / 2, leaf.y + leaf.height / 2)
  await expect(stem('What holds it?')).toBeVisible()
  await option(page.locator('.question'), 'The paddle')
  await page.getByRole('button', { name: 'Give this answer' }).click()
  for (let tries = 2; tries <= 3; tries += 1) {
    await expect(page.locator('.verdict')).toContainText('Not right')
    await page.getByRole('button', { name: 'Try again' }).click()
    await option(page.locator('.question'), tries === 2 ? 'The paddle' : 'The gate')
    await page.getByRole('button', { name: 'Give this answer' }).click()
  }
  await expect(page.locator('.verdict')).toContainText('Right')
  await page.getByRole('button', { name: 'Close the question' }).click()
  await play()
  await expect(page.getByText('Everything is kept.')).toBeVisible()
  await expect(page.getByRole('region', { name: /still open/ })).toHaveCount(0)
  await expect(page.getByRole('list', { name: 'Still open in other parts' })).toHaveCount(0)
  expect(complaints).toEqual([])
})
