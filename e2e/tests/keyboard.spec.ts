// From an empty lesson to one that a class has, by the keyboard alone, and with few presses: words do not count.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Locator, type Page } from '@playwright/test'
import { CAPTIONS, makeFilm } from '../support/films.ts'
import { expectKept, signIn, watchForErrors } from '../support/pages.ts'
import { DESIGNER, startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let bench: Page
let errors: string[]
let folder: string
/** Presses of keys since the empty lesson was opened. */
let presses = 0

test.beforeAll(async ({ browser }) => {
  server = await startRealServer()
  folder = mkdtempSync(join(tmpdir(), 'fernbrake-keys-'))
  bench = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  errors = watchForErrors(bench)
  await signIn(bench, server.url, DESIGNER.email)
  const data = { id: 'keys', title: 'Weekend keepers', timeZone: 'Europe/London' }
  const headers = { origin: server.url }
  expect((await bench.request.post(`${server.url}/api/classes`, { data, headers })).status()).toBe(
    201,
  )
  await bench.getByLabel('Title of a new lesson').fill('By the keys alone')
  await bench.keyboard.press('Enter')
  await expect(bench.getByRole('heading', { name: 'Put a film in' })).toBeVisible()
})
test.afterAll(async () => {
  await server?.stop()
  rmSync(folder, { recursive: true, force: true })
})

const side = () => bench.locator('.side')
const press = async (...keys: string[]) => {
  for (const key of keys) await bench.keyboard.press(key)
  presses += keys.length
}
const isFocused = (what: Locator) => what.evaluate((element) => element === document.activeElement)
/** Goes on with Tab until it has the focus. */
async function tabTo(what: Locator, most: number): Promise<void> {
  await expect(what).toBeVisible()
  for (let count = 0; count < most && !(await isFocused(what)); count += 1) await press('Tab')
  await expect(what).toBeFocused()
}
/** Words go where the focus is. */
const write = async (words: string) => {
  await expect(bench.locator(':is(input, textarea):focus')).toBeFocused()
  await bench.keyboard.type(words)
}

test('a film comes in with its captions', async () => {
  const captions = join(folder, 'said.vtt')
  writeFileSync(captions, CAPTIONS)
  await press('F6', 'F6', 'F6')
  await tabTo(bench.locator('button', { hasText: 'Choose a film' }), 3)
  const chooser = bench.waitForEvent('filechooser')
  await press('Enter')
  await (await chooser).setFiles([makeFilm(folder, 12), captions])
  await expect(side().getByText('The keeper shuts the lower gates.')).toBeVisible()
  await expect(bench.getByText('/ 0:12')).toBeVisible()
})

test('a choice question of four options, with what is said of right and wrong', async () => {
  await press('Shift+ArrowRight', 'Shift+ArrowRight', 'Shift+ArrowRight')
  await expect(bench.getByTestId('timecode')).toHaveValue('00:00:03:00')
  await press('q')
  await write('What is shut?')
  await tabTo(side().getByRole('textbox', { name: 'Option 1', exact: true }), 6)
  for (const [index, option] of ['A paddle', 'The gates', 'A sill', 'A quay'].entries()) {
    if (index > 0) await press('Enter')
    await write(option)
    if (index === 1) await press('Control+Enter')
  }
  await expect(side().getByRole('radio', { name: 'Option 2 is right' })).toBeChecked()
  const right = side().getByRole('textbox', { name: 'When right', exact: true })
  for (let group = 0; group < 4 && !(await isFocused(right)); group += 1)
    await press('Alt+PageDown')
  await expect(right).toBeFocused()
  await write('Both of them.')
  await tabTo(side().getByRole('textbox', { name: 'When wrong', exact: true }), 3)
  await write('Listen to the first line once more.')
  await press('Escape')
  await expectKept(bench)
})

test('a label with a line, moved to a calm spot, for as long as is said', async () => {
  await press('Shift+O')
  await write('The gate')
  await tabTo(side().getByLabel('Goes', { exact: true }), 4)
  await press('Control+a')
  await write('0:08')
  await press('Enter')
  await tabTo(side().getByRole('button', { name: 'Move to calm spot 1' }), 2)
  await press('Enter', 'Escape')
  await expect(bench.locator('.stage .overlay')).toHaveText('The gate')
  await expectKept(bench)
})

test('it is published, and given to a class', async () => {
  await press('p')
  const dialog = bench.getByRole('dialog')
  const publish = dialog.getByRole('button', { name: 'Publish edition 1' })
  // Nobody can press it before it is known who is inside.
  await expect(publish).toBeEnabled()
  // Whoever presses Enter too early has published nothing.
  await expect(dialog.getByRole('button', { name: 'Not now' })).toBeFocused()
  await press('Shift+Tab')
  await expect(publish).toBeFocused()
  await press('Enter')
  const give = dialog.getByRole('link', { name: 'Choose when it is due' })
  await expect(give).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Copy the link' })).toBeFocused()
  // From an empty lesson to a published one.
  expect(presses).toBeLessThan(60)
  await tabTo(give, 8)
  await press('Enter')
  const due = bench.getByLabel('Due')
  await tabTo(due, 12)
  await due.fill('2199-03-01T12:00')
  await press('Enter')
  await expect(bench.getByText('0 of 0 have begun')).toBeVisible()
  expect(presses).toBeLessThan(80)
  expect(errors).toEqual([])
})
