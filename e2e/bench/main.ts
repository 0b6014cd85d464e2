// npm run bench [names] [-- --keep]: what is promised about speed, each figure beside its reference, taken in the same run, in the
// units of this machine too. `--keep` writes it to docs/performance.json and draws docs/performance.md.
import { chromium, type Browser } from '@playwright/test'
import { CHROMIUM } from '../playwright.config.ts'
import clearAway from '../support/run.ts'
import { startRealServer, type RealServer } from '../support/server.ts'
import { measureAgain } from './again.ts'
import { measureCalmSpot } from './calmSpot.ts'
import { measureCaptions } from './captions.ts'
import { measureDesk } from './desk.ts'
import { measureEffort } from './effort.ts'
import { measureHolds } from './holds.ts'
import { measureIdle } from './idle.ts'
import { measureLoading } from './loading.ts'
import { measureLong } from './long.ts'
import { measureMarking } from './marking.ts'
import { measureOpeningQuestions } from './opening.ts'
import { measurePage } from './page.ts'
import { measurePreparing } from './preparing.ts'
import { measurePlaying } from './playing.ts'
import { measureResults } from './results.ts'
import { measureRoutes } from './routes.ts'
import { measureSpans } from './spans.ts'
import { drawHistory } from './stating/drawing.ts'
import type { Figure } from './stating/figure.ts'
import { keep, readHistory, worse } from './stating/keeping.ts'
import { answersASecond, measureMachine, readAnswers } from './stating/machine.ts'
import { judge, told, type Judged } from './stating/telling.ts'

type Measure = (browser: Browser, server: RealServer) => Figure[] | Promise<Figure[]>

/** In the order in which they are measured: what fills the database or kills it comes last. */
const MEASURES: Record<string, Measure> = {
  page: measurePage,
  loading: (_, server) => measureLoading(server),
  holds: measureHolds,
  idle: measureIdle,
  opening: measureOpeningQuestions,
  preparing: (_, server) => measurePreparing(server),
  calm: measureCalmSpot,
  marking: measureMarking,
  captions: measureCaptions,
  routes: measureRoutes,
  long: measureLong,
  desk: measureDesk,
  effort: measureEffort,
  results: (_, server) => measureResults(server),
  again: measureAgain,
  spans: (_, server) => measureSpans(server),
  playing: (_, server) => measurePlaying(server),
}

const given = process.argv.slice(2)
const isKept = given.includes('--keep')
const only = given.filter((one) => one !== '--keep')
const unknown = only.filter((name) => !(name in MEASURES))
if (unknown.length > 0)
  throw new Error(
    `There is no ${unknown.join(', ')}; there are ${Object.keys(MEASURES).join(', ')}.`,
  )

const server = await startRealServer({ demo: true })
const browser = await chromium.launch(CHROMIUM)
const judged: Judged[] = []
const machine = await measureMachine(browser, server.settings.databaseUrl)
console.log(
  `This machine reads ${Math.round(machine.answersASecond / 1000)},000 JSON answers a second. Its units: a thousand answers read (script)` +
    ` ${machine.scriptMs.toFixed(2)} ms, the fixed page laid out ${machine.layoutMs.toFixed(2)} ms, the fixed statement (SQL) ${machine.sqlMs.toFixed(1)} ms.`,
)
try {
  for (const [name, measure] of Object.entries(MEASURES)) {
    if (only.length > 0 && !only.includes(name)) continue
    // A machine that others use too is not as fast in one minute as in the next: its units are those of just then.
    const before = [readAnswers(), readAnswers()]
    const measured = await measure(browser, server)
    const here = {
      ...machine,
      answersASecond: answersASecond([...before, readAnswers(), readAnswers()]),
    }
    for (const figure of measured) {
      judged.push(judge(figure, here))
      console.log(told(figure, judged.at(-1)!))
    }
  }
} finally {
  await browser.close()
  await server.stop()
  clearAway()
}

const worsened = worse(judged, readHistory().runs)
console.log(
  worsened.length > 0
    ? `\nWorse than what is kept, by more than the spread:\n${worsened.join('\n')}`
    : '\nNothing is worse than what is kept.',
)
if (isKept) drawHistory(keep(judged, machine))
process.exit(0)
