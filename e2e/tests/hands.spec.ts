// Authoring with the hands on the keys: what is placed is written at once, and what is closed gives the focus back.
import { expect, test, type Page } from '@playwright/test'
import { addPart, startBench, type Bench } from '../support/bench.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { sheetOf } from '../support/everyKind.ts'
import { expectKept, goTo } from '../support/pages.ts'

test.describe.configure({ mode: 'serial' })

let desk: Bench
let bench: Page
let on: ReturnType<typeof sheetOf>
test.beforeAll(async ({ browser }) => {
  desk = await startBench(browser, { title: 'By hand', seconds: 8 })
  bench = desk.page
  on = sheetOf(bench)
})
test.afterAll(() => desk?.stop())

const words = (name: string) => on.side().getByRole('textbox', { name, exact: true })
const stem = () => words('Question')
const tagInFocus = () => bench.evaluate(() => document.activeElement?.tagName)

test('a question of four options is written without once reaching for the mouse', async () => {
  await goTo(bench, '2')
  await bench.keyboard.press('q')
  await bench.keyboard.type('Quo nobis?')
  await expect(stem()).toHaveValue('Quo nobis?')
  await on.field('Option 1').focus()
  for (const option of ['Up', 'Down', 'Left']) {
    await bench.keyboard.type(option)
    await bench.keyboard.press('Enter')
  }
  await expect(on.field('Option 4')).toBeFocused()
  await bench.keyboard.type('Right')
  for (const [index, option] of ['Up', 'Down', 'Left', 'Right'].entries())
    await expect(on.field(`Option ${index + 1}`)).toHaveValue(option)
  await bench.keyboard.press('Escape')
  await expect(stem()).toHaveCount(0)
  expect(await tagInFocus()).toBe('BODY')
})

test('bookmark, note and overlay take their words at once, and keys in them are letters', async () => {
  await goTo(bench, '3')
  for (const [key, field, typed] of [
    ['b', 'Name', 'abc on quays'],
    ['n', 'Note', 'nice, of no flow'],
    ['o', 'Words', 'boon'],
  ] as const) {
    await bench.keyboard.press(key)
    await bench.keyboard.type(typed)
    await expect(words(field)).toHaveValue(typed)
    await bench.keyboard.press('Escape')
    await expect(words(field)).toHaveCount(0)
  }
  await expectKept(bench)
})

test('closing goes back to where the focus was', async () => {
  const play = bench.getByRole('button', { name: 'Play' })
  await play.focus()
  await bench.keyboard.press('n')
  await expect(words('Note')).toBeFocused()
  await bench.keyboard.press('Escape')
  await expect(play).toBeFocused()
  await bench.keyboard.press('b')
  await expect(words('Name')).toBeFocused()
  await on.press('Close')
  await expect(play).toBeFocused()
})

test('F6 goes round the regions, to what is in hand; an overlay is reached from its sheet at once', async () => {
  await goTo(bench, '3')
  await bench.keyboard.press('o')
  await expect(words('Words')).toBeFocused()
  await bench.keyboard.type('Boom')
  // Round by way of head and parts.
  for (const press of ['F6', 'F6', 'F6']) await bench.keyboard.press(press)
  const handle = bench.getByRole('button', { name: /on the picture: Boom|Boom/ }).first()
  await expect(bench.locator('.stage .handle.selected')).toBeFocused()
  await expect(handle).toBeVisible()
  await bench.keyboard.press('Shift+F6')
  await bench.keyboard.press('Shift+F6')
  await bench.keyboard.press('Shift+F6')
  await expect(words('Words')).toBeFocused()
  await bench.keyboard.press('Escape')
})

test('words on the picture are written where they stand', async () => {
  await goTo(bench, '3')
  const handle = bench.locator('.stage .handle').last()
  await handle.dblclick()
  const field = bench.locator('.stage textarea')
  await expect(field).toBeFocused()
  await expect(field).toHaveValue('Boom')
  await expectNoBarriers(bench, 'words that are written on the picture', '.stage')
  await bench.keyboard.type('Beam, q and o')
  await bench.keyboard.press('Escape')
  await expect(field).toHaveCount(0)
  await expect(handle).toBeFocused()
  await expect(bench.locator('.stage .overlay').last()).toHaveText('Beam, q and o')
  await expectKept(bench)
})

test('two overlays are dragged together, all of the way', async () => {
  const handles = bench.locator('.stage .handle')
  await expect(handles).toHaveCount(2)
  await bench.keyboard.press('Escape')
  // The one on top covers the other, which the keys reach.
  await handles.last().focus()
  for (const _press of Array.from({ length: 3 })) await bench.keyboard.press('Shift+ArrowLeft')
  for (const _press of Array.from({ length: 20 })) await bench.keyboard.press('ArrowDown')
  await handles.first().click()
  await handles.last().click({ modifiers: ['Shift'] })
  await expect(bench.locator('.stage .handle.selected')).toHaveCount(2)
  const before = [(await handles.first().boundingBox())!, (await handles.last().boundingBox())!]
  const { x, y, width, height } = before[1]!
  await bench.mouse.move(x + width / 2, y + height / 2)
  await bench.mouse.down()
  await bench.mouse.move(x + width / 2 + 60, y + height / 2, { steps: 6 })
  await bench.mouse.up()
  const after = [(await handles.first().boundingBox())!, (await handles.last().boundingBox())!]
  // What it is drawn to may hold it a few pixels before or after.
  for (const index of [0, 1]) expect(after[index]!.x - before[index]!.x).toBeGreaterThan(50)
  await bench.keyboard.press('Escape')
  await expectKept(bench)
})

