// What waits: how learners did is told once it is due; what they said aloud is heard on the desk. And the keeper's tasks:
// an account is made, opened with its phrase, corrected, and removed with all of it.
import { expect, test, type Page } from '@playwright/test'
import { usualRules, type AssignmentRules } from '@fernbrake/core/classes'
import { edits, emptyLesson, type Lesson } from '@fernbrake/core/lesson'
import {
  edited,
  lessonWithFilm,
  PART,
  QUIZ,
  withFork,
  withQuestion,
  withQuiz,
} from '@fernbrake/core/testing'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { option } from '../support/everyKind.ts'
import { inDatabase, putLesson } from '../support/lessons.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { openDesk, openPhone, signIn, watchForErrors } from '../support/pages.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let desk: Page
let phone: Page
let errors: string[]
/** Where the learner learns it. */
let learnAt: string
const TEACHER = 'designer@harrowmere.example'
const TITLE = 'Gate work'
const DAY_MS = 86_400_000

/** Three choices, and a question that is answered aloud. */
function gateWork() {
  const place = { partId: QUIZ, sectionId: 'first', itemId: 'aloud', questionId: 'q-aloud' }
  const quiz = withQuiz(emptyLesson(TITLE), { tells: 'atOnce' })
  const asked = edited(quiz, edits.askInQuiz, { ...place, kind: 'recording', ids: [] })
  const stem = { questionId: 'q-aloud', field: 'stem', text: 'Call the boat up.' } as const
  const said = edited(asked, edits.setQuestionText, stem)
  const ending = { message: 'So far: {score}', pass: null }
  return edited(said, edits.setQuizEnding, { partId: QUIZ, change: ending })
}

/** Gives the lesson to the class, or says anew when it is due. */
async function assign(
  dueInMs: number,
  rules: AssignmentRules,
  what = { id: 'gate-work-autumn', lessonId: 'gate-work' },
): Promise<void> {
  const data = {
    ...what,
    opensAt: null,
    closesAt: null,
    mostAttempts: null,
    rules,
    groups: [],
    people: [],
    dueAt: new Date(Date.now() + dueInMs).toISOString(),
  }
  const headers = { origin: server.url }
  const path = '/api/classes/autumn-refreshers/assignments'
  const reply = await desk.request.post(`${server.url}${path}`, { data, headers })
  expect(reply.ok(), await reply.text()).toBe(true)
}

test.beforeAll(async ({ browser }) => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
  const lesson = { id: 'gate-work', lesson: gateWork() }
  await inDatabase(server.settings, (client) => putLesson(client, TEACHER, lesson))
  desk = await openDesk(browser)
  errors = watchForErrors(desk)
  await signIn(desk, server.url, TEACHER, DEMO_PASSWORD)
  await assign(DAY_MS, usualRules())
  phone = await openPhone(browser)
  await signIn(phone, server.url, 'learner@harrowmere.example', DEMO_PASSWORD)
})
test.afterAll(() => server?.stop())

test('a teacher lets everybody hear at the same time how they did', async () => {
  await desk.goto(`${server.url}/classes/autumn-refreshers`)
  const card = desk.getByRole('listitem').filter({ hasText: TITLE })
  await card.getByRole('button', { name: 'Change' }).click()
  await expect(desk.getByRole('combobox', { name: 'Attempts' })).toHaveText('As many as wanted')
  const told = desk.getByRole('combobox', { name: 'Learners are told how they did' })
  await told.click()
  await desk.getByRole('option', { name: 'Once it is due' }).click()
  await desk.getByRole('button', { name: 'Keep these rules' }).click()
  await expect(told).toHaveCount(0)
})

const card = (number: number) =>
  phone.getByRole('article', { name: `Question ${number}`, exact: true })
const give = (number: number) => card(number).getByRole('button', { name: 'Give this answer' })

