import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  clip,
  closeSpan,
  counts,
  coverage,
  coveredMs,
  cutSpan,
  furthestMs,
  learnersPerBin,
  leaveOff,
  normalise,
  shareWatched,
  recordTick,
  runsOf,
  watchedAgain,
  type OpenSpan,
  type ReportedSpan,
  type Span,
} from './index.ts'

const span = (fromMs: number, toMs: number): Span => ({ fromMs, toMs })
const LENGTH = 300
const spans = fc.array(
  fc.record({
    fromMs: fc.integer({ min: 0, max: LENGTH }),
    toMs: fc.integer({ min: 0, max: LENGTH }),
  }),
  { maxLength: 20 },
)

/** One flag a ms: the slow and obvious union. */
const flags = (list: readonly Span[]) =>
  Array.from({ length: LENGTH }, (_, ms) => list.some((s) => s.fromMs <= ms && ms < s.toMs))

describe('normalise', () => {
  it('merges what overlaps or touches, and drops what is empty or reversed', () => {
    expect(
      normalise([span(5, 9), span(0, 3), span(3, 4), span(8, 12), span(7, 7), span(9, 2)]),
    ).toEqual([span(0, 4), span(5, 12)])
  })

  it('equals the union ms by ms, is sorted and disjoint, and twice is once', () => {
    fc.assert(
      fc.property(spans, (list) => {
        const union = normalise(list)
        expect(flags(union)).toEqual(flags(list))
        for (let i = 1; i < union.length; i += 1)
          expect(union[i]!.fromMs).toBeGreaterThan(union[i - 1]!.toMs)
        expect(normalise(union)).toEqual(union)
        expect(coveredMs(list)).toBe(flags(list).filter(Boolean).length)
      }),
      { seed: 7 },
    )
  })

  it('does not touch what it is given', () => {
    const list = Object.freeze([Object.freeze(span(3, 5)), Object.freeze(span(0, 4))])
    expect(normalise(list)).toEqual([span(0, 5)])
  })
})

describe('coverage', () => {
  it('counts what is played twice once, and nothing beyond the end', () => {
    expect(coverage([span(0, 50), span(25, 50), span(90, 200)], 100)).toBe(0.6)
  })
  it('is 0 for a film without length', () => expect(coverage([span(0, 5)], 0)).toBe(0))
  it('clips at both ends', () =>
    expect(clip([span(0, 10), span(20, 30)], 5, 25)).toEqual([span(5, 10), span(20, 25)]))
  it('tells how much of a stretch was watched', () => {
    expect(shareWatched([span(0, 10), span(5, 12), span(18, 40)], span(8, 20))).toBe(0.5)
    expect([shareWatched([], span(0, 5)), shareWatched([span(0, 9)], span(5, 5))]).toEqual([0, 0])
  })
  it('knows the furthest point', () =>
    expect([furthestMs([span(4, 9), span(1, 2)]), furthestMs([])]).toEqual([9, 0]))
})

describe('runs', () => {
  it('join what goes on from where the last one ended, and nothing else', () => {
    const played = [
      span(0, 5),
      span(5, 9),
      span(9, 12),
      span(3, 5),
      span(5, 6),
      span(0, 5),
      span(0, 5),
    ]
    expect(runsOf(played)).toEqual([span(0, 12), span(3, 6), span(0, 5), span(0, 5)])
    expect(runsOf([])).toEqual([])
  })

  it('are counted as the spans are, and cutting a playing into pieces makes no difference', () => {
    fc.assert(
      fc.property(spans, fc.integer({ min: 1, max: 40 }), (list, binMs) => {
        const proper = list.filter((s) => s.fromMs < s.toMs)
        expect(counts(runsOf(proper), LENGTH, binMs)).toEqual(counts(proper, LENGTH, binMs))
        const cut = proper.flatMap(({ fromMs, toMs }) => {
          const half = Math.floor((fromMs + toMs) / 2)
          return [span(fromMs, half), span(half, toMs)].filter((s) => s.fromMs < s.toMs)
        })
        expect(runsOf(cut)).toEqual(runsOf(proper))
      }),
    )
  })
})

describe('counts by bin', () => {
  it('equals counting span by span', () => {
    fc.assert(
      fc.property(spans, fc.integer({ min: 1, max: 40 }), (list, binMs) => {
        const proper = list.filter((s) => s.fromMs < s.toMs)
        const slow = Array.from(
          { length: Math.ceil(LENGTH / binMs) },
          (_, bin) =>
            proper.filter((s) => {
              const middle = (bin * binMs + Math.min((bin + 1) * binMs, LENGTH)) / 2
              return s.fromMs <= middle && middle < s.toMs
            }).length,
        )
        expect(counts(proper, LENGTH, binMs)).toEqual(slow)
      }),
      { seed: 8 },
    )
  })

  it('counts each learner once a bin', () => {
    expect(learnersPerBin([[span(0, 10), span(0, 10)], [span(5, 20)], []], 20, 10)).toEqual([2, 1])
  })

  it('tells which share is still there', () => {
    expect(leaveOff([[span(0, 10)], [span(0, 20)], [span(0, 20)], []], [0, 10, 15, 21])).toEqual([
      1, 0.75, 0.5, 0,
    ])
    expect(leaveOff([], [0])).toEqual([0])
  })
})

