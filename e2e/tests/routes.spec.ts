// The ways between parts: they are written and drawn on the map, warned of, taken by a learner, kept out by a gate, led to
// an end with words, and told to the teacher.
import { expect, test, type Page } from '@playwright/test'
import { addPart, startBench, type Bench } from '../support/bench.ts'
import { option, sheetOf } from '../support/everyKind.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { expectKept, goInAsGuest, watchForErrors } from '../support/pages.ts'

test.describe.configure({ mode: 'serial' })

let desk: Bench
let bench: Page
let on: ReturnType<typeof sheetOf>
let link: string

test.beforeAll(async ({ browser }) => {
  desk = await startBench(browser, { title: 'A boat in the dark', seconds: 2 })
  bench = desk.page
  on = sheetOf(bench)
})
test.afterAll(() => desk?.stop())

const left = () => bench.locator('.left')
const box = (name: string) => on.side().getByRole('textbox', { name, exact: true })
const onMap = (name: string) => left().getByRole('button', { name })
const edges = (kind: string) => bench.locator(`.way.way-${kind}`)

async function addPage(title: string, text: string): Promise<void> {
  await addPart(bench, 'Page')
  await on.field('Name of this part').fill(title)
  await left().getByRole('button', { name: '+ Text', exact: true }).last().click()
  await box('Text').fill(text)
}

test('parts stand on the map, and follow one another in their order', async () => {
  await addPage('Shout', 'Nobody hears you.')
  await addPage('Wait', 'The water falls on.')
  await addPage('Afterwards', 'It is morning.')
  await left().getByRole('button', { name: '+ Question', exact: true }).last().click()
  await box('Question').fill('What falls?')
  await on.press('Paste a list')
  await on.side().getByLabel('One a line.').fill('* The water\nThe boat')
  await on.press('Take in 2 lines')
  await bench.getByRole('link', { name: 'Routes' }).click()
  await expect(left().locator('[data-part]')).toHaveCount(4)
  await expect(edges('order')).toHaveCount(4)
  await expect(on.side().getByText('Every part can be come to')).toBeVisible()
  await expectNoBarriers(bench, 'map of routes')
})

test('ways are written on a sheet and drawn on the map; both can be undone', async () => {
  await onMap('A boat in the dark').click()
  await on.press('+ Way')
  await box('Words by which it is chosen; empty where nobody is asked').fill('Shout for the keeper')
  await expect(edges('route')).toHaveCount(1)
  await expect(edges('order')).toHaveCount(3)
  // From the circle at the foot of the film to the second page.
  const from = bench.locator('[data-foot]').first()
  const to = onMap('Wait').locator('..')
  const [start, end] = [(await from.boundingBox())!, (await to.boundingBox())!]
  await bench.mouse.move(start.x + start.width / 2, start.y + start.height / 2)
  await bench.mouse.down()
  // Let go over nothing, it leads nowhere.
  await bench.mouse.move(start.x - 30, start.y + 30, { steps: 3 })
  await bench.mouse.up()
  await expect(edges('route')).toHaveCount(1)
  await bench.mouse.move(start.x + start.width / 2, start.y + start.height / 2)
  await bench.mouse.down()
  await bench.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 6 })
  await bench.mouse.up()
  await expect(edges('route')).toHaveCount(2)
  await bench.getByRole('button', { name: 'Undo' }).click()
  await expect(edges('route')).toHaveCount(1)
  await bench.getByRole('button', { name: 'Redo' }).click()
  const second = on.side().getByRole('group', { name: 'Way 2' })
  await second.getByRole('textbox', { name: /^Words by which/ }).fill('Wait and see')
  await expectNoBarriers(bench, 'ways of a part')
})

test('what is wrong is named, and leads to its place', async () => {
  await onMap('Wait').click()
  await on.press('+ Way')
  await on.choose('It leads to', 'A boat in the dark')
  await bench.keyboard.press('Escape')
  await onMap('Shout').click()
  await on.press('+ Way')
  await on.choose('It leads to', 'the end of the lesson')
  await box('Words at this end; without any, those of the lesson').fill(
    'The keeper came, {first name}.',
  )
  await on.press('Close')
  await expect(on.side().getByText('Nothing leads to “Afterwards”.')).toHaveCount(0)
  await onMap('Afterwards').click()
  await on.side().getByText('Not everybody may enter at once').click()
  await on.choose('It opens', 'By an answer')
  await on.press('Close')
  const finding = on.side().getByRole('button', { name: /gate before “Afterwards” can never open/ })
  await finding.click()
  await on.choose('It opens', 'By a part that was opened')
  await on.choose('Part', 'Wait')
  await box('Said to those who stand before it; else what opens it is said').fill('after the night')
  await on.press('Close')
  await expect(finding).toHaveCount(0)
  await expectKept(bench)
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await bench.getByTestId('publish').click()
  link = await bench.getByTestId('link').inputValue()
  expect(desk.errors).toEqual([])
})

let page: Page
let complaints: string[]
const press = (name: string) => page.getByRole('button', { name, exact: true }).click()
const parts = () => page.getByRole('navigation', { name: 'Parts of this lesson' })

test('a learner chooses a way, meets a gate that says what opens it, and comes to an end', async ({
  browser,
}) => {
  page = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  complaints = watchForErrors(page)
  await goInAsGuest(page, link, 'Wenna Tolliver')
  // Parts that only ways lead to are not shown before; the gate says what opens it.
  await expect(parts().getByRole('button')).toHaveCount(2)
  const gated = parts().getByRole('button', { name: /Afterwards/ })
  await expect(gated).toContainText('Opens after the night')
  await expect(gated).toHaveAttribute('aria-disabled', 'true')
  await press('Play')
  await page.getByRole('button', { name: 'Wait and see' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Wait' })).toBeFocused()
  await expect(gated).not.toContainText('Opens')
  await expectNoBarriers(page, 'after a way was taken')
  await page.getByRole('button', { name: 'Go on with “A boat in the dark”' }).click()
  // A film that a way leads to plays by itself.
  await page.getByRole('button', { name: 'Shout for the keeper' }).click()
  await page.getByRole('button', { name: 'Go to the end' }).click()
  await expect(page.getByRole('heading', { name: 'You have come to the end' })).toBeFocused()
  await expect(page.getByText('The keeper came, Wenna.')).toBeVisible()
  await expect(page.getByText('Everything is kept.')).toBeVisible()
  await expectNoBarriers(page, 'an end')
  // What is behind an opened gate can still be looked at, and what it asks is listed.
  await page.getByRole('button', { name: 'One question of “Afterwards” is still open' }).click()
  await option(page.locator('article'), 'The water')
  await press('Give this answer')
  expect(complaints).toEqual([])
})

test('the teacher sees which ways were taken', async () => {
  await bench.goto(bench.url().replace(/\/routes.*$/, '/results'))
  const learner = bench.getByRole('row', { name: /Wenna Tolliver/ })
  await expect(learner).toContainText('Finished')
  await learner.getByRole('button').click()
  const ways = bench.getByRole('list', { name: 'Ways taken' })
  await expect(ways.getByRole('listitem')).toHaveText([
    /After “A boat in the dark”:.*Wait and see/,
    /A boat in the dark/,
    /Shout for the keeper/,
    /After “Shout”:.*End/,
  ])
  expect(desk.errors).toEqual([])
})
