// The last three jobs: giving a lesson to a class, marking, and finding out who skipped something.
import { expect, type Locator, type Page } from '@playwright/test'
import type { Job } from './authoring.ts'

const button = (where: Locator | Page, name: string | RegExp) =>
  where.getByRole('button', { name, exact: typeof name === 'string' }).first()
/** The answers that are marked. */
const MARKED = 10

/** The next Friday, at noon, as a field for times takes it. */
function friday(): string {
  const day = new Date()
  day.setDate(day.getDate() + ((5 - day.getDay() + 7) % 7 || 7))
  const two = (number: number) => String(number).padStart(2, '0')
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}T12:00`
}

export const GIVING: Job = {
  what: 'publish and give to a class, due Friday',
  async act({ page, hands }) {
    await hands.press(button(page, 'Publish edition 1'))
    const dialog = page.getByRole('dialog')
    await hands.press(button(dialog, 'Publish edition 1'))
    await hands.pickNative(dialog.getByLabel('Give it to a class'), 'Spring intake')
    await hands.press(dialog.getByRole('link', { name: 'Choose when it is due' }))
    await hands.writeInto(page.getByLabel('Due'), friday())
    await hands.press(button(page, 'Assign it'))
  },
  done: ({ page }) => expect(page.getByText(/0 of \d+ have begun/).first()).toBeVisible(),
}

export const MARKING: Job = {
  what: 'ten long answers marked, each with a comment',
  async ready({ page }) {
    await page.goto(new URL('/marking/assignment/spring-water', page.url()).href)
    await expect(page.getByLabel('Points')).toBeFocused()
  },
  async act({ page, hands }) {
    const points = page.getByLabel('Points')
    const comment = page.getByLabel('To the learner')
    const name = page.locator('.answer h2')
    for (let answer = 0; answer < MARKED; answer += 1) {
      const before = await name.textContent()
      await hands.to(points)
      await hands.write('2')
      await hands.then('Space')
      await expect(comment).toBeFocused()
      await hands.write('Say where the water goes.')
      await hands.then('Control+Enter')
      await expect(name).not.toHaveText(before!)
      await expect(points).toBeFocused()
    }
  },
  done: ({ page }) => expect(page.getByText(/1\d of \d+ marked/).first()).toBeVisible(),
}

export const SKIPPING: Job = {
  what: 'find out who skipped, and tell them',
  async ready({ page }) {
    await page.goto(new URL('/', page.url()).href)
    await expect(page.getByRole('heading', { name: 'Your lessons' })).toBeVisible()
  },
  async act({ page, hands }) {
    await hands.press(page.getByRole('link', { name: 'Classes', exact: true }))
    // What waits at home names classes and lessons too.
    await page.waitForURL('**/classes')
    const school = page.getByRole('listitem').filter({ hasText: 'Spring intake' })
    await hands.press(school.getByRole('link', { name: 'Water That Climbs' }))
    await hands.press(page.getByRole('link', { name: 'Watch map' }))
    await hands.press(page.getByRole('link', { name: 'Say something to the class' }))
    await hands.write('Some of you skipped the chamber. Watch from 1:00 to 1:40 once more.')
    await hands.then('Control+Enter')
  },
  done: ({ page }) =>
    expect(page.getByText('Some of you skipped the chamber.').first()).toBeVisible(),
}
