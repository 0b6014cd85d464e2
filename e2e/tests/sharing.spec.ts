// A lesson gets a face and is handed on: cover and look, who may learn it, a frame on somebody else's page, a colleague
// who leaves notes, and a second edition that learners of the first are not drawn into.
import { once } from 'node:events'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { expect, test, type Page } from '@playwright/test'
import { REPOSITORY } from '@fernbrake/server'
import { addPart, startBench, type Bench } from '../support/bench.ts'
import { behindProxy } from '../support/behindProxy.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { expectKept, goTo, signIn, watchForErrors } from '../support/pages.ts'
import { COLLEAGUE, LEARNER, PASSWORD } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let desk: Bench
let bench: Page
let link: string
let lessonPath: string
/** Somebody else's page, at another origin. */
let foreign: Server
let framed = ''

test.beforeAll(async ({ browser }) => {
  desk = await startBench(browser, { title: 'Sluices', seconds: 4 })
  bench = desk.page
  lessonPath = new URL(bench.url()).pathname
  foreign = createServer((_request, response) => {
    response.setHeader('Content-Type', 'text/html')
    response.end(
      `<!doctype html><html lang="en"><title>The Trust</title><h1>The Trust</h1>${framed}`,
    )
  }).listen(0, '127.0.0.1')
  await once(foreign, 'listening')
})
test.afterAll(async () => {
  foreign?.close()
  await desk?.stop()
})

const side = () => bench.locator('.side')
const box = (name: string) => side().getByRole('textbox', { name, exact: true })
const otherPage = async (width = 1280, height = 800) =>
  (await bench.context().browser()!.newContext({ viewport: { width, height } })).newPage()

test('a lesson says what it teaches and gets a cover on which its title can be read', async () => {
  await bench.getByRole('button', { name: 'Sluices', exact: true }).click()
  await side().getByText('Objectives, level, licence, tags').click()
  await box('What learners will be able to do, one a line').fill('Open a sluice\nShut it again')
  await box('For whom').fill('New volunteers')
  await box('Subjects, with commas between').fill('water, gates, Water,')
  await side().getByText('Cover', { exact: true }).click()
  await side()
    .locator('input[type=file][data-test="file-picture"]')
    .setInputFiles(join(REPOSITORY, 'demo', 'pictures', 'flight-dry.webp'))
  // A grey wash that hides next to nothing: it says so, and mends it at a press.
  const covers = side().getByLabel('How much it covers')
  await covers.fill('0')
  await covers.press('Enter')
  await side().getByLabel('Wash of colour').fill('#7a7a7a')
  await expect(side().getByText(/hard to read on it/)).toBeVisible()
  await side().getByRole('button', { name: 'Make the wash strong enough' }).click()
  await side().getByLabel('Wash of colour').fill('#163f2a')
  await covers.fill('80')
  await covers.press('Enter')
  await expect(side().getByText(/^The title can be read on it/)).toBeVisible()
  await side().getByText('Colours and typefaces').click()
  await side().getByLabel('Accent').fill('#e3c65b')
  await expect(side().getByText(/Learners get the accent a little darker/)).toBeVisible()
  await expectNoBarriers(bench, 'sheet of the lesson', '.side')
  await expectKept(bench)
})

test('the link opens on the cover, in the lesson’s colours', async () => {
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await bench.getByTestId('publish').click()
  link = await bench.getByTestId('link').inputValue()
  await bench.getByRole('link', { name: /Who may learn it, a code/ }).click()
  const page = await otherPage(390, 844)
  await page.goto(link)
  await expect(page.locator('.cover').getByRole('heading', { name: 'Sluices' })).toBeVisible()
  const picture = page.locator('.cover img')
  await expect
    .poll(() => picture.evaluate((it: HTMLImageElement) => it.naturalWidth))
    .toBeGreaterThan(100)
  await expect(page.getByText('Shut it again')).toBeVisible()
  await expect(page.getByText('New volunteers')).toBeVisible()
  await expectNoBarriers(page, 'invitation with a cover')
  await page.context().close()
})

test('only people who are named may learn it, once that is said', async () => {
  await bench.getByText('People I name').click()
  await expect(bench.getByText('Kept.')).toBeVisible()
  const page = await otherPage()
  await page.goto(link)
  await expect(page.getByText(/for people it was shared with/)).toBeVisible()
  await page.getByLabel('Email address').fill(LEARNER.email)
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in and begin' }).click()
  await expect(page.getByText(/was not shared with you/).first()).toBeVisible()
  await bench.getByLabel('Email addresses, one a line').fill(`Tam <${LEARNER.email}>`)
  await bench.getByRole('button', { name: 'Let one more person in' }).click()
  await expect(bench.getByText(LEARNER.email)).toBeVisible()
  await expectNoBarriers(bench, 'sharing')
  await page.reload()
  await page.getByRole('button', { name: 'Begin the lesson' }).click()
  await expect(page.getByRole('button', { name: 'Play' })).toBeVisible()
  await page.context().close()
  await bench.getByText('Everyone', { exact: true }).click()
  await expect(bench.getByText('Kept.')).toBeVisible()
})

