// Lessons of several parts: a quiz is written beside a film, worked through on a phone with a server that dies, summed up
// with a way back to what was wrong, and read in the results; another one asks one question at a time.
import { expect, test, type Page } from '@playwright/test'
import { addPart, startBench, type Bench } from '../support/bench.ts'
import { option, sheetOf } from '../support/everyKind.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { expectKept, goInAsGuest, watchForErrors } from '../support/pages.ts'
import type { RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

const CAPTIONS = `WEBVTT

00:00.500 --> 00:01.500
The gate holds the water.

00:01.500 --> 00:02.500
The paddle lets it through.
`

let desk: Bench
let server: RealServer
let bench: Page
let errors: string[]
let on: ReturnType<typeof sheetOf>
let link: string

test.beforeAll(async ({ browser }) => {
  desk = await startBench(browser, { title: 'Gates and paddles', seconds: 4, captions: CAPTIONS })
  ;({ server, page: bench, errors } = desk)
  on = sheetOf(bench)
})
test.afterAll(() => desk?.stop())

const parts = () => bench.getByRole('navigation', { name: 'Parts of the lesson' })
const outline = () => bench.locator('.outline')
const lines = () => outline().locator('.line')
const ask = (section: number) =>
  outline().getByRole('button', { name: '+ Question' }).nth(section).click()
const stem = () => on.side().getByRole('textbox', { name: 'Question', exact: true })

async function writeChoice(words: string, options: string): Promise<void> {
  await stem().fill(words)
  await on.press('Paste a list')
  await on.side().getByLabel('One a line.').fill(options)
  await on.press(`Take in ${options.split('\n').length} lines`)
}

test('a quiz is added, its questions are written, and each can be answered by the film', async () => {
  await addPart(bench, 'Quiz')
  await expect(outline().getByText('no question yet')).toBeVisible()
  await on.field('Name of this part').fill('What you saw')
  await on.choose('What came of an answer is told', 'when the quiz is handed in')
  await ask(0)
  await expect(stem()).toBeFocused()
  await writeChoice('What lets the water through?', 'The gate\n* The paddle')
  await on.press('Choose lines of the script')
  await on.side().getByLabel('Find in the script').fill('paddle')
  await on.side().getByRole('button', { name: 'The paddle lets it through.' }).click()
  await expect(on.field('From')).toHaveValue('00:00:01:12')
  await ask(0)
  await on.choose('Kind of question', 'Short answer')
  await stem().fill('What holds the water?')
  await on.field('Answer 1').fill('gate')
  await expect(lines()).toHaveText([/1What lets.*Choice/, /2What holds.*Short answer/])
  await expectNoBarriers(bench, 'quiz on the bench')
})

test('sections divide it, questions move between them, and all of it can be undone', async () => {
  await outline().getByRole('button', { name: '+ Section' }).click()
  await on.field('Name of the section').fill('Once more')
  await lines().nth(1).click()
  await on.press('Down')
  const second = bench.getByRole('region', { name: 'Once more' })
  await expect(second.locator('.line')).toHaveText([/2What holds/])
  await on.press('Copy')
  await expect(second.locator('.line')).toHaveCount(2)
  await bench.getByRole('button', { name: 'Undo' }).click()
  await expect(second.locator('.line')).toHaveCount(1)
  await ask(1)
  await on.choose('Kind of question', 'Order')
  await stem().fill('In which order?')
  await on.press('Paste a list')
  await on.side().getByLabel('One a line.').fill('First\nSecond\nThird')
  await on.press('Take in 3 lines')
  const tabs = parts().locator('ol > li')
  const choose = async (name: string) => {
    await parts().getByRole('button', { name: 'This part…' }).click()
    await bench.getByRole('menuitem', { name }).click()
  }
  await choose('Move earlier')
  await expect(tabs).toHaveText([/1What you saw/, /2Gates/])
  await choose('Move later')
  // A copy is unfinished work: it stays hidden, and learners never get it.
  await choose('Copy')
  await expect(tabs).toHaveText([/1Gates/, /2What you saw/, /3What you saw \(copy\)/])
  await expect(lines()).toHaveCount(3)
  await choose('Hide from learners')
  await expect(tabs.nth(2)).toContainText('hidden')
  await tabs.nth(2).dragTo(tabs.nth(0))
  await expect(tabs).toHaveText([/1What you saw \(copy\)/, /2Gates/, /3What you saw/])
  await bench.getByRole('button', { name: 'Undo' }).click()
  await expectNoBarriers(bench, 'parts of a lesson')
  await tabs.nth(1).getByRole('button').click()
  await expectKept(bench)
  // The address knows which part is open.
  await bench.reload()
  await expect(lines()).toHaveCount(3)
})

test('another quiz asks one question at a time; what is missing is named before publishing', async () => {
  await addPart(bench, 'Quiz')
  await on.choose('Learners see', 'one question at a time')
  await ask(0)
  await stem().fill('Nothing to pick')
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await bench.getByRole('button', { name: 'Go to it in “Quiz 3”' }).first().click()
  await expect(stem()).toHaveValue('Nothing to pick')
  await writeChoice('Which one is true?', '* Water lies level\nWater climbs')
  await ask(0)
  await writeChoice('And which one now?', '* A boat floats\nA boat sinks')
  await expectKept(bench)
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await bench.getByTestId('publish').click()
  link = await bench.getByTestId('link').inputValue()
  expect(errors).toEqual([])
})

let page: Page
let complaints: string[]
const card = (number: number) =>
  page.getByRole('article', { name: `Question ${number}`, exact: true })
const give = (number: number) => card(number).getByRole('button', { name: 'Give this answer' })

test('a learner goes from the film to the quiz; answers are kept while the server is away', async ({
  browser,
}) => {
  page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  complaints = watchForErrors(page)
  await goInAsGuest(page, link, 'Wenna Tolliver')
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  await page.getByRole('button', { name: 'Go on with “What you saw”' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'What you saw' })).toBeFocused()
  // The server may not have heard of it yet, and send the film ahead: it must not lie over the quiz.
  await page.reload()
  await expectNoBarriers(page, 'quiz on a phone')
  await option(card(1), 'The gate')
  await give(1).click()
  // Nobody is told yet; a quiz that is told at the end tells by nothing.
  await expect(card(1).getByText('Kept. You will be told how you did')).toBeVisible()
  await expect(card(1).locator('.option')).toHaveCount(0)
  await expect(card(1).getByText('Not right')).toHaveCount(0)
  await server.kill()
  await card(2).getByRole('textbox').fill('the wall')
  await give(2).click()
  await expect(page.getByText(/Working offline/)).toBeVisible()
  await card(2).getByRole('button', { name: 'Change my answer' }).click()
  await card(2).getByRole('textbox').fill('gate')
  await server.start()
  await expect(page.getByText(/Working offline/)).toHaveCount(0)
})

