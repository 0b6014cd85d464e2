// A designer at the bench of a new lesson with a film in it: where most browser tests begin.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, type Browser, type Page } from '@playwright/test'
import { makeFilm } from './films.ts'
import { signIn, watchForErrors } from './pages.ts'
import { DESIGNER, startRealServer, type RealServer } from './server.ts'

export interface Bench {
  server: RealServer
  page: Page
  /** What the page has complained of. */
  errors: string[]
  stop(): Promise<void>
}

/** Starts a server of its own and puts a film of so many seconds in, with captions if there are any. */
export async function startBench(
  browser: Browser,
  { title, seconds, captions }: { title: string; seconds: number; captions?: string },
): Promise<Bench> {
  const server = await startRealServer()
  const folder = mkdtempSync(join(tmpdir(), 'fernbrake-bench-'))
  const page = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 } })
  ).newPage()
  const errors = watchForErrors(page)
  await signIn(page, server.url, DESIGNER.email)
  await page.getByLabel('Title of a new lesson').fill(title)
  await page.getByRole('button', { name: 'Begin this lesson' }).click()
  await page.getByTestId('film').setInputFiles(makeFilm(folder, seconds))
  await expect(page.getByText(`/ 0:${String(seconds).padStart(2, '0')}`)).toBeVisible()
  if (captions) {
    const file = { name: 'said.vtt', mimeType: 'text/vtt', buffer: Buffer.from(captions) }
    await page.locator('input[type=file][accept*=".vtt"]').setInputFiles(file)
    await expect(page.locator('.side').getByText(captions.trim().split('\n').at(-1)!)).toBeVisible()
  }
  return {
    server,
    page,
    errors,
    async stop() {
      await server.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/** Opens a fold of the sheet that is beside; it stays open on this device. */
export async function unfold(bench: Page, title: string): Promise<void> {
  const fold = bench
    .locator('.side details.fold')
    .filter({ has: bench.locator('summary').getByText(title, { exact: true }) })
  if ((await fold.getAttribute('open')) === null) await fold.locator('summary').click()
  await expect(fold).toHaveAttribute('open')
}

/** Adds a part of this kind to the lesson on the bench; it is open then. */
export async function addPart(bench: Page, kind: string): Promise<void> {
  await bench.getByRole('button', { name: '+ Part' }).click()
  await bench.getByRole('menuitem', { name: new RegExp(`^${kind}: `) }).click()
}
