// WebVTT (W3C): captions in and out. Positions, styles and regions are not kept yet.
import {
  blocksOf,
  captionTime,
  fileLines,
  LONGEST_CAPTION_FILE,
  readBlocks,
  type CaptionLine,
  type CaptionResult,
} from '../captions.ts'

/** Reads a WebVTT file; NOTE, STYLE and REGION blocks are passed over, markup is taken off. Never throws. */
export function readWebVtt(text: string): CaptionResult {
  if (text.length > LONGEST_CAPTION_FILE)
    return { ok: false, faults: [{ line: 1, code: 'tooLong' }] }
  const [header, ...blocks] = blocksOf(fileLines(text))
  if (!header || !/^WEBVTT([ \t].*)?$/.test(header.lines[0]!))
    return { ok: false, faults: [{ line: 1, code: 'notThisFormat' }] }
  return readBlocks(
    blocks.filter((block) => !/^(NOTE|STYLE|REGION)([ \t]|$)/.test(block.lines[0]!)),
  )
}

/** Writes lines as WebVTT; reading it again yields the same lines. */
export function writeWebVtt(lines: readonly CaptionLine[]): string {
  const escape = (text: string) =>
    text
      .replaceAll('&', '&amp;')
      .replaceAll('<', '&lt;')
      .replaceAll('>', '&gt;')
      .replace(/\n{2,}/g, '\n')
  const cues = lines.map(
    ({ fromMs, toMs, text }) =>
      `${captionTime(fromMs, '.')} --> ${captionTime(toMs, '.')}\n${escape(text)}\n`,
  )
  return ['WEBVTT\n', ...cues].join('\n')
}
