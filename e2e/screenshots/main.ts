// Takes the pictures of docs/screenshots from the demo: one of each main view.
import { mkdir } from 'node:fs/promises'
import { join } from 'node:path'
import { chromium, type Browser, type Page } from '@playwright/test'
import { DEMO_LINK } from '@fernbrake/demo'
import { DEMO_PASSWORD, REPOSITORY } from '@fernbrake/server'
import { CHROMIUM } from '../playwright.config.ts'
import { signIn } from '../support/pages.ts'
import clearAway from '../support/run.ts'
import { startRealServer } from '../support/server.ts'

const TARGET = join(REPOSITORY, 'docs', 'screenshots')
const LESSON = '/lessons/water-that-climbs'

const shoot = (page: Page, name: string) =>
  page.screenshot({ path: join(TARGET, `${name}.png`), animations: 'disabled' })

/** The picture is on screen: not loading, not between two frames. */
async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    const video = document.querySelector('video')
    return !video || (video.readyState >= 2 && !video.seeking)
  })
  await page.evaluate(() => document.fonts.ready)
  await page.evaluate(
    () => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))),
  )
}

/** Goes to a line of the script by its words, and leaves the search empty again. */
async function find(page: Page, words: string): Promise<void> {
  const field = page.getByLabel('Find in the script')
  await field.fill(words)
  await field.press('Enter')
  await field.fill('')
  await field.blur()
}

async function desk(browser: Browser, url: string): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/sign-in`)
  await page.getByRole('heading', { name: 'Demo accounts' }).waitFor()
  await signIn(page, url, 'designer@harrowmere.example', DEMO_PASSWORD)
  await page.locator('article img').last().waitFor()
  await page.goto(`${url}${LESSON}?part=the-film`)
  await find(page, 'Half the paddle first')
  await page.waitForLoadState('networkidle')
  await settled(page)
  await shoot(page, 'bench')
  await find(page, 'shuts the lower gates')
  await page.getByRole('button', { name: /Where is the sill/ }).click()
  const gates = page.getByRole('button', { name: 'The upper gates', exact: true })
  await gates.evaluate((button) => button.scrollIntoView({ block: 'end' }))
  await settled(page)
  await shoot(page, 'bench-question')
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await page.getByRole('button', { name: 'Cue list' }).click()
  await page.getByRole('row', { name: /Level on both sides/ }).click()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Move to calm spot 1' }).waitFor()
  await settled(page)
  await shoot(page, 'bench-overlay')
  await page.goto(`${url}/lessons/night-passage/routes`)
  await page.locator('[data-part]').first().click()
  await settled(page)
  await shoot(page, 'route-map')
  await page.goto(`${url}/shelf`)
  await page.getByRole('button', { name: /The paddle gear/ }).click()
  await page.getByRole('link', { name: 'Water That Climbs' }).waitFor()
  await settled(page)
  await shoot(page, 'shelf')
  await page.goto(`${url}/classes/spring-intake`)
  await page.getByRole('button', { name: 'Change how “Water That Climbs” is assigned' }).click()
  await page.getByRole('combobox', { name: 'Complete once' }).waitFor()
  await page.locator('.list img').last().waitFor()
  await page.waitForLoadState('networkidle')
  await settled(page)
  await shoot(page, 'class')
  await page.goto(`${url}/classes/spring-intake/assignments/spring-water`)
  await page.getByRole('row', { name: /Ansa Quillmere/ }).waitFor()
  await settled(page)
  await shoot(page, 'class-standing')
  await page.close()
}

/** What comes after learning: marking, and two views of the results. */
async function afterwards(browser: Browser, url: string): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await signIn(page, url, 'designer@harrowmere.example', DEMO_PASSWORD)
  await page.goto(`${url}/marking/assignment/spring-budget`)
  await page.locator('.rail .group').last().locator('+ li button').click()
  await page.getByRole('img', { name: /Sketch of a lock/ }).waitFor()
  for (const key of ['1', '2', '1']) await page.keyboard.press(key)
  await page.waitForLoadState('networkidle')
  await settled(page)
  await shoot(page, 'marking-desk')
  const results = `${url}/classes/spring-intake/assignments/spring-water`
  await page.goto(`${results}/watching`)
  await page.getByRole('listitem', { name: /^Jory Netherwood/ }).waitFor()
  await settled(page)
  await shoot(page, 'watch-map')
  await page.goto(`${results}/talk`)
  await page.getByText('Piet Rushmoor').first().waitFor()
  await settled(page)
  await shoot(page, 'talk')
  await page.goto(`${results}/questions`)
  await page.getByText('How the marks spread').waitFor()
  await page.waitForLoadState('networkidle')
  await page
    .getByRole('article')
    .first()
    .evaluate((card) => card.scrollIntoView({ block: 'end' }))
  await settled(page)
  await shoot(page, 'question-analysis')
  await page.close()
}

async function learner(browser: Browser, url: string): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/open/${DEMO_LINK}`)
  await page.getByLabel('Your first and last name').fill('Ottoline Fairweather')
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
  await toFilm(page)
  await page.getByRole('button', { name: /The chamber/ }).click()
  await page.getByText('Because a boat is too heavy').click()
  await settled(page)
  await shoot(page, 'player')
  await page.close()
}

/** From the page that comes first to the film. */
const toFilm = (page: Page) =>
  page.getByRole('button', { name: 'Go on with “Water That Climbs”' }).click()

