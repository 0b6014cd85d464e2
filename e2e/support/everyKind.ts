// Every kind of question as a test meets it: how it is written on the bench, answered wrong and right, and what the results
// say then.
import { expect, type Locator, type Page } from '@playwright/test'
import { unfold } from './bench.ts'

/** What a kind is called, how it is written, how it is answered, and what the results say of it. */
export interface Kind {
  name: string
  stem: string
  write(): Promise<void>
  wrong(sheet: Locator): Promise<void>
  right(sheet: Locator): Promise<void>
  verdicts: [wrong: string, right: string]
  results: [wrong: string, right: string]
}

/** The smallest picture there is. */
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

export const option = (sheet: Locator, text: string) =>
  sheet.locator('label').filter({ hasText: text }).click()
const pickIn = (sheet: Locator, label: string, text: string) =>
  sheet.getByLabel(label, { exact: true }).selectOption(text)

/** Speaks for a second into the made-up microphone. */
async function record(sheet: Locator): Promise<void> {
  await sheet.getByRole('button', { name: 'Start recording' }).click()
  await expect(sheet.getByText(/^0:0[1-9] \/ /)).toBeVisible()
  await sheet.getByRole('button', { name: 'Stop', exact: true }).click()
  await expect(sheet.getByText('Arrived')).toBeVisible()
}

/** The sheet beside the stage, and how a test works on it. */
export function sheetOf(bench: Page) {
  const side = () => bench.locator('.side')
  const field = (label: string) => side().getByLabel(label, { exact: true })
  const press = (name: string) => side().getByRole('button', { name, exact: true }).click()

  const choose = async (label: string, wanted: string): Promise<void> => {
    await side().getByRole('combobox', { name: label, exact: true }).click()
    await bench.getByRole('option', { name: wanted, exact: true }).click()
    await expect(bench.getByRole('listbox')).toHaveCount(0)
  }
  /** Writes into a field that takes what is written once it is left. */
  const enter = async (label: string, words: string): Promise<void> => {
    await field(label).fill(words)
    await field(label).press('Enter')
  }
  return { side, field, press, choose, enter }
}