test('handing in gives what is written and names what is not, then sums up', async () => {
  await page.getByRole('button', { name: 'Hand in and see how you did' }).click()
  // How the things to be ordered happen to lie is nobody’s answer.
  await expect(page.getByText('One question is not answered yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Go to question 3' }).click()
  await expect(card(3)).toBeFocused()
  await page.getByRole('button', { name: 'Hand in without them' }).click()
  const summary = page.getByRole('region', { name: 'How you did' })
  await expect(summary.getByText('1 of 3 marks')).toBeVisible()
  await expect(summary.getByRole('listitem').filter({ hasText: 'What holds' })).toContainText(
    'right',
  )
  await expect(summary.getByText('1 not answered')).toBeVisible()
  await expectNoBarriers(page, 'summary of a quiz')
  // A way goes on from here, so nobody is told to close the page.
  await expect(summary.getByText('Everything so far is kept.')).toBeVisible()
  await page.reload()
  await expect(summary.getByText('1 of 3 marks')).toBeVisible()
})

const results = () => bench.getByRole('row', { name: /Wenna Tolliver/ })

test('from the summary a learner goes back to what was wrong, sees the film again, and mends it', async () => {
  await bench.goto(`${server.url}${new URL(bench.url()).pathname}/results`)
  await expect(results()).toContainText('1 / 5')
  await page.getByRole('button', { name: 'Go to what was not right' }).click()
  await expect(card(1).locator('.verdict')).toContainText('Not right')
  await card(1).getByRole('button', { name: 'Rewatch 0:01 to 0:02' }).click()
  await expect(card(1).getByRole('button', { name: 'Play it again' })).toBeVisible()
  await expect(card(1).getByText('The paddle lets it through.')).toBeVisible()
  await card(1).getByRole('button', { name: 'Close the film' }).click()
  await card(1).getByRole('button', { name: 'Try again' }).click()
  await option(card(1), 'The paddle')
  await give(1).click()
  await expect(card(1).locator('.verdict')).toContainText('Right')
  await page.getByRole('button', { name: 'See how you did' }).click()
  await expect(page.getByText('2 of 3 marks')).toBeVisible()
  // Whoever looks at the results meanwhile sees it come.
  await expect(results()).toContainText('2 / 5')
  expect(complaints).toEqual([])
})

