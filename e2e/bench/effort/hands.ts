// Somebody practised at the program: does a job through the real interface by the way that costs least, and counts what it costs.
import { expect, type Locator, type Page } from '@playwright/test'
import { noEffort, type Effort } from './model.ts'

/** So many fields are passed over with Tab, before the mouse is the shorter way. */
const MOST_TABS = 8

interface Spot {
  x: number
  y: number
}

const TAKES_WORDS = ':is(input, textarea, [contenteditable="true"]):focus'

export interface Hands {
  effort: Effort
  /** A key by itself: a choice. Keys pressed together are as many keys. */
  key(name: string, times?: number): Promise<void>
  /** A key that goes on with what was chosen, such as the Enter that ends a line. */
  then(name: string, times?: number): Promise<void>
  /** Writes words where the focus is; they cost nothing by themselves. */
  write(words: string): Promise<void>
  /** Brings the focus to a field: by Tab where it is near, else by a press. */
  to(field: Locator): Promise<void>
  /** Presses something: a choice. */
  press(what: Locator): Promise<void>
  /** Presses what follows from the choice before, such as a line of the list that was opened. */
  pressThen(what: Locator): Promise<void>
  /** Presses something twice on one spot: a choice. */
  pressTwice(what: Locator, position: Spot): Promise<void>
  /** Picks a line of a list that opens. */
  pick(list: Locator, name: string): Promise<void>
  /** The same of a list that the browser draws. */
  pickNative(list: Locator, name: string): Promise<void>
  /** Writes into a field that the browser draws, such as one for a time. */
  writeInto(field: Locator, value: string): Promise<void>
  /** Takes hold of something and lets it go elsewhere. */
  drag(what: Locator, byX: number, byY: number): Promise<void>
  /** Draws a file from a folder beside the browser onto something. */
  dropFile(what: Locator, path: string): Promise<void>
  /** Presses what opens the choice of files, and chooses these; the choosing itself is the system’s. */
  give(what: Locator, files: Parameters<Locator['setInputFiles']>[0]): Promise<void>
}

/** The single moves of which all else is made, each counted. */
function movesOn(page: Page) {
  const effort = noEffort()
  let at: 'keys' | 'mouse' = 'keys'
  const lay = (on: typeof at) => {
    if (at !== on) effort.homings += 1
    at = on
  }
  const press = async (name: string, times: number) => {
    lay('keys')
    effort.keys += name.split('+').filter(Boolean).length * times
    for (let time = 0; time < times; time += 1) await page.keyboard.press(name)
  }
  /** The wheel is turned where something is out of sight; what is pressed must be seen first. */
  const bringIntoSight = async (what: Locator) => {
    await expect(what).toBeVisible()
    const isSeen = await what.evaluate(
      (element) =>
        new Promise<boolean>((resolve) => {
          new IntersectionObserver(([entry], observer) => {
            observer.disconnect()
            resolve(entry!.intersectionRatio > 0.5)
          }).observe(element)
        }),
    )
    if (isSeen) return
    effort.scrolls += 1
    await what.scrollIntoViewIfNeeded()
  }
  const point = async (what: Locator, how: { position?: Spot; clickCount?: number } = {}) => {
    lay('mouse')
    await bringIntoSight(what)
    effort.moves += 1
    effort.keys += 1
    await what.click(how)
  }
  const isFocused = (field: Locator) =>
    field.evaluate((element) => element === document.activeElement)

  /** How many Tabs lead from the focus to a field, with nothing kept of having tried; null where they are too many. */
  async function tabsTo(field: Locator): Promise<number | null> {
    const from = await page.evaluateHandle(() => document.activeElement)
    let tabs: number | null = null
    for (let count = 0; count <= MOST_TABS && tabs === null; count += 1) {
      if (await isFocused(field)) tabs = count
      else await page.keyboard.press('Tab')
    }
    await from.evaluate((element) => (element as HTMLElement | null)?.focus())
    return tabs
  }
  return {
    effort,
    lay,
    press,
    bringIntoSight,
    point,
    isFocused,
    tabsTo,
    isAtKeys: () => at === 'keys',
  }
}

export function handsOn(page: Page): Hands {
  const { effort, lay, press, bringIntoSight, point, isFocused, tabsTo, isAtKeys } = movesOn(page)
  const hands: Hands = {
    effort,
    async key(name, times = 1) {
      effort.choices += 1
      await press(name, times)
    },
    then: (name, times = 1) => press(name, times),
    async write(words) {
      lay('keys')
      await expect(page.locator(TAKES_WORDS)).toBeFocused()
      await page.keyboard.type(words)
    },
    async to(field) {
      await expect(field).toBeVisible()
      if (await isFocused(field)) return
      effort.choices += 1
      const tabs = isAtKeys() ? await tabsTo(field) : null
      if (tabs === null) await point(field)
      else await press('Tab', tabs)
    },
    async press(what) {
      effort.choices += 1
      await point(what)
    },
    pressThen: (what) => point(what),
    async pressTwice(what, position) {
      effort.choices += 1
      effort.keys += 1
      await point(what, { position, clickCount: 2 })
    },
    async pick(list, name) {
      await hands.press(list)
      await point(page.getByRole('option', { name, exact: true }))
      await expect(page.getByRole('listbox')).toHaveCount(0)
    },
    async pickNative(list, name) {
      await hands.press(list)
      effort.moves += 1
      effort.keys += 1
      await list.selectOption({ label: name })
    },
    async writeInto(field, value) {
      await hands.to(field)
      lay('keys')
      await field.fill(value)
    },
    async drag(what, byX, byY) {
      effort.choices += 1
      lay('mouse')
      await bringIntoSight(what)
      const { x, y, width, height } = (await what.boundingBox())!
      effort.moves += 2
      effort.keys += 1
      await page.mouse.move(x + width / 2, y + height / 2)
      await page.mouse.down()
      await page.mouse.move(x + width / 2 + byX, y + height / 2 + byY, { steps: 8 })
      await page.mouse.up()
    },
    async dropFile(what, path) {
      effort.choices += 1
      lay('mouse')
      await bringIntoSight(what)
      effort.moves += 2
      effort.keys += 1
      await dropOn(page, what, path)
    },
    async give(what, files) {
      const chooser = page.waitForEvent('filechooser')
      await hands.press(what)
      await (await chooser).setFiles(files)
    },
  }
  return hands
}

/** As the system gives a file to the browser: what does not say that it takes files is not given it. */
async function dropOn(page: Page, what: Locator, path: string): Promise<void> {
  const { x, y, width, height } = (await what.boundingBox())!
  const data = { items: [], files: [path], dragOperationsMask: 1 }
  const at = { x: x + width / 2, y: y + height / 2, data }
  const session = await page.context().newCDPSession(page)
  for (const type of ['dragEnter', 'dragOver', 'drop'] as const)
    await session.send('Input.dispatchDragEvent', { type, ...at })
  await session.detach()
}
