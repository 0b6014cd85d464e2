// What questions share: a time that runs out, material beside several of them, evidence by the script and on the frond,
// rich texts, a trial beside the sheet, and the question shelf.
import { expect, test, type Page } from '@playwright/test'
import { startBench, unfold, type Bench } from '../support/bench.ts'
import { sheetOf } from '../support/everyKind.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { expectKept, goInAsGuest, goTo, watchForErrors } from '../support/pages.ts'
import type { RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

const CAPTIONS = `WEBVTT

00:00.500 --> 00:02.000
The gate holds the water.

00:02.000 --> 00:03.500
The paddle lets it through.

00:03.500 --> 00:05.000
So the boat goes up.
`

let desk: Bench
let server: RealServer
let bench: Page
let errors: string[]
let on: ReturnType<typeof sheetOf>

test.beforeAll(async ({ browser }) => {
  desk = await startBench(browser, { title: 'Asking', seconds: 8, captions: CAPTIONS })
  ;({ server, page: bench, errors } = desk)
  on = sheetOf(bench)
})
test.afterAll(() => desk?.stop())

const stem = () => on.side().getByRole('textbox', { name: 'Question', exact: true })

test('evidence is chosen line by line, and its end dragged on the frond', async () => {
  await goTo(bench, '6')
  await bench.locator('body').press('q')
  await stem().fill('What lets the water through, {first name}?')
  await on.field('Option 1').fill('The gate')
  await on.field('Option 2').fill('The paddle')
  await on.side().getByRole('radio', { name: 'Option 2 is right' }).check()
  await on.press('Choose lines of the script')
  const line = (text: string) => on.side().getByRole('button', { name: text })
  await line('The gate holds the water.').click()
  await line('The paddle lets it through.').click()
  await expect(line('The paddle lets it through.')).toHaveAttribute('aria-pressed', 'true')
  await expect(line('So the boat goes up.')).toHaveAttribute('aria-pressed', 'false')
  await expect(on.field('To')).toHaveValue('00:00:03:12')
  await expectNoBarriers(bench, 'choosing evidence', '.side')
  const end = (await bench.locator('[data-evidence="toMs"]').boundingBox())!
  await bench.mouse.move(end.x + end.width / 2, end.y + end.height / 2)
  await bench.mouse.down()
  await bench.mouse.move(end.x + 120, end.y + end.height / 2, { steps: 5 })
  await bench.mouse.up()
  await expect(on.field('To')).not.toHaveValue('00:00:03:12')
  await bench.locator('body').press('Control+z')
  await expect(on.field('To')).toHaveValue('00:00:03:12')
})

test('material is shared, and written with a list and a formula', async () => {
  await unfold(bench, 'Shared material')
  await on.choose('This question is about', 'new material…')
  await on.field('Title').fill('The chamber')
  await on
    .side()
    .getByRole('button', { name: /^Passage, .*lists, tables, media/ })
    .click()
  const dialog = bench.getByRole('dialog')
  const text = dialog.getByRole('textbox')
  await expect(text).toBeFocused()
  await bench.keyboard.type('Its sides:')
  await bench.keyboard.press('Enter')
  await dialog.getByRole('button', { name: 'List', exact: true }).click()
  await bench.keyboard.type('22 m long')
  await bench.keyboard.press('Enter')
  await bench.keyboard.type('2.2 m wide')
  await dialog.getByRole('button', { name: 'Formula', exact: true }).click()
  await dialog.getByLabel('In TeX').fill('\\frac{V}{2}')
  await expect(dialog.locator('.looks .katex')).toBeVisible()
  await dialog.getByRole('button', { name: 'Put in' }).click()
  // Put in from within the list it parts it; what is put in next does not take its place.
  for (const kind of ['Stretch of film', 'Stretch of film']) {
    await dialog.getByRole('button', { name: kind, exact: true }).click()
    await dialog.getByRole('button', { name: 'Put in' }).click()
  }
  await expect(dialog.locator('.text video')).toHaveCount(2)
  await dialog.getByRole('button', { name: 'Web page', exact: true }).click()
  await dialog.getByLabel('Address of the page').fill('javascript:alert(1)')
  await dialog.getByLabel('Address of the page').press('Enter')
  await dialog.getByRole('button', { name: 'Put in' }).click()
  await expect(dialog.getByText('Write an address first.')).toBeVisible()
  await expect(dialog.locator('.text .page-card')).toHaveCount(0)
  await dialog.getByLabel('Address of the page').fill(`${server.url}/stand-ins/pages/water-levels`)
  await dialog.getByLabel('Address of the page').press('Enter')
  await expect(dialog.getByTestId('page-found')).toBeVisible()
  await dialog.getByLabel('What it is called here').fill('Water levels today')
  await dialog.getByRole('combobox', { name: 'It opens' }).click()
  await bench.getByRole('option', { name: 'In the lesson' }).click()
  await dialog.getByRole('button', { name: 'Put in' }).click()
  await expect(dialog.locator('.text .page-card')).toContainText('Water levels today')
  // One press is enough, from the very field.
  await dialog.getByRole('button', { name: 'Web page', exact: true }).click()
  await dialog.getByLabel('Address of the page').fill(`${server.url}/stand-ins/pages/water-levels`)
  await dialog.getByRole('button', { name: 'Put in' }).click()
  await expect(dialog.locator('.text .page-card')).toHaveCount(2)
  await dialog.getByRole('button', { name: 'Table', exact: true }).click()
  await dialog.getByRole('button', { name: 'Line below the table' }).click()
  await bench.keyboard.type('Below it: ')
  await expect(dialog.locator('.text .tableWrapper + p')).toHaveText('Below it: ')
  await dialog.getByRole('button', { name: 'Link', exact: true }).click()
  await dialog.getByLabel('Where these words lead').fill('harrowmere.example/levels')
  await dialog.getByRole('button', { name: 'Put in' }).click()
  await expect(dialog.locator('.text u')).toHaveText('https://harrowmere.example/levels')
  await expectNoBarriers(bench, 'writing a rich text', '.rich-dialog')
  await dialog.getByRole('button', { name: 'Done' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(on.side().getByRole('listitem').filter({ hasText: '2.2 m wide' })).toBeVisible()
  await expect(on.side().locator('.rich .shown video')).toHaveCount(2)
})

test('a question is tried beside its sheet, and nothing of it is kept', async () => {
  await on.press('Try it beside')
  const trial = bench.getByRole('region', { name: 'As a learner sees it. Nothing is kept.' })
  await expect(trial.getByText('22 m long')).toBeVisible()
  await trial.locator('label').filter({ hasText: 'The gate' }).click()
  await trial.getByRole('button', { name: 'Give this answer' }).click()
  await expect(trial.locator('.verdict')).toContainText('Not right')
  await on.field('Option 1').fill('The upper gate')
  await expect(trial.getByText('The upper gate')).toBeVisible()
  await expectNoBarriers(bench, 'trial', '.trial')
  await trial.getByRole('button', { name: 'Close' }).click()
})

test('a question is kept on the shelf and asked again, with a time that is set', async () => {
  await unfold(bench, 'Question shelf')
  await on.press('Keep this question')
  await expect(on.side().getByText('Kept as it is now.')).toBeVisible()
  await on.press('Close')
  await goTo(bench, '7')
  await on.press('Question shelf')
  await on.side().getByLabel('Find by words or kind').fill('nothing like it')
  await expect(on.side().getByText('No question says that.')).toBeVisible()
  await on.side().getByLabel('Find by words or kind').fill('choice paddle')
  await expectNoBarriers(bench, 'question shelf', '.side')
  await on.press('Ask it at 0:07')
  await expect(on.field('Option 2')).toHaveValue('The paddle')
  await stem().fill('And how long does it take?')
  await on.side().getByText('Set a time for the answer').click()
  await on.field('Seconds, all tries together').fill('8')
  await on.field('Seconds, all tries together').press('Enter')
  await on.choose('This question is about', 'The chamber')
  await on.press('Close')
  await goTo(bench, '7.6')
  await bench.locator('body').press('q')
  await on.choose('Kind of question', 'Files to hand in')
  await stem().fill('Hand in your sketch.')
  await expectKept(bench)
  await on.press('Close')
  await on.press('Question shelf')
  await expect(on.side().getByText('Asked in “Asking”.')).toBeVisible()
  expect(errors).toEqual([])
})

test('a learner finds the material, is called by name, and gives what there is when time is up', async ({
  browser,
}) => {
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await bench.getByTestId('publish').click()
  const link = await bench.getByTestId('link').inputValue()
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  const complaints = watchForErrors(page)
  await goInAsGuest(page, link, 'Maud Pellow')
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  const sheet = page.locator('section.question')
  await expect(
    sheet.getByRole('heading', { name: 'What lets the water through, Maud?' }),
  ).toBeVisible()
  await expect(sheet.getByText('22 m long')).toBeVisible()
  await expectNoBarriers(page, 'question with material', '.beside')
  await sheet.getByRole('button', { name: 'Open the page: Water levels today' }).click()
  const opened = page.getByRole('dialog', { name: 'Water levels today' })
  await expect(opened.frameLocator('iframe').getByRole('heading').first()).toBeVisible()
  await expect(opened.locator('iframe')).toHaveAttribute('sandbox', /^(?!.*allow-same-origin)/)
  await opened.getByRole('button', { name: 'Back to the lesson' }).click()
  await expect(
    sheet.getByRole('button', { name: 'Open the page: Water levels today' }),
  ).toBeFocused()
  await sheet.locator('label').filter({ hasText: 'The paddle' }).click()
  await sheet.getByRole('button', { name: 'Give this answer' }).click()
  await sheet.getByRole('button', { name: 'Go on watching' }).click()
  await expect(sheet.getByRole('timer')).toBeVisible()
  await sheet.locator('label').filter({ hasText: 'The paddle' }).click()
  await expect(sheet.getByText('Time is up. What you had by then was given.')).toBeVisible()
  await expect(sheet.locator('.verdict')).toContainText('Right')
  await expect(sheet.getByRole('button', { name: 'Try again' })).toHaveCount(0)
  // A closed tab gives no time back.
  await expect(page.getByText(/waiting|not sent/)).toHaveCount(0)
  await page.reload()
  await expect(sheet.getByRole('timer')).toHaveCount(0)
  expect(complaints).toEqual([])
  await sheet.getByRole('button', { name: 'Go on watching' }).click()
  await expect(sheet.getByRole('heading', { name: 'Hand in your sketch.' })).toBeVisible()
  await server.kill()
  const notes = { name: 'Sketch.txt', mimeType: 'text/plain', buffer: Buffer.from('A lock.') }
  await sheet.getByLabel('Choose a file').setInputFiles(notes)
  await expect(sheet.getByText('Kept on this device; sent as soon as there is')).toBeVisible()
  await sheet.getByRole('button', { name: 'Give this answer' }).press('Enter')
  await sheet.getByRole('button', { name: 'Go on watching' }).press('Enter')
  await expect(page.getByText('You have reached the end.')).toBeVisible()
  await server.start()
  await expect(page.getByText('Everything is kept. You can close this page.')).toBeVisible()
  await bench.goto(`${bench.url()}/results`)
  await bench
    .getByRole('row', { name: /Maud Pellow/ })
    .getByRole('button')
    .click()
  await expect(bench.getByRole('link', { name: 'Sketch.txt' })).toBeVisible()
})
