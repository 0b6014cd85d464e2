// The steps of preparing a film. Each reads the original, writes its own file and may be repeated.
import { mkdtemp, rm, stat, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Media, MediaFileKind, MediaJob } from '@fernbrake/core/contract'
import {
  filmstripLayout,
  findPauses,
  frameRateOf,
  LoudnessCollector,
  MOST_PICTURE_PIXELS,
  msOfFrame,
  nearestFrameRate,
  PeakCollector,
  peakLevels,
  playsInBrowsers,
  SHOT_FRAME,
  ShotFinder,
  SHOWN_PICTURE_PIXELS,
  STRIP_FRAME_HEIGHT,
  writePeakFile,
} from '@fernbrake/core/media'
import { MediaFileRow, MediaRow } from '../database/models.ts'
import { decodePictures, decodeSound, FfmpegError, probe, transform } from '../media/ffmpeg.ts'
import type { Context } from '../services/context.ts'

export type StepKind = MediaJob['kind']

/** A film that cannot be used, and why; trying again would not help. */
export class UnusableFilm extends Error {
  readonly fault: NonNullable<Media['fault']>

  constructor(fault: NonNullable<Media['fault']>, cause?: unknown) {
    super(`The film cannot be used: ${fault}`, { cause })
    this.fault = fault
  }
}

export interface Step {
  context: Context
  media: MediaRow
  original: string
  /** A folder for files in the making; gone afterwards. */
  folder: string
  onProgress: (share: number) => void
}

/** Sound is looked at this many times a second; enough for a waveform and for telling speech from silence. */
const SOUND_SAMPLE_RATE = 8000

/** Runs one step; answers with the steps that can begin now. */
export async function runStep(kind: StepKind, step: Step): Promise<StepKind[]> {
  switch (kind) {
    case 'probe':
      return step.media.kind === 'picture' ? preparePicture(step) : probeFilm(step)
    case 'playable':
      return makePlayable(step)
    case 'poster':
      return makePoster(step)
    case 'peaks':
      return makePeaks(step)
    case 'filmstrip':
      return makeFilmstrip(step)
  }
}

/** No WebP is smaller than this, in bytes. */
const LEAST_PICTURE_BYTES = 26

