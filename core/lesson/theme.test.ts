import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { contrastOf } from '../colour/index.ts'
import { objectivesOf, readTags, shownTheme, USUAL_THEME } from './index.ts'

const colours = fc
  .integer({ min: 0, max: 0xffffff })
  .map((value) => `#${value.toString(16).padStart(6, '0').toUpperCase()}`)

describe('a theme', () => {
  it('whose colours read well is shown as it was picked', () => {
    const { accent, ground, moved } = shownTheme(USUAL_THEME)
    expect({ accent, ground }).toEqual({ accent: '#24603F', ground: '#F5F3EA' })
    expect(moved).toEqual({ accent: false, ground: false })
  })

  it('is moved no further than it takes, and says so', () => {
    const yellow = shownTheme({ ...USUAL_THEME, accent: '#E3C65B' })
    expect(yellow.moved).toEqual({ accent: true, ground: false })
    expect(contrastOf(yellow.accent, yellow.ground)).toBeGreaterThanOrEqual(4.5)
    expect(contrastOf(yellow.accent, yellow.ground)).toBeLessThan(5.5)
  })

  it('of whatever colours leaves nothing on it that cannot be read', () => {
    fc.assert(
      fc.property(colours, colours, (accent, ground) => {
        const { tokens } = shownTheme({ ...USUAL_THEME, accent, ground })
        const pairs = [
          ['accent', 'ground'],
          ['accent', 'surface'],
          ['accent', 'sunk'],
          ['on-accent', 'accent'],
          ['accent-deep', 'accent-soft'],
          ['night-accent-deep', 'night-accent-soft'],
        ] as const
        for (const [one, other] of pairs)
          expect(contrastOf(tokens[one]!, tokens[other]!)).toBeGreaterThanOrEqual(4.5)
        for (const ink of ['#17231C', '#45534A', '#5B685F', '#A5461D', '#7C5F00'])
          for (const under of [tokens.ground!, tokens.surface!, tokens.sunk!])
            expect(contrastOf(ink, under)).toBeGreaterThanOrEqual(4.5)
        for (const under of [tokens.ground!, tokens.surface!, tokens.sunk!])
          expect(contrastOf(tokens['line-strong']!, under)).toBeGreaterThanOrEqual(3)
        for (const night of ['#0F1713', '#1A2620'])
          expect(contrastOf(tokens['night-accent']!, night)).toBeGreaterThanOrEqual(7)
      }),
    )
  })
})

describe('what a lesson says about itself', () => {
  it('has one objective a line', () => {
    expect(objectivesOf({})).toEqual([])
    expect(objectivesOf({ objectives: ' Work a lock \n\n Read a gauge' })).toEqual([
      'Work a lock',
      'Read a gauge',
    ])
  })
  it('has each tag once', () => {
    expect(readTags('locks,  Gates , locks, LOCKS,, side   ponds')).toEqual([
      'locks',
      'Gates',
      'side ponds',
    ])
  })
})
