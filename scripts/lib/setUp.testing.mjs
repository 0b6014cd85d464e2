// What every file of tests begins and ends with. Properties are drawn by one seed, which the test command prints: what it found is
// found again with FERNBRAKE_SEED. Files share what they import, so each leaves nothing of its own behind: no stopped clock, no
// stand-in for what is the browser's.
import fc from 'fast-check'
import { afterAll, vi } from 'vitest'

const said = Number(process.env.FERNBRAKE_SEED)
if (Number.isInteger(said) && said !== 0)
  fc.configureGlobal({ ...fc.readConfigureGlobal(), seed: said })

afterAll(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})
