// Every kind of question: written on the bench, answered wrong and right by two learners, one of them on a phone, and
// seen in the results.
import { expect, test, type Page } from '@playwright/test'
import { startBench, type Bench } from '../support/bench.ts'
import { everyKind, option, sheetOf, type Kind } from '../support/everyKind.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { expectKept, goInAsGuest, goTo, watchForErrors } from '../support/pages.ts'

test.describe.configure({ mode: 'serial' })

/** So far apart are the questions, in seconds. */
const APART_S = 0.4

let desk: Bench
let bench: Page
let errors: string[]
let link = ''
let kinds: Kind[]

test.beforeAll(async ({ browser }) => {
  test.setTimeout(480_000)
  desk = await startBench(browser, { title: 'Every Kind of Question', seconds: 7 })
  ;({ page: bench, errors } = desk)
  kinds = everyKind(bench)
})
test.afterAll(() => desk?.stop())

test('each kind is written, with the stage in view', async () => {
  for (const [index, kind] of kinds.entries()) {
    await goTo(bench, ((index + 1) * APART_S).toFixed(1))
    await bench.locator('body').press('q')
    const { side, press, choose } = sheetOf(bench)
    if (kind.name !== 'Choice') await choose('Kind of question', kind.name)
    const stem = kind.name === 'True or false' ? 'Statement' : 'Question'
    await side().getByRole('textbox', { name: stem, exact: true }).fill(kind.stem)
    await kind.write()
    await expectNoBarriers(bench, `writing: ${kind.name}`, '.side')
    await press('Close')
  }
  await expectKept(bench)
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await bench.getByTestId('publish').click()
  link = await bench.getByTestId('link').inputValue()
  await bench.keyboard.press('Escape')
  expect(errors).toEqual([])
})

/** Goes in as a guest and meets question after question. */
async function workThrough(page: Page, name: string, answer: 'wrong' | 'right'): Promise<void> {
  const complaints = watchForErrors(page)
  await goInAsGuest(page, link, name)
  await expect(page.locator('video')).toBeVisible()
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  for (const kind of kinds) {
    const sheet = page.locator('section.question')
    await expect(sheet.getByRole('heading', { name: kind.stem })).toBeVisible()
    // The one looks at each question before it is answered, the other after.
    if (answer === 'right') await expectNoBarriers(page, `asked: ${kind.name}`, '.beside')
    await kind[answer](sheet)
    await sheet.getByRole('button', { name: 'Give this answer' }).click()
    const verdict = kind.verdicts[answer === 'wrong' ? 0 : 1]
    await expect(sheet.locator('.verdict')).toContainText(verdict)
    if (kind.name === 'Number' && answer === 'right')
      await expect(sheet.locator('.katex')).toBeVisible()
    if (kind.name === 'Poll') await expect(sheet.getByText(/answers? so far/)).toBeVisible()
    if (answer === 'wrong') await expectNoBarriers(page, `answered: ${kind.name}`, '.beside')
    await sheet.getByRole('button', { name: 'Go on watching' }).click()
  }
  await expect(page.getByText('You have reached the end.')).toBeVisible()
  await expect(page.getByText('Everything is kept. You can close this page.')).toBeVisible()
  expect(complaints).toEqual([])
}

test('one learner answers each kind wrong and is told so, another on a phone answers each right', async ({
  browser,
}) => {
  const desk = await browser.newContext()
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } })
  await Promise.all([
    workThrough(await desk.newPage(), 'Viggo Lanthorne', 'wrong'),
    workThrough(await phone.newPage(), 'Sunniva Ackerley', 'right'),
  ])
  await desk.close()
  await phone.close()
})

test('a long answer that is being written survives a closed tab', async ({ browser }) => {
  const context = await browser.newContext()
  const page = await context.newPage()
  await goInAsGuest(page, link, 'Odile Harcastle')
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  const sheet = () => page.locator('section.question')
  await expect(sheet().getByRole('heading', { name: kinds[0]!.stem })).toBeVisible()
  await option(sheet(), 'A sill')
  await expect
    .poll(() => page.evaluate(() => Object.keys(localStorage).join()))
    .toContain('fernbrake-answer')
  await page.reload()
  await expect(sheet().getByRole('radio', { name: 'A sill' })).toBeChecked()
  await context.close()
})

test('results tell what each of them said', async () => {
  await bench.getByRole('link', { name: 'Results' }).click()
  for (const [name, side] of [
    ['Viggo Lanthorne', 0],
    ['Sunniva Ackerley', 1],
  ] as const) {
    const row = bench.getByRole('row', { name: new RegExp(name) })
    await expect(row).toContainText('16 / 16')
    await row.getByRole('button').click()
    const detail = bench.locator('.detail')
    for (const kind of kinds) {
      const item = detail.locator('ol > li').filter({ hasText: kind.stem })
      await expect(item).toContainText(kind.results[side])
    }
    await expectNoBarriers(bench, `results of ${name}`)
    await row.getByRole('button').click()
  }
  const poll = bench.getByRole('row', { name: /Whom would you take first/ }).first()
  await expect(poll).toContainText('not marked')
  await expect(poll).toContainText('From below')
  expect(errors).toEqual([])
})
