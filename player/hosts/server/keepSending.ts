// When what waits on the device is sent: every few seconds as long as anything waits, when the connection comes back, and when the
// page is put away. While nothing waits nothing runs.
import { nextSendMs, SEND_EVERY_MS, type Sender } from './sender.ts'

interface Sending extends Pick<Sender, 'flush' | 'leave'> {
  isOffline(): boolean
  /** Whether nothing waits any more. */
  isDone(): Promise<boolean>
}

export function keepSending(sender: Sending): {
  /** Something has come that is to be sent. */
  wake(): void
  stop(): void
} {
  let failures = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  let stopped = false
  /** How often something came: what comes while it is looked whether anything waits may have been overlooked. */
  let wakings = 0
  const sendIn = (ms: number) => {
    clearTimeout(timer)
    if (!stopped) timer = setTimeout(() => void sendNow(), ms)
  }
  const sendNow = async () => {
    const before = wakings
    await sender.flush().catch(() => undefined)
    failures = sender.isOffline() ? failures + 1 : 0
    const isDone = failures === 0 && (await sender.isDone().catch(() => false))
    if (isDone && wakings === before) timer = undefined
    else sendIn(nextSendMs(failures))
  }
  const wake = () => {
    wakings += 1
    if (timer === undefined) sendIn(SEND_EVERY_MS)
  }
  const onOnline = () => {
    failures = 0
    sendIn(0)
  }
  sendIn(SEND_EVERY_MS)
  const onHide = () => {
    if (document.visibilityState === 'hidden') void sender.leave()
    // Another tab may have left something here meanwhile.
    else wake()
  }
  // Some browsers tell only one of the two when a tab is closed.
  const onPageHide = () => void sender.leave()
  window.addEventListener('online', onOnline)
  window.addEventListener('pagehide', onPageHide)
  document.addEventListener('visibilitychange', onHide)
  return {
    wake,
    stop() {
      stopped = true
      clearTimeout(timer)
      window.removeEventListener('online', onOnline)
      window.removeEventListener('pagehide', onPageHide)
      document.removeEventListener('visibilitychange', onHide)
    },
  }
}
