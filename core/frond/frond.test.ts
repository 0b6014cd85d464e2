import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  msOfX,
  panWindow,
  placeLabels,
  rulerTicks,
  stackInLanes,
  xOfMs,
  zoomWindow,
  LABEL_CHARACTER_PX,
} from './index.ts'

const LENGTH = 100_000
const whole = { fromMs: 0, toMs: LENGTH, width: 500 }

describe('the window', () => {
  it('place and time are each other’s inverse', () => {
    expect(msOfX(xOfMs(12_400, whole), whole)).toBe(12_400)
  })

  it('zooming keeps the anchor in place and stays within the film', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: LENGTH }),
        fc.double({ min: 0.05, max: 20, noNaN: true }),
        (anchor, factor) => {
          const zoomed = zoomWindow(whole, factor, anchor, LENGTH)
          expect(zoomed.fromMs).toBeGreaterThanOrEqual(0)
          expect(zoomed.toMs).toBeLessThanOrEqual(LENGTH)
          expect(zoomed.toMs).toBeGreaterThan(zoomed.fromMs)
          if (factor > 1)
            expect(Math.abs(xOfMs(anchor, zoomed) - xOfMs(anchor, whole))).toBeLessThan(3)
        },
      ),
      { seed: 21 },
    )
  })

  it('goes no closer than a few frames, and no wider than the film', () => {
    const close = zoomWindow(whole, 1e9, 50_000, LENGTH)
    expect(close.toMs - close.fromMs).toBe(200)
    expect(zoomWindow(close, 1e-9, 50_000, LENGTH)).toEqual(whole)
  })

  it('pans up to the ends', () => {
    const half = { ...whole, toMs: 50_000 }
    expect(panWindow(half, 70_000, LENGTH)).toMatchObject({ fromMs: 50_000, toMs: LENGTH })
    expect(panWindow(half, -5, LENGTH)).toEqual(half)
  })

  it('rules in round times with room between', () => {
    const ticks = rulerTicks(whole)
    expect(ticks).toEqual([0, 30_000, 60_000, 90_000])
  })
})

describe('lanes', () => {
  const items = fc.array(
    fc.record({ fromMs: fc.nat(100), length: fc.integer({ min: 1, max: 30 }) }),
    { maxLength: 30 },
  )
  it('no two overlays in a lane overlap, and no lane more is used than needed', () => {
    fc.assert(
      fc.property(items, (list) => {
        const placed = list.map(({ fromMs, length }, index) => ({
          id: String(index),
          fromMs,
          toMs: fromMs + length,
        }))
        const lanes = stackInLanes(placed)
        for (const a of placed)
          for (const b of placed)
            if (a !== b && lanes.get(a.id) === lanes.get(b.id))
              expect(a.toMs <= b.fromMs || b.toMs <= a.fromMs).toBe(true)
        const most = Math.max(
          0,
          ...Array.from(
            { length: 140 },
            (_, t) => placed.filter((p) => p.fromMs <= t && t < p.toMs).length,
          ),
        )
        expect(new Set(lanes.values()).size).toBe(most)
      }),
      { seed: 22 },
    )
  })
})

describe('labels', () => {
  const label = (id: string, x: number, text: string) => ({ id, x, text })
  it('are shortened where the next one comes, and left out where nothing would stay', () => {
    const placed = placeLabels(
      [label('a', 0, 'A long name'), label('b', 60, 'Bee'), label('c', 75, 'Sea')],
      500,
    )
    expect(placed.map(({ id, text }) => [id, text])).toEqual([
      ['a', 'A long…'],
      ['c', 'Sea'],
    ])
  })

  it('the last one turns left at the end of the stem', () => {
    expect(placeLabels([label('a', 480, 'Leaving the lock')], 500)).toMatchObject([
      { anchor: 'end', text: 'Leaving the lock' },
    ])
  })

  it('never run into one another', () => {
    const items = fc.uniqueArray(
      fc.record({ id: fc.uuid(), x: fc.nat(600), text: fc.string({ maxLength: 30 }) }),
      { selector: (i) => i.x },
    )
    fc.assert(
      fc.property(items, (list) => {
        const boxes = placeLabels(list, 600).map(({ x, text, anchor }) => {
          const width = text.length * LABEL_CHARACTER_PX
          return anchor === 'start' ? [x, x + width] : [x - width, x]
        })
        boxes.sort((a, b) => a[0]! - b[0]!)
        for (let i = 1; i < boxes.length; i += 1)
          expect(boxes[i]![0]).toBeGreaterThanOrEqual(boxes[i - 1]![1]!)
      }),
      { seed: 23 },
    )
  })
})
