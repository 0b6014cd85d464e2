// Text as it may be stored: without what no person reads.

// C0 and C1 control characters except tab and line feed: they have no place in a text a person reads.
// eslint-disable-next-line no-control-regex
const CONTROL_CHARACTERS = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f]/g

/** Removes control characters and turns CR and CRLF into LF, so that the result passes `plainText`. */
export function cleanText(text: string): string {
  return text.replace(/\r\n?/g, '\n').replace(CONTROL_CHARACTERS, '')
}
