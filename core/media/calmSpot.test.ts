import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readingMs } from '../text/index.ts'
import { contrastRatio, lightOfPixels, relativeLuminance } from '../colour/index.ts'
import {
  calmSpots,
  coloursOver,
  shareCovered,
  timesToLookAt,
  type CalmWish,
  type LightFrame,
} from './index.ts'

const [W, H] = [48, 27]
function frame(lightAt: (x: number, y: number) => number): LightFrame {
  const light = Float32Array.from({ length: W * H }, (_, at) => lightAt(at % W, Math.floor(at / W)))
  return { width: W, height: H, light }
}
const wish = (more: Partial<CalmWish> = {}): CalmWish => ({
  box: { x: 0.05, y: 0.1, width: 0.3, height: 0.2 },
  ink: '#FFFFFF',
  fill: null,
  opacity: 1,
  others: [],
  captions: false,
  ...more,
})

describe('light', () => {
  it('luminance and contrast are those of WCAG', () => {
    expect(relativeLuminance('#FFFFFF')).toBeCloseTo(1, 6)
    expect(relativeLuminance('#000000')).toBe(0)
    expect(contrastRatio(1, 0)).toBeCloseTo(21, 6)
    // A grey whose contrast on white is known to be 4.54.
    expect(contrastRatio(1, relativeLuminance('#767676'))).toBeCloseTo(4.54, 2)
    expect([...lightOfPixels(Uint8ClampedArray.from([255, 255, 255, 255, 0, 0, 0, 255]))]).toEqual([
      1, 0,
    ])
  })
})

describe('calm spots', () => {
  const checker = (x: number, y: number) => ((x + y) % 2 === 0 ? 0.9 : 0.1)

  it('leave clutter for the quiet half', () => {
    const { here, best } = calmSpots([frame((x, y) => (x < W / 2 ? checker(x, y) : 0.02))], wish())
    expect(here.clutter).toBeGreaterThan(0.3)
    expect(best[0]!.box.x).toBeGreaterThanOrEqual(0.5)
    expect(best[0]!.clutter).toBeLessThan(0.01)
  })

  it('leave what moves for what stands still', () => {
    const frames = [0.05, 0.3, 0.05, 0.3].map((light) =>
      frame((_, y) => (y < H / 2 ? light : 0.05)),
    )
    const { here, best } = calmSpots(frames, wish())
    expect(here.change).toBeGreaterThan(0.2)
    expect(best[0]!.box.y).toBeGreaterThanOrEqual(0.5)
  })

  it('seek contrast for bare letters, which an own ground makes needless', () => {
    const bright = frame((x) => (x < W / 2 ? 0.9 : 0.02))
    const bare = calmSpots([bright], wish())
    expect(bare.here.contrast).toBeLessThan(1.3)
    expect(bare.best[0]!.contrast).toBeGreaterThan(12)
    const grounded = calmSpots([bright], wish({ fill: { colour: '#000000', opacity: 1 } }))
    expect(grounded.here.contrast).toBeCloseTo(21, 1)
  })

  it('mix as browsers do, and count how much of the whole box covers what is beneath', () => {
    const black = { ink: '#000000', fill: { colour: '#FFFFFF', opacity: 1 }, opacity: 0.3 }
    expect(coloursOver('#000000', black)).toEqual({ ink: '#000000', ground: '#4D4D4D' })
    const dark = frame(() => 0)
    const { contrast } = calmSpots([dark], wish(black)).here
    expect(contrast).toBeGreaterThan(2.4)
    expect(contrast).toBeLessThan(2.6)
    expect(calmSpots([dark], wish({ ...black, opacity: 1 })).here.contrast).toBeCloseTo(21, 1)
    // White letters on a half covering box over white are seen by nobody, whatever they are made of.
    const white = frame(() => 1)
    expect(calmSpots([white], wish({ opacity: 0.5 })).here.contrast).toBeLessThan(1.05)
  })

  it('judge by the tenth that is worst, not by the mean', () => {
    // A fifth of the pixels beneath is as bright as the letters.
    const striped = frame((x) => (x % 5 === 0 ? 1 : 0))
    expect(calmSpots([striped], wish()).here.contrast).toBeLessThan(1.1)
    const rare = frame((x, y) => (x % 5 === 0 && y % 5 === 0 ? 1 : 0))
    expect(calmSpots([rare], wish()).here.contrast).toBeGreaterThan(20)
  })

  it('keep clear of other overlays and of captions', () => {
    const even = [frame(() => 0.02)]
    const left = { x: 0, y: 0, width: 0.5, height: 1 }
    const { here, best } = calmSpots(even, wish({ others: [left], captions: true }))
    expect(here.overlap).toBe(1)
    expect(best).toHaveLength(3)
    expect(best.every(({ overlap }) => overlap === 0)).toBe(true)
  })

  it('agree with counting every pixel, and never leave the stage', () => {
    const size = fc.double({ min: 0.05, max: 0.6, noNaN: true })
    fc.assert(
      fc.property(
        fc.array(fc.nat(255), { minLength: 60, maxLength: 60 }),
        size,
        size,
        (values, width, height) => {
          const frames = [0, 17].map((shift) =>
            frame((x, y) => values[(x * 7 + y * 3 + shift) % 60]! / 255),
          )
          const { here, best } = calmSpots(frames, wish({ box: { x: 0, y: 0, width, height } }))
          const [right, bottom] = [
            Math.max(1, Math.round(width * W)),
            Math.max(1, Math.round(height * H)),
          ]
          let [clutter, change] = [0, 0]
          const tone = (f: number, x: number, y: number) => Math.sqrt(frames[f]!.light[y * W + x]!)
          for (let y = 0; y < bottom; y += 1)
            for (let x = 0; x < right; x += 1) {
              change += Math.abs(tone(0, x, y) - tone(1, x, y))
              for (const f of [0, 1])
                clutter += Math.hypot(
                  x + 1 < W ? tone(f, x + 1, y) - tone(f, x, y) : 0,
                  y + 1 < H ? tone(f, x, y + 1) - tone(f, x, y) : 0,
                )
            }
          expect(here.clutter).toBeCloseTo(clutter / 2 / (right * bottom), 4)
          expect(here.change).toBeCloseTo(change / (right * bottom), 4)
          for (const { box } of best) {
            expect(box.x + box.width).toBeLessThanOrEqual(1 + 1e-9)
            expect(box.y + box.height).toBeLessThanOrEqual(1 + 1e-9)
          }
          for (const [index, { box }] of best.entries())
            for (const other of best.slice(0, index)) expect(shareCovered(box, other.box)).toBe(0)
        },
      ),
      { seed: 1805, numRuns: 40 },
    )
  })
})

it('an overlay is looked at every two seconds and in every shot, but not without end', () => {
  expect(timesToLookAt(1000, 6000, [500, 1000, 2500, 6000])).toEqual([1000, 2500, 3000, 5000])
  const long = timesToLookAt(
    0,
    10_800_000,
    Array.from({ length: 2000 }, (_, n) => n * 5400 + 7),
  )
  expect(long.length).toBeLessThanOrEqual(61)
  expect(long.at(-1)).toBeGreaterThan(10_000_000)
})

it('words want a second, and another for fifteen letters', () => {
  expect(readingMs('')).toBe(0)
  expect(readingMs('x'.repeat(30))).toBe(3000)
})