test('what was done can be undone after a look as a learner, and the bench is as it was left', async () => {
  await goTo(bench, '5')
  await bench.keyboard.press('b')
  await bench.keyboard.type('Left here')
  await expect(bench.getByTestId('timecode')).toHaveValue('00:00:05:00')
  const undo = bench.getByRole('button', { name: 'Undo', exact: true })
  await bench.getByRole('link', { name: 'See it as a learner' }).click()
  await expect(bench.getByText(/before 0:05 w/)).toBeVisible()
  await bench.goBack()
  await expect(words('Name')).toHaveValue('Left here')
  await expect(bench.getByTestId('timecode')).toHaveValue('00:00:05:00')
  await bench.getByRole('link', { name: 'Routes', exact: true }).click()
  await expect(bench.getByRole('link', { name: 'Routes', exact: true })).toHaveAttribute(
    'aria-current',
    'page',
  )
  // One page with the bench: nothing on it began anew.
  await bench.goBack()
  await expect(words('Name')).toHaveValue('Left here')
  await bench.getByRole('link', { name: 'Sharing', exact: true }).click()
  await expect(bench.getByRole('heading', { name: 'Sharing' })).toBeVisible()
  await bench.getByRole('link', { name: 'Bench', exact: true }).click()
  await expect(undo).toBeEnabled()
  await undo.click()
  await undo.click()
  await expect(words('Name')).toHaveCount(0)
  await expectKept(bench)
})

test('publishing is one key away, says what is in its way, and leads there', async () => {
  await goTo(bench, '7')
  await bench.keyboard.press('q')
  await bench.keyboard.type('Not finished?')
  await bench.keyboard.press('Escape')
  await bench.keyboard.press('p')
  const dialog = bench.getByRole('dialog')
  await expect(dialog).toContainText('0:07 Question “Not finished?”')
  await dialog.getByRole('button', { name: 'Go to 0:07' }).first().click()
  await expect(stem()).toHaveValue('Not finished?')
  expect(desk.errors).toEqual([])
})

test('a question is written in its trial, as learners see it', async () => {
  for (const option of ['Option 1', 'Option 2']) await on.field(option).fill(option)
  await bench.getByRole('button', { name: 'Try it beside' }).click()
  const trial = bench.getByRole('region', { name: /As a learner sees it/ })
  await trial.getByRole('heading').getByText('Not finished?').dblclick()
  const here = trial.getByRole('textbox', { name: 'Question', exact: true })
  await expect(here).toBeFocused()
  await bench.keyboard.type(' Then why?')
  await expect(stem()).toHaveValue('Not finished? Then why?')
  await expectNoBarriers(bench, 'a question written in its trial')
  await bench.keyboard.press('Escape')
  await expect(trial.getByRole('heading')).toContainText('Not finished? Then why?')
  // The same by the keyboard alone.
  const begin = trial.getByRole('button', { name: 'Write it here' })
  await expect(begin).toBeFocused()
  await bench.keyboard.press('Enter')
  await bench.keyboard.type('!')
  await bench.keyboard.press('Escape')
  await expect(stem()).toHaveValue('Not finished? Then why?!')
  await trial.getByRole('button', { name: 'Close' }).click()
})

test('the words of a page are written where they stand', async () => {
  await addPart(bench, 'Page')
  const left = bench.locator('.left')
  await left.getByRole('button', { name: '+ Heading' }).click()
  await words('Heading').fill('The log')
  await left.getByRole('button', { name: '+ Text' }).click()
  await words('Text').fill('Write it down.')
  await left.getByText('Write it down.').dblclick({ force: true })
  const text = left.getByRole('textbox', { name: 'Text', exact: true })
  await expect(text).toBeFocused()
  await bench.keyboard.type(' At once, $h = 2$.')
  await bench.keyboard.press('Escape')
  await expect(left.locator('.katex')).toHaveCount(1)
  await expect(left.getByRole('button', { name: /^Text/ })).toBeFocused()
  await left.getByRole('button', { name: /^Heading/ }).focus()
  await bench.keyboard.press('F2')
  await bench.keyboard.type(' of the lock')
  await expectNoBarriers(bench, 'a page written where it stands')
  await bench.keyboard.press('Enter')
  await expect(left.getByRole('heading', { name: 'The log of the lock' })).toBeAttached()
  await expect(words('Heading')).toHaveValue('The log of the lock')
  // Letters typed in a row are one step.
  await bench.getByRole('button', { name: /^Undo/ }).click()
  await expect(words('Heading')).toHaveValue('The log')
  const more = left.getByRole('button', { name: 'More…' })
  await more.scrollIntoViewIfNeeded()
  await more.press('Enter')
  await bench.getByRole('menuitem', { name: 'Fact' }).click()
  await words('Words over the fact').fill('Mark')
  // From what stands over a fact Enter leads to the fact.
  await left.getByRole('button', { name: /^Fact/ }).focus()
  await bench.keyboard.press('F2')
  await bench.keyboard.type(' this')
  await bench.keyboard.press('Enter')
  await bench.keyboard.type('Water lies flat.')
  await bench.keyboard.press('Escape')
  await expect(left.getByRole('button', { name: /^Fact/ })).toBeFocused()
  await expect(left.getByText('Mark this')).toBeAttached()
  await expect(words('Text')).toHaveValue('Water lies flat.')
  await expectKept(bench)
  expect(desk.errors).toEqual([])
})
