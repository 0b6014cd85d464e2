// When the server last said that it has something of an attempt. A page that is opened right after may come with the attempt as it
// was just before: the answer was on its way while the page was being sent, and waits on the device no more.
import { nowMs } from '../../clock.ts'
import { keepHere, readKept } from '../../session/onDevice.ts'

/** What was acknowledged so long ago, in ms, is in whatever a page comes with. */
const RECENT_MS = 10_000

export function acknowledgedOf(attemptId: string) {
  const key = `fernbrake-acknowledged ${attemptId}`
  return {
    note: () => keepHere(key, nowMs()),
    /** Whether what came with a page may be older than what this device was told. */
    isRecent(): boolean {
      const at = readKept(key)
      return typeof at === 'number' && Math.abs(nowMs() - at) < RECENT_MS
    },
  }
}
