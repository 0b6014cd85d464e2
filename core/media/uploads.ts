// What may be put in as a film, and what a browser plays without conversion.

/** The largest film that is taken in, in bytes: 8 GiB. */
export const LARGEST_FILM_BYTES = 8 * 1024 ** 3

/** Container types, as found in the file's first bytes, that are taken in as films. */
export const FILM_CONTAINERS: ReadonlySet<string> = new Set([
  'video/mp4',
  'video/webm',
  'video/quicktime',
  'video/matroska',
  'video/x-matroska',
  'video/x-m4v',
  'video/vnd.avi',
  'video/x-msvideo',
  'video/x-ms-asf',
  'video/x-flv',
  'video/mpeg',
  'video/MP1S',
  'video/MP2P',
  'video/mp2t',
  'video/3gpp',
  'video/3gpp2',
  'video/ogg',
])

/** Picture types, as found in the file's first bytes, that are taken in. */
export const PICTURE_TYPES: ReadonlySet<string> = new Set([
  'image/png',
  'image/jpeg',
  'image/webp',
  'image/gif',
  'image/avif',
])

/** Containers that may hold nothing but sound, as recorders in browsers write them. */
const SOUND_CONTAINERS: ReadonlySet<string> = new Set([
  'video/mp4',
  'video/webm',
  'video/ogg',
  'video/matroska',
  'video/x-matroska',
  'video/quicktime',
  'video/x-ms-asf',
  'video/3gpp',
])

/** Whether a file of this type, as found in its first bytes, is taken in as a sound. Notes for instruments are none. */
export const mayBeSound = (type: string) =>
  SOUND_CONTAINERS.has(type) || (type.startsWith('audio/') && type !== 'audio/midi')

/** The largest sound that is taken in, in bytes. */
export const LARGEST_SOUND_BYTES = 500 * 1024 ** 2

/** The largest document that is taken in, in bytes. */
export const LARGEST_DOCUMENT_BYTES = 200 * 1024 ** 2
/** Pages of documents are drawn no wider or higher than this, in pixels. */
export const PAGE_PIXELS = 1600

/** The largest picture that is taken in: 40 megapixels, and so many bytes. */
export const MOST_PICTURE_PIXELS = 40_000_000
export const LARGEST_PICTURE_BYTES = 60 * 1024 ** 2
/** Pictures are shown no wider or higher than this, in pixels. */
export const SHOWN_PICTURE_PIXELS = 2560

export interface FilmStreams {
  /** Short container name as the prober tells it, such as `mov,mp4,m4a,3gp,3g2,mj2`. */
  container: string
  videoCodec: string
  /** Such as `yuv420p`; null when unknown. */
  pixelFormat: string | null
  /** Null when the film has no sound. */
  audioCodec: string | null
}

/** Whether every current browser plays these streams as they are. */
export function playsInBrowsers({
  container,
  videoCodec,
  pixelFormat,
  audioCodec,
}: FilmStreams): boolean {
  const names = container.split(',')
  const eightBit = pixelFormat === null || pixelFormat === 'yuv420p' || pixelFormat === 'yuvj420p'
  if (!eightBit) return false
  if (names.includes('mp4'))
    return videoCodec === 'h264' && (audioCodec === null || audioCodec === 'aac')
  if (names.includes('webm'))
    return (
      (videoCodec === 'vp8' || videoCodec === 'vp9') &&
      (audioCodec === null || audioCodec === 'opus' || audioCodec === 'vorbis')
    )
  return false
}

/** So much of the server's disk stays free for the database, in bytes, whatever is sent. */
export const KEPT_FREE_BYTES = 2 * 1024 ** 3
/** Below this, in bytes, nothing new is stored at all; above the other, everything is again. */
export const READ_ONLY_BELOW_BYTES = 512 * 1024 ** 2
export const WRITABLE_ABOVE_BYTES = 1024 ** 3
/** Below this, in bytes, whoever keeps the server is told: a few films more, and nobody can put anything in. */
export const LITTLE_FREE_BYTES = KEPT_FREE_BYTES + LARGEST_FILM_BYTES

/** The largest file of each kind that is taken in, in bytes. */
export const LARGEST_BYTES = {
  film: LARGEST_FILM_BYTES,
  picture: LARGEST_PICTURE_BYTES,
  sound: LARGEST_SOUND_BYTES,
  document: LARGEST_DOCUMENT_BYTES,
} as const
