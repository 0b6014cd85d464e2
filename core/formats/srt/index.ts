// SRT (SubRip text): captions in and out. It has no published standard; this reads what programs write.
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

/** Reads an SRT file: number, times with a comma (or point), text with its markup. Never throws. */
export function readSrt(text: string): CaptionResult {
  if (text.length > LONGEST_CAPTION_FILE)
    return { ok: false, faults: [{ line: 1, code: 'tooMany' }] }
  const blocks = blocksOf(fileLines(text))
  const first = blocks[0]?.lines.slice(0, 2).join('\n') ?? ''
  if (!first.includes('-->')) return { ok: false, faults: [{ line: 1, code: 'notThisFormat' }] }
  const read = readBlocks(blocks, { format: 'srt' })
  if (!read.ok) return read
  // Numbers are given anew when written; only a name that is none is worth keeping.
  return { ...read, lines: read.lines.map(withoutNumber) }
}

function withoutNumber(line: CaptionLine): CaptionLine {
  const { carried, ...rest } = line
  if (!carried?.name || !/^\d+$/.test(carried.name.trim())) return line
  const { name: _number, ...others } = carried
  return Object.keys(others).length > 0 ? { ...rest, carried: others } : rest
}

/** Writes lines as SRT, numbered from 1; markup and positions that came from SRT are written again. */
export function writeSrt(lines: readonly CaptionLine[], carried?: CarriedCaptions): string {
  const isOwn = carried?.format === 'srt'
  return lines
    .map((line, index) => {
      const settings = isOwn && line.carried?.settings ? ` ${line.carried.settings}` : ''
      const times = `${captionTime(line.fromMs, ',')} --> ${captionTime(line.toMs, ',')}${settings}`
      const words = markupOf(isOwn ? line : { ...line, carried: {} }, (text) => text)
      return `${index + 1}\n${times}\n${words}\n`
    })
    .join('\n')
}
