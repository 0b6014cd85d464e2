// The steps of preparing a film. Each reads the original, writes its own file and may be repeated.
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Media, MediaFileKind, MediaJob } from '@fernbrake/core/contract'
import { nearestFrameRate, PeakCollector, playsInBrowsers } from '@fernbrake/core/media'
import { MediaFileRow, MediaRow } from '../database/models.ts'
import { decodeSound, FfmpegError, probe, transform } from '../media/ffmpeg.ts'
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

/** Sound is looked at this many times a second; enough for a waveform. */
const PEAK_SAMPLE_RATE = 8000
export const FILMSTRIP_FRAMES = 60
const FILMSTRIP_HEIGHT = 54

/** Runs one step; answers with the steps that can begin now. */
export async function runStep(kind: StepKind, step: Step): Promise<StepKind[]> {
  switch (kind) {
    case 'probe':
      return probeFilm(step)
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
    '0:v:0',
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
  await transform(original, args, output, (ms) => onProgress(ms / media.durationMs!)).catch(
    (error: unknown) => {
      if (error instanceof FfmpegError) throw new UnusableFilm('conversionFailed', error)
      throw error
    },
  )
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
  const atSeconds = Math.min(media.durationMs! * 0.2, media.durationMs! - 40) / 1000
  await transform(
    original,
    ['-ss', String(Math.max(0, atSeconds)), '-frames:v', '1', '-vf', 'scale=640:-2', '-q:v', '4'],
    output,
  )
  await keepFile(context, media.id, 'poster', output, 'image/jpeg', 'jpg')
  return []
}

async function makePeaks({
  context,
  media,
  original,
  folder,
  onProgress,
}: Step): Promise<StepKind[]> {
  const collector = new PeakCollector(PEAK_SAMPLE_RATE)
  const expected = (media.durationMs! / 1000) * PEAK_SAMPLE_RATE
  let heard = 0
  await decodeSound(original, PEAK_SAMPLE_RATE, (samples) => {
    collector.add(samples)
    heard += samples.length
    onProgress(heard / expected)
  })
  const output = join(folder, 'peaks.bin')
  await writeFile(output, collector.finish())
  await keepFile(context, media.id, 'peaks', output, 'application/octet-stream', 'bin')
  return []
}

async function makeFilmstrip({
  context,
  media,
  original,
  folder,
  onProgress,
}: Step): Promise<StepKind[]> {
  const output = join(folder, 'filmstrip.jpg')
  const rate = FILMSTRIP_FRAMES / (media.durationMs! / 1000)
  const filter = `fps=${rate.toFixed(6)}:round=up,scale=-2:${FILMSTRIP_HEIGHT},tile=${FILMSTRIP_FRAMES}x1`
  await transform(original, ['-vf', filter, '-frames:v', '1', '-q:v', '5'], output, (ms) =>
    onProgress(ms / media.durationMs!),
  )
  await keepFile(context, media.id, 'filmstrip', output, 'image/jpeg', 'jpg')
  return []
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
