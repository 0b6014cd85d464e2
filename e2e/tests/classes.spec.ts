// A class from its first name on: a roster pasted, cards printed, a lesson assigned, learned on a phone, and seen by the
// teacher; joining by a code; a card that was lost.
import { execFile } from 'node:child_process'
import { readFile } from 'node:fs/promises'
import { promisify } from 'node:util'
import { expect, test, type Page } from '@playwright/test'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { expectNoBarriers } from '../support/barriers.ts'
import { openDesk, openPhone, signIn, watchForErrors } from '../support/pages.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let desk: Page
let errors: string[]
/** What stands on Perrin's card. */
let phrase = ''
let code = ''
const PASSWORD = 'a heron on the weir'

test.beforeAll(async ({ browser }) => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
  desk = await openDesk(browser)
  errors = watchForErrors(desk)
  await signIn(desk, server.url, 'designer@harrowmere.example', DEMO_PASSWORD)
})
test.afterAll(() => server?.stop())

const phoneOf = (page: Page) => openPhone(page.context().browser()!)
/** Prints with the button that is pressed, and reads the words of the PDF. */
async function print(press: () => Promise<void>): Promise<string> {
  const downloaded = desk.waitForEvent('download')
  await press()
  const path = await (await downloaded).path()
  return (await promisify(execFile)('pdftotext', ['-layout', path, '-'])).stdout
}
const phraseIn = (words: string) => /([a-z]+-[a-z]+-[a-z]+-[a-z]+)/.exec(words)![1]!

test('a roster is pasted, and told of before it is taken in', async () => {
  await desk.getByRole('link', { name: 'Classes' }).click()
  await expect(desk.getByRole('link', { name: /Spring intake\s*26 people/ })).toBeVisible()
  await expectNoBarriers(desk, 'classes')
  await desk.getByLabel('Name of a new class').fill('Weekend keepers')
  await desk.keyboard.press('Enter')
  await desk.getByRole('button', { name: 'Add names' }).click()
  const names = desk.getByLabel('Names, one a line, or a table')
  await names.fill('Askew\tPerrin\nGale\tWren\naskew\tperrin\n=1+1\t')
  await desk.getByLabel('Column 1 is').selectOption('Last name')
  await desk.getByLabel('Column 2 is').selectOption('First name')
  const plan = desk.getByRole('region', { name: 'What will happen' })
  await expect(plan.getByText('2 are new')).toBeVisible()
  await expect(plan.getByText('One name stands twice')).toBeVisible()
  await expect(plan.getByText('One is no name')).toBeVisible()
  await expect(plan.getByRole('row', { name: /=1\+1 A spreadsheet would take it/ })).toBeVisible()
  await expectNoBarriers(desk, 'a roster before it is taken in')
  await plan.getByRole('button', { name: 'Add 2 people' }).click()
  await expect(desk.getByRole('row', { name: /Perrin Askew perrin\.askew Card/ })).toBeVisible()
})

test('cards are printed, and one is made anew', async () => {
  const words = await print(() => desk.getByRole('button', { name: 'Print 2 cards' }).click())
  expect(words).toMatch(/Perrin Askew[\s\S]*perrin\.askew/)
  // By keyboard: the sheet takes the focus, and gives it back.
  const perrin = desk.getByRole('button', { name: 'Perrin Askew' })
  await perrin.press('Enter')
  await expect(desk.getByRole('heading', { name: 'Perrin Askew' })).toBeFocused()
  await desk.keyboard.press('Escape')
  await expect(perrin).toBeFocused()
  await perrin.press('Enter')
  await expectNoBarriers(desk, 'somebody of a class')
  const again = await print(() => desk.getByRole('button', { name: 'Print this card' }).click())
  expect(words).toContain(phraseIn(again))
  const anew = await print(() => desk.getByRole('button', { name: 'Make a new card' }).click())
  phrase = phraseIn(anew)
  expect(words).not.toContain(phrase)
  await desk.getByRole('textbox', { name: 'Name', exact: true }).fill('Perrin Askew-Finch')
  await desk.getByRole('button', { name: 'Correct' }).click()
  await expect(desk.getByRole('row', { name: /Perrin Askew-Finch/ })).toBeVisible()
})

test('a lesson is assigned under rules', async () => {
  await desk.getByRole('link', { name: 'Assignments' }).click()
  await desk.getByRole('button', { name: 'Assign a lesson' }).click()
  await expectNoBarriers(desk, 'assigning')
  const pick = async (field: string, choice: string) => {
    await desk.getByRole('combobox', { name: field }).click()
    await desk.getByRole('option', { name: choice, exact: true }).click()
  }
  await pick('Lesson', 'Night Passage')
  await desk.getByLabel('Due').fill('2199-03-02T09:00')
  await desk.getByLabel('Closes').fill('2199-03-01T09:00')
  await expect(desk.getByText('It would close before it is due.')).toBeVisible()
  await desk.getByLabel('Closes').fill('2199-03-05T09:00')
  await pick('Fastest speed', '1.25×')
  await pick('Complete once', 'the learner says so')
  await desk.getByRole('button', { name: 'Assign it' }).click()
  await expect(desk.getByText('0 of 2 have begun')).toBeVisible()
  await expect(desk.getByText(/due .*9:00.* · closes/)).toBeVisible()
  await expectNoBarriers(desk, 'assignments of a class')
  // A second one goes before it, by the keyboard.
  await desk.getByRole('button', { name: 'Assign a lesson' }).click()
  await pick('Lesson', 'Water That Climbs')
  await desk.getByRole('button', { name: 'Assign it' }).click()
  await desk.getByRole('button', { name: 'Put “Water That Climbs” earlier' }).press('Enter')
  const titles = desk.getByRole('list', { name: 'Assignments' }).locator('.title')
  await expect(titles).toHaveText(['Water That Climbs', 'Night Passage'])
})

