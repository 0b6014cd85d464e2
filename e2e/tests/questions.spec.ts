// Every kind of question: written on the bench, answered wrong and right by two learners, one of them on a phone, and
// seen in the results.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Locator, type Page } from '@playwright/test'
import { makeFilm } from '../support/films.ts'
import { expectKept, expectNoBarriers, signIn, watchForErrors } from '../support/pages.ts'
import { DESIGNER, startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

/** So far apart are the questions, in seconds. */
const APART_S = 0.4

let server: RealServer
let folder: string
let bench: Page
let errors: string[]
let link = ''

test.beforeAll(async ({ browser }) => {
  test.setTimeout(900_000)
  server = await startRealServer()
  folder = mkdtempSync(join(tmpdir(), 'fernbrake-questions-'))
  bench = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  errors = watchForErrors(bench)
  await signIn(bench, server.url, DESIGNER.email)
  await bench.getByLabel('Title of a new lesson').fill('Every Kind of Question')
  await bench.getByRole('button', { name: 'Begin this lesson' }).click()
  await bench.getByTestId('film').setInputFiles(makeFilm(folder, 7))
  await expect(bench.getByText('/ 0:07')).toBeVisible()
})
test.afterAll(async () => {
  await server?.stop()
  rmSync(folder, { recursive: true, force: true })
})

const side = () => bench.locator('.side')
const field = (label: string) => side().getByLabel(label, { exact: true })
const press = (name: string) => side().getByRole('button', { name, exact: true }).click()

async function choose(label: string, option: string): Promise<void> {
  await side().getByRole('combobox', { name: label, exact: true }).click()
  await bench.getByRole('option', { name: option, exact: true }).click()
  await expect(bench.getByRole('listbox')).toHaveCount(0)
}

/** What a kind is called, how it is written, how it is answered, and what the results say of it. */
interface Kind {
  name: string
  stem: string
  write(): Promise<void>
  wrong(sheet: Locator): Promise<void>
  right(sheet: Locator): Promise<void>
  verdicts: [wrong: string, right: string]
  results: [wrong: string, right: string]
}

const option = (sheet: Locator, text: string) =>
  sheet.locator('label').filter({ hasText: text }).click()
const pickIn = (sheet: Locator, label: string, text: string) =>
  sheet.getByLabel(label, { exact: true }).selectOption(text)

const KINDS: Kind[] = [
  {
    ...{ name: 'Choice', stem: 'What lets the water through?' },
    async write() {
      await press('Paste a list')
      await side().getByLabel('One a line.').fill('A gate\n* A paddle\nA sill')
      await press('Take in 3 lines')
      await expect(side().getByRole('radio', { name: 'Option 2 is right' })).toBeChecked()
      await side().getByText('Mix the options for each learner').click()
    },
    wrong: (sheet) => option(sheet, 'A gate'),
    right: (sheet) => option(sheet, 'A paddle'),
    verdicts: ['Not right', 'Right'],
    results: ['A gate', 'A paddle'],
  },
  {
    ...{ name: 'True or false', stem: 'A gate is moved when both sides are level.' },
    write: () => choose('This statement is', 'true'),
    wrong: (sheet) => option(sheet, 'False'),
    right: (sheet) => option(sheet, 'True'),
    verdicts: ['Not right', 'Right'],
    results: ['False', 'True'],
  },
  {
    ...{ name: 'Short answer', stem: 'With what is a paddle wound?' },
    async write() {
      await field('Answer 1').fill('windlass')
      await press('Add an answer')
      await field('Answer 2').fill('(a|the windlas')
      await side().getByRole('combobox', { name: 'Compared as' }).nth(1).click()
      await bench.getByRole('option', { name: 'a pattern' }).click()
      await expect(side().getByText('A bracket is opened and not closed')).toBeVisible()
      await field('Answer 2').fill('(a|the) windlass')
      await field('Try an answer').fill('Windlas')
      await expect(side().getByText('This would be right.')).toBeVisible()
    },
    wrong: (sheet) => sheet.getByRole('textbox').fill('a spanner'),
    right: (sheet) => sheet.getByRole('textbox').fill('The Windlass'),
    verdicts: ['Not right', 'Right'],
    results: ['a spanner', 'The Windlass'],
  },
  {
    ...{ name: 'Number', stem: 'A chamber is 20 m by 2.5 m, and rises by 2 m. How much is that?' },
    async write() {
      await field('Number').fill('100')
      await field('Unit').fill('m³')
      await field('Explanation afterwards').fill('It is $20 \\times 2.5 \\times 2$ m³.')
      await expect(side().locator('.katex')).toBeVisible()
      await field('Try an answer').fill('100 000 litres')
      await expect(side().getByText('This would be right.')).toBeVisible()
    },
    wrong: (sheet) => sheet.getByRole('textbox').fill('100 kg'),
    right: (sheet) => sheet.getByRole('textbox').fill('100,0 m3'),
    verdicts: ['Partly right', 'Right'],
    results: ['100 kg', '100,0 m3'],
  },
  {
    ...{ name: 'Gaps in a passage', stem: 'Fill in what is missing.' },
    async write() {
      await field('Text with gaps').fill('The [gate] holds, the [paddle')
      await expect(side().getByText('A bracket is opened and not closed.')).toBeVisible()
      await field('Text with gaps').fill('The [gate] holds, the [paddle ~ sill] lets through.')
      await choose('Filled by', 'dragging words')
    },
    async wrong(sheet) {
      await sheet.getByRole('button', { name: 'sill', exact: true }).click()
      await sheet.getByRole('button', { name: 'Gap 2: nothing yet' }).click()
    },
    async right(sheet) {
      for (const [word, gap] of [
        ['gate', 1],
        ['paddle', 2],
      ] as const) {
        await sheet.getByRole('button', { name: word, exact: true }).press('Enter')
        await sheet.getByRole('button', { name: `Gap ${gap}: nothing yet` }).press('Enter')
      }
    },
    verdicts: ['Not right', 'Right'],
    results: ['1: –; 2: sill', '1: gate; 2: paddle'],
  },
  {
    ...{ name: 'Order', stem: 'In which order?' },
    async write() {
      for (const [index, text] of ['Shut', 'Wind', 'Open'].entries())
        await field(`Line ${index + 1}`).fill(text)
      await side().getByRole('button', { name: 'Move up: Line 3' }).click()
      await expect(field('Line 2')).toHaveValue('Open')
      await side().getByRole('button', { name: 'Move down: Line 2' }).click()
    },
    // However they lie, they are not in their order to begin with.
    wrong: (sheet) => expect(sheet.getByRole('listitem')).toHaveCount(3),
    async right(sheet) {
      for (const text of ['Open', 'Wind', 'Shut']) {
        const up = sheet.getByRole('button', { name: `Move up: ${text}` })
        for (let step = 0; step < 2; step += 1) if (await up.isEnabled()) await up.press('Enter')
      }
    },
    verdicts: ['right', 'Right'],
    results: ['1. ', '1. Shut; 2. Wind; 3. Open'],
  },
  {
    ...{ name: 'Matching', stem: 'What does each do?' },
    async write() {
      for (const [index, [left, right]] of [
        ['Gate', 'holds'],
        ['Paddle', 'lets through'],
        ['Sill', 'catches'],
      ].entries()) {
        await field(`Pair ${index + 1}, left`).fill(left!)
        await field(`Pair ${index + 1}, right`).fill(right!)
      }
      await press('Add what fits nowhere')
      await field('Fits nowhere 1').fill('floats')
    },
    wrong: (sheet) => pickIn(sheet, 'Belongs to: Gate', 'floats').then(() => undefined),
    async right(sheet) {
      await pickIn(sheet, 'Belongs to: Gate', 'holds')
      await pickIn(sheet, 'Belongs to: Paddle', 'lets through')
      await pickIn(sheet, 'Belongs to: Sill', 'catches')
    },
    verdicts: ['Not right', 'Right'],
    results: ['Gate → floats', 'Gate → holds; Paddle → lets through; Sill → catches'],
  },
  {
    ...{ name: 'Place on a picture', stem: 'Where is the middle?' },
    async write() {
      await press('Add a place')
      await field('What lies there').fill('The middle')
      await press('Add a place')
      await field('What lies there').fill('The corner')
      await expect(
        side().getByRole('checkbox', { name: 'This is a right place' }),
      ).not.toBeChecked()
      await field('Left').fill('0')
      await field('Left').press('Enter')
      await field('Top').fill('0')
      await field('Top').press('Enter')
      await choose('Shape', 'ellipse')
    },
    async wrong(sheet) {
      const box = (await sheet.getByRole('application').boundingBox())!
      await sheet.page().mouse.click(box.x + box.width * 0.1, box.y + box.height * 0.1)
    },
    async right(sheet) {
      await sheet.getByRole('application').focus()
      await sheet.getByRole('application').press('ArrowRight')
      await sheet.getByRole('application').press('Enter')
    },
    verdicts: ['Not right', 'Right'],
    results: ['The corner', 'The middle'],
  },
  {
    ...{ name: 'Long answer', stem: 'Say it to a visitor.' },
    async write() {
      await field('Words at least (0 for any)').fill('3')
      await field('Words at least (0 for any)').press('Enter')
      await field('A good answer, shown afterwards').fill(
        'The gate holds, the paddle lets through.',
      )
    },
    wrong: (sheet) => sheet.getByRole('textbox').fill('I do not know.'),
    async right(sheet) {
      await sheet.getByRole('textbox').fill('Too few')
      await expect(sheet.getByRole('button', { name: 'Give this answer' })).toBeDisabled()
      await sheet.getByRole('textbox').fill('The gate holds the water.')
    },
    verdicts: ['Handed in. A person will read it.', 'Handed in. A person will read it.'],
    results: ['I do not know.', 'The gate holds the water.'],
  },
  {
    ...{ name: 'Poll', stem: 'Whom would you take first?' },
    async write() {
      await field('Option 1').fill('From below')
      await field('Option 2').fill('From above')
    },
    wrong: (sheet) => option(sheet, 'From below'),
    right: (sheet) => option(sheet, 'From above'),
    verdicts: ['Thank you. Your answer is kept.', 'Thank you. Your answer is kept.'],
    results: ['From below', 'From above'],
  },
  {
    ...{ name: 'Scale', stem: 'How sure are you?' },
    write: () => field('Words at its end').fill('Very'),
    wrong: (sheet) => sheet.locator('label').filter({ hasText: '1' }).click(),
    right: (sheet) => sheet.locator('label').filter({ hasText: '5' }).click(),
    verdicts: ['Thank you. Your answer is kept.', 'Thank you. Your answer is kept.'],
    results: ['1', '5 (Very)'],
  },
  {
    ...{ name: 'Self-check list', stem: 'What is done?' },
    async write() {
      await field('Line 1').fill('Windlass packed')
      await field('Line 2').fill('Gloves packed')
    },
    wrong: (sheet) => option(sheet, 'Gloves packed'),
    async right(sheet) {
      await option(sheet, 'Windlass packed')
      await option(sheet, 'Gloves packed')
    },
    verdicts: ['Partly right', 'Right'],
    results: ['Gloves packed', 'Windlass packed; Gloves packed'],
  },
  {
    ...{ name: 'Recap', stem: 'What do you keep?' },
    async write() {
      for (const set of [1, 2]) {
        await field(`Set ${set}, statement 1`).fill(`False of set ${set}`)
        await field(`Set ${set}, statement 2`).fill(`True of set ${set}`)
        await side()
          .getByRole('radio', { name: `Statement 2 of set ${set} is true` })
          .check()
      }
    },
    async wrong(sheet) {
      for (const set of [1, 2])
        for (const word of ['False', 'True'])
          await sheet.getByRole('button', { name: `${word} of set ${set}` }).click()
    },
    async right(sheet) {
      for (const set of [1, 2])
        await sheet.getByRole('button', { name: `True of set ${set}` }).press('Enter')
    },
    verdicts: ['Partly right', 'Right'],
    results: ['False of set 1 → True of set 1', 'True of set 1; True of set 2'],
  },
]

test('each kind is written, with the stage in view', async () => {
  for (const [index, kind] of KINDS.entries()) {
    const time = bench.getByTestId('timecode')
    await time.fill(((index + 1) * APART_S).toFixed(1))
    await time.press('Enter')
    await time.blur()
    await bench.locator('body').press('q')
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
  await page.goto(link)
  await page.getByLabel('Your first and last name').fill(name)
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
  await expect(page.locator('video')).toBeVisible()
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  for (const kind of KINDS) {
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
  await page.goto(link)
  await page.getByLabel('Your first and last name').fill('Odile Harcastle')
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  const sheet = () => page.locator('section.question')
  await expect(sheet().getByRole('heading', { name: KINDS[0]!.stem })).toBeVisible()
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
    await expect(row).toContainText('13 / 13')
    await row.getByRole('button').click()
    const detail = bench.locator('.detail')
    for (const kind of KINDS) {
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
