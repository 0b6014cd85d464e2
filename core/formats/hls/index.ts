// HTTP Live Streaming (RFC 8216): reading playlists, and writing one for files that were fetched.
import { webAddress } from '../../fields/index.ts'

/** Playlists are short texts; what is longer is none, in characters. */
export const LONGEST_PLAYLIST = 4_000_000
/** An hour has some six hundred; more than these are not fetched. */
export const MOST_SEGMENTS = 30_000

export interface StreamVariant {
  address: string
  bandwidth: number
  /** In pixels; null where the playlist does not say. */
  height: number | null
  /** Where its sound is, when that is apart. */
  sound: string | null
}

export interface ByteRange {
  from: number
  bytes: number
}
export interface StreamPiece {
  address: string
  range: ByteRange | null
}
export interface StreamSegment extends StreamPiece {
  seconds: number
  /** What has to be read before it, as fragments of MP4 need. */
  start: StreamPiece | null
  key: { address: string; iv: string | null } | null
  /** Its times do not go on from those of the one before. */
  isBreak: boolean
}

export type Playlist =
  | { kind: 'variants'; variants: StreamVariant[] }
  | { kind: 'segments'; segments: StreamSegment[]; firstNumber: number; durationMs: number }

/** Why a stream cannot be fetched: it is none, it has no end, or it is locked in a way that only some devices open. */
export type PlaylistFault = 'unreadable' | 'endless' | 'guarded'

export const isPlaylist = (text: string): boolean => /^\ufeff?#EXTM3U/.test(text)

/** Reads a playlist that was found at `address`; every address in it comes out whole. Never throws. */
export function readPlaylist(text: string, address: string): Playlist | PlaylistFault {
  if (text.length > LONGEST_PLAYLIST || !isPlaylist(text)) return 'unreadable'
  const lines = text.split(/\r?\n/).flatMap((line) => line.trim() || [])
  try {
    if (lines.some((line) => line.startsWith('#EXT-X-STREAM-INF:')))
      return { kind: 'variants', variants: readVariants(lines, address) }
    return readSegments(lines, address)
  } catch {
    return 'unreadable'
  }
}

/** The variant with the best picture that is no higher than `mostHeight`; the plainest where all are. */
export function pickVariant(
  variants: readonly StreamVariant[],
  mostHeight: number,
): StreamVariant | null {
  const byBandwidth = [...variants].sort((a, b) => a.bandwidth - b.bandwidth)
  const fitting = byBandwidth.filter(({ height }) => height === null || height <= mostHeight)
  return fitting.at(-1) ?? byBandwidth[0] ?? null
}

/** A playlist of the same segments as files: `nameOf` says what each piece and each key is called. */
export function writePlaylist(
  segments: readonly StreamSegment[],
  firstNumber: number,
  nameOf: (piece: StreamPiece) => string,
): string {
  const longest = Math.max(1, ...segments.map(({ seconds }) => Math.ceil(seconds)))
  const head = ['#EXTM3U', '#EXT-X-VERSION:7', `#EXT-X-TARGETDURATION:${longest}`]
  const lines = [...head, `#EXT-X-MEDIA-SEQUENCE:${firstNumber}`]
  let said: Pick<StreamSegment, 'key' | 'start'> = { key: null, start: null }
  for (const segment of segments) {
    if (segment.isBreak) lines.push('#EXT-X-DISCONTINUITY')
    if (segment.key?.address !== said.key?.address || segment.key?.iv !== said.key?.iv)
      lines.push(keyLine(segment.key, nameOf))
    if (segment.start && (!said.start || keyOfPiece(segment.start) !== keyOfPiece(said.start)))
      lines.push(`#EXT-X-MAP:URI="${nameOf(segment.start)}"`)
    said = segment
    lines.push(`#EXTINF:${segment.seconds},`, nameOf(segment))
  }
  return [...lines, '#EXT-X-ENDLIST', ''].join('\n')
}

function keyLine(key: StreamSegment['key'], nameOf: (piece: StreamPiece) => string): string {
  if (!key) return '#EXT-X-KEY:METHOD=NONE'
  const iv = key.iv ? `,IV=${key.iv}` : ''
  return `#EXT-X-KEY:METHOD=AES-128,URI="${nameOf({ address: key.address, range: null })}"${iv}`
}

/** The same for the same piece, and for no other. */
export const keyOfPiece = ({ address, range }: StreamPiece): string =>
  range ? `${address} ${range.from} ${range.bytes}` : address

/** The attributes of a tag: names with numbers, words or quoted strings (RFC 8216, 4.2). */
function attributesOf(line: string): Record<string, string> {
  const list = line.slice(line.indexOf(':') + 1)
  const found = list.matchAll(/([A-Z0-9-]+)=(?:"([^"]*)"|([^",]*))/g)
  return Object.fromEntries([...found].map(([, name, quoted, plain]) => [name!, quoted ?? plain!]))
}