test('its square lets a learner in on a phone, to choose a password and begin', async () => {
  const phone = await phoneOf(desk)
  const complaints = watchForErrors(phone)
  await phone.goto(`${server.url}/sign-in#card=perrin.askew:${phrase}`)
  await expect(phone.getByRole('heading', { name: 'Welcome, Perrin Askew-Finch' })).toBeVisible()
  expect(phone.url()).not.toContain(phrase)
  await expectNoBarriers(phone, 'choosing a password')
  // Nothing else is open before a password is chosen, and the card waits.
  await phone.goto(`${server.url}/`)
  await phone.getByLabel('New password').fill('password1')
  await phone.keyboard.press('Enter')
  await expect(phone.getByText(/too easy to guess/)).toBeVisible()
  await phone.getByLabel('New password').fill(PASSWORD)
  await phone.keyboard.press('Enter')
  await expect(phone.getByRole('heading', { name: 'Weekend keepers' })).toBeVisible()
  await expect(phone.getByText(/^Due /)).toBeVisible()
  await expectNoBarriers(phone, 'a learner’s home on a phone')
  const wide = await phone.evaluate(() => document.documentElement.scrollWidth - innerWidth)
  expect(wide).toBeLessThanOrEqual(0)
  await phone.getByRole('button', { name: 'Begin “Night Passage”' }).tap()
  await phone.waitForURL(/\/learn\//)
  await expect(phone.getByLabel('Speed').locator('option')).toHaveText(['0.75×', '1×', '1.25×'])
  await phone.goto(server.url)
  await phone.getByRole('button', { name: 'I have worked through it' }).tap()
  await expect(phone.getByText('Done', { exact: true })).toBeVisible()
  await expect(phone.getByRole('link', { name: 'Go on' })).toBeVisible()
  expect(complaints).toEqual([])
  await phone.context().close()
})

test('the teacher sees who is done', async () => {
  await desk.getByRole('link', { name: 'Night Passage' }).click()
  await expect(desk.getByText('One of 2 is done. One has not begun.')).toBeVisible()
  await expect(desk.getByRole('row', { name: /Perrin Askew-Finch Done/ })).toBeVisible()
  await expect(desk.getByRole('row', { name: /Wren Gale Not begun/ })).toBeVisible()
  await expectNoBarriers(desk, 'how a class stands')
  const downloaded = desk.waitForEvent('download')
  await desk.getByRole('link', { name: 'CSV' }).click()
  const lines = (await readFile(await (await downloaded).path(), 'utf8')).split('\r\n')
  expect(lines[1]).toMatch(/^Perrin Askew-Finch,Done,[\d.]+,0,\d+,0,\d+,1,20/)
  await desk.getByRole('link', { name: 'Who is where now' }).click()
  const perrin = desk.getByRole('listitem').filter({ hasText: 'Perrin' })
  await expect(perrin).toContainText(/Has opened it|1\. /)
  await expect(desk.getByRole('listitem').filter({ hasText: 'Wren' })).toContainText(
    'Has not begun',
  )
  await expectNoBarriers(desk, 'who is where now')
  await desk.getByRole('link', { name: 'How the class stands' }).click()
  await desk.getByRole('link', { name: 'To the class' }).click()
})

test('a code lets others join, by keyboard alone, and runs out when it is ended', async () => {
  await desk.getByRole('link', { name: 'People' }).click()
  await desk.getByRole('button', { name: 'Join by code' }).click()
  await desk.getByRole('button', { name: 'Open it with a new code' }).click()
  code = await desk.getByTestId('join-code').innerText()
  await expectNoBarriers(desk, 'the code of a class')
  const phone = await phoneOf(desk)
  await phone.goto(`${server.url}/join`)
  await phone.getByLabel('Code of the class').fill(code.toLowerCase().replace('-', ' '))
  await phone.keyboard.press('Enter')
  await phone.getByLabel('Your first and last name').fill('Tamsin Vole')
  await expectNoBarriers(phone, 'joining a class')
  await phone.keyboard.press('Tab')
  await phone.keyboard.type(PASSWORD)
  await phone.keyboard.press('Enter')
  await expect(phone.getByText('tamsin.vole')).toBeVisible()
  await phone.getByRole('link', { name: 'Go to your lessons' }).press('Enter')
  await expect(phone.getByRole('heading', { name: 'Weekend keepers' })).toBeVisible()
  await phone.context().close()
  await desk.getByRole('button', { name: 'Let nobody else join' }).click()
  const late = await phoneOf(desk)
  await late.goto(`${server.url}/join/${code}`)
  await expect(late.getByText(/No class can be joined with this code/)).toBeVisible()
  await late.context().close()
  await desk.reload()
  await expect(desk.getByRole('row', { name: /Tamsin Vole/ })).toBeVisible()
  expect(errors).toEqual([])
})
