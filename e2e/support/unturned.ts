// Looks over a page in the made-up language: what is cut, what reaches beyond its place, and what still speaks English.
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { expect, type Locator, type Page } from '@playwright/test'
import { madeUp, problemWords } from '@fernbrake/core/words'
import { REPOSITORY } from '@fernbrake/server'

type Messages = { readonly [key: string]: string | Messages }

const sentencesOf = (messages: Messages): string[] =>
  Object.values(messages).flatMap((one) => (typeof one === 'string' ? [one] : sentencesOf(one)))

/** Words that are the same in every language, or that the demo's own people could have written. */
const ANYBODYS = new Set(['Fernbrake', 'PDF', 'CSV', 'XLSX', 'Leaving', 'none', 'People'])

/** What the interface says in English, as far as it is a sentence without places. */
export async function englishWords(): Promise<string[]> {
  const folders = ['web/locales', 'web/locales/en', 'player/locales']
  const said: string[] = []
  for (const folder of folders)
    for (const name of readdirSync(join(REPOSITORY, folder))) {
      if (!/^(en\w*|[a-z]\w*)\.ts$/.test(name) || /test|madeUp|WithPlayer|talk\.ts/.test(name))
        continue
      const file = (await import(join(REPOSITORY, folder, name))) as { default?: Messages }
      if (file.default) said.push(...sentencesOf(file.default))
    }
  said.push(...sentencesOf(problemWords('en') as unknown as Messages))
  const plain = said.flatMap((one) => one.split(' | ')).filter((one) => !/[{@]/.test(one))
  return [...new Set(plain)].filter((one) => /[A-Za-z]{3}/.test(one) && !ANYBODYS.has(one))
}

/** Expects that a page is in the made-up language, turned, and that nothing of it is cut. */
export async function expectTurned(
  page: Page,
  what: string,
  english: readonly string[],
): Promise<void> {
  const found = await page.evaluate((words) => {
    const known = new Set(words)
    const isShown = (element: Element) =>
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true })
    const isForReadersAlone = (element: Element) => {
      const { width, height } = element.getBoundingClientRect()
      return width <= 1 || height <= 1
    }
    const said = (element: Element) => element.textContent.trim().replace(/\s+/g, ' ').slice(0, 60)
    const faults: string[] = []
    const speaking = new Set<Element>()
    const readText = (element: Element, text: string) => {
      // What people wrote, or a template in their names, is in the language of the lesson, and stands in its own direction.
      const isWritten = element.closest('[dir="auto"]') !== null
      if (known.has(text) && !isWritten) faults.push(`English: ${text}`)
      if (/[åçðéĝĥîķļñöŕšţûŵýž]/.test(text)) speaking.add(element)
    }
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (walker.nextNode()) {
      const { parentElement: element, textContent } = walker.currentNode
      const text = (textContent ?? '').trim().replace(/\s+/g, ' ')
      if (text !== '' && element && !element.closest('script, style, svg') && isShown(element))
        readText(element, text)
    }
    for (const name of ['aria-label', 'placeholder', 'title', 'alt'])
      for (const element of document.querySelectorAll(`[${name}]`)) {
        const text = element.getAttribute(name)!
        if (known.has(text) && isShown(element)) faults.push(`English ${name}: ${text}`)
      }
    const isTooWide = ({ scrollWidth, clientWidth }: Element) =>
      clientWidth > 0 && scrollWidth > clientWidth + 1
    const isCut = (element: Element) => {
      // Whoever points at it reads all of it; what was chosen stands whole in the list it was chosen from.
      const told = element.closest('[title]')
      const isTold =
        told === element ||
        told?.getAttribute('title')?.includes(element.textContent.trim()) ||
        element.matches('[role=combobox]')
      return (
        isTooWide(element) && !isTold && /hidden|clip/.test(getComputedStyle(element).overflowX)
      )
    }
    const isInAScroller = ({ parentElement: around }: Element): boolean =>
      around !== null && (getComputedStyle(around).overflowX !== 'visible' || isInAScroller(around))
    const isBeyondTheEdge = (element: Element) => {
      const { left, right } = element.getBoundingClientRect()
      return (left < -1 || right > innerWidth + 1) && !isInAScroller(element)
    }
    for (const element of speaking) {
      if (isForReadersAlone(element)) continue
      if (isCut(element)) faults.push(`cut: ${said(element)}`)
      if (isBeyondTheEdge(element)) faults.push(`beyond the edge: ${said(element)}`)
      const button = element.closest('button, a, summary, [role=tab]')
      if (button && isTooWide(button)) faults.push(`wider than its button: ${said(button)}`)
    }
    const { lang, dir, scrollWidth } = document.documentElement
    if (lang !== 'qaa' || dir !== 'rtl') faults.push(`the page is in ${lang}, ${dir}`)
    if (scrollWidth > innerWidth)
      faults.push(`the page is ${scrollWidth - innerWidth} pixels too wide`)
    return [...new Set(faults)]
  }, english)
  expect.soft(found, what).toEqual([])
}

/** What can be pressed on a page and may open something. */
const opening = (page: Page) =>
  page.locator('main button:visible:enabled, main summary:visible, header button:visible:enabled')

/**
 * Presses each kind of button that a page has and looks over what comes of it; answers with how many were. `begin` opens the
 * page anew, `quiet` waits until nothing is on its way.
 */
export async function expectOpenedTurned(
  page: Page,
  { begin, quiet }: { begin: () => Promise<void>; quiet: () => Promise<void> },
  english: readonly string[],
): Promise<number> {
  const anew = async () => {
    await begin()
    await opening(page).first().waitFor()
    await quiet()
  }
  await anew()
  const { pathname } = new URL(page.url())
  const pressed = new Set<string>()
  let looked = 0
  for (let at = 0; at < (await opening(page).count()); at += 1) {
    const button = opening(page).nth(at)
    const name = (await button.textContent())?.trim().replace(/[\d:.]+/g, '') ?? ''
    const kind = `${name.slice(0, 12)} ${await button.getAttribute('class')}`
    // Whoever signs out is not looked at any more; what lies under something else cannot be pressed.
    const isLeft = pressed.has(kind) || name.startsWith(madeUp('Sign out').slice(0, 8))
    pressed.add(kind)
    if (isLeft || !(await isOnTop(button))) continue
    await button.click()
    await quiet()
    if (new URL(page.url()).pathname === pathname) {
      await expectTurned(page, `${pathname}, “${name.slice(0, 20)}” pressed`, english)
      looked += 1
      await page.keyboard.press('Escape')
    }
    const isCovered = (await page.locator('[role=dialog]:visible').count()) > 0
    if (isCovered || new URL(page.url()).pathname !== pathname) await anew()
  }
  return looked
}

/** Whether whoever presses the middle of something presses it, and nothing that lies above. */
const isOnTop = (button: Locator) =>
  button.evaluate((element) => {
    element.scrollIntoView({ block: 'center' })
    const { left, top, width, height } = element.getBoundingClientRect()
    const hit = document.elementFromPoint(left + width / 2, top + height / 2)
    return hit !== null && element.contains(hit)
  })
