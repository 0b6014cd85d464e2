// Preparing a sound: one form that every browser plays, with a length and an index, and nothing else in the file.
import { join } from 'node:path'
import { probe, transform } from '../tools/ffmpeg.ts'
import {
  keepFile,
  orUnusable,
  probeOriginal,
  UnusableFilm,
  type Step,
  type StepKind,
} from './step.ts'

const SOUND_CODING = ['-c:a', 'aac', '-b:a', '128k', '-ac', '2', '-movflags', '+faststart']

export async function prepareSound(step: Step): Promise<StepKind[]> {
  const { context, media, original, folder } = step
  const found = await probeOriginal(step)
  if (found.sounds.length === 0) throw new UnusableFilm('notASound')
  const output = join(folder, 'playable.m4a')
  const told = (ms: number) => step.onProgress(found.durationMs > 0 ? ms / found.durationMs : 0)
  const only = ['-map', '0:a:0', '-vn', '-map_metadata', '-1', ...SOUND_CODING]
  await orUnusable(transform(original, only, output, { onProgress: told }), 'unreadable')
  const { durationMs } = await orUnusable(probe(output), 'unreadable')
  if (durationMs <= 0) throw new UnusableFilm('unreadable')
  await keepFile(context, media.id, 'playable', output, 'audio/mp4', 'm4a')
  await media.update({ durationMs, hasSound: true, state: 'ready', fault: null })
  return ['peaks']
}