function whole(address: string, base: string): string {
  const found = webAddress(address, base)
  if (found === null) throw new Error('No web address')
  return found
}

function readVariants(lines: readonly string[], base: string): StreamVariant[] {
  const sounds = new Map<string, string>()
  for (const line of lines.filter((one) => one.startsWith('#EXT-X-MEDIA:'))) {
    const { TYPE, URI, DEFAULT, ...of } = attributesOf(line)
    const group = of['GROUP-ID'] ?? ''
    if (TYPE === 'AUDIO' && URI && (DEFAULT === 'YES' || !sounds.has(group)))
      sounds.set(group, whole(URI, base))
  }
  return lines.flatMap((line, index) => {
    const next = lines[index + 1]
    if (!line.startsWith('#EXT-X-STREAM-INF:') || !next || next.startsWith('#')) return []
    const { BANDWIDTH, RESOLUTION, AUDIO } = attributesOf(line)
    const height = /^\d+x(\d+)$/.exec(RESOLUTION ?? '')?.[1]
    const address = whole(next, base)
    const sound = sounds.get(AUDIO ?? '') ?? null
    return { address, bandwidth: Number(BANDWIDTH) || 0, height: Number(height) || null, sound }
  })
}

interface Reading {
  seconds: number
  range: string | null
  start: StreamPiece | null
  key: StreamSegment['key']
  isBreak: boolean
  /** Where the last range of an address ended: the next may leave out where it begins. */
  ends: Map<string, number>
}

function readSegments(lines: readonly string[], base: string): Playlist | PlaylistFault {
  if (!lines.includes('#EXT-X-ENDLIST')) return 'endless'
  const usual = { seconds: 0, range: null, isBreak: false }
  const now: Reading = { ...usual, start: null, key: null, ends: new Map() }
  const segments: StreamSegment[] = []
  let firstNumber = 0
  for (const line of lines) {
    const value = line.slice(line.indexOf(':') + 1)
    if (line.startsWith('#EXTINF:')) now.seconds = Math.max(0, Number.parseFloat(value)) || 0
    else if (line.startsWith('#EXT-X-BYTERANGE:')) now.range = value
    else if (line === '#EXT-X-DISCONTINUITY') now.isBreak = true
    else if (line.startsWith('#EXT-X-MEDIA-SEQUENCE:')) firstNumber = Number.parseInt(value) || 0
    else if (line.startsWith('#EXT-X-MAP:')) now.start = readStart(line, base, now)
    else if (line.startsWith('#EXT-X-KEY:')) {
      const key = readKey(line, base)
      if (key === 'guarded') return 'guarded'
      now.key = key
    } else if (!line.startsWith('#')) {
      segments.push(segmentAt(whole(line, base), now))
      Object.assign(now, usual)
      if (segments.length > MOST_SEGMENTS) return 'unreadable'
    }
  }
  if (segments.length === 0) return 'unreadable'
  const seconds = segments.reduce((sum, one) => sum + one.seconds, 0)
  return { kind: 'segments', segments, firstNumber, durationMs: Math.round(seconds * 1000) }
}

function segmentAt(address: string, now: Reading): StreamSegment {
  const { seconds, start, key, isBreak } = now
  const range = now.range === null ? null : readRange(now.range, address, now)
  return { address, range, seconds, start, key, isBreak }
}

function readStart(line: string, base: string, now: Reading): StreamPiece {
  const { URI, BYTERANGE } = attributesOf(line)
  const address = whole(URI!, base)
  return { address, range: BYTERANGE ? readRange(BYTERANGE, address, now) : null }
}

/** `bytes@from`, or `bytes` alone, which goes on where the last range of this address ended. */
function readRange(words: string, address: string, { ends }: Reading): ByteRange {
  const [, bytes, at] = /^(\d+)(?:@(\d+))?$/.exec(words)!
  const from = at === undefined ? (ends.get(address) ?? 0) : Number(at)
  ends.set(address, from + Number(bytes))
  return { from, bytes: Number(bytes) }
}

function readKey(line: string, base: string): StreamSegment['key'] | 'guarded' {
  const { METHOD, URI, IV, KEYFORMAT } = attributesOf(line)
  if (METHOD === 'NONE') return null
  const isPlain = METHOD === 'AES-128' && (KEYFORMAT ?? 'identity') === 'identity'
  if (!isPlain || !URI) return 'guarded'
  return { address: whole(URI, base), iv: /^0x[0-9a-f]{1,32}$/i.test(IV ?? '') ? IV! : null }
}
