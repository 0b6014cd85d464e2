// What WebVTT and SRT have in common: lines with times, limits on what is read, and how faults are told.

export interface CaptionLine {
  fromMs: number
  toMs: number
  text: string
}

/** A fault in a caption file; `line` counts from 1. */
export interface CaptionFault {
  line: number
  code: 'notThisFormat' | 'brokenTime' | 'endsBeforeItBegins' | 'tooLong' | 'tooMany' | 'empty'
}

export type CaptionResult =
  { ok: true; lines: CaptionLine[] } | { ok: false; faults: CaptionFault[] }

/** Larger files are refused unread, in characters. */
export const LONGEST_CAPTION_FILE = 5_000_000
export const MOST_CAPTION_LINES = 20_000
export const LONGEST_CAPTION = 2000
/** Beyond these, further faults are not listed. */
const MOST_FAULTS = 20

/** Text without a byte order mark and with LF line ends, as lines. */
export function fileLines(text: string): string[] {
  return text
    .replace(/^\ufeff/, '')
    .replace(/\r\n?/g, '\n')
    .split('\n')
}

/** Removes markup tags and resolves the character references that caption files use. */
export function plainCaption(text: string): string {
  const references: Record<string, string> = {
    '&amp;': '&',
    '&lt;': '<',
    '&gt;': '>',
    '&nbsp;': '\u00a0',
    '&lrm;': '\u200e',
    '&rlm;': '\u200f',
  }
  return text
    .replace(/<[^<>\n]{0,500}>/g, '')
    .replace(/&(amp|lt|gt|nbsp|lrm|rlm);/g, (reference) => references[reference]!)
    .trim()
}

/** Milliseconds of `HH:MM:SS.mmm` with `.` or `,`, hours optional; null when it is none. */
export function captionMs(text: string): number | null {
  const match = /^(?:(\d{1,3}):)?([0-5]?\d):([0-5]\d)[.,](\d{3})$/.exec(text)
  if (!match) return null
  const [hours, minutes, seconds, ms] = match.slice(1).map((part) => Number(part ?? 0))
  return ((hours! * 60 + minutes!) * 60 + seconds!) * 1000 + ms!
}

/** `HH:MM:SS` + `mark` + `mmm`. */
export function captionTime(ms: number, mark: '.' | ','): string {
  const pad = (value: number, width = 2) => String(value).padStart(width, '0')
  const seconds = Math.floor(ms / 1000)
  const clock = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60]
  return clock.map((part) => pad(part)).join(':') + mark + pad(ms % 1000, 3)
}

/** One cue block: its lines, and the number in the file of the first of them. */
export interface Block {
  lines: string[]
  firstLine: number
}

/** Groups lines into blocks parted by blank lines. */
export function blocksOf(lines: readonly string[]): Block[] {
  const blocks: Block[] = []
  let current: Block | null = null
  lines.forEach((line, index) => {
    if (line.trim() === '') current = null
    else if (current) current.lines.push(line)
    else blocks.push((current = { lines: [line], firstLine: index + 1 }))
  })
  return blocks
}

/**
 * Reads cue blocks: an optional name, a timing line, text. A file with any fault is refused whole, so that nobody
 * finds half a script; all faults are told, up to a limit. Cues without text are passed over.
 */
export function readBlocks(blocks: readonly Block[]): CaptionResult {
  const lines: CaptionLine[] = []
  const faults: CaptionFault[] = []
  for (const block of blocks) {
    const read = readBlock(block)
    if ('code' in read) faults.push(read)
    else if (read.text !== '') lines.push(read)
    if (faults.length >= MOST_FAULTS) break
  }
  if (lines.length > MOST_CAPTION_LINES) faults.push({ line: 1, code: 'tooMany' })
  if (faults.length === 0 && lines.length === 0) faults.push({ line: 1, code: 'empty' })
  return faults.length > 0 ? { ok: false, faults } : { ok: true, lines }
}

function readBlock({ lines, firstLine }: Block): CaptionLine | CaptionFault {
  const timing = lines[0]!.includes('-->') ? 0 : 1
  const timed = /^\s*(\S+)\s+-->\s+(\S+)/.exec(lines[timing] ?? '')
  const fromMs = timed ? captionMs(timed[1]!) : null
  const toMs = timed ? captionMs(timed[2]!) : null
  const line = firstLine + Math.min(timing, lines.length - 1)
  if (fromMs === null || toMs === null) return { line, code: 'brokenTime' }
  if (toMs <= fromMs) return { line, code: 'endsBeforeItBegins' }
  const text = plainCaption(lines.slice(timing + 1).join('\n'))
  return text.length > LONGEST_CAPTION ? { line, code: 'tooLong' } : { fromMs, toMs, text }
}
