// What this machine is able to do, measured before anything else: its units, in which every time is told too.
import type { Browser } from '@playwright/test'
import pg from 'pg'
import { inRounds } from './figure.ts'
import { middle } from './judge.ts'

/** A fixed piece of script work, of layout and of SQL, each in ms; the first also as answers read in a second. */
export interface Machine {
  /** JSON answers read in a second on one core. */
  answersASecond: number
  /** Ms for reading a thousand answers, for laying out the fixed page once, and for the fixed statement. */
  scriptMs: number
  layoutMs: number
  sqlMs: number
}

const ANSWERS = 100_000
const LAYOUTS = 20
const BOXES = 2000
/** Sorts, hashes and adds up thirty thousand rows that it makes itself: no table, no disk. */
const STATEMENT = `SELECT count(DISTINCT md5(n::text)), sum(n) OVER () FROM generate_series(1, 30000) AS n GROUP BY n ORDER BY md5(n::text) LIMIT 1`

/** Answers such as learners give: short objects with an id or two, a text, a number. */
const FIXED_ANSWERS = Array.from({ length: ANSWERS }, (_, at) => {
  const answers = [
    { kind: 'choice', optionIds: [`option-${at}`] },
    { kind: 'shortText', text: `the upper gate ${at}` },
    { kind: 'number', text: String(at / 7) },
    { kind: 'order', itemIds: ['a', 'b', 'c', `d-${at}`] },
  ]
  return JSON.stringify(answers[at % answers.length])
})

/** Ms that reading all of the fixed answers takes just now. */
export function readAnswers(): number {
  const began = performance.now()
  for (const text of FIXED_ANSWERS) JSON.parse(text)
  return performance.now() - began
}

async function layOut(browser: Browser): Promise<number[]> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.setContent(
    `<div style="display:flex;flex-wrap:wrap">${'<p style="flex:1 1 90px">A line of words</p>'.repeat(BOXES)}</div>`,
  )
  const rounds = await inRounds(() =>
    page.evaluate((times) => {
      const began = performance.now()
      for (let at = 0; at < times; at += 1) {
        document.body.style.width = `${1200 - at}px`
        document.body.getBoundingClientRect()
      }
      return (performance.now() - began) / times
    }, LAYOUTS),
  )
  await page.close()
  return rounds
}

async function runStatement(databaseUrl: string): Promise<number[]> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const rounds = await inRounds(async () => {
    const began = performance.now()
    await client.query(STATEMENT)
    return performance.now() - began
  })
  await client.end()
  return rounds
}

/** As many answers a second as were read in these many ms each, in the middle. */
export const answersASecond = (readMs: readonly number[]): number =>
  ANSWERS / (middle(readMs) / 1000)

export async function measureMachine(browser: Browser, databaseUrl: string): Promise<Machine> {
  readAnswers()
  const readMs = middle(await inRounds(readAnswers))
  return {
    answersASecond: answersASecond([readMs]),
    scriptMs: readMs / (ANSWERS / 1000),
    layoutMs: middle(await layOut(browser)),
    sqlMs: middle(await runStatement(databaseUrl)),
  }
}
