// Preparing a picture: the one that is shown, and a small one.
import { stat } from 'node:fs/promises'
import { join } from 'node:path'
import {
  cutPixels,
  cutSize,
  MOST_PICTURE_PIXELS,
  SHOWN_PICTURE_PIXELS,
  WHOLE_PICTURE,
  type PictureCut,
  type Size,
} from '@fernbrake/core/media'
import { probe, transform } from '../tools/ffmpeg.ts'
import {
  keepFile,
  orUnusable,
  probeOriginal,
  UnusableFilm,
  type Step,
  type StepKind,
} from './step.ts'

/** No WebP is smaller than this, in bytes. */
const LEAST_PICTURE_BYTES = 26
const SMALL_PICTURE_PIXELS = 640

/**
 * Measures a picture, and makes the one that is shown and a small one. Both are drawn anew: nothing that a file
 * carries besides its pixels, such as where it was taken, reaches a learner.
 */
export async function preparePicture(step: Step): Promise<StepKind[]> {
  const { media, original, folder } = step
  const found = await probeOriginal(step)
  if (!found.video || found.video.width === 0) throw new UnusableFilm('unreadable')
  if (found.video.width * found.video.height > MOST_PICTURE_PIXELS)
    throw new UnusableFilm('tooLarge')
  const source = await uprightSize(original, folder, found.video)
  const cut = media.cut ?? WHOLE_PICTURE
  await draw(step, 'playable', filterOf(source, cut, SHOWN_PICTURE_PIXELS))
  await draw(step, 'poster', filterOf(source, cut, SMALL_PICTURE_PIXELS))
  await media.update({ ...cutSize(source, cut), hasSound: false, state: 'ready', fault: null })
  return []
}

/** The size of the picture as it is looked at: a camera may have been held upright, and only noted so in the file. */
async function uprightSize(original: string, folder: string, stored: Size): Promise<Size> {
  const { width, height } = stored
  if (width === height) return { width, height }
  const look = join(folder, 'look.png')
  const small = [
    '-map',
    '0:v:0',
    '-frames:v',
    '1',
    '-vf',
    'scale=w=64:h=64:force_original_aspect_ratio=decrease',
  ]
  await orUnusable(transform(original, small, look), 'unreadable')
  const seen = (await orUnusable(probe(look), 'unreadable')).video
  const isTurned =
    seen !== null && seen.width !== seen.height && seen.width > seen.height !== width > height
  return isTurned ? { width: height, height: width } : { width, height }
}

const QUARTER_TURNS = [
  [],
  ['transpose=1'],
  ['transpose=1', 'transpose=1'],
  ['transpose=2'],
] as const

function filterOf(source: Size, cut: PictureCut, most: number): string {
  const part = cutPixels(source, cut)
  const size = cutSize(source, cut)
  return [
    ...QUARTER_TURNS[cut.turns],
    `crop=${part.width}:${part.height}:${part.x}:${part.y}:exact=1`,
    `scale=${size.width}:${size.height}`,
    `scale=w=min(${most}\\,iw):h=min(${most}\\,ih):force_original_aspect_ratio=decrease`,
  ].join(',')
}

async function draw(
  { context, media, original, folder }: Step,
  kind: 'playable' | 'poster',
  filter: string,
): Promise<void> {
  const output = join(folder, `${kind}.webp`)
  const picture = ['-map', '0:v:0', '-frames:v', '1', '-vf', filter, '-map_metadata', '-1']
  await orUnusable(
    transform(original, [...picture, '-c:v', 'libwebp', '-quality', '86'], output),
    'unreadable',
  )
  // Where it finds nothing to draw, ffmpeg writes an empty file and calls that success.
  if ((await stat(output)).size < LEAST_PICTURE_BYTES) throw new UnusableFilm('unreadable')
  await keepFile(context, media.id, kind, output, 'image/webp', 'webp')
}
