// The steps of preparing a film. Each reads the original, writes its own file and may be repeated.
import { join } from 'node:path'
import type { Media } from '@fernbrake/core/contract'
import {
  filmstripLayout,
  findPauses,
  frameRateOf,
  LoudnessCollector,
  msOfFrame,
  nearestFrameRate,
  PeakCollector,
  peakLevels,
  playsInBrowsers,
  SHOT_FRAME,
  ShotFinder,
  STRIP_FRAME_HEIGHT,
  writePeakFile,
} from '@fernbrake/core/media'
import {
  decodePictures,
  decodeSound,
  measureLength,
  probe,
  transform,
  type Probed,
} from '../tools/ffmpeg.ts'
import type { MediaRow } from '../../database/models.ts'
import { drawPages, prepareDocument } from './documents.ts'
import { fetchOriginal } from './fetch.ts'
import { preparePicture } from './pictures.ts'
import {
  keepBytes,
  keepFile,
  keepJson,
  orUnusable,
  probeOriginal,
  UnusableFilm,
  type Step,
  type StepKind,
} from './step.ts'
import { prepareSound } from './sounds.ts'

/**
 * Most pictures a second in a film that is coded anew. Recorders in browsers tell no rate and set pictures at odd
 * milliseconds; without a limit each of those would be filled with copies, a thousand a second.
 */
const MOST_PICTURES_A_SECOND = 60
/** Sound is looked at this many times a second; enough for a waveform and for telling speech from silence. */
const SOUND_SAMPLE_RATE = 8000

const PROBES: Record<Media['kind'], (step: Step) => Promise<StepKind[]>> = {
  film: probeFilm,
  picture: preparePicture,
  sound: prepareSound,
  document: prepareDocument,
}

/** Runs one step; answers with the steps that can begin now. */
export async function runStep(kind: StepKind, step: Step): Promise<StepKind[]> {
  switch (kind) {
    case 'fetch':
      return fetchOriginal(step)
    case 'probe':
      return PROBES[step.media.kind as Media['kind']](step)
    case 'playable':
      return makePlayable(step)
    case 'poster':
      return makePoster(step)
    case 'peaks':
      return makePeaks(step)
    case 'filmstrip':
      return makeFilmstrip(step)
    case 'pages':
      return drawPages(step)
  }
}

async function probeFilm(step: Step): Promise<StepKind[]> {
  const { media, original } = step
  const found = await probeOriginal(step)
  if (!found.video || found.video.width === 0) throw new UnusableFilm('noPicture')
  // Recorders in browsers write neither a length nor an index: such a film is measured, and converted to be sought in.
  const isUnindexed = found.durationMs <= 0
  const durationMs = isUnindexed
    ? await orUnusable(measureLength(original), 'unreadable')
    : found.durationMs
  if (durationMs <= 0) throw new UnusableFilm('unreadable')
  const { sounds } = found
  const soundTrack = trackOf(media, found)
  // What is in a file besides the film must not reach learners, so even one that plays is written anew without it; and of
  // several sounds each player would begin with whichever it likes.
  const plays =
    !isUnindexed && playsAsItIs(found, soundTrack) && !found.tellsMore && sounds.length < 2
  const soundTracks = sounds.map(({ language, title, channels }) => ({ language, title, channels }))
  const hasSound = sounds.length > 0
  await media.update({
    ...(media.state === 'ready' ? {} : measured(found.video, durationMs)),
    hasSound,
    soundTracks,
    soundTrack: hasSound ? soundTrack : null,
    ...(plays ? { state: 'ready', fault: null } : {}),
  })
  const later: StepKind[] = hasSound ? ['poster', 'peaks', 'filmstrip'] : ['poster', 'filmstrip']
  return plays ? later : ['playable', ...later]
}

/** What is known of its pictures. One that plays already was measured as it plays, and cues stand at its times. */
const measured = (
  { width, height, framesPerSecond }: NonNullable<Probed['video']>,
  durationMs: number,
) => ({ durationMs, width, height, frameRate: nearestFrameRate(framesPerSecond) ?? '25' })

/** Which of its sounds a film plays: the one that was chosen, else what players begin with; before sounds were told apart, the first. */
function trackOf({ soundTrack, state }: MediaRow, { usualSound }: Probed): number {
  return soundTrack ?? (state === 'ready' ? 0 : usualSound)
}

const playsAsItIs = ({ container, video, sounds }: Probed, track: number): boolean =>
  video !== null &&
  playsInBrowsers({
    container,
    audioCodec: sounds[track]?.codec ?? null,
    videoCodec: video.codec,
    pixelFormat: video.pixelFormat,
  })

async function makePlayable(step: Step): Promise<StepKind[]> {
  const found = await probeOriginal(step)
  const plays = found.durationMs > 0 && playsAsItIs(found, trackOf(step.media, found))
  return plays ? copyPlayable(step, found) : codePlayable(step)
}

/** The pictures and the sound that plays, and nothing else that a file tells. */
const shownOf = ({ soundTrack }: MediaRow) => [
  '-map',
  '0:V:0',
  '-map',
  `0:a:${soundTrack ?? 0}?`,
  '-map_metadata',
  '-1',
  '-map_chapters',
  '-1',
]

/** The pictures and the sound of a film as they are, in a file that tells nothing else. */
async function copyPlayable(step: Step, found: Probed): Promise<StepKind[]> {
  // One that was ready before such files were looked for, and is none.
  if (!found.tellsMore && step.media.state === 'ready') return []
  const { container, durationMs } = found
  const { context, media, original, folder, onProgress } = step
  const ending = container.includes('webm') ? 'webm' : 'mp4'
  const output = join(folder, `playable.${ending}`)
  const args = [
    ...shownOf(media),
    '-c',
    'copy',
    ...(ending === 'mp4' ? ['-movflags', '+faststart'] : []),
  ]
  const told = (ms: number) => onProgress(ms / durationMs)
  await orUnusable(transform(original, args, output, { onProgress: told }), 'conversionFailed')
  await keepFile(context, media.id, 'playable', output, `video/${ending}`, ending)
  await media.update({ state: 'ready', fault: null })
  return []
}

async function codePlayable({
  context,
  media,
  original,
  folder,
  onProgress,
}: Step): Promise<StepKind[]> {
  const output = join(folder, 'playable.mp4')
  const evenSize = 'scale=trunc(min(iw\\,1920)/2)*2:-2'
  const args = shownOf(media).concat('-vf', evenSize, '-c:v', 'libx264', '-preset', 'veryfast')
  args.push(
    '-crf',
    '22',
    '-fpsmax',
    String(MOST_PICTURES_A_SECOND),
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
  const told = (ms: number) => onProgress(ms / media.durationMs!)
  await orUnusable(transform(original, args, output, { onProgress: told }), 'conversionFailed')
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
  const sound = { input: original, track: media.soundTrack ?? 0 }
  await decodeSound(sound, SOUND_SAMPLE_RATE, (samples) => {
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
