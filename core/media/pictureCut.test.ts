import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  cutPixels,
  cutSize,
  shapedBox,
  turnedBox,
  WHOLE_PICTURE,
  type PictureCut,
} from './index.ts'

const GATE = { width: 400, height: 300 }
const cut = (change: Partial<PictureCut>): PictureCut => ({ ...WHOLE_PICTURE, ...change })
const share = fc.double({ min: 0, max: 1, noNaN: true })
const anyBox = fc
  .tuple(share, share, share, share)
  .map(([x, y, width, height]) => ({ x, y, width: width * (1 - x), height: height * (1 - y) }))

describe('the part that is cut out', () => {
  it('is the whole where nothing is said', () => {
    expect(cutPixels(GATE, WHOLE_PICTURE)).toEqual({ x: 0, y: 0, width: 400, height: 300 })
    expect(cutSize(GATE, WHOLE_PICTURE)).toEqual(GATE)
  })

  it('lies in the turned picture', () => {
    const box = { x: 0.5, y: 0, width: 0.5, height: 0.25 }
    expect(cutPixels(GATE, cut({ box }))).toEqual({ x: 200, y: 0, width: 200, height: 75 })
    expect(cutPixels(GATE, cut({ box, turns: 1 }))).toEqual({
      x: 150,
      y: 0,
      width: 150,
      height: 100,
    })
  })

  it('has at least one pixel and stays within, whatever the box', () => {
    fc.assert(
      fc.property(anyBox, fc.constantFrom(0, 1, 2, 3), (box, turns) => {
        const { x, y, width, height } = cutPixels(GATE, cut({ box, turns: turns as 0 }))
        const [most, high] = turns % 2 === 1 ? [300, 400] : [400, 300]
        expect(Math.min(x, y)).toBeGreaterThanOrEqual(0)
        expect(Math.min(width, height)).toBeGreaterThanOrEqual(1)
        expect(x + width).toBeLessThanOrEqual(most)
        expect(y + height).toBeLessThanOrEqual(high)
      }),
    )
  })
})

describe('its size', () => {
  it('keeps its shape when it is drawn smaller, and never grows', () => {
    expect(cutSize(GATE, cut({ width: 200 }))).toEqual({ width: 200, height: 150 })
    expect(cutSize(GATE, cut({ width: 4000 }))).toEqual(GATE)
    const strip = cut({ box: { x: 0, y: 0, width: 1, height: 1 / 300 }, width: 8 })
    expect(cutSize(GATE, strip)).toEqual({ width: 8, height: 1 })
  })
})

describe('a box of a wanted shape', () => {
  it('is the largest that fits, about the middle', () => {
    expect(shapedBox(WHOLE_PICTURE.box, GATE, null)).toEqual(WHOLE_PICTURE.box)
    expect(shapedBox(WHOLE_PICTURE.box, GATE, 1)).toEqual({
      x: 0.125,
      y: 0,
      width: 0.75,
      height: 1,
    })
    const wide = shapedBox(WHOLE_PICTURE.box, GATE, 2)
    expect(wide.width).toBe(1)
    expect(wide.height * 300).toBeCloseTo(200)
    expect(wide.y * 300).toBeCloseTo(50)
  })
})

describe('turning', () => {
  it('four times brings a box back', () => {
    const box = { x: 0.1, y: 0.2, width: 0.3, height: 0.5 }
    const once = turnedBox(box)
    expect(once.x).toBeCloseTo(0.3)
    expect(once).toMatchObject({ y: 0.1, width: 0.5, height: 0.3 })
    const back = turnedBox(turnedBox(turnedBox(once)))
    for (const side of ['x', 'y', 'width', 'height'] as const)
      expect(back[side]).toBeCloseTo(box[side])
  })
})
