// The only door of core/formats: one folder a format.
export { readWebVtt, writeWebVtt } from './webvtt/index.ts'
export { readSrt, writeSrt } from './srt/index.ts'
export { captionsOf, scriptFrom, type Captions } from './script.ts'
export {
  decodeAs,
  ENCODINGS,
  recogniseEncoding,
  type Encoding,
  type Recognised,
} from './encodings.ts'
export { LONGEST_CAPTION_FILE, MOST_CAPTION_LINES } from './captions.ts'
export type { CarriedCaptions } from './captions.ts'
export type { CaptionFault, CaptionLine, CaptionResult } from './captions.ts'
import { readSrt } from './srt/index.ts'
import { readWebVtt } from './webvtt/index.ts'
import type { CaptionResult } from './captions.ts'

/** Reads a caption file by what it holds, whatever its name says. */
export function readCaptions(text: string): CaptionResult {
  return /^\ufeff?WEBVTT/.test(text) ? readWebVtt(text) : readSrt(text)
}
export * from './hls/index.ts'
export * from './oEmbed/index.ts'
export * from './csv/index.ts'
export * from './atom/index.ts'
export * from './article/index.ts'
export * from './slides/index.ts'
