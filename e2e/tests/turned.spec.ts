// Every main screen in a made-up language that is longer by two fifths and written from right to left: nothing is cut, nothing
// reaches beyond its place, nothing still speaks English.
import { expect, test, type BrowserContext, type Page } from '@playwright/test'
import { DEMO_LINK } from '@fernbrake/demo'
import { madeUp } from '@fernbrake/core/words'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { startRealServer, type RealServer } from '../support/server.ts'
import { followRequests } from '../support/pages.ts'
import { englishWords, expectOpenedTurned, expectTurned } from '../support/unturned.ts'

let server: RealServer
let english: string[]
test.beforeAll(async () => {
  server = await startRealServer({ demo: true })
  english = await englishWords()
})
test.afterAll(() => server?.stop())

const signedIn = async (context: BrowserContext, who: string) => {
  const data = { email: `${who}@harrowmere.example`, password: DEMO_PASSWORD }
  const headers = { Origin: server.url }
  const reply = await context.request.post(`${server.url}/api/session`, { data, headers })
  expect(reply.status()).toBe(200)
}

/** Opens each of these addresses and looks it over, once nothing is on its way any more. */
async function look(page: Page, addresses: readonly string[]): Promise<void> {
  const quiet = followRequests(page)
  for (const address of addresses) {
    await page.goto(server.url + address)
    await page.locator('main, header, h1').first().waitFor()
    await quiet()
    await expectTurned(page, address, english)
  }
}

const DESK = { viewport: { width: 1280, height: 800 }, locale: 'qaa' }

test('the screens of a designer', async ({ browser }) => {
  expect(english.length).toBeGreaterThan(1000)
  const context = await browser.newContext(DESK)
  const page = await context.newPage()
  await look(page, ['/sign-in', '/join', '/nowhere'])
  await signedIn(context, 'designer')
  await look(page, [
    '/',
    '/shelf',
    '/classes',
    '/classes/spring-intake',
    '/marking',
    '/marking/assignment/spring-budget',
    '/lessons/water-that-climbs?part=the-film',
    '/lessons/night-passage/routes',
    '/lessons/water-that-climbs/sharing',
    '/lessons/water-that-climbs/preview?part=the-film',
    '/lessons/water-that-climbs/results',
    '/stand-ins/mailbox',
  ])
  const results = '/classes/spring-intake/assignments/spring-water'
  await look(page, [
    results,
    ...['watching', 'questions', 'comparison', 'now', 'talk'].map((one) => `${results}/${one}`),
  ])
  await context.close()
})

test('the sheets and dialogs of the bench', async ({ browser }) => {
  const context = await browser.newContext(DESK)
  await signedIn(context, 'designer')
  const page = await context.newPage()
  const quiet = followRequests(page)
  await page.goto(`${server.url}/lessons/water-that-climbs?part=the-film`)
  await quiet()
  /** Names in the made-up language begin as the English ones do, with marks on their letters. */
  const named = (words: string) => new RegExp(madeUp(words).slice(0, words.length))
  await page.keyboard.press('?')
  await page.getByRole('dialog').waitFor()
  await expectTurned(page, 'keys', english)
  await page.keyboard.press('Escape')
  for (const list of ['Cue list', 'Question shelf']) {
    await page
      .getByRole('button', { name: named(list) })
      .or(page.getByRole('tab', { name: named(list) }))
      .click()
    await expectTurned(page, list, english)
  }
  await page
    .getByRole('button', { name: named('Cue list') })
    .or(page.getByRole('tab', { name: named('Cue list') }))
    .click()
  for (const line of ['Where is the sill', 'Level on both sides']) {
    await page.getByRole('row', { name: new RegExp(line) }).click()
    await page.keyboard.press('Enter')
    await page.locator('.sheet-form, form').first().waitFor()
    await expectTurned(page, line, english)
    await page.keyboard.press('Escape')
  }
  await page.locator('h1 button').click()
  await quiet()
  await expectTurned(page, 'the lesson', english)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: named('Publish edition') }).click()
  await page.getByRole('dialog').waitFor()
  await quiet()
  await expectTurned(page, 'publishing', english)
  await context.close()
})

for (const [where, addresses, least] of [
  ['at home, on the shelf and in a class', ['/', '/shelf', '/classes/spring-intake'], 20],
  [
    'on the marking desk, in results and in sharing',
    [
      '/marking/assignment/spring-budget',
      '/classes/spring-intake/assignments/spring-water',
      '/lessons/water-that-climbs/results',
      '/lessons/water-that-climbs/sharing',
    ],
    12,
  ],
  [
    'on the desks of parts',
    [
      'before-you-watch',
      'anatomy-of-a-lock',
      'lock-keepers-quiz',
      'the-film',
      'the-navigation',
    ].map((part) => `/lessons/water-that-climbs?part=${part}`),
    30,
  ],
] as const)
  test(`what buttons open ${where}`, async ({ browser }) => {
    const context = await browser.newContext(DESK)
    await signedIn(context, 'designer')
    const page = await context.newPage()
    const quiet = followRequests(page)
    let looked = 0
    for (const address of addresses) {
      const begin = async () => {
        await page.goto(server.url + address)
        await quiet()
      }
      looked += await expectOpenedTurned(page, { begin, quiet }, english)
    }
    // However the screens change, this must have something to look at.
    expect(looked).toBeGreaterThan(least)
    await context.close()
  })

test('the screens of a keeper', async ({ browser }) => {
  const context = await browser.newContext(DESK)
  await signedIn(context, 'keeper')
  await look(await context.newPage(), ['/keeper', '/'])
  await context.close()
})

test('the screens of a learner, on a phone', async ({ browser }) => {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    locale: 'qaa',
  })
  const page = await context.newPage()
  const quiet = followRequests(page)
  await look(page, [`/open/${DEMO_LINK}`])
  await signedIn(context, 'learner')
  await look(page, ['/', `/open/${DEMO_LINK}`])
  await page.locator('main button').first().tap()
  await page.waitForURL(/learn/)
  await quiet()
  await expectTurned(page, 'a page of a lesson', english)
  await page.getByRole('button', { name: /“Water That Climbs”/ }).tap()
  await page.getByRole('button', { name: /The chamber/ }).tap()
  await page.getByRole('heading', { name: /Why is the hill/ }).waitFor()
  await expectTurned(page, 'a question', english)
  await context.close()
})