export function everyKind(bench: Page): Kind[] {
  const { side, field, press, choose, enter } = sheetOf(bench)
  return [
    {
      name: 'Choice',
      stem: 'What lets the water through?',
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
      name: 'True or false',
      stem: 'A gate is moved when both sides are level.',
      write: () => choose('This statement is', 'true'),
      wrong: (sheet) => option(sheet, 'False'),
      right: (sheet) => option(sheet, 'True'),
      verdicts: ['Not right', 'Right'],
      results: ['False', 'True'],
    },
    {
      name: 'Short answer',
      stem: 'With what is a paddle wound?',
      async write() {
        await field('Answer 1').fill('windlass')
        await press('Add an answer')
        await field('Answer 2').fill('(a|the windlas')
        await side().getByText('Compared as words, earns 100%; what is said to it').nth(1).click()
        await side().getByRole('combobox', { name: 'Compared as' }).click()
        await bench.getByRole('option', { name: 'a pattern' }).click()
        await expect(side().getByText('A bracket is opened and not closed')).toBeVisible()
        await field('Answer 2').fill('(a|the) windlass')
        await field('Try an answer').fill('Windlas')
        await expect(side().getByText('This would be right.')).toBeVisible()
        await unfold(bench, 'How words are compared')
        await expect(side().getByText(/^Other words, and no slips: .*windless/)).toBeVisible()
        await field('Try an answer').fill('windless')
        await expect(side().getByText('This would be wrong.')).toBeVisible()
      },
      wrong: (sheet) => sheet.getByRole('textbox').fill('a spanner'),
      right: (sheet) => sheet.getByRole('textbox').fill('The Windlass'),
      verdicts: ['Not right', 'Right'],
      results: ['a spanner', 'The Windlass'],
    },
    {
      name: 'Number',
      stem: 'A chamber is 20 m by 2.5 m, and rises by 2 m. How much is that?',
      async write() {
        await field('Number').fill('100')
        await field('Unit').fill('m³')
        await unfold(bench, 'Hint and explanation')
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
      name: 'Gaps in a passage',
      stem: 'Fill in what is missing.',
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
      name: 'Order',
      stem: 'In which order?',
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
      name: 'Matching',
      stem: 'What does each do?',
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
      name: 'Place on a picture',
      stem: 'Where is the middle?',
      async write() {
        await press('Add a place')
        await field('What lies there').fill('The middle')
        await press('Add a place')
        await field('What lies there').fill('The corner')
        await expect(
          side().getByRole('checkbox', { name: 'This is a right place' }),
        ).not.toBeChecked()
        await enter('Left', '0')
        await enter('Top', '0')
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
      name: 'Long answer',
      stem: 'Say it to a visitor.',
      async write() {
        await enter('Words at least (0 for any)', '3')
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
      verdicts: ['Handed in. A person will mark it.', 'Handed in. A person will mark it.'],
      results: ['I do not know.', 'The gate holds the water.'],
    },
    {
      name: 'Poll',
      stem: 'Whom would you take first?',
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
      name: 'Scale',
      stem: 'How sure are you?',
      write: () => field('Words at its end').fill('Very'),
      wrong: (sheet) => sheet.locator('label').filter({ hasText: '1' }).click(),
      right: (sheet) => sheet.locator('label').filter({ hasText: '5' }).click(),
      verdicts: ['Thank you. Your answer is kept.', 'Thank you. Your answer is kept.'],
      results: ['1', '5 (Very)'],
    },
    {
      name: 'Self-check list',
      stem: 'What is done?',
      async write() {
        await field('Line 1').fill('Windlass packed')
        await field('Line 2').fill('Gloves packed')
      },
      wrong: (sheet) => option(sheet, 'Gloves packed'),
      async right(sheet) {
        await option(sheet, 'Windlass packed')
        await option(sheet, 'Gloves packed')
      },
      verdicts: ['Thank you. Your answer is kept.', 'Thank you. Your answer is kept.'],
      results: ['Gloves packed', 'Windlass packed; Gloves packed'],
    },
    {
      name: 'Recap',
      stem: 'What do you keep?',
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
    {
      name: 'Files to hand in',
      stem: 'Hand in your sketch.',
      async write() {
        await side().getByText('Pictures; on a phone the camera opens').click()
        await side().getByText('Documents: PDF, text, slides, tables').click()
        await expect(side().getByText('Tick at least one sort of file.')).toBeVisible()
        await side().getByText('Pictures; on a phone the camera opens').click()
        await side().getByText('Documents: PDF, text, slides, tables').click()
      },
      async wrong(sheet) {
        const lies = {
          name: 'sketch.png',
          mimeType: 'image/png',
          buffer: Buffer.from([0, 1, 2, 3]),
        }
        await sheet.getByLabel('Choose a file').setInputFiles(lies)
        await expect(sheet.getByText('“sketch.png” was not taken.')).toBeVisible()
        const notes = {
          name: 'Notes.txt',
          mimeType: 'text/plain',
          buffer: Buffer.from('Gate, sill.'),
        }
        await sheet.getByLabel('Choose a file').setInputFiles(notes)
        await expect(sheet.getByText('Arrived')).toBeVisible()
      },
      async right(sheet) {
        const sketch = { name: 'Sketch.png', mimeType: 'image/png', buffer: PNG }
        await sheet.getByLabel('Choose a file').setInputFiles(sketch)
        await expect(sheet.getByText('Arrived')).toBeVisible()
      },
      verdicts: ['Handed in. A person will mark it.', 'Handed in. A person will mark it.'],
      results: ['Notes.txt', 'Sketch.png'],
    },
    {
      name: 'Recording',
      stem: 'Say it aloud.',
      async write() {
        await enter('As long as, at most', '20')
      },
      wrong: record,
      right: record,
      verdicts: ['Handed in. A person will mark it.', 'Handed in. A person will mark it.'],
      results: ['Voice 0:0', 'Voice 0:0'],
    },
    {
      name: 'Term cards',
      stem: 'Do you know the words?',
      async write() {
        await press('Paste a list')
        await side()
          .getByLabel('One card a line')
          .fill('Sill: the step under the gates\nPound: the level between two locks')
        await press('Take in 2 lines')
        await expect(field('Meaning 2')).toHaveValue('the level between two locks')
      },
      async wrong(sheet) {
        await sheet.getByRole('button', { name: 'Turn the card over' }).click()
        await expect(sheet.getByText('the step under the gates')).toBeVisible()
        await sheet.getByRole('button', { name: 'Not yet' }).click()
        await expect(sheet.getByText('0 of 2 known')).toBeVisible()
      },
      async right(sheet) {
        await sheet.getByRole('button', { name: 'Match', exact: true }).press('Enter')
        await sheet.getByRole('button', { name: 'Sill' }).press('Enter')
        await sheet.getByRole('button', { name: 'the level between two locks' }).press('Enter')
        await expect(sheet.getByText('These two do not belong together.')).toBeVisible()
        for (const [term, meaning] of [
          ['Sill', 'the step under the gates'],
          ['Pound', 'the level between two locks'],
        ]) {
          await sheet.getByRole('button', { name: term! }).press('Enter')
          await sheet.getByRole('button', { name: meaning! }).press('Enter')
        }
        await expect(sheet.getByText('All matched.')).toBeVisible()
      },
      verdicts: ['Thank you. Your answer is kept.', 'Thank you. Your answer is kept.'],
      results: ['nothing', 'Sill; Pound'],
    },
  ]
}
