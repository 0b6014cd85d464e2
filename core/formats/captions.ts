// What WebVTT and SRT have in common: captions with times, limits on what is read, and how faults are told.
import { decodeHTML } from 'entities'
import { cleanText, LONGEST_MEDIA_MS } from '../fields/index.ts'
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

/** A fault in a caption file; `line` counts from 1. What it stands at was left out, unless it was `mended`. */
export interface CaptionFault {
  line: number
  code:
    | 'notThisFormat'
    | 'brokenTime'
    | 'noTime'
    | 'endsBeforeItBegins'
    | 'beyondLongest'
    | 'tooLong'
    | 'noteTooLong'
    | 'tooManyNotes'
    | 'badSigns'
    | 'tooMany'
    | 'empty'
    /** A caption that begins and ends at one time was given a length. */
    | 'noLength'
  mended?: true
}

/**
 * What could be read, with what could not; `isWhole` is false where there were more faults than are listed. Not `ok` only
 * where nothing could be read.
 */
export type CaptionResult =
  | {
      ok: true
      lines: CaptionLine[]
      carried: CarriedCaptions
      faults: CaptionFault[]
      more: number
    }
  | { ok: false; faults: CaptionFault[] }

/** Larger files are refused unread, in characters. */
export const LONGEST_CAPTION_FILE = 12_000_000
export const MOST_CAPTION_LINES = 60_000
export const LONGEST_CAPTION = 2000
/** With its markup. */
const LONGEST_MARKUP = 5000
/** Of a cue's name, and of its settings. */
const LONGEST_NAME = 500
/** Notes, styles and regions that are kept, and how long each may be. */
export const MOST_NOTES = 1000
const LONGEST_NOTE = 20_000
/** Beyond these, faults are only counted. */
const MOST_FAULTS = 100
/** A caption without a length is shown so long, in ms, or until the next one begins; but never shorter than the least. */
const USUAL_LENGTH_MS = 2000
const LEAST_LENGTH_MS = 40

/** Text without a byte order mark and control characters, and with LF line ends, as lines. */
export function fileLines(text: string): string[] {
  return cleanText(text.replace(/^\ufeff/, '')).split('\n')
}

/** References as HTML has them; most captions have none. */
export const withoutReferences = (text: string): string =>
  text.includes('&') ? cleanText(decodeHTML(text)) : text

/** Lines that hold anything, without what stands around the whole: an empty one would end the caption. */
export const filledLines = (text: string): string =>
  text.includes('\n')
    ? text
        .split('\n')
        .filter((line) => line.trim() !== '')
        .join('\n')
        .trim()
    : text.trim()

/** `HH:MM:SS` + `mark` + `mmm`; hours have two digits or more. */
export function captionTime(ms: number, mark: '.' | ','): string {
  const pad = (value: number, width = 2) => String(value).padStart(width, '0')
  const seconds = Math.floor(ms / 1000)
  const clock = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60]
  return clock.map((part) => pad(part)).join(':') + mark + pad(ms % 1000, 3)
}

/** A caption as it stands in a file. Times are null where they cannot be read. */
export interface FoundCaption {
  /** Of its times in the file. */
  line: number
  fromMs: number | null
  toMs: number | null
  name: string
  settings: string
  markup: string
}

export interface Format {
  format: CarriedCaptions['format']
  /** The words without markup, each line with something on it. */
  plain(markup: string): string
  /** How this format writes plain words. */
  escape(text: string): string
}

/** Gathers what is read of a file, and what cannot be. */
export class CaptionCollector {
  private readonly lines: (CaptionLine & { line: number })[] = []
  private readonly others: { before: number; text: string }[] = []
  private readonly faults: CaptionFault[] = []
  private faultCount = 0
  private readonly format: Format

  constructor(format: Format) {
    this.format = format
  }

  fault(line: number, code: CaptionFault['code'], mended?: true): void {
    this.faultCount += 1
    if (this.faults.length < MOST_FAULTS)
      this.faults.push(mended ? { line, code, mended } : { line, code })
  }

  /** A note, a style or a region. */
  note(line: number, text: string): void {
    if (text.length > LONGEST_NOTE) this.fault(line, 'noteTooLong')
    else if (text.includes('\ufffd')) this.fault(line, 'badSigns')
    else if (this.others.length >= MOST_NOTES) this.fault(line, 'tooManyNotes')
    else this.others.push({ before: this.lines.length, text })
  }

  caption({ line, fromMs, toMs, name, settings, markup }: FoundCaption): void {
    if (fromMs === null || toMs === null) return this.fault(line, 'brokenTime')
    if (toMs < fromMs) return this.fault(line, 'endsBeforeItBegins')
    if (toMs > LONGEST_MEDIA_MS) return this.fault(line, 'beyondLongest')
    const { plain, escape } = this.format
    const text = plain(markup)
    if (text === '') return
    const isTooLong = name.length > LONGEST_NAME || settings.length > LONGEST_NAME
    if (isTooLong || text.length > LONGEST_CAPTION || markup.length > LONGEST_MARKUP)
      return this.fault(line, 'tooLong')
    if ((name + settings + markup).includes('\ufffd') || text.includes('\ufffd'))
      return this.fault(line, 'badSigns')
    if (this.lines.length >= MOST_CAPTION_LINES) return this.fault(line, 'tooMany')
    const carried = {
      ...(name ? { name } : {}),
      ...(settings ? { settings } : {}),
      ...(markup === escape(text) ? {} : { markup }),
    }
    const has = name !== '' || settings !== '' || 'markup' in carried
    this.lines.push({ fromMs, toMs, text, ...(has ? { carried } : {}), line })
  }

  /** What was read; `header` is the first block of a WebVTT file. */
  result(header = ''): CaptionResult {
    if (this.lines.length === 0) {
      const isEmpty = this.faults.length === 0
      return { ok: false, faults: isEmpty ? [{ line: 1, code: 'empty' }] : this.faults }
    }
    const lines = this.lines.map((_, index) => this.lengthened(index))
    const blocks = this.others.map(({ before, text }) => ({
      before: before === lines.length ? null : before,
      text,
    }))
    const carried = { format: this.format.format, header, blocks }
    const faults = this.faults.sort((a, b) => a.line - b.line)
    return { ok: true, lines, carried, faults, more: this.faultCount - faults.length }
  }

  private lengthened(index: number): CaptionLine {
    const { line, ...caption } = this.lines[index]!
    if (caption.toMs > caption.fromMs) return caption
    this.fault(line, 'noLength', true)
    const next = this.lines[index + 1]?.fromMs ?? Infinity
    const untilMs = next > caption.fromMs ? next : Infinity
    const wanted = Math.max(LEAST_LENGTH_MS, Math.min(USUAL_LENGTH_MS, untilMs - caption.fromMs))
    const toMs = Math.min(caption.fromMs + wanted, LONGEST_MEDIA_MS)
    // At the very end of the longest film there is only room before it.
    return { ...caption, fromMs: Math.min(caption.fromMs, toMs - LEAST_LENGTH_MS), toMs }
  }
}

/** The words to write: with the markup they came with, as long as the words themselves are still the same. */
export function markupOf({ text, carried }: CaptionLine, { plain, escape }: Format): string {
  const isSame = carried?.markup !== undefined && plain(carried.markup) === text
  return isSame ? carried.markup! : escape(filledLines(text))
}
