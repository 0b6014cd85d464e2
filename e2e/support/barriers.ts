// Looks for barriers with axe, by WCAG 2.2 A and AA.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { AxeBuilder } from '@axe-core/playwright'
import type { AxeResults, RunOptions } from 'axe-core'
import { expect, type Page } from '@playwright/test'

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']
const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What fades in has colours of its own until it is there. */
const comeToRest = (page: Page) =>
  page.evaluate(async () => {
    const passing = document
      .getAnimations()
      .filter(({ effect }) => Number.isFinite(effect?.getComputedTiming().endTime))
    await Promise.allSettled(passing.map(({ finished }) => finished))
  })

/**
 * A page without frames keeps what was brought into it, and says only what is wrong: the builder, which goes into frames
 * too, brings it anew each time and gathers the findings on a page of its own, which takes three times as long.
 */
async function violationsOf(page: Page, within: string): Promise<AxeResults['violations']> {
  if (page.frames().length > 1)
    return (await new AxeBuilder({ page }).include(within).withTags(TAGS).analyze()).violations
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(SOURCE)
  const options: RunOptions = {
    runOnly: { type: 'tag', values: TAGS },
    resultTypes: ['violations'],
  }
  return page.evaluate(
    async ([where, how]) => {
      const { axe } = globalThis as unknown as { axe: typeof import('axe-core') }
      return (await axe.run({ include: [where] }, how)).violations
    },
    [within, options] as const,
  )
}

/** Nothing that axe knows to be a barrier; `within` looks at one part of the page alone. */
export async function expectNoBarriers(page: Page, what: string, within = 'html'): Promise<void> {
  await comeToRest(page)
  const found = (await violationsOf(page, within)).map(
    ({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(' | ')}`,
  )
  expect.soft(found, what).toEqual([])
}