test('it stands on the open list, and plays in a frame on somebody else’s page', async () => {
  const page = await otherPage()
  const errors = watchForErrors(page)
  await page.goto(`${desk.server.url}/open-lessons`)
  await expect(page.getByRole('link', { name: /Sluices/ })).toBeVisible()
  framed = await bench.getByTestId('embed').inputValue()
  expect(framed).toContain('/embed/')
  await page.goto(`http://127.0.0.1:${(foreign.address() as AddressInfo).port}/`)
  const frame = page.frameLocator('iframe')
  await frame.getByLabel('Your first and last name').fill('Odile Harcastle')
  await frame.getByRole('button', { name: 'Go in as a guest' }).click()
  await frame.getByRole('button', { name: 'Play' }).click()
  await expect(frame.getByText(/You have watched (?!0)/)).toBeVisible()
  // The frame keeps its address, so that loading the page again goes on.
  await page.reload()
  await expect(frame.getByRole('button', { name: 'Play' })).toBeVisible()
  expect(errors).toEqual([])
  // Everything else of ours lets no other page frame it.
  framed = `<iframe src="${link}"></iframe>`
  const refused = page.waitForEvent('console', (message) => /frame-ancestors/.test(message.text()))
  await page.reload()
  await refused
  await page.context().close()
})

test('a frame on another site keeps who is learning, or says where the lesson works', async () => {
  const code = link.split('/').pop()!
  for (const secure of [true, false]) {
    const { origin, proxy } = await behindProxy(desk.server.url, secure)
    framed = `<iframe src="${origin}/embed/${code}" width="900" height="600"></iframe>`
    const page = await otherPage()
    // By this name the page is of another site than the frame in it.
    await page.goto(`http://localhost:${(foreign.address() as AddressInfo).port}/`)
    const frame = page.frameLocator('iframe')
    await frame.getByLabel('Your first and last name').fill('Odile Harcastle')
    await frame.getByRole('button', { name: 'Go in as a guest' }).click()
    if (secure) {
      await expect(frame.getByRole('button', { name: 'Play' })).toBeVisible()
      await page.reload()
      await expect(frame.getByRole('button', { name: 'Play' })).toBeVisible()
    } else {
      const alone = frame.getByRole('link', { name: 'Open the lesson in a new tab' })
      expect(await alone.evaluate((it: HTMLAnchorElement) => it.href)).toBe(
        `${origin}/open/${code}`,
      )
    }
    await page.context().close()
    proxy.closeAllConnections()
    proxy.close()
  }
})

test('a choice that did not reach the server does not look as if it had', async () => {
  await bench.context().setOffline(true)
  await bench.getByText('Only those who work on it').click()
  await expect(bench.getByRole('button', { name: 'Try again' })).toBeVisible()
  await expect(bench.getByLabel('Everyone')).toBeChecked()
  await bench.context().setOffline(false)
})

test('a colleague leaves notes, and can do nothing else', async () => {
  await bench.getByLabel('Email address of a designer').fill(COLLEAGUE.email)
  await bench.getByLabel('As').click()
  await bench.getByRole('option', { name: 'Commenter' }).click()
  await bench.getByRole('button', { name: 'Let them in' }).click()
  await expect(bench.getByText(COLLEAGUE.name)).toBeVisible()
  const theirs = await otherPage()
  await signIn(theirs, desk.server.url, COLLEAGUE.email)
  await expect(theirs.getByText('Commenter')).toBeVisible()
  await theirs.goto(`${desk.server.url}${lessonPath}`)
  await goTo(theirs, '1')
  await expect(theirs.getByRole('button', { name: /Question/ }).first()).toBeDisabled()
  await theirs.locator('body').press('q')
  await theirs.locator('body').press('n')
  await theirs.getByRole('textbox', { name: 'Note' }).fill('Is this the new paddle?')
  await expectKept(theirs)
  await theirs.reload()
  await expect(theirs.getByText('Is this the new paddle?').first()).toBeVisible()
  await expect(theirs.getByRole('button', { name: /^Publish/ })).toHaveCount(0)
  await theirs.goto(`${desk.server.url}${lessonPath}/sharing`)
  await expect(theirs.getByText('Only owners of the lesson change these.')).toBeVisible()
  await expect(theirs.getByRole('radio')).toHaveCount(0)
  // Results are neither offered nor shown, whatever the address.
  for (const place of ['results', 'results/questions', 'results/talk']) {
    await theirs.goto(`${desk.server.url}${lessonPath}/${place}`)
    await expect(theirs.getByText(/see its results|not yours to see/)).toBeVisible()
    await expect(theirs.getByRole('link', { name: 'Results' })).toHaveCount(0)
  }
  await theirs.context().close()
})

