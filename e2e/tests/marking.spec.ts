// From an answer that is written on a phone without a connection, over its mark, to the report that is mailed.
import { expect, test, type Page } from '@playwright/test'
import { usualRules } from '@fernbrake/core/classes'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { expectNoBarriers } from '../support/barriers.ts'
import { openDesk, openPhone, signIn, watchForErrors } from '../support/pages.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let desk: Page
let phone: Page
let errors: string[]
const LOG = 'Gate Furniture and the Lock Log'
const WORDS =
  'Tuesday at six in the evening. Both paddles are down, the top gate is chained. Nobody is waiting below.'

/** Puts the demo's learner into a class that was given the page on the lock log. */
async function giveTheLog(): Promise<void> {
  const api = desk.request
  const post = async (path: string, data: object) => {
    const reply = await api.post(`${server.url}${path}`, { data, headers: { origin: server.url } })
    expect(reply.ok(), `${path}: ${await reply.text()}`).toBe(true)
  }
  const times = { opensAt: null, dueAt: null, closesAt: null }
  const given = { ...times, mostAttempts: 1, rules: usualRules(), groups: [], people: [] }
  const { lessons } = (await (await api.get(`${server.url}/api/lessons`)).json()) as {
    lessons: { id: string; title: string }[]
  }
  const { id: lessonId } = lessons.find(({ title }) => title === LOG)!
  const path = '/api/classes/autumn-refreshers/assignments'
  await post(path, { id: 'autumn-log', lessonId, ...given })
}

test.beforeAll(async ({ browser }) => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
  desk = await openDesk(browser)
  errors = watchForErrors(desk)
  await signIn(desk, server.url, 'designer@harrowmere.example', DEMO_PASSWORD)
  await giveTheLog()
  phone = await openPhone(browser)
  await signIn(phone, server.url, 'learner@harrowmere.example', DEMO_PASSWORD)
})
test.afterAll(() => server?.stop())

