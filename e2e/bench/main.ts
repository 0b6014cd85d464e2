// npm run bench: what is promised about speed, each figure beside its reference, taken in the same run.
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../playwright.config.ts'
import clearAway from '../support/run.ts'
import { startRealServer } from '../support/server.ts'
import type { Figure } from './figure.ts'
import { measureCalmSpot } from './calmSpot.ts'
import { measureCaptions } from './captions.ts'
import { measureDesk } from './desk.ts'
import { measureHolds } from './holds.ts'
import { measureLong } from './long.ts'
import { measureMarking } from './marking.ts'
import { measureOpeningQuestions } from './opening.ts'
import { measurePage } from './page.ts'
import { measurePreparing } from './preparing.ts'
import { measurePlaying } from './playing.ts'
import { measureResults } from './results.ts'
import { measureRoutes } from './routes.ts'
import { measureSpans } from './spans.ts'

const only = process.argv.slice(2)
const wants = (name: string) => only.length === 0 || only.includes(name)
const server = await startRealServer({ demo: true })
const browser = await chromium.launch(CHROMIUM)
const figures: Figure[] = []
try {
  if (wants('page')) figures.push(...(await measurePage(browser, server)))
  if (wants('holds')) figures.push(await measureHolds(browser, server))
  if (wants('opening')) figures.push(await measureOpeningQuestions(browser, server))
  if (wants('preparing')) figures.push(await measurePreparing(server))
  if (wants('calm')) figures.push(measureCalmSpot())
  if (wants('marking')) figures.push(measureMarking())
  if (wants('captions')) figures.push(await measureCaptions())
  if (wants('routes')) figures.push(...(await measureRoutes(browser, server)))
  if (wants('long')) figures.push(...(await measureLong(browser, server)))
  if (wants('desk')) figures.push(...(await measureDesk(browser, server)))
  if (wants('results')) figures.push(...(await measureResults(server)))
  if (wants('playing')) figures.push(...(await measurePlaying(server)))
  if (wants('spans')) figures.push(await measureSpans(server))
} finally {
  await browser.close()
  await server.stop()
  clearAway()
}
for (const { what, value, reference, aim } of figures)
  console.log(`${what}\n    ${value}\n    reference: ${reference}; aim: ${aim}`)
process.exit(0)