test('a second edition says what is new, and that learners stay in the first', async () => {
  await bench.goto(`${desk.server.url}${lessonPath}`)
  await expect(bench.getByText('Is this the new paddle?').first()).toBeVisible()
  await goTo(bench, '2')
  await bench.locator('body').press('b')
  await box('Name').fill('The gate')
  await expectKept(bench)
  await bench.getByRole('button', { name: 'Publish edition 2' }).click()
  const dialog = bench.getByRole('dialog')
  await expect(dialog.getByText(/in edition 1 and stays? there/)).toBeVisible()
  await expect(dialog.getByText(/One thing that comes up in “Sluices” is new/)).toBeVisible()
  await dialog.getByLabel('What to say of it').fill('With a bookmark.')
  await bench.getByTestId('publish').click()
  await dialog.getByRole('link', { name: /Who may learn it, a code/ }).click()
  await expect(bench.getByText('With a bookmark.')).toBeVisible()
  await expect(bench.getByText(/^Edition 2/)).toBeVisible()
  expect(desk.errors).toEqual([])
  // Whoever has begun the first stays in it, and is told when they are through.
  const page = await otherPage()
  await signIn(page, desk.server.url, LEARNER.email)
  await page.getByRole('link', { name: /Go on/ }).click()
  await page.getByRole('button', { name: 'Play' }).click()
  await expect(
    page.locator('.ended').getByText(/This is edition 1.*Edition 2 has come out since/),
  ).toBeVisible()
  await page.context().close()
})

test('all links are tested at once, and lead to their places', async () => {
  await bench.goto(`${desk.server.url}${lessonPath}`)
  await addPart(bench, 'Page')
  await box('Name of this part').fill('Further reading')
  for (const address of ['/stand-ins/pages/water-levels', 'http://127.0.0.1:9/nothing']) {
    await bench.locator('.left').getByRole('button', { name: 'More…' }).last().click()
    await bench.getByRole('menuitem', { name: 'Page of the web' }).click()
    await box('Address of the page').fill(address)
    await box('Address of the page').press('Enter')
  }
  await bench.getByRole('button', { name: 'Sluices', exact: true }).click()
  await side().getByRole('button', { name: 'Links' }).click()
  await side().getByRole('button', { name: 'Test all 2 links' }).click()
  await expect(side().getByText('All 2 tested')).toBeVisible()
  const answerAt = (address: string) => side().getByRole('listitem').filter({ hasText: address })
  await expect(answerAt('/stand-ins/pages/water-levels')).toContainText('It answers')
  await expect(answerAt('127.0.0.1:9')).toContainText('network of its own')
  await answerAt('127.0.0.1:9').getByRole('button', { name: 'In “Further reading”' }).click()
  await expect(box('Address of the page')).toHaveValue('http://127.0.0.1:9/nothing')
})

test('a lesson begins from a template, and a copy from a lesson', async () => {
  await bench.goto(desk.server.url)
  await bench.getByRole('button', { name: 'From a template' }).click()
  await expectNoBarriers(bench, 'templates')
  await bench.getByLabel('Title of a new lesson').fill('What would you do?')
  await bench.getByRole('button', { name: /Decision story/ }).click()
  await expect(bench.getByRole('button', { name: 'What would you do?', exact: true })).toBeVisible()
  await expect(bench.getByText('The boat hangs. What do you do?')).toBeVisible()
  // Its film is fetched from an address; one in a network of its own is not asked, and it says so.
  await bench.getByRole('button', { name: 'Find one' }).click()
  await bench.getByLabel('Find a film, by words or its address').fill('127.0.0.1:9/scene.mp4')
  await bench.getByLabel('Find a film, by words or its address').press('Enter')
  await expect(
    bench.getByText(/The address of “scene.mp4” lies in a network of its own/),
  ).toBeVisible()
  await bench.goto(desk.server.url)
  await bench.getByRole('button', { name: 'Make a copy of “Sluices”' }).click()
  await expect(bench.getByRole('button', { name: 'Copy of Sluices', exact: true })).toBeVisible()
  await expect(bench.getByText('/ 0:04')).toBeVisible()
})
