// Device clocks that are ahead, behind, set, or lie; and watching that takes no time.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  freshClock,
  heardAtMs,
  judgeSpans,
  readClock,
  type ClockState,
  type ReportedSpan,
} from './index.ts'

const NOW = Date.parse('2026-03-02T12:00:00Z')
const HOUR = 3_600_000
const BOUNDS = { openedMs: NOW - HOUR, nowMs: NOW }
const clockAt = (offsetMs: number | null = 0): ClockState => ({ ...freshClock(), offsetMs })

/** Film time in s, clock time in s before now. */
const span = (from: number, to: number, began: number, ended: number, rate = 1): ReportedSpan => ({
  fromMs: from * 1000,
  toMs: to * 1000,
  rate,
  beganAtMs: NOW - began * 1000,
  endedAtMs: NOW - ended * 1000,
})
const judged = (...spans: ReportedSpan[]) => judgeSpans(clockAt(), spans, BOUNDS).doubts
const believedMs = (spans: readonly ReportedSpan[], doubts: readonly unknown[]) =>
  spans.reduce(
    (sum, { fromMs, toMs, rate }, at) => sum + (doubts[at] ? 0 : (toMs - fromMs) / rate),
    0,
  )

describe('a span is believed', () => {
  it.each([
    ['as long as the time that passed', span(0, 10, 10, 0), null],
    ['a second longer', span(0, 11, 10, 0), null],
    ['more than a second longer', span(0, 11.001, 10, 0), 'faster'],
    ['twice as long at twice the speed', span(0, 20, 10, 0, 2), null],
    ['with a clock that ran backwards', span(0, 5, 10, 19), 'outside'],
    ['before the attempt began', span(0, 10, 3650, 3640), 'outside'],
    ['right as the attempt began', span(0, 10, 3600, 3590), null],
    ['beyond the server’s clock', span(0, 10, 8, -2), 'outside'],
  ])('%s', (_name, reported, expected) => expect(judged(reported)).toEqual([expected]))
})

describe('no time counts twice', () => {
  it('for many short spans at one moment', () => {
    const spans = Array.from({ length: 262 }, (_, at) => span(at, at + 1, 5, 5))
    const { doubts } = judgeSpans(clockAt(), spans, BOUNDS)
    expect(believedMs(spans, doubts)).toBe(1000)
  })

  it('for several stretches in one minute', () => {
    const spans = [0, 60, 120, 180].map((from) => span(from, from + 60, 60, 0))
    expect(judged(...spans)).toEqual([null, 'faster', 'faster', 'faster'])
  })

  it('in another batch either', () => {
    const first = judgeSpans(clockAt(), [span(0, 60, 60, 0)], BOUNDS)
    expect(judgeSpans(first.state, [span(60, 120, 60, 0)], BOUNDS).doubts).toEqual(['faster'])
    expect(judgeSpans(first.state, [span(60, 120, 120, 60)], BOUNDS).doubts).toEqual([null])
  })

  it('however often one comes back to a sitting', () => {
    let state = clockAt()
    let believed = 0
    for (let round = 0; round < 50; round += 1)
      for (const began of [3000, 2000, 1000]) {
        const next = judgeSpans(state, [span(round, round + 1, began, began)], BOUNDS)
        state = next.state
        believed += next.doubts[0] ? 0 : 1
      }
    expect(believed).toBe(3)
  })

  it('and what is not believed takes none', () => {
    const first = judgeSpans(clockAt(), [span(0, 600, 60, 0)], BOUNDS)
    expect(first.state).toEqual(clockAt())
    expect(judgeSpans(first.state, [span(0, 60, 60, 0)], BOUNDS).doubts).toEqual([null])
  })
})

it('true playing is believed, however it is cut, paused, slowed and sent', () => {
  const piece = fc.record({
    playedMs: fc.integer({ min: 200, max: 8000 }),
    stalledMs: fc.integer({ min: 0, max: 3000 }),
    pausedMs: fc.constantFrom(0, 0, 0, 400, 20_000, 400_000),
    rate: fc.constantFrom(1, 1.25, 1.5, 2),
    readMs: fc.integer({ min: -40, max: 40 }),
  })
  fc.assert(
    fc.property(
      fc.array(piece, { maxLength: 120 }),
      fc.integer({ min: 1, max: 20 }),
      (pieces, size) => {
        let clock = NOW - 24 * HOUR
        let [film, read] = [0, 0]
        const spans = pieces.map(
          ({ playedMs, stalledMs, pausedMs, rate, readMs }): ReportedSpan => {
            const [beganAtMs, fromMs] = [clock, read]
            clock += playedMs + stalledMs
            film += playedMs * rate
            // The film's clock is read a little off, now ahead and now behind.
            read = Math.round(film + readMs)
            const made = { fromMs, toMs: read, rate, beganAtMs, endedAtMs: clock }
            clock += pausedMs
            return made
          },
        )
        let state = clockAt()
        const bounds = { openedMs: NOW - 24 * HOUR, nowMs: NOW + HOUR }
        for (let at = 0; at < spans.length; at += size) {
          const next = judgeSpans(state, spans.slice(at, at + size), bounds)
          expect(next.doubts.filter((doubt) => doubt !== null)).toEqual([])
          state = next.state
        }
      },
    ),
    { seed: 9, numRuns: 60 },
  )
})

