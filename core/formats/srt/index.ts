// SRT (SubRip text): captions in and out. It has no published standard; this reads what programs and people write.
import {
  CaptionCollector,
  captionTime,
  fileLines,
  filledLines,
  LONGEST_CAPTION_FILE,
  markupOf,
  withoutReferences,
  type CaptionLine,
  type CaptionResult,
  type CarriedCaptions,
  type Format,
} from '../captions.ts'

/** Only these are tags; any other `<` is a sign of the text, as in 3 < 4. */
const TAG = /<\/?(?:b|i|u|s|em|strong|strike|font|span|c|v|ruby|rt)(?:[\s=.][^<>\n]{0,500})?\/?>/gi
/** Where on the picture it stands, and how it looks, in the manner of another format. */
const PLACING = /\{\\[^{}\n]{0,200}\}/g
/** Programs write references here as well, though nothing says so; only whole ones are read. */
const REFERENCE = /&(?:#\d{1,7}|#x[\da-f]{1,6}|amp|lt|gt|nbsp|quot|apos|lrm|rlm);/gi

const FORMAT: Format = {
  format: 'srt',
  plain: (markup) =>
    filledLines(
      markup
        .replace(TAG, '')
        .replace(PLACING, '')
        .replace(REFERENCE, (reference) => withoutReferences(reference)),
    ),
  escape: (text) =>
    text
      .replace(REFERENCE, (reference) => `&amp;${reference.slice(1)}`)
      .replace(TAG, (tag) => `&lt;${tag.slice(1)}`)
      .replace(PLACING, (placing) => `&#123;${placing.slice(1)}`)
      // A line that reads as times would begin another caption.
      .split('\n')
      .map((line) => (timesOf(line) ? line.replaceAll('>', '&gt;') : line))
      .join('\n'),
}

const TIMES = /^\s*(-?\d[\d:.,]*)\s*-{1,2}\s?>\s*(-?\d[\d:.,]*)(\s.*)?$/
const NUMBER = /^\s*\d{1,9}\s*$/

/** Hours, minutes and seconds of one digit or more, hours or ms left out; null where it is no time. */
function timeMs(text: string): number | null {
  const found = /^(?:(\d{1,3}):)?(\d{1,2}):(\d{1,2})(?:[.,:](\d{1,9}))?$/.exec(text)
  if (!found) return null
  const [, hours = '0', minutes, seconds, part = '0'] = found
  if (Number(minutes) > 59 || Number(seconds) > 59) return null
  // Whole ms, however many digits; what is longer than three is a fraction.
  const ms = part.length > 3 ? Number(part.slice(0, 3)) : Number(part)
  return ((Number(hours) * 60 + Number(minutes)) * 60 + Number(seconds)) * 1000 + ms
}

interface Times {
  fromMs: number | null
  toMs: number | null
  settings: string
}

function timesOf(line: string): Times | null {
  if (!line.includes('>')) return null
  const found = TIMES.exec(line)
  // Times that are broken begin with a figure all the same; any other arrow stands among words.
  if (!found) return /^\s*\d.*-->/.test(line) ? { fromMs: null, toMs: null, settings: '' } : null
  return { fromMs: timeMs(found[1]!), toMs: timeMs(found[2]!), settings: found[3]?.trim() ?? '' }
}

/**
 * Reads an SRT file: each line with times begins a caption, whatever stands or lacks before it, and all up to the number of
 * the next one are its words. Never throws.
 */
export function readSrt(text: string): CaptionResult {
  if (text.length > LONGEST_CAPTION_FILE)
    return { ok: false, faults: [{ line: 1, code: 'tooMany' }] }
  const lines = fileLines(text)
  const times = lines.map(timesOf)
  const starts = lines.flatMap((_, at) => (times[at] ? [at] : []))
  const hasAny = starts.some((at) => times[at]!.fromMs !== null)
  if (!hasAny && starts.length === 0)
    return { ok: false, faults: [{ line: 1, code: 'notThisFormat' }] }
  const collector = new CaptionCollector(FORMAT)
  const intro = lines.findIndex((line) => line.trim() !== '' && !NUMBER.test(line))
  if (intro >= 0 && intro < starts[0]!) collector.fault(intro + 1, 'noTime')
  for (const [index, at] of starts.entries()) {
    const name = nameBefore(lines, at, starts[index - 1] ?? -1)
    const nextAt = starts[index + 1]
    const end = nextAt === undefined ? lines.length : beginningOf(lines, nextAt, at)
    collector.caption({
      line: at + 1,
      ...times[at]!,
      name: NUMBER.test(name) ? '' : name,
      markup: withoutStray(lines.slice(at + 1, end), index + 1)
        .join('\n')
        .trimEnd(),
    })
  }
  return collector.result()
}

/** Without a number that stands alone behind the words, as that of a caption which is not there. */
function withoutStray(lines: readonly string[], number: number): readonly string[] {
  const last = lines.findLastIndex((line) => line.trim() !== '')
  const isAlone = last > 0 && lines[last - 1]!.trim() === '' && NUMBER.test(lines[last]!)
  const isNext = isAlone && [number, number + 1].includes(Number(lines[last]))
  return isNext ? lines.slice(0, last) : lines
}

/** The line right before the times, where it is a number, or stands alone between empty lines. */
function nameBefore(lines: readonly string[], at: number, lastTimes: number): string {
  if (at === 0 || at - 1 <= lastTimes) return ''
  const before = lines[at - 1]!
  if (before.trim() === '' || NUMBER.test(before)) return NUMBER.test(before) ? before.trim() : ''
  const isAlone = at - 2 <= lastTimes ? lastTimes < 0 : lines[at - 2]!.trim() === ''
  return isAlone && lastTimes >= 0 ? before.trim() : ''
}

/** Where the caption with these times begins: at its name, if it has one. */
function beginningOf(lines: readonly string[], at: number, lastTimes: number): number {
  return nameBefore(lines, at, lastTimes) === '' ? at : at - 1
}

/** Writes lines as SRT, numbered from 1; markup and positions that came from SRT are written again. */
export function writeSrt(lines: readonly CaptionLine[], carried?: CarriedCaptions): string {
  const isOwn = carried?.format === 'srt'
  return lines
    .map((line, index) => {
      const settings = isOwn && line.carried?.settings ? ` ${line.carried.settings}` : ''
      const times = `${captionTime(line.fromMs, ',')} --> ${captionTime(line.toMs, ',')}${settings}`
      const words = markupOf(isOwn ? line : { ...line, carried: {} }, FORMAT)
      return `${index + 1}\n${times}\n${words}\n`
    })
    .join('\n')
}