/** The parts that are explored: a page with a note, a still with a pin open, and a chronicle along time. */
async function explored(browser: Browser, url: string): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/open/${DEMO_LINK}`)
  await page.getByLabel('Your first and last name').fill('Ottoline Fairweather')
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
  await page.getByText('All of it comes down from Oxwith').selectText()
  await page.getByRole('button', { name: 'Mark and write' }).click()
  await page.keyboard.type('And in a dry summer? Ask on Friday.')
  await page.getByRole('heading', { level: 1 }).click()
  await page.waitForLoadState('networkidle')
  await settled(page)
  await shoot(page, 'page')
  await page.getByRole('button', { name: /Anatomy of a Lock/ }).click()
  await page.locator('.still-picture [data-pin="pin-sill"]').click()
  await settled(page)
  await shoot(page, 'still')
  await page.getByRole('button', { name: /^4 The Navigation/ }).click()
  await page.locator('[data-item="happened-3"]').click()
  await page.locator('main').evaluate((main) => main.scrollTo(0, 0))
  await settled(page)
  await shoot(page, 'chronicle')
  await page.close()
}

/** The quiz after the film: some of it right, some not, and one answer that waits for a person. */
async function quiz(browser: Browser, url: string): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/open/${DEMO_LINK}`)
  await page.getByLabel('Your first and last name').fill('Ottoline Fairweather')
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
  await page.getByRole('button', { name: /Lock-keeper’s Quiz/ }).click()
  const card = (number: number) =>
    page.getByRole('article', { name: `Question ${number}`, exact: true })
  await card(1).getByText('level with the upper pound').click()
  await card(2).getByText('True', { exact: true }).click()
  await card(3).getByRole('textbox').fill('the sill')
  // How the steps lie to begin with differs from learner to learner.
  await card(4)
    .getByRole('button', { name: /^Move up/, disabled: false })
    .first()
    .click()
  await card(5).getByRole('combobox').first().selectOption({ index: 1 })
  await card(6).getByRole('textbox').fill('348 m³')
  await card(7)
    .getByRole('textbox')
    .fill('Never open a gate against the water. Never wind in haste. Never pass the mark.')
  await page.getByRole('button', { name: 'Hand in and see how you did' }).click()
  await page.getByRole('button', { name: 'Hand in without them' }).click()
  await page.getByText(/^Everything( so far)? is kept/).waitFor()
  await settled(page)
  await shoot(page, 'quiz-summary')
  await page.close()
}

async function phone(browser: Browser, url: string): Promise<void> {
  const page = await browser.newPage({
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
  })
  await page.goto(`${url}/open/${DEMO_LINK}`)
  await page.getByLabel('Your first and last name').fill('Ottoline Fairweather')
  await page.getByRole('button', { name: 'Go in as a guest' }).tap()
  await toFilm(page)
  await page.getByRole('button', { name: /The chamber/ }).tap()
  await page.getByText('Because a boat is too heavy').tap()
  await page.getByRole('button', { name: 'Give this answer' }).tap()
  await settled(page)
  await page.evaluate(() => scrollTo(0, 0))
  await shoot(page, 'player-phone')
  await page.close()
}

async function learnerHome(browser: Browser, url: string): Promise<void> {
  const page = await browser.newPage({
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
  })
  await signIn(page, url, 'learner@harrowmere.example', DEMO_PASSWORD)
  await page.getByRole('heading', { name: 'Autumn refreshers' }).waitFor()
  await page.waitForLoadState('networkidle')
  await settled(page)
  await shoot(page, 'learner-home-phone')
  await page.close()
}

const TITLES = [
  ...([
    'The Stair of Cantle',
    'Gates and Paddles',
    'A Year on the Quay',
    'How a Boat is Held',
  ] as const),
  ...([
    'Frost on the Sills',
    'The Bridge Keeper Speaks',
    'Sounds of the Basin',
    'What the Log Says',
  ] as const),
]
const COPIES = 40
const EVENINGS = 12

/** The home page of somebody who has made lessons for years: copies of the demo’s, and a collection of some. */
async function homeOfMany(browser: Browser, url: string): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await signIn(page, url, 'designer@harrowmere.example', DEMO_PASSWORD)
  const headers = { origin: url }
  const { lessons } = (await (await page.request.get(`${url}/api/lessons`)).json()) as {
    lessons: { id: string }[]
  }
  const ids = Array.from({ length: COPIES }, (_, index) => `copy-${index}`)
  for (const [index, id] of ids.entries()) {
    const title = `${TITLES[index % TITLES.length]!} ${Math.floor(index / TITLES.length) + 1}`
    const from = { copyOf: lessons[index % lessons.length]!.id }
    const data = { id, title, language: 'en', from }
    await page.request.post(`${url}/api/lessons`, { data, headers })
  }
  const data = { id: 'evenings', title: 'First evenings', lessonIds: ids.slice(0, EVENINGS) }
  await page.request.post(`${url}/api/collections`, { data, headers })
  await page.request.patch(`${url}/api/put-away`, {
    data: { lessonIds: ids.slice(-3), away: true },
    headers,
  })
  await page.reload()
  await page.getByRole('button', { name: /^First evenings/ }).waitFor()
  await page.waitForLoadState('networkidle')
  await settled(page)
  await shoot(page, 'home')
  await page.close()
}

await mkdir(TARGET, { recursive: true })
const server = await startRealServer({ demo: true })
const browser = await chromium.launch(CHROMIUM)
try {
  await desk(browser, server.url)
  await afterwards(browser, server.url)
  await learner(browser, server.url)
  await explored(browser, server.url)
  await quiz(browser, server.url)
  await phone(browser, server.url)
  await learnerHome(browser, server.url)
  await homeOfMany(browser, server.url)
} finally {
  await browser.close()
  await server.stop()
  clearAway()
}
process.exit(0)