/**
 * Holds what is sent until the page is loaded anew, by what this answers with: what the page comes with is read before the answer is
 * stored, and arrives after it was acknowledged and let go of on the device.
 */
async function holdSending(): Promise<() => Promise<void>> {
  const gate = () => {
    let open: () => void = () => undefined
    const passed = new Promise<void>((resolve) => (open = resolve))
    return { open, passed }
  }
  const [read, acknowledged] = [gate(), gate()]
  await page.route('**/learn/**', async (route) => {
    const response = await route.fetch()
    read.open()
    await acknowledged.passed
    await route.fulfill({ response })
  })
  await page.route('**/records', async (route) => {
    await read.passed
    const response = await route.fetch()
    await route.fulfill({ response })
    acknowledged.open()
  })
  return async () => {
    await page.reload()
    await page.unrouteAll({ behavior: 'ignoreErrors' })
  }
}

test('one question at a time goes on by keyboard, tells at once, and ends the lesson', async () => {
  await page.getByRole('button', { name: 'Go on with “Quiz 3”' }).click()
  await expect(card(1)).toBeVisible()
  await expect(card(2)).toHaveCount(0)
  await card(1).getByRole('radio').first().press('Space')
  await give(1).press('Enter')
  await expect(card(1).locator('.verdict')).toBeVisible()
  await page.getByRole('button', { name: 'Next question' }).press('Enter')
  await expect(card(2).getByRole('heading', { name: 'And which one now?' })).toBeFocused()
  await option(card(2), 'A boat floats')
  const reload = await holdSending()
  await give(2).click()
  await reload()
  await page
    .getByRole('navigation', { name: 'Questions' })
    .getByRole('button', { name: /^Question 2/ })
    .click()
  await expect(card(2).locator('.verdict')).toContainText('Right')
  await page.getByRole('button', { name: 'See how you did' }).click()
  await expect(page.getByRole('heading', { name: 'How you did' })).toBeFocused()
  await expect(page.getByText('Everything is kept.')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Go on with/ })).toHaveCount(0)
})

test('the results count the quizzes and show every answer', async () => {
  const learner = results()
  await expect(learner).toContainText('Finished')
  await expect(learner).toContainText('4 / 5')
  const quiz = bench
    .locator('section')
    .filter({ has: bench.getByRole('heading', { name: 'What you saw' }) })
  await expect(quiz.first().getByRole('row', { name: /What lets the water/ })).toContainText('100%')
  await learner.getByRole('button').click()
  await expect(bench.getByText('the wall')).toBeVisible()
  await expectNoBarriers(bench, 'results with quizzes')
  expect(errors).toEqual([])
})