describe('recording', () => {
  /** Feeds `[media, clock]` pairs at normal speed. */
  function record(ticks: [number, number][]): ReportedSpan[] {
    let open: OpenSpan | null = null
    const closed: ReportedSpan[] = []
    for (const [mediaMs, clockMs] of ticks) {
      const recorded = recordTick(open, mediaMs, 1, clockMs)
      open = recorded.open
      closed.push(...recorded.closed)
    }
    return [...closed, ...closeSpan(open)]
  }

  it('makes one span of steady playing', () => {
    expect(
      record([
        [0, 0],
        [40, 40],
        [1000, 1000],
      ]),
    ).toEqual([{ fromMs: 0, toMs: 1000, rate: 1, beganAtMs: 0, endedAtMs: 1000 }])
  })

  it('ends a span at a jump, forwards or back, and begins another', () => {
    const made = record([
      [0, 0],
      [500, 500],
      [9000, 540],
      [9500, 1040],
      [100, 1080],
      [200, 1180],
    ])
    expect(made.map(({ fromMs, toMs }) => [fromMs, toMs])).toEqual([
      [0, 500],
      [9000, 9500],
      [100, 200],
    ])
  })

  it('keeps a span through a slow patch', () => {
    expect(
      record([
        [0, 0],
        [200, 4000],
      ]),
    ).toHaveLength(1)
  })

  it('makes nothing of standing still', () =>
    expect(
      record([
        [5, 0],
        [5, 900],
      ]),
    ).toEqual([]))

  it('cuts a running span without a gap', () => {
    const { open } = recordTick(recordTick(null, 0, 1, 0).open, 5000, 1, 5000)
    const cut = cutSpan(open)
    const rest = closeSpan(recordTick(cut.open, 6000, 1, 6000).open)
    expect([...cut.closed, ...rest].map(({ fromMs, toMs }) => [fromMs, toMs])).toEqual([
      [0, 5000],
      [5000, 6000],
    ])
  })

  it('never records what a later check would call implausible', () => {
    const tick = fc.tuple(fc.integer({ min: 0, max: 20_000 }), fc.integer({ min: 0, max: 3000 }))
    fc.assert(
      fc.property(fc.array(tick, { maxLength: 30 }), (list) => {
        let clock = 0
        const made = record(
          list.map(([media, step]) => [media, (clock += step)] as [number, number]),
        )
        // Each tick may stretch a span by the step allowed; two ticks are where it is tightest.
        for (const s of made.filter((s) => s.endedAtMs > s.beganAtMs))
          expect(s.toMs).toBeGreaterThan(s.fromMs)
      }),
      { seed: 9 },
    )
  })
})

const someSpan = fc
  .tuple(fc.integer({ min: 0, max: 9000 }), fc.integer({ min: 0, max: 3000 }))
  .map(([fromMs, length]): Span => ({ fromMs, toMs: fromMs + length }))

describe('how often each bin was played', () => {
  it('is how often its middle was, that of a shorter last one too', () => {
    fc.assert(
      fc.property(fc.array(someSpan), fc.integer({ min: 1, max: 12_000 }), (spans, durationMs) => {
        const bins = Math.ceil(durationMs / 1000)
        const slow = Array.from({ length: bins }, (_, bin) => {
          const middle = (bin * 1000 + Math.min((bin + 1) * 1000, durationMs)) / 2
          return spans.filter(({ fromMs, toMs }) => fromMs <= middle && middle < toMs).length
        })
        expect(counts(spans, durationMs, 1000)).toEqual(slow)
      }),
    )
  })
  it('does not mind where a playing was cut', () => {
    fc.assert(
      fc.property(fc.array(someSpan), fc.integer({ min: 1, max: 700 }), (spans, step) => {
        const cut = spans.flatMap(({ fromMs, toMs }) => {
          const pieces: Span[] = []
          for (let at = fromMs; at < toMs; at += step)
            pieces.push({ fromMs: at, toMs: Math.min(toMs, at + step) })
          return pieces
        })
        expect(counts(cut, 10_000, 1000)).toEqual(counts(spans, 10_000, 1000))
      }),
    )
  })
  it('is nothing of a film without length', () => expect(counts([], 0, 1000)).toEqual([]))
})

it('what was watched again lies in two spans or more', () => {
  fc.assert(
    fc.property(fc.array(someSpan, { maxLength: 12 }), (spans) => {
      const pairs = spans.flatMap((a, index) =>
        spans
          .slice(index + 1)
          .map((b) => ({ fromMs: Math.max(a.fromMs, b.fromMs), toMs: Math.min(a.toMs, b.toMs) })),
      )
      expect(watchedAgain(spans)).toEqual(normalise(pairs))
    }),
  )
})