/** Gives `work` a folder of its own and clears it away. */
export async function withFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'fernbrake-job-'))
  try {
    return await work(folder)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

async function probeFilm({ media, original }: Step): Promise<StepKind[]> {
  const found = await probe(original).catch((error: unknown) => {
    if (error instanceof FfmpegError) throw new UnusableFilm('unreadable', error)
    throw error
  })
  if (!found.video || found.video.width === 0) throw new UnusableFilm('noPicture')
  if (found.durationMs <= 0) throw new UnusableFilm('unreadable')
  const { codec, pixelFormat, width, height, framesPerSecond } = found.video
  const { container, audioCodec } = found
  const plays = playsInBrowsers({ container, videoCodec: codec, pixelFormat, audioCodec })
  await media.update({
    durationMs: found.durationMs,
    frameRate: nearestFrameRate(framesPerSecond) ?? '25',
    width,
    height,
    hasSound: audioCodec !== null,
    ...(plays ? { state: 'ready', fault: null } : {}),
  })
  const later: StepKind[] =
    audioCodec === null ? ['poster', 'filmstrip'] : ['poster', 'peaks', 'filmstrip']
  return plays ? later : ['playable', ...later]
}

/**
 * Measures a picture, and makes the one that is shown and a small one. Both are drawn anew: nothing that a file
 * carries besides its pixels, such as where it was taken, reaches a learner.
 */
async function preparePicture({ context, media, original, folder }: Step): Promise<StepKind[]> {
  const found = await probe(original).catch((error: unknown) => {
    if (error instanceof FfmpegError) throw new UnusableFilm('unreadable', error)
    throw error
  })
  if (!found.video || found.video.width === 0) throw new UnusableFilm('unreadable')
  const { width, height } = found.video
  if (width * height > MOST_PICTURE_PIXELS) throw new UnusableFilm('tooLarge')
  for (const [kind, most] of [
    ['playable', SHOWN_PICTURE_PIXELS],
    ['poster', 640],
  ] as const) {
    const output = join(folder, `${kind}.webp`)
    const size = `scale=w=min(${most}\\,iw):h=min(${most}\\,ih):force_original_aspect_ratio=decrease`
    const picture = ['-map', '0:v:0', '-frames:v', '1', '-vf', size, '-map_metadata', '-1']
    await transform(original, [...picture, '-c:v', 'libwebp', '-quality', '86'], output).catch(
      (error: unknown) => {
        if (error instanceof FfmpegError) throw new UnusableFilm('unreadable', error)
        throw error
      },
    )
    // Where it finds nothing to draw, ffmpeg writes an empty file and calls that success.
    if ((await stat(output)).size < LEAST_PICTURE_BYTES) throw new UnusableFilm('unreadable')
    await keepFile(context, media.id, kind, output, 'image/webp', 'webp')
  }
  await media.update({ width, height, hasSound: false, state: 'ready', fault: null })
  return []
}

async function makePlayable({
  context,
  media,
  original,
  folder,
  onProgress,
}: Step): Promise<StepKind[]> {
  const output = join(folder, 'playable.mp4')
  const evenSize = 'scale=trunc(min(iw\\,1920)/2)*2:-2'
  const args = [
    '-map',
    '0:V:0',
    '-map',
    '0:a:0?',
    '-vf',
    evenSize,
    '-c:v',
    'libx264',
    '-preset',
    'veryfast',
  ]
  args.push(
    '-crf',
    '22',
    '-pix_fmt',
    'yuv420p',
    '-g',
    '50',
    '-c:a',
    'aac',
    '-b:a',
    '128k',
    '-ac',
    '2',
  )
  args.push('-movflags', '+faststart')
  await transform(original, args, output, {
    onProgress: (ms) => onProgress(ms / media.durationMs!),
  }).catch((error: unknown) => {
    if (error instanceof FfmpegError) throw new UnusableFilm('conversionFailed', error)
    throw error
  })
  const made = await probe(output)
  await keepFile(context, media.id, 'playable', output, 'video/mp4', 'mp4')
  await media.update({
    durationMs: made.durationMs,
    frameRate: nearestFrameRate(made.video?.framesPerSecond ?? 0) ?? media.frameRate,
    state: 'ready',
    fault: null,
  })
  return []
}

async function makePoster({ context, media, original, folder }: Step): Promise<StepKind[]> {
  const output = join(folder, 'poster.jpg')
  const atMs = Math.min(media.durationMs! * 0.2, media.durationMs! - 40)
  const picture = ['-frames:v', '1', '-vf', 'scale=640:-2', '-q:v', '4']
  await transform(original, picture, output, { fromSeconds: Math.max(0, atMs) / 1000 })
  await keepFile(context, media.id, 'poster', output, 'image/jpeg', 'jpg')
  return []
}

/** The waveform, and where nobody speaks. */
async function makePeaks(step: Step): Promise<StepKind[]> {
  const { media, original, onProgress } = step
  const peaks = new PeakCollector(SOUND_SAMPLE_RATE)
  const loudness = new LoudnessCollector(SOUND_SAMPLE_RATE)
  const expected = (media.durationMs! / 1000) * SOUND_SAMPLE_RATE
  let heard = 0
  await decodeSound(original, SOUND_SAMPLE_RATE, (samples) => {
    peaks.add(samples)
    loudness.add(samples)
    heard += samples.length
    onProgress(heard / expected)
  })
  const levels = writePeakFile(peakLevels(peaks.finish()))
  await keepBytes(step, 'peaks', levels, 'application/octet-stream', 'bin')
  await keepJson(step, 'pauses', { pauses: findPauses(loudness.finish()) })
  return []
}

/** The filmstrip, and where one shot is cut to the next: both need every frame, so it is decoded once for both. */
async function makeFilmstrip(step: Step): Promise<StepKind[]> {
  const { context, media, original, folder, onProgress } = step
  const output = join(folder, 'filmstrip.jpg')
  const rate = frameRateOf(media.frameRate ?? '25')
  const expected = (media.durationMs! / 1000) * (rate.numerator / rate.denominator)
  const finder = new ShotFinder()
  let seen = 0
  const wanted = {
    rate: `${rate.numerator}/${rate.denominator}`,
    frame: SHOT_FRAME,
    strip: { ...filmstripLayout(media.durationMs!), height: STRIP_FRAME_HEIGHT, output },
  }
  await decodePictures(original, wanted, (frame) => {
    finder.add(frame, msOfFrame(seen, rate))
    seen += 1
    onProgress(seen / expected)
  })
  await keepFile(context, media.id, 'filmstrip', output, 'image/jpeg', 'jpg')
  await keepJson(step, 'shots', { shots: finder.finish() })
  return []
}

function keepJson(step: Step, kind: MediaFileKind, content: object): Promise<void> {
  return keepBytes(step, kind, JSON.stringify(content), 'application/json', 'json')
}

async function keepBytes(
  { context, media, folder }: Step,
  kind: MediaFileKind,
  bytes: Uint8Array | string,
  contentType: string,
  ending: string,
): Promise<void> {
  const path = join(folder, `${kind}.${ending}`)
  await writeFile(path, bytes)
  await keepFile(context, media.id, kind, path, contentType, ending)
}

/** Moves a finished file into the store and notes it; a repeat replaces the earlier one. */
export async function keepFile(
  { store }: Context,
  mediaId: string,
  kind: MediaFileKind,
  path: string,
  contentType: string,
  ending: string,
): Promise<void> {
  const storageKey = `${mediaId}/${kind}.${ending}`
  const bytes = await store.take(storageKey, path)
  await MediaFileRow.upsert({ mediaId, kind, storageKey, contentType, bytes })
}
