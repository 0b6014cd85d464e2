// Records what is being watched as spans, through the host.
import {
  closeSpan,
  cutSpan,
  recordTick,
  type OpenSpan,
  type ReportedSpan,
  type Span,
} from '@fernbrake/core/watching'
import type { Host } from '../hosts/Host.ts'
import { isoTime, nowMs } from '../clock.ts'

/** A running span is cut and handed over this often, in ms, so that little is lost with the device. */
const CUT_EVERY_MS = 5000

export interface SpanWriter {
  tick(mediaMs: number, rate: number): void
  /** Ends the running span: a pause, a jump, a change of sound or visibility. */
  close(): void
  destroy(): void
}

export function createSpanWriter(
  host: Host,
  partId: string,
  flags: () => { muted: boolean },
  onSpan: (span: Span) => void,
): SpanWriter {
  let open: OpenSpan | null = null
  let hidden = document.visibilityState === 'hidden'
  let muted = flags().muted
  const write = (spans: ReportedSpan[]) => {
    for (const { fromMs, toMs, rate, beganAtMs, endedAtMs } of spans) {
      const times = { beganAt: isoTime(beganAtMs), endedAt: isoTime(endedAtMs) }
      host.record({
        kind: 'span',
        id: host.newId(),
        partId,
        fromMs,
        toMs,
        rate,
        ...times,
        muted,
        hidden,
      })
      if (!hidden) onSpan({ fromMs, toMs })
    }
  }
  const close = () => {
    write(closeSpan(open))
    open = null
  }
  /** Hands over what was watched so far; what follows goes on without a gap. */
  const cut = () => {
    const { open: rest, closed } = cutSpan(open)
    open = rest
    write(closed)
  }
  const onVisibility = () => {
    cut()
    hidden = document.visibilityState === 'hidden'
  }
  document.addEventListener('visibilitychange', onVisibility)
  // What still plays as the page goes away has been watched up to now.
  const stopLeaving = host.onLeave(cut)
  return {
    tick(mediaMs, rate) {
      if (flags().muted !== muted) {
        cut()
        muted = flags().muted
      }
      const recorded = recordTick(open, mediaMs, rate, nowMs())
      open = recorded.open
      write(recorded.closed)
      if (open && open.lastAtMs - open.beganAtMs >= CUT_EVERY_MS) cut()
    },
    close,
    destroy() {
      close()
      stopLeaving()
      document.removeEventListener('visibilitychange', onVisibility)
    },
  }
}
