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

test('a film is found by words at a host, and put on the bench', async () => {
  await bench.getByLabel('Title of a new lesson').fill('On the sill')
  await bench.getByRole('button', { name: 'Begin this lesson' }).click()
  await bench.getByRole('button', { name: 'Find one' }).click()
  // The words can be typed at once.
  await bench.keyboard.type('night stern')
  const house = bench.getByRole('region', { name: 'Nethering Film House' })
  const found = house.getByRole('button')
  await expect(found).toHaveCount(1)
  await expect(found).toContainText('Stays with its host')
  await expectNoBarriers(bench, 'looking for a film')
  const opened = bench.waitForEvent('popup')
  await house.getByRole('link', { name: 'Look around there' }).click()
  const catalogue = await opened
  await expectNoBarriers(catalogue, 'catalogue of the film host')
  await catalogue.close()
  await found.click()
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
})

test('a picture is found in an archive for a place in the lesson, under a licence that suits', async () => {
  await goTo(bench, '1')
  await bench.locator('body').press('o')
  await sheetOf(bench).choose('What it is', 'Picture')
  await side().getByRole('button', { name: 'Find one' }).click()
  await bench.keyboard.type('gate')
  const room = side().getByRole('region', { name: 'Oxwith Picture and Sound Room' })
  await expect(room.getByRole('button', { name: /Collar of a gate/ })).toBeVisible()
  const before = await room.getByRole('listitem').count()
  await sheetOf(bench).choose('Licence', 'Free if the maker is named')
  await expect(room.getByRole('button', { name: /Collar of a gate/ })).toHaveCount(0)
  const suited = await room.getByRole('listitem').count()
  expect(suited).toBeGreaterThan(2)
  expect(suited).toBeLessThan(before)
  await expectNoBarriers(bench, 'looking for a picture')
  await room.getByRole('button', { name: /Mitre of two gates/ }).click()
  await expect(bench.locator('.stage img')).not.toHaveJSProperty('naturalWidth', 0)
  await side().getByLabel('What it shows, for those who cannot see it').fill('Two gates')
  // Taken once, it lies on the shelf.
  await side().getByRole('button', { name: 'Find one' }).click()
  await bench.keyboard.type('mitre')
  const shelf = side().getByRole('region', { name: 'On your shelf' })
  await expect(shelf.getByRole('button', { name: /Mitre of two gates/ })).toBeVisible()
  await expect(room.getByRole('button', { name: /On your shelf already/ })).toBeVisible()
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
  await page.getByText('About this lesson').click()
  const credit = page.getByRole('listitem').filter({ hasText: 'Mitre of two gates' })
  await expect(credit).toContainText('Isolde Fenwick-Rae, Oxwith Picture and Sound Room')
  await expect(credit).toContainText('CC BY 4.0')
  await expect(credit.getByRole('link')).toHaveAttribute('href', /things\/gate-mitre$/)
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

test('an article is read from its address, and pasted, with its pictures and where it is from', async () => {
  await bench.goBack()
  const left = bench.locator('.left')
  const bringText = async () => {
    await left.getByRole('button', { name: 'More…' }).last().click()
    await bench.getByRole('menuitem', { name: 'Text from elsewhere' }).click()
  }
  await bringText()
  const archive = `http://127.0.0.1:${server.settings.archivePort}`
  await side().getByLabel('Address of the page with the text').fill(`${archive}/things/gate-mitre`)
  await bench.keyboard.press('Enter')
  await expect(side().getByLabel('Title')).toHaveValue(/Mitre of two gates/)
  await expect(side().getByLabel('Licence')).toHaveValue('CC BY 4.0')
  await expectNoBarriers(bench, 'text from elsewhere')
  await side().getByRole('button', { name: 'Put it on the page' }).click()
  await expect(left.getByText('Where two gates lean on each other.').first()).toBeVisible()
  await expect(left.locator('.seen img')).not.toHaveJSProperty('naturalWidth', 0)
  await expect(left.getByRole('link', { name: /Mitre of two gates/ })).toBeAttached()
  // What is pasted onto the page, and not into a field, is an article too.
  await left.locator('.handle').last().focus()
  await left
    .locator('.handle')
    .last()
    .evaluate((handle) => {
      const data = new DataTransfer()
      data.setData('text/html', '<h2>By night</h2><p>Wind <b>slowly</b>.</p><ul><li>Lamp</ul>')
      data.setData('text/plain', 'By night')
      const init = { clipboardData: data, bubbles: true, cancelable: true }
      handle.dispatchEvent(new ClipboardEvent('paste', init))
    })
  await expect(side().getByText('3 pieces, each a block of its own.')).toBeVisible()
  await side().getByRole('button', { name: 'Put it on the page' }).click()
  await expect(left.getByRole('heading', { name: 'By night' })).toBeAttached()
  await expect(left.locator('.seen b, .seen strong').filter({ hasText: 'slowly' })).toBeVisible()
  await expectKept(bench)
  await bench.keyboard.press('Control+z')
  await expect(left.getByRole('heading', { name: 'By night' })).toHaveCount(0)
  await expectKept(bench)
})

test('a stream is taken like a file', async () => {
  await bench.goto(`${server.url}/shelf`)
  await fetchOnShelf(bench, `${host}/streams/the-boat-floats/all.m3u8`)
  await expect(bench.getByRole('textbox', { name: 'Title' })).toHaveValue('all.m3u8')
  await expect(bench.locator('.sheet video')).toBeVisible()
  expect(errors).toEqual([])
})

test('an archive that is away is told of, and costs the others nothing', async () => {
  await bench.goto(`${server.url}/shelf`)
  await bench.route('**/api/material?*', async (route) => {
    const reply = await route.fetch()
    const body = (await reply.json()) as { archives: object[] }
    const lost = { name: 'Lost room', home: null, state: 'away', total: 0, found: [] }
    await route.fulfill({ response: reply, json: { archives: [lost, ...body.archives] } })
  })
  await bench.getByRole('button', { name: 'Find one' }).click()
  await bench.keyboard.type('bell')
  const region = (name: string) => bench.getByRole('region', { name })
  await expect(region('Lost room')).toContainText('It does not answer just now.')
  await region('Oxwith Picture and Sound Room').getByRole('button', { name: /Bell/ }).click()
  await expect(bench.getByRole('textbox', { name: 'Title' })).toHaveValue('Bell of a boat')
  await expect(bench.getByRole('textbox', { name: 'Credit' })).toHaveValue(/^Odile Harcastle, /)
  await bench.unroute('**/api/material?*')
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
  await page.getByRole('button', { name: 'Find one' }).click()
  const pad = page.getByLabel('Find something, by words or its address')
  await pad.fill(address)
  await pad.press('Enter')
}
