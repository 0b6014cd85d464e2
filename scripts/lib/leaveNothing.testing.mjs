// Files of tests that share what they import leave nothing of their own behind: no stopped clock, no stand-in for what is the
// browser's.
import { afterAll, vi } from 'vitest'

afterAll(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})
