import { describe, expect, it } from 'vitest'
import { playedByBin, returnedTo, whoCameBack, type Span } from './index.ts'

const span = (fromS: number, toS: number): Span => ({ fromMs: fromS * 1000, toMs: toS * 1000 })
const BIN = 1000

it('every playing counts, and every learner once', () => {
  const class_ = [[span(0, 4), span(2, 4)], [span(0, 1.2), span(1.5, 2)], []]
  expect(playedByBin(class_, 5000, BIN)).toEqual({
    plays: [2, 2, 2, 2, 0],
    learners: [2, 2, 1, 1, 0],
  })
})

describe('what learners came back to', () => {
  const once = Array.from({ length: 10 }, () => [span(0, 120)])
  it('is what stands out, with what is near it in one', () => {
    const class_ = once.map((spans, index) => [
      ...spans,
      ...(index < 6 ? [span(40, 45), span(52, 54)] : []),
      ...(index < 4 ? [span(90, 93)] : []),
    ])
    const played = playedByBin(class_, 120_000, BIN)
    expect(returnedTo(played, 120_000, BIN)).toEqual([
      { ...span(40, 54), ratio: 1.6 },
      { ...span(90, 93), ratio: 1.4 },
    ])
  })
  it('is nothing where all was played alike, or nothing at all', () => {
    expect(returnedTo(playedByBin(once, 120_000, BIN), 120_000, BIN)).toEqual([])
    expect(returnedTo(playedByBin([], 120_000, BIN), 120_000, BIN)).toEqual([])
    const twice = once.map((spans) => [...spans, ...spans])
    expect(returnedTo(playedByBin(twice, 120_000, BIN), 120_000, BIN)).toEqual([])
  })
  it('ends with the film', () => {
    const class_ = once.map((spans) => [...spans, span(118, 120)])
    const played = playedByBin(class_, 119_500, BIN)
    expect(returnedTo(played, 119_500, BIN).at(-1)?.toMs).toBe(119_500)
  })
})

it('those who came back are counted among those who saw anything of it', () => {
  const cells = ['0112', '1200', '0000', '0110', '1001']
  expect(whoCameBack(cells, span(1, 3), BIN)).toEqual({ seen: 3, again: 1 })
  expect(whoCameBack(cells, span(0, 4), BIN)).toEqual({ seen: 4, again: 2 })
  expect(whoCameBack(cells, { fromMs: 3000, toMs: 3500 }, BIN)).toEqual({ seen: 2, again: 1 })
  expect(whoCameBack([], span(0, 4), BIN)).toEqual({ seen: 0, again: 0 })
})
