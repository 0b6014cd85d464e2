// Frames and milliseconds. Media time is whole ms; a frame is a view on it, exact both ways.
import { assertNever } from '../fields/index.ts'
import type { FrameRateName } from '../lesson/index.ts'

/** Frames a second as a fraction, so that 30000/1001 stays exact. */
export interface FrameRate {
  numerator: number
  denominator: number
  /** Frames counted to a timecode second. */
  nominal: number
  dropFrame: boolean
}

const rate = (
  numerator: number,
  denominator: number,
  nominal: number,
  dropFrame = false,
): FrameRate => ({ numerator, denominator, nominal, dropFrame })

/** The names of all rates; without the schema, which a player has no use for. */
export const FRAME_RATES: readonly FrameRateName[] = [
  ...(['15', '23.976', '24', '25', '29.97', '30', '48', '50', '59.94', '60', '120'] as const),
]

/** Whether some of its numbers are dropped, unless it is counted without. */
export const dropsFrames = (name: FrameRateName | null): boolean =>
  name === '29.97' || name === '59.94'

/** The rate behind a name; drop-frame counting for 29.97 and 59.94 as is usual for them, or not where `nonDrop` is asked. */
export function frameRateOf(name: FrameRateName, counting?: 'nonDrop'): FrameRate {
  const known = rateNamed(name)
  return counting === 'nonDrop' ? { ...known, dropFrame: false } : known
}

function rateNamed(name: FrameRateName): FrameRate {
  switch (name) {
    case '15':
      return rate(15, 1, 15)
    case '48':
      return rate(48, 1, 48)
    case '120':
      return rate(120, 1, 120)
    case '23.976':
      return rate(24000, 1001, 24)
    case '24':
      return rate(24, 1, 24)
    case '25':
      return rate(25, 1, 25)
    case '29.97':
      return rate(30000, 1001, 30, true)
    case '30':
      return rate(30, 1, 30)
    case '50':
      return rate(50, 1, 50)
    case '59.94':
      return rate(60000, 1001, 60, true)
    case '60':
      return rate(60, 1, 60)
    default:
      return assertNever(name)
  }
}

/** The name nearest to a measured rate in frames a second, or null when none is within half a percent. */
export function nearestFrameRate(framesPerSecond: number): FrameRateName | null {
  const distance = (name: FrameRateName) => {
    const { numerator, denominator } = frameRateOf(name)
    return Math.abs(numerator / denominator / framesPerSecond - 1)
  }
  const best = [...FRAME_RATES].sort((a, b) => distance(a) - distance(b))[0]!
  return framesPerSecond > 0 && distance(best) < 0.005 ? best : null
}

/** The frame on screen at `ms`: frame f spans `[f × d/n, (f+1) × d/n)` seconds. */
export function frameAt(ms: number, { numerator, denominator }: FrameRate): number {
  return Math.floor((ms * numerator) / (denominator * 1000))
}

/** The first whole ms at which frame `frame` is on screen, so that `frameAt(msOfFrame(f)) = f`. */
export function msOfFrame(frame: number, { numerator, denominator }: FrameRate): number {
  return Math.ceil((frame * denominator * 1000) / numerator)
}

/** The time `frames` frames on from the frame on screen at `ms`, not before 0. */
export function stepFrames(ms: number, frames: number, frameRate: FrameRate): number {
  return msOfFrame(Math.max(0, frameAt(ms, frameRate) + frames), frameRate)
}

/** The middle of the frame on screen at `ms`, in seconds: a seek there shows that frame whatever the rounding. */
export function middleOfFrameSeconds(ms: number, frameRate: FrameRate): number {
  return ((frameAt(ms, frameRate) + 0.5) * frameRate.denominator) / frameRate.numerator
}
