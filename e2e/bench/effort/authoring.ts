// The first nine jobs: what a designer does on the bench all day long.
import { expect, type Locator, type Page } from '@playwright/test'
import { goTo } from '../../support/pages.ts'
import type { Hands } from './hands.ts'

/** What a job has to work with: the bench of a lesson, which is at the job’s beginning. */
export interface Desk {
  page: Page
  hands: Hands
  side: Locator
  left: Locator
  files: Record<'film' | 'captions' | 'picture', string>
}

export interface Job {
  what: string
  /** Brings about what the job begins with; not counted. */
  ready?: (desk: Desk) => Promise<void>
  act: (desk: Desk) => Promise<void>
  /** What must be there afterwards, so that nothing is counted that did not work. */
  done: (desk: Desk) => Promise<void>
}

const field = ({ side }: Desk, name: string) => side.getByLabel(name, { exact: true })
const box = ({ side }: Desk, name: string) => side.getByRole('textbox', { name, exact: true })
const button = (where: Locator | Page, name: string | RegExp) =>
  where.getByRole('button', { name, exact: typeof name === 'string' }).first()
const at = (time: string) => (desk: Desk) => goTo(desk.page, time)

/** It stands beside its line of the script. */
const expectCue = (page: Page, words: string) =>
  expect(page.locator('.side').getByText(words).first()).toBeVisible()

async function addPart({ hands, page }: Desk, kind: string): Promise<void> {
  await hands.press(button(page, '+ Part'))
  await hands.pressThen(page.getByRole('menuitem', { name: new RegExp(`^${kind}: `) }))
}

export const AUTHORING: readonly Job[] = [
  {
    what: 'a film in, captions in',
    async act({ page, hands, files }) {
      await hands.give(button(page, 'Choose a film'), [files.film, files.captions])
    },
    done: ({ side }) => expect(side.getByText('The keeper shuts the lower gates.')).toBeVisible(),
  },
  {
    what: 'a choice question of four options, with feedback and evidence, at the playhead',
    ready: at('14'),
    async act(desk) {
      const { hands } = desk
      await hands.key('q')
      await hands.write('What lets the water in?')
      await hands.to(box(desk, 'Option 1'))
      for (const [index, option] of ['A gate', 'A paddle', 'A sill', 'A quay'].entries()) {
        if (index > 0) await hands.then('Enter')
        await hands.write(option)
      }
      await hands.press(field(desk, 'Option 2 is right'))
      await hands.press(box(desk, 'When right'))
      await hands.write('Yes, low down in the gate.')
      await hands.to(box(desk, 'When wrong'))
      await hands.write('Look again at what is wound.')
      await hands.key('Escape')
    },
    done: ({ page }) => expectCue(page, 'What lets the water in?'),
  },
  {
    what: 'a short answer on a photographed card',
    ready: at('20'),
    async act(desk) {
      const { hands, side, files } = desk
      await hands.key('q')
      await hands.write('What is this called?')
      await hands.dropFile(box(desk, 'Question'), files.picture)
      await expect(side.locator('.rich .shown img')).toBeVisible()
      await hands.pick(side.getByRole('combobox', { name: 'Kind of question' }), 'Short answer')
      await hands.to(box(desk, 'Answer 1'))
      await hands.write('a paddle')
      await hands.key('Escape')
    },
    done: ({ page }) => expectCue(page, 'What is this called?'),
  },
  {
    what: 'a label with a pointer, moved to a calm spot, five seconds long',
    ready: at('26'),
    async act(desk) {
      const { hands, side } = desk
      await hands.key('Shift+O')
      await hands.write('The sill')
      await hands.press(button(side, 'Move to calm spot 1'))
      await hands.to(field(desk, 'Goes'))
      await hands.then('Control+a')
      await hands.write('31')
      await hands.then('Enter')
      await hands.key('Escape')
    },
    done: ({ page }) => expectCue(page, 'The sill'),
  },
  {
    what: 'four chapters',
    async act({ hands, side }) {
      for (const line of [
        'The keeper shuts',
        'The chamber fills',
        'The boat rises',
        'The upper gates',
      ]) {
        await hands.press(side.getByRole('button', { name: new RegExp(`^${line}`) }))
        await hands.key('b')
        await hands.write(`Chapter: ${line}`)
        await hands.then('Escape')
      }
    },
    done: ({ page }) => expectCue(page, 'Chapter: The upper gates'),
  },
  {
    what: 'a fork that sends back',
    ready: at('50'),
    async act(desk) {
      const { hands, side } = desk
      await hands.key('f')
      await hands.write('On, or once more?')
      const words = side.getByLabel('Words of the choice')
      await hands.to(words.nth(0))
      await hands.write('On')
      await hands.to(words.nth(1))
      await hands.write('Once more')
      await hands.key('Escape')
    },
    done: ({ page }) => expectCue(page, 'On, or once more?'),
  },
  {
    what: 'a recap of three sets',
    ready: at('58'),
    async act(desk) {
      const { hands, side } = desk
      await hands.key('q')
      await hands.write('What do you keep?')
      await hands.pick(side.getByRole('combobox', { name: 'Kind of question' }), 'Recap')
      await hands.press(button(side, 'Paste a list'))
      await hands.write([1, 2, 3].map((set) => `False of ${set}\n* True of ${set}`).join('\n\n'))
      await hands.then('Control+Enter')
      await expect(box(desk, 'Set 3, statement 2')).toHaveValue('True of 3')
      await hands.key('Escape')
    },
    done: ({ page }) => expectCue(page, 'What do you keep?'),
  },
  {
    what: 'a page with a film, guiding questions, and a second film',
    async act(desk) {
      const { hands, left } = desk
      await addPart(desk, 'Page')
      await hands.to(box(desk, 'Name of this part'))
      await hands.write('Before the lock')
      const stretch = left.getByRole('button', { name: '+ Stretch of film' }).last()
      await hands.press(stretch)
      await hands.press(left.getByRole('button', { name: '+ Text' }).last())
      await hands.write('What is opened first? What moves then?')
      await hands.press(stretch)
    },
    done: ({ left }) => expect(left.locator('[data-block]')).toHaveCount(3),
  },
  {
    what: 'a still with five pins',
    async act(desk) {
      const { hands, page, left, files } = desk
      await addPart(desk, 'Still')
      await hands.give(button(left, 'Choose a picture'), files.picture)
      const image = left.locator('.plane img')
      await expect(image).toBeVisible()
      for (const pin of [1, 2, 3, 4, 5]) {
        await hands.pressTwice(image, { x: 60 * pin, y: 40 + 20 * pin })
        await hands.write(`Pin ${pin}`)
        await hands.to(box(desk, 'What it says'))
        await hands.write(`What there is to say of ${pin}.`)
      }
      await expect(page.locator('[data-pin]')).toHaveCount(5)
    },
    done: ({ left }) => expect(left.locator('[data-pin]')).toHaveCount(5),
  },
]
