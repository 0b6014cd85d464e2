// What is computed from sound and pictures: peaks, pauses, shots, and the layout of the filmstrip.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  filmstripLayout,
  filmstripPlace,
  findPauses,
  LoudnessCollector,
  PEAK_MS,
  PeakCollector,
  peakColumns,
  peakLevels,
  readPeakFile,
  SHOT_FRAME,
  ShotFinder,
  writePeakFile,
} from './index.ts'

const bytes = fc.integer({ min: -128, max: 127 })

describe('peaks', () => {
  it('takes least and greatest of every 10 ms, the last piece included', () => {
    const collector = new PeakCollector(1000)
    collector.add(Int16Array.from([256, -512, 0, 0, 0, 0, 0, 0, 0]))
    collector.add(Int16Array.from([0, 32_767]))
    expect([...collector.finish()]).toEqual([-2, 1, 0, 127])
  })
  it('draws the extremes of what a column covers', () => {
    const columns = peakColumns([Int8Array.from([-128, 0, -64, 64, 0, 127])], 0, 30, 1)
    expect([...columns].map((value) => Math.round(value * 100))).toEqual([-100, 99])
  })
  it('draws nothing where there is no sound', () => {
    expect([...peakColumns([new Int8Array(0)], 0, 1000, 2)]).toEqual([0, 0, 0, 0])
  })
  it('draws from coarser levels what the finest would show, over whole columns', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(bytes, bytes), { minLength: 2100, maxLength: 2100 }),
        (pairs) => {
          const finest = Int8Array.from(
            pairs.flatMap(([a, b]) => [Math.min(a, 0, b), Math.max(a, 0, b)]),
          )
          const levels = peakLevels(finest)
          expect(levels.map((level) => level.length / 2)).toEqual([2100, 525, 132])
          const lengthMs = 2048 * PEAK_MS
          expect([...peakColumns(levels, 0, lengthMs, 8)]).toEqual([
            ...peakColumns([finest], 0, lengthMs, 8),
          ])
        },
      ),
      { seed: 4, numRuns: 20 },
    )
  })
  it('are the same after a way through their file', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(bytes, bytes), { maxLength: 3000 }), (pairs) => {
        const levels = peakLevels(Int8Array.from(pairs.flat()))
        const file = writePeakFile(levels)
        const buffer = Uint8Array.from(file).buffer
        expect(readPeakFile(buffer)).toEqual(levels)
        expect(readPeakFile(buffer.slice(0, -1))).toBe(null)
      }),
      { seed: 5, numRuns: 20 },
    )
  })
  it('tells that a file is something else', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 60 }), (noise) => {
        expect(readPeakFile(Uint8Array.from(noise).buffer)).toBe(null)
      }),
      { seed: 6 },
    )
  })
})

/** Sound of a loudness for a time: noise of −60 dB, speech of −20 dB. */
function sound(pieces: readonly [decibel: number, ms: number][]): Float32Array {
  const collector = new LoudnessCollector(8000)
  for (const [decibel, ms] of pieces) {
    const amplitude = 32768 * 10 ** (decibel / 20)
    collector.add(Int16Array.from({ length: ms * 8 }, (_, i) => amplitude * (i % 2 ? 1 : -1)))
  }
  return collector.finish()
}

