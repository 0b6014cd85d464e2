// Small films for tests, made by ffmpeg. A number that grows with each frame is drawn as a grey level, so that a test
// can read from the picture which frame is on screen.
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'

const ffmpeg = (args: string[]) => execFileSync('ffmpeg', ['-y', '-v', 'error', ...args])

/** A film of `seconds` at 25 frames a second with a tone, playable everywhere. */
export function makeFilm(folder: string, seconds: number, name = 'film.mp4'): string {
  const path = join(folder, name)
  const picture = `testsrc2=size=640x360:rate=25:duration=${seconds}`
  const sound = `sine=frequency=330:duration=${seconds}`
  const codecs = [
    '-c:v',
    'libx264',
    '-preset',
    'ultrafast',
    '-pix_fmt',
    'yuv420p',
    '-g',
    '25',
    '-c:a',
    'aac',
  ]
  ffmpeg([
    '-f',
    'lavfi',
    '-i',
    picture,
    '-f',
    'lavfi',
    '-i',
    sound,
    ...codecs,
    '-movflags',
    '+faststart',
    path,
  ])
  return path
}

/**
 * A film whose frame number can be read from its picture: eight black or white fields across, the lowest bit left.
 * Frames beyond 255 begin again at 0. Its frame rate may vary: then of each 33 frames 20 are left, each shown until the next.
 */
export function makeNumberedFilm(folder: string, seconds: number, { varies = false } = {}): string {
  const path = join(folder, varies ? 'varying.mp4' : 'numbered.mp4')
  const bit = 'mod(floor(N/pow(2,floor(X/40))),2)'
  const left = varies ? `,select='not(eq(mod(n,3),1))*not(eq(mod(n,11),5))'` : ''
  const picture = `color=black:size=320x64:rate=25:duration=${seconds},geq=lum='16+219*${bit}':cb=128:cr=128${left}`
  const codecs = [
    '-c:v',
    'libx264',
    '-preset',
    'ultrafast',
    '-qp',
    '10',
    '-pix_fmt',
    'yuv420p',
    '-g',
    '25',
  ]
  const timing = varies ? ['-fps_mode', 'vfr'] : []
  ffmpeg(['-f', 'lavfi', '-i', picture, ...codecs, ...timing, '-movflags', '+faststart', path])
  return path
}

/** The frame of a varying film that is on screen where this one would be: itself, or the last one before it that was left. */
export function frameShown(frame: number): number {
  return frame % 3 !== 1 && frame % 11 !== 5 ? frame : frameShown(frame - 1)
}

export const CAPTIONS = `WEBVTT

00:01.000 --> 00:03.000
The keeper shuts the lower gates.

00:04.000 --> 00:06.000
Then the upper paddle is wound.

00:08.000 --> 00:10.000
The boat rises.
`

/** A picture of this size in one colour, as a PNG. */
export function picturePng(width: number, height: number): Buffer {
  const picture = `color=0x385873:size=${width}x${height}:duration=1`
  const args = ['-f', 'lavfi', '-i', picture, '-frames:v', '1', '-c:v', 'png', '-f', 'image2pipe']
  return execFileSync('ffmpeg', ['-v', 'error', ...args, '-'])
}
