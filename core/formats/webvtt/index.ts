// WebVTT (W3C): captions in and out, with names, settings, markup, notes, styles and regions.
import { cutText } from '../../fields/index.ts'
import {
  blocksOf,
  captionTime,
  fileLines,
  LONGEST_CAPTION_FILE,
  markupOf,
  readBlocks,
  type CaptionLine,
  type CaptionResult,
  type CarriedCaptions,
} from '../captions.ts'

const escape = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')

const LONGEST_HEADER = 5000

/** Reads a WebVTT file; what it says besides its words is carried along. Never throws. */
export function readWebVtt(text: string): CaptionResult {
  if (text.length > LONGEST_CAPTION_FILE)
    return { ok: false, faults: [{ line: 1, code: 'tooMany' }] }
  const [header, ...blocks] = blocksOf(fileLines(text))
  if (!header || !/^WEBVTT([ \t].*)?$/.test(header.lines[0]!))
    return { ok: false, faults: [{ line: 1, code: 'notThisFormat' }] }
  return readBlocks(blocks, {
    format: 'webvtt',
    escape,
    header: cutText(header.lines.join('\n'), LONGEST_HEADER),
    isOther: (block) => /^(NOTE|STYLE|REGION)([ \t]|$)/.test(block.lines[0]!),
  })
}

/** Writes lines as WebVTT; reading it again yields the same. What came from WebVTT is written again. */
export function writeWebVtt(lines: readonly CaptionLine[], carried?: CarriedCaptions): string {
  const own = carried?.format === 'webvtt' ? carried : null
  const others = (before: number | null) =>
    (own?.blocks ?? []).filter((block) => block.before === before).map(({ text }) => `${text}\n`)
  const cues = lines.flatMap((line, index) => {
    const { name, settings } = (own && line.carried) ?? {}
    const times = `${captionTime(line.fromMs, '.')} --> ${captionTime(line.toMs, '.')}`
    const words = markupOf(own ? line : { ...line, carried: {} }, escape)
    const cue = `${name ? `${name}\n` : ''}${times}${settings ? ` ${settings}` : ''}\n${words}\n`
    return [...others(index), cue]
  })
  return [`${own?.header || 'WEBVTT'}\n`, ...cues, ...others(null)].join('\n')
}
