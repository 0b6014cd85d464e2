// Which line of a script is said to stand for a stretch of film.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lineIndexAt, lineNear, linesSaid, linesInOrder, type ScriptLine } from './index.ts'

const line = (id: string, fromMs: number, toMs: number): ScriptLine => ({
  id,
  fromMs,
  toMs,
  text: `Line ${id}`,
})
const scriptOf = (...lines: ScriptLine[]) => ({
  lines: Object.fromEntries(lines.map((one) => [one.id, one])),
})
const script = scriptOf(line('b', 4000, 6000), line('a', 0, 2000), line('c', 10_000, 12_000))
const near = (fromMs: number, toMs: number) => lineNear(script, { fromMs, toMs })?.id

describe('the line of a stretch', () => {
  it('is the one spoken in its middle', () => {
    expect(near(0, 1000)).toBe('a')
    expect(near(0, 10_000)).toBe('b')
    expect(near(10_500, 60_000)).toBe('c')
  })
  it('is the nearest where nothing is spoken', () => {
    expect(near(2000, 2800)).toBe('a')
    expect(near(3000, 3900)).toBe('b')
    expect(near(8200, 9000)).toBe('c')
  })
  it('is missing where there is no script, or an empty one', () => {
    expect(lineNear(undefined, { fromMs: 0, toMs: 10 })).toBeUndefined()
    expect(lineNear({ lines: {} }, { fromMs: 0, toMs: 10 })).toBeUndefined()
  })
  it('is the line that has begun last, wherever one is being spoken', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 12_000 }), (at) => {
        const lines = linesInOrder(script)
        const begun = lines[lineIndexAt(lines, at)]
        if (begun && at < begun.toMs) expect(near(at, at)).toBe(begun.id)
      }),
    ))
})

describe('what is said at once', () => {
  const line = (id: string, fromMs: number, toMs: number): ScriptLine => ({
    id,
    fromMs,
    toMs,
    text: id,
  })
  it('is every line that lasts, however long ago it began', () => {
    const saidAt = linesSaid([line('long', 0, 9000), line('a', 1000, 2000), line('b', 1500, 3000)])
    const ids = (ms: number) => saidAt(ms).map(({ id }) => id)
    expect(ids(1700)).toEqual(['long', 'a', 'b'])
    expect(ids(2000)).toEqual(['long', 'b'])
    expect(ids(8999)).toEqual(['long'])
    expect([ids(9000), ids(-1)]).toEqual([[], []])
  })
  it('is what a look at all lines finds', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(500), fc.integer({ min: 1, max: 200 })), { maxLength: 30 }),
        fc.nat(700),
        (times, ms) => {
          const lines = times
            .map(([from, long], index) => line(`${index}`, from, from + long))
            .sort((one, other) => one.fromMs - other.fromMs)
          const slowly = lines.filter(({ fromMs, toMs }) => fromMs <= ms && ms < toMs)
          expect(linesSaid(lines)(ms)).toEqual(slowly)
        },
      ),
    ))
})
