// A dead battery: the browser's process is killed in the middle of a stretch without connection. What was watched and
// answered lies on the device, and is in the database once there is a connection again.
import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium, expect, test, type Page } from '@playwright/test'
import type { Attempt } from '@fernbrake/core/contract'
import { coveredMs } from '@fernbrake/core/watching'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { CHROMIUM } from '../playwright.config.ts'
import { option } from '../support/everyKind.ts'
import { signIn } from '../support/pages.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let device = ''
let browser: ChildProcess
const LEARNER = 'learner@harrowmere.example'
const FILM = 'the-film'

test.beforeAll(async () => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
  device = mkdtempSync(join(tmpdir(), 'fernbrake-device-'))
})
test.afterAll(async () => {
  browser?.kill('SIGKILL')
  await server?.stop()
  rmSync(device, { recursive: true, force: true, maxRetries: 5 })
})

/** Switches the device on: a browser in a process of its own, with all that it kept. */
async function switchOn(): Promise<Page> {
  const port = join(device, 'DevToolsActivePort')
  rmSync(port, { force: true })
  const where = [`--user-data-dir=${device}`, '--remote-debugging-port=0', '--headless=new']
  browser = spawn(CHROMIUM.executablePath, [...CHROMIUM.args, ...where, 'about:blank'], {
    stdio: 'ignore',
  })
  await expect.poll(() => existsSync(port) && readFileSync(port, 'utf8')).toMatch(/^\d+\n/)
  const [number, path] = readFileSync(port, 'utf8').split('\n')
  const connected = await chromium.connectOverCDP(`ws://127.0.0.1:${number}${path}`)
  return connected.contexts()[0]!.newPage()
}
async function batteryDies(): Promise<void> {
  browser.kill('SIGKILL')
  await once(browser, 'exit')
}

/** How many answers wait on the device; runs in its browser. */
async function answersOnDevice(): Promise<number> {
  const asked = <T>(request: IDBRequest<T>) =>
    new Promise<T>((resolve, reject) => {
      request.onsuccess = () => resolve(request.result)
      request.onerror = () => reject(request.error!)
    })
  const database = await asked(indexedDB.open('fernbrake-records'))
  const waiting = await asked<{ record: { kind: string } }[]>(
    database.transaction('records').objectStore('records').getAll(),
  )
  database.close()
  return waiting.filter(({ record }) => record.kind === 'response').length
}

test('what was watched and answered without a connection outlives a dead battery', async () => {
  const page = await switchOn()
  await signIn(page, server.url, LEARNER, DEMO_PASSWORD)
  await page.getByRole('button', { name: 'Begin “Water That Climbs”' }).click()
  await page.waitForURL(/\/learn\//)
  const address = page.url()
  await page.getByRole('button', { name: /^2 / }).click()
  await page.getByRole('button', { name: 'Play', exact: true }).first().click()
  await expect(page.getByText(/You have watched (?!0)/)).toBeVisible()
  await page.context().setOffline(true)
  await expect(page.getByText(/You have watched [4-9]%/)).toBeVisible()
  await page.getByRole('button', { name: 'Pause', exact: true }).first().click()
  await page.getByRole('button', { name: /^5 / }).click()
  const first = page.getByRole('article', { name: 'Question 1', exact: true })
  await option(first, 'When the boat has risen above the sill')
  await first.getByRole('button', { name: 'Give this answer' }).click()
  await expect(page.getByText(/Working offline\. \d+ entries wait/)).toBeVisible()
  // What was watched waits too: that the answer does as well, its device says.
  await expect.poll(() => page.evaluate(answersOnDevice)).toBe(1)
  await batteryDies()
  const again = await switchOn()
  await signIn(again, server.url, LEARNER, DEMO_PASSWORD)
  await again.goto(address)
  const read = async () => {
    const reply = await again.request.get(address.replace('/learn/', '/api/attempts/'))
    const { progress } = (await reply.json()) as Attempt
    return { answers: progress.responses.length, ms: coveredMs(progress.covered[FILM] ?? []) }
  }
  await expect.poll(async () => (await read()).answers).toBe(1)
  // Seven seconds of four minutes are four percent more or less.
  expect((await read()).ms).toBeGreaterThan(7000)
})
