// Authoring with the hands on the keys: what is placed is written at once, and what is closed gives the focus back.
import { expect, test, type Page } from '@playwright/test'
import { startBench, type Bench } from '../support/bench.ts'
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
  expect(desk.errors).toEqual([])
})
