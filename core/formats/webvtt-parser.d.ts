declare module 'webvtt-parser' {
  /** The parser by the standard’s authors, as far as tests ask it. */
  export class WebVTTParser {
    parse(
      text: string,
      mode: 'metadata' | 'subtitles/captions/descriptions',
    ): { cues: { id: string; startTime: number; endTime: number; text: string }[] }
  }
}
