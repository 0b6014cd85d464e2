import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { frameRateSchema } from '../lesson/index.ts'
import {
  clockTime,
  dropsFrames,
  FRAME_RATES,
  frameAt,
  frameRateOf,
  middleOfFrameSeconds,
  msOfFrame,
  msOfTimecode,
  nearestFrameRate,
  playsInBrowsers,
  readTypedShift,
  readTypedTime,
  stepFrames,
  timecodeOf,
} from './index.ts'

const COUNTED = FRAME_RATES.flatMap((name) => [
  { name, counting: undefined },
  ...(dropsFrames(name) ? [{ name, counting: 'nonDrop' as const }] : []),
])
const DAY_OF_FRAMES = 24 * 3600 * 23

describe.each(COUNTED)('$name frames a second $counting', ({ name, counting }) => {
  const rate = frameRateOf(name, counting)
  const frames = fc.integer({ min: 0, max: DAY_OF_FRAMES })

  it('frame to ms and back is the same frame', () => {
    fc.assert(
      fc.property(frames, (frame) => frameAt(msOfFrame(frame, rate), rate) === frame),
      { seed: 1 },
    )
  })

  it('the ms of a frame is the first one at which it is on screen', () => {
    fc.assert(
      fc.property(frames, (frame) => {
        const ms = msOfFrame(frame, rate)
        return ms === 0 || frameAt(ms - 1, rate) === frame - 1
      }),
      { seed: 2 },
    )
  })

  it('timecode and back is the same frame', () => {
    fc.assert(
      fc.property(frames, (frame) => {
        const ms = msOfFrame(frame, rate)
        return msOfTimecode(timecodeOf(ms, rate), rate) === ms
      }),
      { seed: 3 },
    )
  })

  it('timecodes grow with the frames', () => {
    fc.assert(
      fc.property(
        frames,
        (frame) =>
          timecodeOf(msOfFrame(frame, rate), rate) < timecodeOf(msOfFrame(frame + 1, rate), rate),
      ),
      { seed: 4 },
    )
  })

  it('the middle of a frame lies in that frame', () => {
    fc.assert(
      fc.property(
        frames,
        (frame) =>
          frameAt(middleOfFrameSeconds(msOfFrame(frame, rate), rate) * 1000, rate) === frame,
      ),
      { seed: 5 },
    )
  })

  it('steps one frame at a time and stops at 0', () => {
    expect(frameAt(stepFrames(msOfFrame(100, rate), 1, rate), rate)).toBe(101)
    expect(frameAt(stepFrames(msOfFrame(100, rate), -1, rate), rate)).toBe(99)
    expect(stepFrames(0, -1, rate)).toBe(0)
  })
})

describe('drop-frame after SMPTE 12M', () => {
  const rate = frameRateOf('29.97')
  it.each([
    [1799, '00:00:59;29'],
    [1800, '00:01:00;02'],
    [17_981, '00:09:59;29'],
    [17_982, '00:10:00;00'],
    [107_892, '01:00:00;00'],
  ])('frame %i is %s', (frame, timecode) =>
    expect(timecodeOf(msOfFrame(frame, rate), rate)).toBe(timecode),
  )

  it('59.94 drops four numbers', () => {
    expect(timecodeOf(msOfFrame(3600, frameRateOf('59.94')), frameRateOf('59.94'))).toBe(
      '00:01:00;04',
    )
  })
  it('non-drop counts them all, and says so by its colon', () => {
    const whole = frameRateOf('29.97', 'nonDrop')
    expect(timecodeOf(msOfFrame(1800, whole), whole)).toBe('00:01:00:00')
    expect(msOfTimecode('00:01:00:01', whole)).toBe(msOfFrame(1801, whole))
    const fast = frameRateOf('120')
    expect(timecodeOf(msOfFrame(119, fast), fast)).toBe('00:00:00:119')
  })
  it('has a name for every rate of the schema, and finds it by its measure', () => {
    expect(new Set(FRAME_RATES)).toEqual(new Set(frameRateSchema.options))
    for (const name of FRAME_RATES) expect(nearestFrameRate(Number(name))).toBe(name)
  })
  it('refuses numbers that are dropped', () => {
    expect(msOfTimecode('00:01:00;01', rate)).toBeNull()
    expect(msOfTimecode('00:10:00;01', rate)).not.toBeNull()
  })
})

describe('typed times', () => {
  const rate = frameRateOf('25')
  it.each([
    ['2:07', 127_000],
    ['2:07.5', 127_500],
    ['127.4', 127_400],
    ['127,4', 127_400],
    ['00:02:07:11', 127_440],
    ['1:02:07', 3_727_000],
    ['+5', 15_000],
    ['-4', 6000],
    ['- 99', 0],
    ['0', 0],
    ['', null],
    ['2:61', null],
    ['1:61:00', null],
    ['00:00:00:25', null],
    ['++5', null],
    ['now', null],
  ])('%s', (text, ms) => expect(readTypedTime(text, rate, 10_000)).toBe(ms))

  it('clock times read as people say them', () => {
    expect([0, 59_999, 61_000, 3_600_000, -5].map(clockTime)).toEqual([
      '0:00',
      '0:59',
      '1:01',
      '1:00:00',
      '0:00',
    ])
  })
})

it('reads how far to move, back and on', () => {
  const rate = frameRateOf('25')
  const read = (text: string) => readTypedShift(text, rate)
  expect(['5', '+0:05', ' - 0.5 ', '−1:00', '+00:00:00:05'].map(read)).toEqual([
    5000, 5000, -500, -60_000, 200,
  ])
  expect(['', '-', '--5', '+-5', 'soon', '1:99'].map(read)).toEqual(Array(6).fill(null))
})

it('finds the name of a measured rate, or says that there is none', () => {
  expect([29.97002997, 25.001, 23.98, 14, 0].map(nearestFrameRate)).toEqual([
    '29.97',
    '25',
    '23.976',
    null,
    null,
  ])
})

describe('what browsers play', () => {
  const mp4 = {
    container: 'mov,mp4,m4a,3gp,3g2,mj2',
    videoCodec: 'h264',
    pixelFormat: 'yuv420p',
    audioCodec: 'aac',
  }
  it.each([
    ['H.264 with AAC', {}, true],
    ['without sound', { audioCodec: null }, true],
    ['ten bits a colour', { pixelFormat: 'yuv420p10le' }, false],
    ['another picture', { videoCodec: 'mpeg4' }, false],
    ['another sound', { audioCodec: 'ac3' }, false],
    ['AVI', { container: 'avi' }, false],
    ['VP9 in WebM', { container: 'matroska,webm', videoCodec: 'vp9', audioCodec: 'opus' }, true],
    ['H.264 in Matroska', { container: 'matroska,webm' }, false],
  ])('%s', (_name, change, plays) => expect(playsInBrowsers({ ...mp4, ...change })).toBe(plays))
})
