// SRT (SubRip text): captions in and out. It has no published standard; this reads what programs write.
import {
  blocksOf,
  captionTime,
  fileLines,
  LONGEST_CAPTION_FILE,
  readBlocks,
  type CaptionLine,
  type CaptionResult,
} from '../captions.ts'

/** Reads an SRT file: number, times with a comma (or point), text; markup is taken off. Never throws. */
export function readSrt(text: string): CaptionResult {
  if (text.length > LONGEST_CAPTION_FILE)
    return { ok: false, faults: [{ line: 1, code: 'tooLong' }] }
  const blocks = blocksOf(fileLines(text))
  const first = blocks[0]?.lines.slice(0, 2).join('\n') ?? ''
  if (!first.includes('-->')) return { ok: false, faults: [{ line: 1, code: 'notThisFormat' }] }
  return readBlocks(blocks)
}

/** Writes lines as SRT, numbered from 1. */
export function writeSrt(lines: readonly CaptionLine[]): string {
  return lines
    .map(
      ({ fromMs, toMs, text }, index) =>
        `${index + 1}\n${captionTime(fromMs, ',')} --> ${captionTime(toMs, ',')}\n${text.replace(/\n{2,}/g, '\n')}\n`,
    )
    .join('\n')
}
