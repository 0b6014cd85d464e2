// What takes hold of a cue that is dragged.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nearestPoint, snapPoints, snapShift, type SnapPoint } from './index.ts'

const POINTS = snapPoints([
  { ms: 5000, kind: 'line' },
  { ms: 1000, kind: 'shot' },
  { ms: 1000, kind: 'line' },
  { ms: 9000, kind: 'bookmark' },
])

describe('points', () => {
  it('stand in order, each time once', () => {
    expect(POINTS.map(({ ms, kind }) => [ms, kind])).toEqual([
      [1000, 'shot'],
      [5000, 'line'],
      [9000, 'bookmark'],
    ])
  })
  it('the nearest within reach is found, as by looking at them all', () => {
    const times = fc.uniqueArray(fc.integer({ min: 0, max: 2000 }), { maxLength: 40 })
    fc.assert(
      fc.property(times, fc.integer({ min: -50, max: 2050 }), fc.nat(300), (list, ms, reach) => {
        const points = snapPoints(list.map((at): SnapPoint => ({ ms: at, kind: 'cue' })))
        const away = list.map((at) => Math.abs(at - ms)).filter((distance) => distance <= reach)
        const found = nearestPoint(points, ms, reach)
        expect(found ? Math.abs(found.ms - ms) : null).toBe(
          away.length > 0 ? Math.min(...away) : null,
        )
      }),
      { seed: 41 },
    )
  })
})

describe('what is dragged', () => {
  it('is held by the edge that comes nearest to a point', () => {
    // An overlay from 2000 to 4900, dragged by 60: its end is 40 away from 5000.
    expect(snapShift(POINTS, [2000, 4900], 60, 100)).toEqual({ byMs: 100, point: POINTS[1] })
  })
  it('moves freely where nothing is near, or snapping is suspended', () => {
    expect(snapShift(POINTS, [2000, 4900], 700, 100)).toEqual({ byMs: 700, point: null })
    expect(snapShift(POINTS, [2000, 4900], 100, -1)).toEqual({ byMs: 100, point: null })
  })
})
