import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  contrastOf,
  ENOUGH_CONTRAST,
  enoughWash,
  mixColours,
  standingOut,
  washedContrast,
  WASH_LETTERS,
} from './index.ts'

const colours = fc
  .integer({ min: 0, max: 0xffffff })
  .map((value) => `#${value.toString(16).padStart(6, '0').toUpperCase()}`)
/** A picture of so many pixels in each of these greys. */
const picture = (...greys: number[]) =>
  Uint8ClampedArray.from(greys.flatMap((grey) => [grey, grey, grey, 255]))

describe('contrast', () => {
  it.each([
    ['#000000', '#FFFFFF', 21],
    ['#767676', '#FFFFFF', 4.54],
    ['#24603F', '#24603F', 1],
  ])('of %s and %s is as WCAG says', (a, b, expected) => {
    expect(contrastOf(a, b)).toBeCloseTo(expected, 2)
    expect(contrastOf(b, a)).toBe(contrastOf(a, b))
  })
})

describe('mixing', () => {
  it('is one colour at 0, the other at 1, and between them half-way', () => {
    expect(mixColours('#102030', '#F0E0D0', 0)).toBe('#102030')
    expect(mixColours('#102030', '#F0E0D0', 1)).toBe('#F0E0D0')
    expect(mixColours('#102030', '#F0E0D0', 0.5)).toBe('#808080')
  })
})

describe('a colour that is to stand out', () => {
  it('stays as it is where it does', () => {
    expect(standingOut('#24603F', '#000000', ['#FFFDF8'])).toBe('#24603F')
  })
  it('always does in the end where its goal does', () => {
    fc.assert(
      fc.property(colours, (colour) => {
        const moved = standingOut(colour, '#000000', ['#FFFDF8', '#F5F3EA'])
        expect(contrastOf(moved, '#F5F3EA')).toBeGreaterThanOrEqual(ENOUGH_CONTRAST)
      }),
    )
  })
})

describe('a wash', () => {
  it('without strength leaves the picture as it is: letters are chosen by it', () => {
    expect(washedContrast(picture(0, 0, 0), '#FFFFFF', 0)).toMatchObject({ letters: 'paper' })
    expect(washedContrast(picture(255, 255), '#000000', 0)).toMatchObject({ letters: 'ink' })
  })
  it('that covers all has the contrast of its colour', () => {
    const { letters, contrast } = washedContrast(picture(0, 90, 255), '#163F2A', 1)
    expect(letters).toBe('paper')
    expect(contrast).toBeCloseTo(contrastOf(WASH_LETTERS.paper, '#163F2A'), 3)
  })
  it('forgives a tenth of the pixels, and no more', () => {
    const spots = (white: number) => picture(...Array<number>(100).fill(0).fill(255, 0, white))
    expect(washedContrast(spots(9), '#000000', 0).contrast).toBeGreaterThan(15)
    expect(washedContrast(spots(40), '#000000', 0).contrast).toBeLessThan(1.5)
  })
  it('is made just strong enough for letters to be read', () => {
    const half = picture(0, 255)
    const strength = enoughWash(half, '#163F2A', 0.1)
    expect(washedContrast(half, '#163F2A', strength).contrast).toBeGreaterThanOrEqual(4.5)
    expect(washedContrast(half, '#163F2A', strength - 0.05).contrast).toBeLessThan(4.5)
  })
  it('is given back as strong as it was tried', () => {
    const shades = picture(243, 0)
    const strength = enoughWash(shades, '#676C20', 0)
    const { contrast } = washedContrast(shades, '#676C20', strength)
    expect(strength === 1 || contrast >= ENOUGH_CONTRAST).toBe(true)
  })
  it('of whatever colour can be read when it covers enough, or comes as near as it can', () => {
    fc.assert(
      fc.property(
        colours,
        fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 1 }),
        (wash, greys) => {
          const strength = enoughWash(picture(...greys), wash, 0)
          const { contrast } = washedContrast(picture(...greys), wash, strength)
          expect(strength === 1 || contrast >= ENOUGH_CONTRAST).toBe(true)
          expect(contrast).toBeGreaterThan(3.5)
        },
      ),
    )
  })
})
