// A film that stays with a video host: found in its catalogue, put on the bench, learned with holds as any other; and the
// words for hosts that do not play along.
import { expect, test, type Page } from '@playwright/test'
import { addPart } from '../support/bench.ts'
import { sheetOf } from '../support/everyKind.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import {
  expectKept,
  goInAsGuest,
  goTo,
  openDesk,
  signIn,
  watchForErrors,
} from '../support/pages.ts'
import { DESIGNER, startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let bench: Page
let errors: string[]
let host: string
let link = ''

test.beforeAll(async ({ browser }) => {
  server = await startRealServer()
  host = `http://127.0.0.1:${server.settings.filmHostPort}`
  bench = await openDesk(browser)
  errors = watchForErrors(bench)
  await signIn(bench, server.url, DESIGNER.email)
})
test.afterAll(() => server?.stop())

const side = () => bench.locator('.side')

test('a film is found in a host’s catalogue and put on the bench by its address', async () => {
  await bench.getByLabel('Title of a new lesson').fill('On the sill')
  await bench.getByRole('button', { name: 'Begin this lesson' }).click()
  await bench.getByRole('button', { name: 'From an address' }).click()
  const opened = bench.waitForEvent('popup')
  await bench.getByRole('link', { name: /Look for films/ }).click()
  const catalogue = await opened
  await catalogue.getByLabel('Find a film').fill('night stern')
  await catalogue.getByRole('button', { name: 'Find' }).click()
  await expect(catalogue.getByRole('heading', { name: '1 film with “night stern”' })).toBeVisible()
  await expectNoBarriers(catalogue, 'catalogue of the film host')
  await catalogue.getByRole('link', { name: 'Caught on the Sill' }).click()
  const address = await catalogue.locator('code').first().innerText()
  await catalogue.close()
  const pad = bench.getByLabel('Address of a film, a stream or a film’s page')
  await pad.fill(address)
  await pad.press('Enter')
  await expect(bench.getByText(/^\/ 0:\d\d$/)).toBeVisible()
  await expect(bench.getByText(/stays with its host and plays from there/)).toBeVisible()
})

test('it plays and stands still to the moment, and takes a question and words', async () => {
  const timecode = bench.getByTestId('timecode')
  await goTo(bench, '3')
  await expect(timecode).toHaveValue('00:00:03:00')
  await bench.locator('body').press('Space')
  await expect(timecode).toHaveValue(/^00:00:0[4-9]/)
  await bench.locator('body').press('Space')
  await goTo(bench, '2')
  await bench.locator('body').press('q')
  await side().getByRole('textbox', { name: 'Question', exact: true }).fill('Why does it hang?')
  await side().getByRole('textbox', { name: 'Option 1' }).fill('By the sill')
  await side().getByRole('textbox', { name: 'Option 2' }).fill('By the gate')
  await side().getByRole('radio', { name: 'Option 1 is right' }).check()
  await expectKept(bench)
  await expectNoBarriers(bench, 'bench with a hosted film')
})

test('a place on a frame is no question for it, and publishing says so', async () => {
  await goTo(bench, '4')
  await bench.locator('body').press('q')
  await side().getByRole('textbox', { name: 'Question', exact: true }).fill('Where is the sill?')
  await sheetOf(bench).choose('Kind of question', 'Place on a picture')
  await expect(side().getByRole('button', { name: 'Add a place' })).toBeVisible()
  await expect(side().locator('.picture')).toHaveCount(0)
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  const dialog = bench.getByRole('dialog')
  await expect(dialog.getByText(/frame of the film\. This film stays with its host/)).toBeVisible()
  await dialog.getByRole('button', { name: 'Go to 0:04' }).first().click()
  await bench.getByRole('button', { name: 'Delete', exact: true }).click()
  await expectKept(bench)
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await bench.getByTestId('publish').click()
  link = await bench.getByTestId('link').inputValue()
  await bench.keyboard.press('Escape')
})

test('a learner is held by its question, and what was watched is recorded', async ({ browser }) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  const complaints = watchForErrors(page)
  await goInAsGuest(page, link, 'Odile Harcastle')
  await page.getByRole('button', { name: 'Play' }).click()
  await expect(page.getByText('Why does it hang?')).toBeVisible()
  const video = page.frameLocator('.film-slot iframe').locator('video')
  const at = () => video.evaluate((it: HTMLVideoElement) => it.currentTime)
  await expect.poll(at).toBeCloseTo(2.02, 1)
  expect(await video.evaluate((it: HTMLVideoElement) => it.paused)).toBe(true)
  await expect(page.getByText('Speed')).toHaveCount(0)
  await page.getByText('By the sill').click()
  await page.getByRole('button', { name: 'Give this answer' }).click()
  await page.getByRole('button', { name: /go on/i }).click()
  await expect.poll(at).toBeGreaterThan(3)
  await expect(page.getByText(/You have watched (?!0)/)).toBeVisible()
  await expectNoBarriers(page, 'player with a hosted film')
  // Whoever comes back goes on where they were.
  await page.getByRole('button', { name: 'Pause' }).click()
  await page.reload()
  await expect.poll(at).toBeGreaterThan(2.5)
  expect(complaints).toEqual([])
  await page.context().close()
})

test('a page shows a stretch of it', async () => {
  await addPart(bench, 'Page')
  await side().getByRole('textbox', { name: 'Name of this part' }).fill('Once more')
  await bench.locator('.left').getByRole('button', { name: '+ Stretch of film' }).click()
  await side().getByRole('button', { name: 'All of it' }).click()
  await expect(bench.locator('.left .stretch img')).toBeVisible()
  await expectKept(bench)
  await bench.getByRole('link', { name: 'See it as a learner' }).click()
  await bench.getByRole('combobox', { name: 'From' }).selectOption({ label: 'Once more' })
  await bench.getByRole('button', { name: /^Play the film from/ }).click()
  const film = bench.frameLocator('.stretch iframe').locator('video')
  await expect
    .poll(() => film.evaluate((it: HTMLVideoElement) => it.currentTime))
    .toBeGreaterThan(1)
})

test('a stream is taken like a file', async () => {
  await bench.goto(`${server.url}/shelf`)
  await fetchOnShelf(bench, `${host}/streams/the-boat-floats/all.m3u8`)
  await expect(bench.getByRole('textbox', { name: 'Title' })).toHaveValue('all.m3u8')
  await expect(bench.locator('.sheet video')).toBeVisible()
  expect(errors).toEqual([])
})

test('a host whose player does not answer is told of', async () => {
  await bench.goto(`${server.url}/shelf`)
  await bench.route('**/player.js', (route) => route.fulfill({ body: '' }))
  const loaded = bench.waitForResponse('**/player.js')
  await bench.clock.install()
  await fetchOnShelf(bench, `${host}/watch/the-pole`)
  await loaded
  await bench.clock.runFor(25_000)
  await expect(bench.getByText(/The player of this host does not answer/)).toBeVisible()
})

async function fetchOnShelf(page: Page, address: string): Promise<void> {
  await page.getByRole('button', { name: 'From an address' }).nth(2).click()
  const pad = page.getByLabel('Address of a film, a stream or a film’s page')
  await pad.fill(address)
  await pad.press('Enter')
}