test('an answer given without a connection survives the closed tab, and is there once', async () => {
  await phone.getByRole('button', { name: `Begin “${LOG}”` }).tap()
  await phone.waitForURL(/\/learn\//)
  const address = phone.url()
  await phone.getByRole('button', { name: /^2 Keeping the Lock Log/ }).tap()
  const written = phone.getByRole('textbox').last()
  await expect(written).toBeVisible()
  await phone.context().setOffline(true)
  await written.fill(WORDS)
  await phone.getByRole('button', { name: 'Give this answer' }).last().tap()
  await expect(phone.getByText(/Working offline/)).toBeVisible()
  const tab = await phone.context().newPage()
  await phone.close()
  phone = tab
  await phone.context().setOffline(false)
  await phone.goto(address)
  await expect(phone.getByRole('textbox').last()).toHaveValue(WORDS)
  await expect(phone.getByText('Handed in. A person will mark it.')).toBeVisible()
  await expect(phone.getByText(/Working offline/)).toHaveCount(0)
})

test('the answer waits, and is marked by keyboard; one above the maximum is told of', async () => {
  await desk.goto(server.url)
  await desk.getByRole('link', { name: /answers wait to be marked$/ }).click()
  await expectNoBarriers(desk, 'what waits to be marked')
  await desk.getByRole('link', { name: LOG }).click()
  await expect(desk.getByText(WORDS)).toBeVisible()
  await expectNoBarriers(desk, 'the marking desk')
  const points = desk.getByLabel('Points')
  await expect(points).toBeFocused()
  await desk.keyboard.type('99')
  await expect(desk.getByText(/A mark lies between 0 and/)).toBeVisible()
  await expect(desk.getByRole('button', { name: 'Give this mark, then the next' })).toBeDisabled()
  // What is being written outlives the tab.
  await desk.getByLabel('To the learner').fill('Say which paddles.')
  await desk.reload()
  await expect(desk.getByLabel('To the learner')).toHaveValue('Say which paddles.')
  await expect(points).toHaveValue('99')
  await points.fill('1,5')
  await desk.getByLabel('Letters act').uncheck()
  await desk.keyboard.press('p')
  await expect(points).not.toBeFocused()
  await desk.getByLabel('Letters act').check()
  await desk.getByRole('button', { name: 'By question' }).press('p')
  await expect(points).toBeFocused()
  await desk.getByRole('button', { name: 'Keep this comment' }).click()
  await expect(desk.getByRole('button', { name: /Alt 1 Say/ })).toBeVisible()
  await desk.getByLabel('Hide names').check()
  await expect(desk.getByRole('heading', { name: /^Learner \d+$/ })).toBeVisible()
  // The server dies as the mark is given: it is said, nothing is lost, and the same key gives it later.
  await server.kill()
  await points.press('Enter')
  await expect(desk.getByText(/cannot be reached/)).toBeVisible()
  await expect(points).toHaveValue('1,5')
  await server.start()
  await points.press('Enter')
  await expect(desk.getByText('1 of 1 marked')).toBeVisible()
  await expect(desk.getByText(/cannot be reached/)).toHaveCount(0)
})

test('somebody else’s mark is not overwritten unseen', async () => {
  const pile = `${server.url}/api/marking/assignment/autumn-log`
  const { answers } = (await (await desk.request.get(pile)).json()) as {
    answers: { attemptId: string; responseId: string }[]
  }
  const { attemptId, responseId } = answers[0]!
  const data = { attemptId, responseId, revision: 1, points: 2, levels: null, comment: 'Theirs' }
  await desk.request.post(`${pile}/marks`, { data, headers: { origin: server.url } })
  await desk.getByLabel('Points').fill('1')
  await desk.keyboard.press('Enter')
  await expect(desk.getByText(/has marked this in the meantime, with 2/)).toBeVisible()
  await expect(desk.getByLabel('Points')).toHaveValue('1')
  // A draft that lies there from before says so as well.
  await desk.reload()
  await expect(desk.getByText(/has marked this in the meantime, with 2/)).toBeVisible()
  await desk.getByLabel('Points').press('Enter')
  await expect(desk.getByText(/in the meantime/)).toHaveCount(0)
})

test('the learner hears of it once it is told', async () => {
  await phone.goto(server.url)
  await phone.getByRole('link', { name: `See your results in “${LOG}”` }).tap()
  await expect(phone.getByText('Waits for your teacher', { exact: true })).toBeVisible()
  await expect(phone.getByText('Say which paddles.')).toHaveCount(0)
  await desk.getByRole('button', { name: 'Tell the learner one mark' }).click()
  await expect(desk.getByText('One learner sees the mark now.')).toBeVisible()
  await phone.reload()
  await expect(phone.getByText('Say which paddles.')).toBeVisible()
  await expect(phone.getByText('Partly right')).toBeVisible()
  await expectNoBarriers(phone, 'a learner’s own results')
  const wide = await phone.evaluate(() => document.documentElement.scrollWidth - innerWidth)
  expect(wide).toBeLessThanOrEqual(0)
})

test('the results are read: watch map, questions with their place on the bench, ways, comparison', async () => {
  await desk.goto(`${server.url}/classes/spring-intake/assignments/spring-water`)
  await expectNoBarriers(desk, 'the overview of a class')
  await desk.getByRole('link', { name: 'Watch map' }).click()
  await expect(desk.getByText(/of 26 left between|Nowhere did several/)).toBeVisible()
  await expect(desk.getByRole('listitem', { name: /^Jory Netherwood: watched/ })).toBeVisible()
  await desk.getByText('As a table').first().click()
  await expect(desk.getByRole('cell', { name: '100%' }).first()).toBeVisible()
  await expectNoBarriers(desk, 'the watch map')
  await desk.getByRole('link', { name: 'Questions', exact: true }).click()
  await expect(desk.getByText(/learners reached .* points on average/)).toBeVisible()
  await expect(desk.getByText('Had seen it').first()).toBeVisible()
  await expectNoBarriers(desk, 'the question analysis')
  await desk.getByRole('link', { name: 'Ways' }).click()
  await expect(desk.getByText('26 learners have begun.')).toBeVisible()
  await expectNoBarriers(desk, 'the ways taken')
  await desk.getByRole('link', { name: 'Comparison' }).click()
  await expect(desk.getByRole('row', { name: /Spring intake this one/ })).toBeVisible()
  await expect(desk.getByRole('row', { name: /Autumn refreshers/ })).toBeVisible()
  await expectNoBarriers(desk, 'classes side by side')
  await desk.getByRole('link', { name: 'Questions', exact: true }).click()
  await desk.getByRole('link', { name: 'Open on the bench' }).first().click()
  await expect(desk.getByText('Kind of question')).toBeVisible()
  await desk.goBack()
})

test('the mark book weighs at once; the report is mailed, with its files', async () => {
  await desk.goto(`${server.url}/classes/spring-intake?at=marks`)
  await expectNoBarriers(desk, 'the mark book')
  const row = desk.getByRole('row', { name: /^Ansa Quillmere/ })
  const whole = row.getByRole('cell').last()
  await expect(whole).toHaveText(/\d+%/)
  const before = (await whole.innerText()).trim()
  await desk.getByLabel('Weight of “The Water Budget of a Flight”').fill('0')
  await desk.keyboard.press('Tab')
  await expect(whole).not.toHaveText(before)
  const after = (await whole.innerText()).trim()
  await desk.reload()
  await expect(whole).toHaveText(after)
  // What is excused counts no more; what is not due yet never did.
  await row.getByRole('button', { name: /^Excuse .* from “Water That Climbs”/ }).press('Enter')
  await expect(row.getByText('excused')).toBeVisible()
  await expect(whole).not.toHaveText(/%/)
  await row.getByRole('button', { name: /^Count again “Water That Climbs”/ }).press('Enter')
  await expect(whole).toHaveText(after)
  await expect(desk.getByRole('cell', { name: 'not due' }).first()).toBeVisible()
  await desk.goto(`${server.url}/classes/spring-intake/assignments/spring-water/questions`)
  await desk.getByRole('button', { name: 'Mail it' }).click()
  await desk.getByLabel('To', { exact: true }).fill('head@harrowmere.example')
  await desk.keyboard.press('Enter')
  await expect(desk.getByText('One mail was sent.')).toBeVisible()
  await desk.getByRole('link', { name: 'See the mailbox' }).click()
  await expect(desk.getByRole('heading', { name: 'Results: Water That Climbs' })).toBeVisible()
  await expectNoBarriers(desk, 'the stand-in mailbox')
  const downloaded = desk.waitForEvent('download')
  await desk.getByRole('link', { name: /\.pdf$/ }).click()
  expect((await downloaded).suggestedFilename()).toMatch(/Water That Climbs.*\.pdf/)
  expect(errors).toEqual([])
})
