// Timecode after SMPTE 12M-1: non-drop, and drop-frame for 29.97 and 59.94; and the plain times people type.
import { frameAt, msOfFrame, type FrameRate } from './frames.ts'

const pad = (value: number, width = 2) => String(value).padStart(width, '0')

/** Numbers dropped at the start of each minute but every tenth: 2 for 29.97, 4 for 59.94. */
const droppedPerMinute = (rate: FrameRate) => (rate.dropFrame ? rate.nominal / 15 : 0)

/** The frame on screen at `ms` as `HH:MM:SS:FF`, with `;` before the frames where numbers are dropped. */
export function timecodeOf(ms: number, rate: FrameRate): string {
  const number = withDroppedNumbers(frameAt(ms, rate), rate)
  const frames = number % rate.nominal
  const seconds = Math.floor(number / rate.nominal)
  const parts = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60]
  const width = String(rate.nominal - 1).length
  return (
    parts.map((part) => pad(part)).join(':') + (rate.dropFrame ? ';' : ':') + pad(frames, width)
  )
}

function withDroppedNumbers(frame: number, rate: FrameRate): number {
  const dropped = droppedPerMinute(rate)
  if (dropped === 0) return frame
  const perMinute = rate.nominal * 60 - dropped
  const perTenMinutes = perMinute * 10 + dropped
  const tens = Math.floor(frame / perTenMinutes)
  const rest = frame % perTenMinutes
  const minutes = rest < dropped ? 0 : Math.floor((rest - dropped) / perMinute)
  return frame + dropped * (tens * 9 + minutes)
}

/** Reads `HH:MM:SS:FF` (or `;FF`) to ms; null when it is no timecode of this rate, dropped numbers included. */
export function msOfTimecode(text: string, rate: FrameRate): number | null {
  const match = /^(\d{1,2}):(\d{2}):(\d{2})[:;](\d{2,3})$/.exec(text.trim())
  if (!match) return null
  const [hours, minutes, seconds, frames] = match.slice(1).map(Number) as [
    number,
    number,
    number,
    number,
  ]
  if (minutes > 59 || seconds > 59 || frames >= rate.nominal) return null
  const dropped = droppedPerMinute(rate)
  if (dropped > 0 && seconds === 0 && frames < dropped && minutes % 10 !== 0) return null
  const totalMinutes = hours * 60 + minutes
  const number = (totalMinutes * 60 + seconds) * rate.nominal + frames
  return msOfFrame(number - dropped * (totalMinutes - Math.floor(totalMinutes / 10)), rate)
}

/** A time to read: `2:07`, from an hour on `1:02:07`; whole seconds, rounded down. */
export function clockTime(ms: number): string {
  const total = Math.max(0, Math.floor(ms / 1000))
  const hours = Math.floor(total / 3600)
  const minutes = Math.floor(total / 60) % 60
  const rest = pad(total % 60)
  return hours > 0 ? `${hours}:${pad(minutes)}:${rest}` : `${minutes}:${rest}`
}

/**
 * Reads what a person types as a time: `2:07`, `2:07.5`, `127.4`, `00:02:07:11`, and `+5` or `-5` from `fromMs`.
 * Null when it is none of these; never negative.
 */
export function readTypedTime(text: string, rate: FrameRate, fromMs = 0): number | null {
  const trimmed = text.trim()
  const signed = /^([+-])\s*(.+)$/.exec(trimmed)
  if (signed) {
    const step = readTypedTime(signed[2]!, rate)
    if (step === null || /^[+-]/.test(signed[2]!)) return null
    return Math.max(0, fromMs + (signed[1] === '+' ? step : -step))
  }
  const timecode = msOfTimecode(trimmed, rate)
  if (timecode !== null) return timecode
  const match = /^(?:(?:(\d{1,2}):)?(\d{1,3}):)?(\d{1,6}(?:[.,]\d{1,3})?)$/.exec(trimmed)
  if (!match) return null
  const [hours, minutes, seconds] = match
    .slice(1)
    .map((part) => Number((part ?? '0').replace(',', '.')))
  if (match[2] !== undefined && seconds! >= 60) return null
  if (match[1] !== undefined && minutes! >= 60) return null
  return Math.round(((hours! * 60 + minutes!) * 60 + seconds!) * 1000)
}

/** Reads how far something is to be moved: `5`, `+0:05`, `-0.5`; negative is back. Null when it is none of these. */
export function readTypedShift(text: string, rate: FrameRate): number | null {
  const [, sign = '', step = ''] = /^([-−+]?)\s*(.*)$/.exec(text.trim())!
  const ms = /^[-−+]/.test(step) ? null : readTypedTime(step, rate)
  return ms === null ? null : sign === '' || sign === '+' ? ms : -ms
}
