// Recording in place with the browser's made-up devices: a film, a screen, a voice, a picture that is then cut. And
// what is heard, seen moving and read on the picture of a film.
import { expect, test, type Page } from '@playwright/test'
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
let page: Page
let errors: string[]

test.beforeAll(async ({ browser }) => {
  server = await startRealServer()
  page = await openDesk(browser)
  errors = watchForErrors(page)
  await signIn(page, server.url, DESIGNER.email)
})
test.afterAll(() => server?.stop())

const button = (name: string | RegExp) => page.getByRole('button', { name, exact: true })
const recorder = () => page.getByRole('region', { name: /^Record (a film|your voice)$/ })

/** Records until the clock of the recording shows this many seconds, or more by the time it is looked at. */
async function recordFor(seconds: number): Promise<void> {
  await recorder().getByRole('button', { name: 'Begin recording' }).click()
  await expect(
    recorder().getByText(new RegExp(`^(0:0[${seconds}-9]|0:[1-5]\\d|1:\\d\\d)$`)),
  ).toBeVisible()
}
/** A new overlay of a form at the moment shown. */
async function addOverlay(form: string): Promise<void> {
  await page.keyboard.press('o')
  await page.locator('.side').getByRole('combobox', { name: 'What it is' }).click()
  await page.getByRole('option', { name: form, exact: true }).click()
  await expect(page.getByRole('listbox')).toHaveCount(0)
}

test('a film is recorded with the camera and becomes the lesson’s film', async () => {
  await page.getByPlaceholder('Title of a new lesson').fill('Lock six')
  await button('Begin this lesson').click()
  await button('Record one').click()
  await recorder().getByRole('button', { name: 'The camera' }).click()
  await expectNoBarriers(page, 'recording a film')
  await recordFor(4)
  await recorder().getByRole('button', { name: 'Pause' }).click()
  await expect(recorder().getByText('Paused')).toBeVisible()
  await recorder().getByRole('button', { name: 'Go on' }).click()
  await recorder().getByRole('button', { name: 'Stop' }).click()
  await recorder().getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.locator('.stage video')).toBeVisible()
  const seconds = () =>
    page.locator('.stage video').evaluate((video: HTMLVideoElement) => video.duration)
  await expect.poll(seconds).toBeGreaterThan(3.5)
  expect(await seconds()).toBeLessThan(20)
  await expectKept(page)
})

test('a recording of the screen survives a closed tab', async () => {
  await page.goto(`${server.url}/shelf`)
  await button('Record a film').click()
  await recorder().getByRole('button', { name: 'The screen' }).click()
  await recordFor(3)
  // The tab goes, and nobody has pressed Stop.
  await page.goto('about:blank')
  await page.goto(`${server.url}/shelf`)
  await button('Record a film').click()
  await expect(recorder().getByText(/Recorded .* and not on the shelf yet/)).toBeVisible()
  await recorder().getByRole('button', { name: 'Look at it' }).click()
  await recorder().getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByText('2 media')).toBeVisible()
  await expect(recorder()).toHaveCount(0)
  await button('Record a film').click()
  await expect(recorder().getByText(/not on the shelf yet/)).toHaveCount(0)
})

test('one’s own voice is recorded for an overlay', async () => {
  await page.goto(server.url)
  await page.getByRole('link', { name: 'Lock six' }).click()
  await expect(page.locator('.stage video')).toBeVisible()
  await goTo(page, '0:00')
  await addOverlay('Sound')
  await page.locator('.side').getByLabel('Words', { exact: true }).fill('The keeper speaks')
  await button('Record your voice').click()
  await recorder().getByRole('button', { name: 'Switch the microphone on' }).click()
  await expectNoBarriers(page, 'recording a voice')
  await recordFor(2)
  await recorder().getByRole('button', { name: 'Stop' }).click()
  await recorder().getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(button('Play: The keeper speaks')).toBeVisible()
  await expectKept(page)
})

test('a picture is taken with the camera and cut; the first one stays', async () => {
  await goTo(page, '0:01')
  await addOverlay('Picture')
  await button('Take one with the camera').click()
  await button('Take the picture').click()
  const shown = page.locator('.stage .handle.selected')
  await expect(shown).toBeVisible()
  const picture = page.locator('.stage img')
  await expect(picture).toBeVisible()
  // It stands there before it is loaded.
  await expect(picture).not.toHaveJSProperty('naturalWidth', 0)
  const width = await picture.evaluate((img: HTMLImageElement) => img.naturalWidth)
  await button('Cut, turn or make smaller').click()
  await expectNoBarriers(page, 'cutting a picture')
  await button('Square').click()
  const part = page.getByRole('group', { name: /The part that stays/ })
  await part.focus()
  await part.press('Shift+ArrowLeft')
  await page.getByLabel('Width in pixels').fill('120')
  await page.getByLabel('Width in pixels').blur()
  await button('Make this picture').click()
  await expect(picture).toHaveJSProperty('naturalWidth', 120)
  expect(width).toBeGreaterThan(120)
  await expectKept(page)
})

test('a page of the web is looked at as soon as it is named', async () => {
  await goTo(page, '0:02')
  await addOverlay('Web page')
  const address = page.locator('.side').getByLabel('Address', { exact: true })
  await address.fill('/stand-ins/pages/water-levels')
  await address.press('Enter')
  await expect(page.getByTestId('page-found')).toContainText('it can be shown in the lesson')
  const frame = page.frameLocator('.stage iframe')
  await expect(frame.getByRole('heading', { name: 'Water levels' })).toBeVisible()
  await address.fill('http://127.0.0.1:9/nobody')
  await address.press('Enter')
  await expect(page.getByTestId('page-found')).toContainText('a network of its own')
  await address.fill('/stand-ins/pages/water-levels')
  await address.press('Enter')
  await expect(page.getByTestId('page-found')).toContainText('it can be shown in the lesson')
  await page.locator('.side').getByLabel('Its name').fill('Water levels')
  await expectKept(page)
})

test('a learner hears the voice in step with the film, and reads the page', async ({ browser }) => {
  await button('Publish edition 1').click()
  await page.getByRole('dialog').getByRole('button', { name: 'Publish edition 1' }).click()
  const url = await page.getByTestId('link').inputValue()
  const learner = await (await browser.newContext()).newPage()
  const complaints = watchForErrors(learner)
  await goInAsGuest(learner, url, 'Odile Harcastle')
  await learner.getByRole('button', { name: 'Play', exact: true }).click()
  const voice = learner.getByRole('button', { name: 'Stop: The keeper speaks' })
  await expect(voice).toBeVisible()
  const off = () =>
    learner.evaluate(() => {
      const [film, sound] = [document.querySelector('video')!, document.querySelector('audio')]
      return sound && !sound.paused ? Math.abs(film.currentTime - sound.currentTime) : null
    })
  await expect.poll(off).toBeLessThan(0.95)
  const frame = learner.frameLocator('iframe[title="Water levels"]')
  await expect(frame.getByRole('heading', { name: 'Water levels' })).toBeVisible()
  await expectNoBarriers(learner, 'a web page on the film')
  expect(complaints).toEqual([])
  expect(errors).toEqual([])
})