describe('pauses in speech', () => {
  it('are where it is as quiet as it ever is, for long enough', () => {
    const levels = sound([
      [-20, 1000],
      [-55, 400],
      [-25, 600],
      [-55, 300],
      [-22, 500],
      [-52, 700],
    ])
    expect(findPauses(levels)).toEqual([
      { fromMs: 1000, toMs: 1400 },
      { fromMs: 2800, toMs: 3500 },
    ])
  })
  it('are found beside digital silence as well', () => {
    const levels = sound([
      [-200, 2000],
      [-20, 1000],
      [-58, 500],
      [-20, 1000],
    ])
    expect(findPauses(levels)).toEqual([
      { fromMs: 0, toMs: 2000 },
      { fromMs: 3000, toMs: 3500 },
    ])
  })
  it('are everywhere in a silent film, and nowhere without sound', () => {
    expect(findPauses(sound([[-200, 1000]]))).toEqual([{ fromMs: 0, toMs: 1000 }])
    expect(findPauses(new Float32Array(0))).toEqual([])
  })
  it('are in order, apart, and long enough, whatever the sound', () => {
    const level = fc.integer({ min: -96, max: 0 })
    fc.assert(
      fc.property(fc.array(level, { maxLength: 400 }), (levels) => {
        let before = -1
        for (const { fromMs, toMs } of findPauses(Float32Array.from(levels))) {
          expect(fromMs).toBeGreaterThan(before)
          expect(toMs - fromMs).toBeGreaterThanOrEqual(350)
          expect(toMs).toBeLessThanOrEqual(levels.length * PEAK_MS)
          before = toMs
        }
      }),
      { seed: 7 },
    )
  })
})

const PIXELS = SHOT_FRAME.width * SHOT_FRAME.height

/** A picture of stripes, moved sideways by some pixels. */
const stripes = (width: number, moved: number, light = 200) =>
  Uint8Array.from({ length: PIXELS }, (_, i) =>
    Math.floor(((i % SHOT_FRAME.width) + moved) / width) % 2 ? light : 40,
  )

describe('shots', () => {
  const frames = (list: Uint8Array[]) => {
    const finder = new ShotFinder()
    list.forEach((frame, index) => finder.add(frame, index * 40))
    return finder.finish()
  }
  const still = (count: number, frame: Uint8Array) => Array<Uint8Array>(count).fill(frame)

  it('begin where the picture is cut', () => {
    expect(
      frames([
        ...still(25, stripes(8, 0)),
        ...still(25, stripes(16, 5)),
        ...still(25, stripes(4, 0)),
      ]),
    ).toEqual([1000, 2000])
  })
  it('do not begin where something moves steadily, nor at a slow change of light', () => {
    expect(frames(Array.from({ length: 60 }, (_, i) => stripes(8, i)))).toEqual([])
    expect(frames(Array.from({ length: 60 }, (_, i) => stripes(8, 0, 80 + i * 2)))).toEqual([])
  })
  it('begin at a cut in the midst of movement', () => {
    const moving = (width: number) => Array.from({ length: 40 }, (_, i) => stripes(width, i >> 2))
    const dark = moving(16).map((frame) => frame.map((value) => 255 - value))
    expect(frames([...moving(16), ...dark])).toEqual([1600])
  })
  it('last half a second at least', () => {
    const flicker = Array.from({ length: 50 }, (_, i) => stripes(8, (i >> 2) % 2 ? 8 : 0))
    const shots = frames(flicker)
    shots.reduce((before, shot) => (expect(shot - before).toBeGreaterThanOrEqual(500), shot), 0)
  })
})

describe('filmstrip', () => {
  it('has a frame a second, fewer in long films', () => {
    expect(filmstripLayout(4200)).toEqual({ everyMs: 1000, frames: 5, columns: 5, rows: 1 })
    expect(filmstripLayout(261_680)).toMatchObject({ frames: 262, columns: 60, rows: 5 })
    expect(filmstripLayout(3 * 3_600_000)).toMatchObject({ everyMs: 9000, frames: 1200, rows: 20 })
    expect(filmstripLayout(10)).toMatchObject({ frames: 1, columns: 1, rows: 1 })
  })
  it('has a place for every time, in order', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 24 * 3_600_000 }),
        fc.array(fc.double({ min: -0.1, max: 1.1, noNaN: true }), { maxLength: 20 }),
        (durationMs, shares) => {
          const layout = filmstripLayout(durationMs)
          const numbers = shares
            .sort((a, b) => a - b)
            .map((share) => {
              const { column, row } = filmstripPlace(layout, share * durationMs)
              expect(column).toBeLessThan(layout.columns)
              expect(row).toBeLessThan(layout.rows)
              return row * layout.columns + column
            })
          expect(numbers).toEqual([...numbers].sort((a, b) => a - b))
        },
      ),
      { seed: 8 },
    )
  })
})
