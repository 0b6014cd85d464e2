// What the steps of preparing share: what they are given, how they fail, and where they leave their files.
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Media, MediaFileKind, MediaJob, PageFile } from '@fernbrake/core/contract'
import { MediaFileRow, type MediaRow } from '../../database/models.ts'
import { FfmpegError, probe, type Probed } from '../tools/ffmpeg.ts'
import type { Context } from '../../context.ts'

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

/** Gives `work` a folder of its own and clears it away. */
export async function withFolder<T>(work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'fernbrake-job-'))
  try {
    return await work(folder)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

/** Runs what reads a file; where ffmpeg cannot, the medium is unusable for this reason. */
export async function orUnusable<T>(
  work: Promise<T>,
  fault: NonNullable<Media['fault']>,
): Promise<T> {
  return work.catch((error: unknown) => {
    if (error instanceof FfmpegError) throw new UnusableFilm(fault, error)
    throw error
  })
}

export const probeOriginal = ({ original }: Step): Promise<Probed> =>
  orUnusable(probe(original), 'unreadable')

export function keepJson(step: Step, kind: MediaFileKind, content: object): Promise<void> {
  return keepBytes(step, kind, JSON.stringify(content), 'application/json', 'json')
}

export async function keepBytes(
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
  kind: MediaFileKind | PageFile,
  path: string,
  contentType: string,
  ending: string,
): Promise<void> {
  const storageKey = `${mediaId}/${kind}.${ending}`
  const bytes = await store.take(storageKey, path)
  await MediaFileRow.upsert({ mediaId, kind, storageKey, contentType, bytes })
}
