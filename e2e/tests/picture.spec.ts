// What lies on the picture, and where the film parts: made on the bench, kept on the shelf, met by a learner.
import { expect, test, type Locator, type Page } from '@playwright/test'
import { DEMO_LINK } from '@fernbrake/demo'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { picturePng } from '../support/films.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { unfold } from '../support/bench.ts'
import { expectKept, signIn, watchForErrors } from '../support/pages.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let bench: Page
let errors: string[]

test.beforeAll(async ({ browser }) => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  bench = await context.newPage()
  errors = watchForErrors(bench)
  await signIn(bench, server.url, 'designer@harrowmere.example', DEMO_PASSWORD)
  await bench.goto(`${server.url}/lessons/water-that-climbs?part=the-film`)
  await expect(bench.getByText('Water will not lie on a slope.')).toBeVisible()
})
test.afterAll(() => server?.stop())

const stage = () => bench.locator('.stage')
const side = () => bench.locator('.side')
const field = (label: string) => side().getByLabel(label, { exact: true })
const handle = (words: string) => stage().getByRole('button', { name: new RegExp(words) })

/** Picks an option of a list, and waits until the list has closed. */
async function pick(list: Locator, option: string): Promise<void> {
  await list.click()
  await bench.getByRole('option', { name: option, exact: true }).click()
  await expect(bench.getByRole('listbox')).toHaveCount(0)
}

const choose = (label: string, option: string) =>
  pick(side().getByRole('combobox', { name: label, exact: true }), option)

/** Opens the sheet of a cue from the cue list. */
async function open(words: RegExp): Promise<void> {
  const close = side().getByRole('button', { name: 'Close', exact: true })
  if (await close.isVisible()) await close.click()
  await bench.getByRole('button', { name: 'Cue list' }).click()
  await bench.getByRole('row', { name: words }).click()
  await bench.keyboard.press('Enter')
}

/** Where something lies on the stage, in hundredths of it. */
async function place(what: Locator): Promise<{ x: number; y: number }> {
  const [outer, inner] = [(await stage().boundingBox())!, (await what.boundingBox())!]
  return {
    x: ((inner.x - outer.x) / outer.width) * 100,
    y: ((inner.y - outer.y) / outer.height) * 100,
  }
}

