// Packages that only tests ask for a second opinion, and that bring no types along.
declare module 'webvtt-parser' {
  /** The parser by the standard’s authors, as far as tests ask it. */
  export class WebVTTParser {
    parse(
      text: string,
      mode: 'metadata' | 'subtitles/captions/descriptions',
    ): { cues: { id: string; startTime: number; endTime: number; text: string }[] }
  }
}

declare module 'js-quantities' {
  interface Quantity {
    scalar: number
    units(): string
    to(units: string): Quantity
    isCompatible(other: Quantity): boolean
  }
  /** A quantity of `1 km`, or of a number and its unit; throws on what it does not know. */
  export default function Qty(quantity: string | number, units?: string): Quantity
}
