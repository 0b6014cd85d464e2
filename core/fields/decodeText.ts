// The text of a file that may come from anywhere.

/** What no text has among its first characters, in whatever encoding it is. */
const LOOKED_AT_BYTES = 4096
const OTHERS: readonly (readonly number[])[] = [
  // A workbook or another archive, an older workbook, a PDF.
  [0x50, 0x4b, 0x03, 0x04],
  [0xd0, 0xcf, 0x11, 0xe0],
  [0x25, 0x50, 0x44, 0x46],
]

const beginsWith = (bytes: Uint8Array, start: readonly number[]) =>
  start.every((byte, at) => bytes[at] === byte)

/** What is no text in any encoding of one byte a sign, such as a workbook. */
export const isNoText = (bytes: Uint8Array): boolean =>
  OTHERS.some((start) => beginsWith(bytes, start)) || bytes.subarray(0, LOOKED_AT_BYTES).includes(0)

/**
 * The text of a file in UTF-8, UTF-16 or, if it can be neither, as older programs write it (Windows-1252). Null for what is
 * no text at all, such as a workbook.
 */
export function decodeText(bytes: Uint8Array): string | null {
  if (beginsWith(bytes, [0xff, 0xfe])) return new TextDecoder('utf-16le').decode(bytes)
  if (beginsWith(bytes, [0xfe, 0xff])) return new TextDecoder('utf-16be').decode(bytes)
  if (isNoText(bytes)) return null
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}