it('never more is believed than time passed, whatever is sent in whatever pieces', () => {
  const any = fc.record({
    from: fc.integer({ min: 0, max: 3000 }),
    length: fc.integer({ min: 1, max: 120 }),
    began: fc.integer({ min: 0, max: 3600 }),
    took: fc.integer({ min: 0, max: 60 }),
    rate: fc.constantFrom(1, 2),
  })
  fc.assert(
    fc.property(fc.array(fc.array(any, { maxLength: 8 }), { maxLength: 12 }), (batches) => {
      let state = clockAt()
      let believed = 0
      for (const batch of batches) {
        const spans = batch.map(({ from, length, began, took, rate }) =>
          span(from, from + length, began, Math.max(0, began - took), rate),
        )
        const next = judgeSpans(state, spans, BOUNDS)
        believed += believedMs(spans, next.doubts)
        state = next.state
      }
      const used = state.used.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)
      expect(used).toBeLessThanOrEqual(HOUR)
      expect(believed).toBeLessThanOrEqual(used + 1001 * Math.max(1, state.sittings.length))
    }),
    { seed: 20, numRuns: 300 },
  )
})

describe('the clock of a device', () => {
  const reading = (sentAtMs: number | null, latestMs = sentAtMs ?? NOW, nowMs = NOW) => ({
    sentAtMs,
    latestMs,
    nowMs,
  })
  it.each([
    ['three hours ahead', NOW + 3 * HOUR, -3 * HOUR],
    ['thirty hours ahead', NOW + 30 * HOUR, -30 * HOUR],
    ['three hours behind', NOW - 3 * HOUR, 3 * HOUR],
    ['in 2001', Date.parse('2001-01-01T00:00:00Z'), NOW - Date.parse('2001-01-01T00:00:00Z')],
  ])('%s is read right', (_name, sentAt, offset) => {
    const state = readClock(freshClock(), reading(sentAt))
    expect(state.offsetMs).toBe(offset)
    expect(heardAtMs(sentAt - 60_000, state, BOUNDS)).toEqual({
      atMs: NOW - 60_000,
      isDoubtful: false,
    })
  })

  it('that says nothing is seen to be ahead by what it speaks of', () => {
    expect(readClock(freshClock(), reading(null, NOW + HOUR)).offsetMs).toBe(-HOUR)
    expect(readClock(freshClock(), reading(null, NOW - HOUR)).offsetMs).toBe(0)
  })

  it('is known better with each quicker sending, and what is remembered moves along', () => {
    const slow = readClock(freshClock(), reading(NOW - 4000))
    expect(slow.offsetMs).toBe(4000)
    const { state } = judgeSpans(slow, [span(0, 60, 64, 4)], BOUNDS)
    const quick = readClock(state, reading(NOW - 100))
    expect([quick.offsetMs, quick.used[0]!.toMs]).toEqual([100, NOW - 3900])
    // A slow sending later tells nothing new.
    expect(readClock(quick, reading(NOW - 9000))).toBe(quick)
    // The next stretch begins where the last one ended, by the same clock.
    expect(judgeSpans(quick, [span(60, 64, 4, 0.1)], BOUNDS).doubts).toEqual([null])
  })

  it('moves moments all alike, so that none overtakes another on the way', () => {
    for (const off of [0, 3 * HOUR]) {
      const slow = readClock(freshClock(), reading(NOW + off - 5000))
      const first = heardAtMs(NOW + off - 10_000, slow, BOUNDS)
      const quick = readClock(slow, reading(NOW + off - 20))
      const second = heardAtMs(NOW + off - 9900, quick, BOUNDS)
      expect(second.atMs - first.atMs).toBe(100)
    }
  })

  it('that was set is read anew', () => {
    const before = readClock(freshClock(), reading(NOW))
    expect(readClock(before, reading(NOW + HOUR)).offsetMs).toBe(-HOUR)
  })

  it.each([
    ['before the attempt', NOW - 2 * HOUR],
    ['later than now', NOW + HOUR],
    ['in 2001', Date.parse('2001-01-01T00:00:00Z')],
    ['in 2099', Date.parse('2099-01-01T00:00:00Z')],
  ])('cannot be believed %s: it is taken for now, and marked', (_name, saidMs) =>
    expect(heardAtMs(saidMs, freshClock(), BOUNDS)).toEqual({ atMs: NOW, isDoubtful: true }),
  )
})
