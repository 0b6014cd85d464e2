// WebVTT (W3C, sections 6.1 and 6.4): captions in and out, with names, settings, markup, notes, styles and regions.
import { cutText } from '../../fields/index.ts'
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

const LONGEST_HEADER = 5000

const FORMAT: Format = {
  format: 'webvtt',
  plain: (markup) => filledLines(withoutReferences(withoutTags(markup))),
  escape: (text) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;'),
}

/** Between `<` and the next `>`, or the end, stands a tag, whatever is in it (section 6.4). */
const withoutTags = (markup: string) =>
  markup.includes('<') ? markup.replace(/<[^>]*(?:>|$)/g, '') : markup

/**
 * Milliseconds of a timestamp: hours of any number of digits or none, minutes and seconds of two, three after the point. A
 * comma is let pass. Null where it is none.
 */
function timestampMs(text: string): number | null {
  const found = /^(?:(\d+):)?(\d{2}):(\d{2})[.,](\d{3})$/.exec(text)
  if (!found) return null
  const [hours, minutes, seconds, ms] = found.slice(1).map((part) => Number(part ?? 0))
  if (minutes! > 59 || seconds! > 59) return null
  return ((hours! * 60 + minutes!) * 60 + seconds!) * 1000 + ms!
}

/** Space may stand around the arrow, and need not. */
const TIMES = /^[ \t]*([\d:.,]*)[ \t]*-->[ \t]*([\d:.,]*)(.*)$/

interface Block {
  firstLine: number
  lines: string[]
  /** Where in it the times stand; null where there are none. */
  timesAt: number | null
}

/** Reads a WebVTT file; what it says besides its words is carried along. Never throws. */
export function readWebVtt(text: string): CaptionResult {
  if (text.length > LONGEST_CAPTION_FILE)
    return { ok: false, faults: [{ line: 1, code: 'tooMany' }] }
  const lines = fileLines(text)
  if (!/^WEBVTT(?:[ \t].*)?$/.test(lines[0] ?? ''))
    return { ok: false, faults: [{ line: 1, code: 'notThisFormat' }] }
  const collector = new CaptionCollector(FORMAT)
  const headerEnd = endOfHeader(lines)
  for (const block of blocksOf(lines, headerEnd)) readBlock(collector, block)
  return collector.result(cutText(lines.slice(0, headerEnd).join('\n'), LONGEST_HEADER))
}

/** The header goes to the first empty line, or to the first caption where that is missing. */
function endOfHeader(lines: readonly string[]): number {
  let end = 1
  while (end < lines.length && lines[end] !== '' && !lines[end]!.includes('-->')) end += 1
  // The name of a caption stands on the line before its times.
  const isNamed =
    end > 1 && end < lines.length && lines[end] !== '' && !isHeaderLine(lines[end - 1]!)
  return isNamed ? end - 1 : end
}

const isHeaderLine = (line: string) => /^[\w-]+\s*[:=]/.test(line)

/**
 * Blocks as the standard gathers them: to the next empty line, or to a line with an arrow where one was met already or is
 * no longer on the first two lines.
 */
function blocksOf(lines: readonly string[], from: number): Block[] {
  const blocks: Block[] = []
  let current: Block | null = null
  for (let at = from; at < lines.length; at += 1) {
    const line = lines[at]!
    if (line === '') {
      current = null
      continue
    }
    const isTimes = line.includes('-->')
    if (current && isTimes && (current.timesAt !== null || current.lines.length > 1)) current = null
    if (!current) blocks.push((current = { firstLine: at + 1, lines: [], timesAt: null }))
    if (isTimes) current.timesAt = current.lines.length
    current.lines.push(line)
  }
  return blocks
}

function readBlock(collector: CaptionCollector, { firstLine, lines, timesAt }: Block): void {
  if (timesAt === null) {
    if (/^(?:NOTE|STYLE|REGION)(?:[ \t]|$)/.test(lines[0]!))
      return collector.note(firstLine, lines.join('\n'))
    if (lines.some((line) => line.trim() !== '')) collector.fault(firstLine, 'noTime')
    return
  }
  const times = TIMES.exec(lines[timesAt]!)
  collector.caption({
    line: firstLine + timesAt,
    fromMs: times && timestampMs(times[1]!),
    toMs: times && timestampMs(times[2]!),
    name: timesAt === 1 ? lines[0]! : '',
    settings: times?.[3]!.trim() ?? '',
    markup: lines.slice(timesAt + 1).join('\n'),
  })
}

/** Writes lines as WebVTT; reading it again yields the same. What came from WebVTT is written again. */
export function writeWebVtt(lines: readonly CaptionLine[], carried?: CarriedCaptions): string {
  const own = carried?.format === 'webvtt' ? carried : null
  const notes = new Map<number | null, string[]>()
  for (const { before, text } of own?.blocks ?? [])
    notes.set(before, [...(notes.get(before) ?? []), `${text}\n`])
  const others = (before: number | null) => notes.get(before) ?? []
  const cues = lines.flatMap((line, index) => {
    const { name, settings } = (own && line.carried) ?? {}
    const times = `${captionTime(line.fromMs, '.')} --> ${captionTime(line.toMs, '.')}`
    const words = markupOf(own ? line : { ...line, carried: {} }, FORMAT)
    const cue = `${name ? `${name}\n` : ''}${times}${settings ? ` ${settings}` : ''}\n${words}\n`
    return [...others(index), cue]
  })
  return [`${own?.header || 'WEBVTT'}\n`, ...cues, ...others(null)].join('\n')
}
