// What WebVTT and SRT have in common: lines with times, limits on what is read, and how faults are told.

import { cleanText } from '../fields/index.ts'
import type { Script, ScriptLine } from '../lesson/index.ts'

export interface CaptionLine {
  fromMs: number
  toMs: number
  text: string
  /** What the file said besides: name and settings of the cue, and its words with their markup. */
  carried?: NonNullable<ScriptLine['carried']>
}

/** What a file says besides its captions. */
export interface CarriedCaptions {
  format: NonNullable<Script['carried']>['format']
  /** The first block of a WebVTT file. */
  header: string
  /** Notes, styles and regions, each before the caption with this number (from 0), or at the end. */
  blocks: { before: number | null; text: string }[]
}

/** A fault in a caption file; `line` counts from 1. */
export interface CaptionFault {
  line: number
  code: 'notThisFormat' | 'brokenTime' | 'endsBeforeItBegins' | 'tooLong' | 'tooMany' | 'empty'
}

export type CaptionResult =
  | { ok: true; lines: CaptionLine[]; carried: CarriedCaptions }
  | { ok: false; faults: CaptionFault[] }

/** Larger files are refused unread, in characters. */
export const LONGEST_CAPTION_FILE = 5_000_000
export const MOST_CAPTION_LINES = 20_000
export const LONGEST_CAPTION = 2000
/** With its markup. */
const LONGEST_MARKUP = 5000
/** Of a cue's name, and of its settings. */
const LONGEST_NAME = 500
/** Beyond these, further faults are not listed. */
const MOST_FAULTS = 20

/** Text without a byte order mark and control characters, and with LF line ends, as lines. */
export function fileLines(text: string): string[] {
  return cleanText(text.replace(/^\ufeff/, '')).split('\n')
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

/** The captions of a file, and where the other blocks stand among them. */
interface ReadBlocks {
  format: CarriedCaptions['format']
  header?: string
  /** How this format writes plain words. */
  escape?: (text: string) => string
  /** Blocks that are no captions. */
  isOther?: (block: Block) => boolean
}

/**
 * Reads cue blocks: an optional name, a timing line, text. A file with any fault is refused whole, so that nobody
 * finds half a script; all faults are told, up to a limit. Cues without text are passed over.
 */
export function readBlocks(
  blocks: readonly Block[],
  { format, header = '', escape = (text) => text, isOther = () => false }: ReadBlocks,
): CaptionResult {
  const lines: CaptionLine[] = []
  const others: CarriedCaptions['blocks'] = []
  const faults: CaptionFault[] = []
  for (const block of blocks) {
    if (isOther(block)) {
      others.push({ before: lines.length, text: block.lines.join('\n') })
      continue
    }
    const read = readBlock(block, escape)
    if ('code' in read) faults.push(read)
    else if (read.text !== '') lines.push(read)
    if (faults.length >= MOST_FAULTS) break
  }
  if (lines.length > MOST_CAPTION_LINES) faults.push({ line: 1, code: 'tooMany' })
  if (faults.length === 0 && lines.length === 0) faults.push({ line: 1, code: 'empty' })
  if (faults.length > 0) return { ok: false, faults }
  const placed = others.map(({ before, text }) => ({
    before: before === lines.length ? null : before,
    text,
  }))
  return { ok: true, lines, carried: { format, header, blocks: placed } }
}

function readBlock(
  { lines, firstLine }: Block,
  escape: (text: string) => string,
): CaptionLine | CaptionFault {
  const timing = lines[0]!.includes('-->') ? 0 : 1
  const timed = /^\s*(\S+)\s+-->\s+(\S+)[ \t]*(.*)$/.exec(lines[timing] ?? '')
  const fromMs = timed ? captionMs(timed[1]!) : null
  const toMs = timed ? captionMs(timed[2]!) : null
  const line = firstLine + Math.min(timing, lines.length - 1)
  if (fromMs === null || toMs === null) return { line, code: 'brokenTime' }
  if (toMs <= fromMs) return { line, code: 'endsBeforeItBegins' }
  const markup = lines.slice(timing + 1).join('\n')
  const [name, settings] = [timing === 1 ? lines[0]! : '', timed![3]!.trim()]
  const text = plainCaption(markup)
  const isTooLong = [name, settings].some((words) => words.length > LONGEST_NAME)
  if (isTooLong || text.length > LONGEST_CAPTION || markup.length > LONGEST_MARKUP)
    return { line, code: 'tooLong' }
  const carried = {
    ...(name ? { name } : {}),
    ...(settings ? { settings } : {}),
    ...(markup === escape(text) ? {} : { markup }),
  }
  return { fromMs, toMs, text, ...(Object.keys(carried).length > 0 ? { carried } : {}) }
}

/** The words to write: with the markup they came with, as long as the words themselves are still the same. */
export function markupOf({ text, carried }: CaptionLine, escape: (text: string) => string): string {
  const isSame = carried?.markup !== undefined && plainCaption(carried.markup) === text
  // A blank line would end the caption.
  return isSame ? carried.markup! : escape(text).replace(/\n{2,}/g, '\n')
}