async function drag(what: Locator, dx: number, dy: number, modifier?: 'Alt'): Promise<void> {
  const box = (await what.boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  if (modifier) await bench.keyboard.down(modifier)
  await bench.mouse.move(x, y)
  await bench.mouse.down()
  await bench.mouse.move(x + dx / 2, y + dy / 2)
  await bench.mouse.move(x + dx, y + dy)
  await bench.mouse.up()
  if (modifier) await bench.keyboard.up(modifier)
}

test('an overlay is offered calmer spots, and warns where it cannot be read', async () => {
  await open(/First half, then full/)
  const spots = side().getByRole('region', { name: 'Calm spots' })
  await expect(spots.getByRole('row', { name: /Here/ })).toContainText('16.0')
  await expectNoBarriers(bench, 'an overlay’s sheet with calm spots')
  await field('Goes').fill('00:02:15:00')
  await field('Goes').press('Enter')
  await expect(spots).toContainText('reading it takes about')
  // Light letters without a ground on a pale sky.
  await unfold(bench, 'Look')
  await side().getByLabel('Ground: none').check()
  await side().getByLabel('Letters', { exact: true }).fill('#fffdf8')
  await expect(spots).toContainText('These words cannot be read well here')
  await spots.getByRole('button', { name: 'Move to calm spot 1' }).click()
  // Nowhere on this pale picture is there enough for them, but more than there was.
  await expect(spots.getByRole('row', { name: /Here/ })).toContainText('4.4')
  await side().getByLabel('Letters', { exact: true }).fill('#17231c')
  await expect(spots.getByRole('row', { name: /Here/ })).toContainText('2.9')
  await spots.getByRole('button', { name: 'Move to calm spot 1' }).click()
  await expect(spots).not.toContainText('These words cannot be read well here')
  await expectKept(bench)
})

test('overlays are moved, turned, resized and locked by pointer and by keys', async () => {
  await open(/First half, then full/)
  const words = handle('First half')
  const before = await place(words)
  await drag(words, -60, 40, 'Alt')
  const after = await place(words)
  expect(after.x).toBeLessThan(before.x - 5)
  await unfold(bench, 'Place in numbers, name in lists')
  await words.focus()
  await bench.keyboard.press('Alt+ArrowRight')
  await expect(field('Turned by')).toHaveValue('5 °')
  await bench.keyboard.press('ArrowRight')
  expect((await place(words)).x).toBeGreaterThan(after.x)
  const width = await field('Width').inputValue()
  await bench.keyboard.press('Shift+ArrowRight')
  await expect(field('Width')).not.toHaveValue(width)
  await side().getByRole('button', { name: 'Align left' }).click()
  await expect(field('Left')).toHaveValue('0 %')
  await side().getByRole('button', { name: 'Lock', exact: true }).click()
  await drag(words, 80, 0)
  await expect(field('Left')).toHaveValue('0 %')
  await bench.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(side().getByRole('button', { name: 'Lock', exact: true })).toBeVisible()
})

test('a look is kept under a name and given to another', async () => {
  await side().getByLabel('Name of this look').fill('Bare')
  await side().getByRole('button', { name: 'Keep the look' }).click()
  await open(/116 m³ for one passage/)
  await side().getByRole('button', { name: 'Bare', exact: true }).click()
  await expect(side().getByLabel('Ground: none')).toBeChecked()
  await expectKept(bench)
})

test('a picture is put on the film, and stands on the shelf', async () => {
  await bench.getByRole('button', { name: 'Close', exact: true }).click()
  await bench.getByTestId('timecode').fill('0:20')
  await bench.getByTestId('timecode').press('Enter')
  await bench.getByTestId('timecode').blur()
  await bench.keyboard.press('o')
  await choose('What it is', 'Picture')
  await side()
    .locator('input[type=file]')
    .setInputFiles({
      name: 'notes.png',
      mimeType: 'image/png',
      buffer: Buffer.from('These are notes, not a picture.'),
    })
  await expect(side().getByText('This is not a picture that can be shown.')).toBeVisible()
  const file = { name: 'gate.png', mimeType: 'image/png', buffer: picturePng(240, 160) }
  await side().locator('input[type=file]').setInputFiles(file)
  await expect(stage().locator('img')).toBeVisible()
  await field('What it shows, for those who cannot see it').fill('A mitre gate')
  await side().getByRole('button', { name: 'Take the frame shown' }).click()
  await expect(stage().locator('img')).toHaveJSProperty('naturalWidth', 960)
  await expectKept(bench)
  await expectNoBarriers(bench, 'a picture’s sheet')
})

test('the shelf finds, describes, tells where a medium is used, and replaces it', async () => {
  await bench.goto(`${server.url}/shelf`)
  await expect(bench.getByText('24 media')).toBeVisible()
  await bench.getByLabel('Search the shelf').fill('frame')
  await bench.getByRole('button', { name: /Frame at/ }).click()
  await bench.getByLabel('Licence', { exact: true }).fill('Our own')
  await bench.getByLabel('Where it came from; only you see this').fill('From the film')
  await expect(bench.getByText('Kept', { exact: true })).toBeVisible()
  await expect(bench.getByRole('link', { name: 'Water That Climbs' })).toBeVisible()
  await expectNoBarriers(bench, 'shelf')
  await pick(bench.getByRole('combobox', { name: 'Put another in its place' }), 'gate.png')
  // What differs is told before anything is done.
  await expect(bench.getByRole('row', { name: 'Size 960 × 540 240 × 160' })).toBeVisible()
  await expect(bench.getByText('In one draft everything keeps its place.')).toBeVisible()
  await expectNoBarriers(bench, 'comparing two media')
  await bench.getByRole('button', { name: 'Replace in one draft' }).click()
  await expect(bench.getByText('Replaced in one draft.')).toBeVisible()
  await expect(bench.getByText('In no lesson yet.')).toBeVisible()
  await bench.getByRole('button', { name: 'Undo it in one draft' }).click()
  await expect(bench.getByText('Undone in one draft.')).toBeVisible()
  await expect(bench.getByRole('link', { name: 'Water That Climbs' })).toBeVisible()
  await pick(bench.getByRole('combobox', { name: 'Put another in its place' }), 'gate.png')
  await bench.getByRole('button', { name: 'Replace in one draft' }).click()
  await expect(bench.getByText('In no lesson yet.')).toBeVisible()
  await bench.reload()
  await bench.getByRole('button', { name: /Frame at/ }).click()
  await expect(bench.getByLabel('Licence', { exact: true })).toHaveValue('Our own')
})

test('the film parts: ways with words and targets, and a time to choose', async () => {
  await bench.goto(`${server.url}/lessons/water-that-climbs?part=the-film`)
  await bench.getByTestId('timecode').fill('0:10')
  await bench.getByTestId('timecode').press('Enter')
  await bench.getByTestId('timecode').blur()
  await bench.keyboard.press('f')
  await field('What is asked').fill('Uphill or down?')
  const ways = side().getByLabel('Words of the choice')
  await ways.nth(0).fill('Uphill')
  await ways.nth(1).fill('Down')
  await pick(side().getByRole('combobox', { name: 'Leads' }).nth(1), 'To the end')
  await field('Words at this end; without any, those of the lesson').fill('You went down.')
  await side().getByText('Limit the time').click()
  await expectNoBarriers(bench, 'a fork’s sheet')
  await expectKept(bench)
  await bench.getByRole('button', { name: 'Publish edition 2' }).click()
  await bench.getByRole('dialog').getByRole('button', { name: 'Publish edition 2' }).click()
  await expect(bench.getByText(/Edition 2 is published/).first()).toBeVisible()
})

test('a learner comes to the fork, chooses, and it is remembered', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage()
  const complaints = watchForErrors(page)
  await page.goto(`${server.url}/open/${DEMO_LINK}`)
  await page.getByLabel('Your first and last name').fill('Odile Harcastle')
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
  await page.getByRole('button', { name: 'Go on with “Water That Climbs”' }).click()
  const slider = page.getByRole('slider', { name: 'Place in the film' })
  await slider.press('End')
  await expect(page.getByRole('heading', { name: 'Uphill or down?' })).toBeVisible()
  await expect(page.getByRole('timer')).toContainText('seconds left')
  await expectNoBarriers(page, 'a fork in the player')
  await page.getByRole('button', { name: 'Uphill' }).click()
  await slider.press('End')
  await expect(page.getByText('Why is the hill at Cantle Steps cut into steps?')).toBeVisible()
  await slider.press('Home')
  await page.waitForResponse((reply) => reply.url().endsWith('/records') && reply.ok())
  await page.reload()
  // The fork that was taken pulls nobody back; the question behind it does.
  await page.getByRole('slider', { name: 'Place in the film' }).press('End')
  await expect(page.getByText('Why is the hill at Cantle Steps cut into steps?')).toBeVisible()
  expect(complaints).toEqual([])
  expect(errors).toEqual([])
})