test('until then answers are kept, and nothing says how they did', async () => {
  await phone.goto(server.url)
  await phone.getByRole('button', { name: `Begin “${TITLE}”` }).tap()
  await phone.waitForURL(/\/learn\//)
  learnAt = phone.url()
  await option(card(1), 'i1-b')
  await give(1).tap()
  await expect(card(1).getByText('Kept. How you did is told to everybody later.')).toBeVisible()
  await option(card(2), 'i2-a')
  await give(2).tap()
  await card(3).getByRole('button', { name: 'Start recording' }).tap()
  await expect(card(3).getByText(/^0:0[1-9] \/ /)).toBeVisible()
  await card(3).getByRole('button', { name: 'Stop', exact: true }).tap()
  await expect(card(3).getByText('Arrived')).toBeVisible()
  await give(3).tap()
  await phone.getByRole('button', { name: 'See what you gave' }).tap()
  await phone.getByRole('button', { name: 'Go on without them' }).tap()
  const summary = phone.getByRole('region', { name: 'Your answers' })
  await expect(summary.getByText('All that you gave is kept.')).toBeVisible()
  await expect(summary.getByText('Everything is kept.')).toBeVisible()
  await expect(summary.getByText('So far: what you are told later')).toBeVisible()
  await expect(phone.getByText(/marks|right/i)).toHaveCount(0)
  await expectNoBarriers(phone, 'a quiz of which is told later')
})

test('a learner’s own pages say from when it is told', async () => {
  await phone.goto(server.url)
  const work = phone.getByRole('listitem').filter({ hasText: TITLE })
  await expect(work.getByText('3 of 4 questions answered')).toBeVisible()
  // There is no film to watch.
  await expect(work.getByText(/marks|watched/)).toHaveCount(0)
  await phone.getByRole('link', { name: `See your results in “${TITLE}”` }).tap()
  await expect(phone.getByText(/How you did is told to everybody from/)).toBeVisible()
  await expect(phone.getByText('Answered', { exact: true })).toHaveCount(2)
  await expect(phone.getByText(/points|Not right/)).toHaveCount(0)
  await expectHeard(phone)
  await expectNoBarriers(phone, 'own results before they are told')
})

/** A recording on the page that can be heard: the server hands it out, and the browser knows how long it is. */
async function expectHeard(page: Page): Promise<void> {
  const sound = page.locator('audio')
  await expect(sound).toBeVisible()
  const heard = sound.evaluate(async (audio: HTMLAudioElement) => {
    await audio.play()
    audio.pause()
    return audio.duration
  })
  expect(await heard).toBeGreaterThan(0.5)
}

test('the recording is heard on the desk and marked', async () => {
  await desk.goto(`${server.url}/marking/assignment/gate-work-autumn`)
  await expect(desk.getByRole('heading', { name: 'Tam Oakshott' })).toBeVisible()
  await expectHeard(desk)
  await desk.getByLabel('To the learner').fill('Loud enough.')
  await desk.getByLabel('Points').fill('1')
  await desk.keyboard.press('Enter')
  await expect(desk.getByText('1 of 1 marked')).toBeVisible()
  await desk.getByRole('button', { name: 'Tell the learner one mark' }).click()
  await expect(desk.getByText(/^One learner sees the mark from .* on\.$/)).toBeVisible()
})

test('once it is due, everybody is told, of marks as well', async () => {
  await phone.reload()
  await expect(phone.getByText('Loud enough.')).toHaveCount(0)
  await assign(-1000, { ...usualRules(), feedback: 'afterDue' })
  await phone.reload()
  await expect(phone.getByText('Loud enough.')).toBeVisible()
  await expect(phone.getByText('2 of 4 points so far.')).toBeVisible()
  await expect(phone.getByText('Not right')).toBeVisible()
})

test('whoever answers after that hears from the server how they did, also when the connection was away', async () => {
  await phone.goto(learnAt)
  await phone.getByRole('button', { name: 'Back to the questions' }).tap()
  const away = '**/api/attempts/*/records'
  await phone.route(away, (route) => route.abort())
  await option(card(4), 'i3-b')
  await give(4).tap()
  await expect(card(4).getByText('Kept. What came of it is told as soon as')).toBeVisible()
  await expect(card(4).getByRole('button', { name: 'Try again' })).toHaveCount(0)
  await expectNoBarriers(phone, 'a quiz whose marks are on their way')
  await phone.unroute(away)
  await expect(card(4).getByText('Not right')).toBeVisible()
  await expect(card(4).getByText('One try is left.')).toBeVisible()
  await card(4).getByRole('button', { name: 'Try again' }).tap()
  await option(card(4), 'i3-a')
  await give(4).tap()
  await expect(card(4).getByText('Right', { exact: true })).toBeVisible()
  await expect(card(4).getByText('Right answer')).toBeVisible()
})

/** A film that goes one way or the other by an answer of which nobody is told yet. */
async function forkedFilm(): Promise<Lesson> {
  const [film] = await inDatabase(server.settings, async (client) => {
    const { rows } = await client.query<{ id: string; durationMs: number }>(
      `SELECT id, duration_ms AS "durationMs" FROM media WHERE kind = 'film' AND state = 'ready' LIMIT 1`,
    )
    return rows
  })
  const asked = withQuestion(lessonWithFilm(film!.durationMs), {
    id: 'a',
    atMs: 1000,
    hold: 'right',
  })
  const isRight = { if: 'answer', cueId: 'a', is: 'right' } as const
  const forked = withFork(asked, {
    id: 'f',
    atMs: 2000,
    rules: { decides: true },
    ways: [
      { id: 'up', target: { to: 'ending', message: 'Up the flight.' }, condition: isRight },
      { id: 'down', target: { to: 'ending', message: 'Down again.' } },
    ],
  })
  const part = { ...forked.parts[PART]!, mediaId: film!.id } as Lesson['parts'][string]
  return { ...forked, title: 'Two ways', parts: { [PART]: part } }
}

test('a film waits at a fork for the server to say the way, and nothing says what the answer was', async () => {
  const lesson = await forkedFilm()
  await inDatabase(server.settings, async (client) => {
    await putLesson(client, TEACHER, { id: 'two-ways', lesson })
    await client.query(
      `INSERT INTO media_uses SELECT 'two-ways', id FROM media WHERE kind = 'film'`,
    )
  })
  const rules = { ...usualRules(), feedback: 'afterDue' as const }
  await assign(DAY_MS, rules, { id: 'two-ways-autumn', lessonId: 'two-ways' })
  await phone.goto(server.url)
  await phone.getByRole('button', { name: 'Begin “Two ways”' }).tap()
  await phone.waitForURL(/\/learn\//)
  await phone.getByRole('button', { name: 'Play', exact: true }).first().tap()
  await option(phone.locator('aside'), 'a-a')
  await phone.getByRole('button', { name: 'Give this answer' }).tap()
  await expect(phone.getByText('Kept. How you did is told to everybody later.')).toBeVisible()
  const ways = '**/api/attempts/*/ways/*'
  await phone.route(ways, (route) => route.abort())
  await phone.getByRole('button', { name: 'Go on watching' }).tap()
  await expect(phone.getByText('It goes on as soon as there is a connection.')).toBeVisible()
  await expectNoBarriers(phone, 'a film that waits for its way')
  await phone.unroute(ways)
  await expect(phone.getByText('Up the flight.')).toBeVisible()
})

test('captions are as large as a learner wants, on this device from now on', async () => {
  await phone.goto(server.url)
  await phone.getByRole('button', { name: 'Begin “Water That Climbs”' }).tap()
  await phone.waitForURL(/\/learn\//)
  await phone.getByRole('button', { name: /^2 / }).tap()
  await phone.getByRole('button', { name: 'Play', exact: true }).first().tap()
  const caption = phone.locator('.caption').first()
  await expect(caption).toBeVisible()
  const size = () => caption.evaluate((words) => parseFloat(getComputedStyle(words).fontSize))
  // Captions come and go while the film plays.
  let usual = 0
  await expect.poll(async () => (usual = await size())).toBeGreaterThan(0)
  await phone.getByText('Look of captions').tap()
  await phone.getByLabel('Size').selectOption('Largest')
  await phone.getByLabel('Ground').selectOption('Light')
  await expect.poll(size).toBeGreaterThan(usual * 1.5)
  await expectNoBarriers(phone, 'the look of captions')
  await phone.reload()
  await phone.getByRole('button', { name: 'Play', exact: true }).first().tap()
  await expect.poll(size).toBeGreaterThan(usual * 1.5)
  expect(errors).toEqual([])
})

test('the keeper makes an account, which its owner opens; it is corrected, and removed', async ({
  browser,
}) => {
  const keeper = await (await browser.newContext()).newPage()
  await signIn(keeper, server.url, 'keeper@harrowmere.example', DEMO_PASSWORD)
  await keeper.goto(`${server.url}/keeper`)
  await keeper.getByRole('button', { name: 'Make an account' }).click()
  await keeper.getByLabel('First and last name').fill('Isolde Harrowgate')
  await keeper.getByLabel('Email address').fill('isolde@harrowmere.example')
  await keeper.getByRole('button', { name: 'Make it' }).click()
  const phrase = await keeper.getByTestId('phrase').innerText()
  await expectNoBarriers(keeper, 'an account that was made')
  const owner = await (await browser.newContext()).newPage()
  await owner.goto(`${server.url}/sign-in`)
  await owner.getByLabel('Email address').fill('isolde@harrowmere.example')
  await owner.getByLabel('Password', { exact: true }).fill(phrase)
  await owner.getByRole('button', { name: 'Sign in', exact: true }).click()
  await owner.getByLabel('New password').fill('a heron on the weir')
  await owner.getByRole('button', { name: 'Take this password' }).click()
  await expect(owner.getByText('Isolde Harrowgate')).toBeVisible()
  await keeper.reload()
  await keeper.getByLabel('Find by name or address').fill('isolde')
  await keeper.getByRole('button', { name: 'Isolde Harrowgate' }).click()
  await keeper.getByLabel('First and last name').fill('Isolde Harrowgate-Vane')
  await keeper.getByRole('button', { name: 'Correct it' }).click()
  await expect(keeper.getByRole('button', { name: 'Isolde Harrowgate-Vane' })).toBeVisible()
  await expectNoBarriers(keeper, 'a person on the keeper’s page')
  const downloaded = keeper.waitForEvent('download')
  await keeper.getByRole('link', { name: 'Take it along as ZIP' }).click()
  expect((await downloaded).suggestedFilename()).toMatch(/\.zip$/)
  await keeper.getByRole('button', { name: 'Remove this person' }).click()
  await expectNoBarriers(keeper, 'removing a person')
  await keeper.getByRole('button', { name: 'Remove for good' }).click()
  await expect(keeper.getByText('Isolde Harrowgate-Vane is removed')).toBeVisible()
  await owner.goto(server.url)
  await expect(owner.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible()
})
