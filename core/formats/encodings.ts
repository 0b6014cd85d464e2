// Which signs the bytes of a text file stand for, where it does not say so itself.
import { analyse } from 'chardet'
import { isNoText } from '../fields/index.ts'

/** Those that captions come in, by the names of the Encoding Standard (WHATWG). */
export const ENCODINGS = [
  'utf-8',
  'utf-16le',
  'utf-16be',
  'windows-1252',
  'windows-1250',
  'windows-1251',
  'iso-8859-2',
  'iso-8859-15',
] as const
export type Encoding = (typeof ENCODINGS)[number]

export interface Recognised {
  encoding: Encoding
  /** Nobody has to be asked: it says so itself, or there is only one reading. */
  isSure: boolean
}

/** The names that the library gives them. The signs of ISO 8859-1 that text has are those of Windows-1252. */
const NAMES: Record<string, Encoding> = {
  'UTF-8': 'utf-8',
  'UTF-16LE': 'utf-16le',
  'UTF-16BE': 'utf-16be',
  'ISO-8859-1': 'windows-1252',
  'windows-1252': 'windows-1252',
  'ISO-8859-2': 'iso-8859-2',
  'windows-1250': 'windows-1250',
  'windows-1251': 'windows-1251',
  'ISO-8859-15': 'iso-8859-15',
}

/** So many bytes are looked at to tell encodings apart. */
const LOOKED_AT = 64_000

/** The encoding of a text; null for what is no text at all, such as a workbook. */
export function recogniseEncoding(bytes: Uint8Array): Recognised | null {
  const [first, second, third] = bytes
  if (first === 0xef && second === 0xbb && third === 0xbf) return sure('utf-8')
  if (first === 0xff && second === 0xfe) return sure('utf-16le')
  if (first === 0xfe && second === 0xff) return sure('utf-16be')
  const wide = wideWithoutMark(bytes)
  if (wide) return sure(wide)
  if (isNoText(bytes)) return null
  if (canBe(bytes, 'utf-8')) return sure('utf-8')
  return { encoding: likely(bytes), isSure: false }
}

const sure = (encoding: Encoding): Recognised => ({ encoding, isSure: true })

export function canBe(bytes: Uint8Array, encoding: Encoding): boolean {
  try {
    new TextDecoder(encoding, { fatal: true }).decode(bytes)
    return true
  } catch {
    return false
  }
}

/** Text of two bytes a sign has a nought in every other byte wherever it is Latin: digits and line ends at the least. */
function wideWithoutMark(bytes: Uint8Array): Encoding | null {
  const looked = bytes.subarray(0, Math.min(bytes.length & ~1, LOOKED_AT))
  if (looked.length < 8) return null
  let [even, odd] = [0, 0]
  for (let at = 0; at < looked.length; at += 2) {
    if (looked[at] === 0) even += 1
    if (looked[at + 1] === 0) odd += 1
  }
  const half = looked.length / 2
  const least = half * 0.15
  if (odd > least && even < odd * 0.05) return canBe(looked, 'utf-16le') ? 'utf-16le' : null
  if (even > least && odd < even * 0.05) return canBe(looked, 'utf-16be') ? 'utf-16be' : null
  return null
}

/** What it most likely is; where the library cannot tell, what most older programs write. */
function likely(bytes: Uint8Array): Encoding {
  if (isNearlyUtf8(bytes)) return 'utf-8'
  const found = analyse(signsAround(bytes)).find(({ name }) => Object.hasOwn(NAMES, name))
  const encoding = found ? NAMES[found.name]! : 'windows-1252'
  if (encoding === 'utf-8' || encoding.startsWith('utf-16')) return 'windows-1252'
  return encoding === 'windows-1252' && hasOwnEuro(bytes) ? 'iso-8859-15' : encoding
}

/** ISO 8859-15 has the euro where Windows-1252 has a sign that nobody writes, and nothing between 80 and 9F. */
const hasOwnEuro = (bytes: Uint8Array): boolean =>
  bytes.includes(0xa4) && !bytes.some((byte) => byte >= 0x80 && byte <= 0x9f)

/** A text in UTF-8 with a few broken places is still one; then those are told. */
function isNearlyUtf8(bytes: Uint8Array): boolean {
  const text = new TextDecoder('utf-8').decode(bytes)
  const broken = text.split('\ufffd').length - 1
  // eslint-disable-next-line no-control-regex
  const whole = (text.match(/[^\u0000-\u007f\ufffd]/g) ?? []).length
  return broken > 0 && broken * 10 < whole
}

/** Times and numbers tell nothing of an encoding: what counts are the words around signs that are no ASCII. */
function signsAround(bytes: Uint8Array): Uint8Array {
  const lines: number[] = []
  let begin = 0
  for (let at = 0; at <= bytes.length && lines.length < LOOKED_AT; at += 1) {
    if (at < bytes.length && bytes[at] !== 0x0a) continue
    const line = bytes.subarray(begin, at + 1)
    if (line.some((byte) => byte >= 0x80)) lines.push(...line)
    begin = at + 1
  }
  return Uint8Array.from(lines)
}

/** The text in an encoding; a mark at its beginning is left out. */
export const decodeAs = (bytes: Uint8Array, encoding: Encoding): string =>
  new TextDecoder(encoding).decode(bytes)
