// Text as it may be stored: without what no person reads.

// C0 and C1 control characters except tab and line feed: they have no place in a text a person reads.
// eslint-disable-next-line no-control-regex
const CONTROL_CHARACTERS = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f]/g
/** Halves of characters, as a text that was cut in the middle of one has them; databases refuse them. */
const HALVES = /\p{Surrogate}/gu

/** Removes control characters and halves, and turns CR and CRLF into LF, so that the result passes `plainText`. */
export function cleanText(text: string): string {
  return text.replace(/\r\n?/g, '\n').replace(CONTROL_CHARACTERS, '').replace(HALVES, '')
}

/** The beginning of a text, cleaned, of at most `max` UTF-16 units; no character is cut in two. */
export const cutText = (text: string, max: number): string =>
  cleanText(cleanText(text).slice(0, max))

/** A plain value with every text in it cleaned; names of its keys stay as they are. */
export function cleanTexts<T>(value: T): T {
  if (typeof value === 'string') return cleanText(value) as T
  if (Array.isArray(value)) return value.map(cleanTexts) as T
  if (typeof value !== 'object' || value === null) return value
  const entries = Object.entries(value).map(([key, one]) => [key, cleanTexts(one as unknown)])
  return Object.fromEntries(entries) as T
}
