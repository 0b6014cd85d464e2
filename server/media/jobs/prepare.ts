// The chain of jobs that prepares a film, each step a job of its own.
import { Op } from 'sequelize'
import { MediaJobRow, MediaRow } from '../../database/models.ts'
import type { JobKind, QueueKind } from '../../jobs/queue.ts'
import type { Context } from '../../context.ts'
import { describeMedia, withOriginal } from '../media.ts'
import { UnusableFilm, withFolder, type StepKind } from './step.ts'
import { runStep } from './steps.ts'

const PREPARING = 'prepare-media'
/** What comes from elsewhere has a queue of its own: an address that drips must not keep others from being prepared. */
const FETCHING = 'fetch-media'
/** In which queue a step of preparing stands. */
export const queueOf = (kind: string) => (kind === 'fetch' ? FETCHING : PREPARING)
/** Progress is told at most this often, in ms. */
const PROGRESS_EVERY_MS = 400
const RETRIES = 2

/** The queues of jobs that prepare media. */
export const PREPARE_QUEUES: readonly QueueKind[] = [PREPARING, FETCHING].map((name) => ({
  name,
  retries: RETRIES,
}))

export interface PrepareJob {
  mediaId: string
  kind: StepKind
}

/** The kinds of jobs that prepare media. Two at a time: a long conversion must not keep a short film from becoming playable. */
export const preparing = (context: Context): JobKind<PrepareJob>[] =>
  PREPARE_QUEUES.map(({ name }) => ({
    name,
    atOnce: 2,
    run: (job, { isLastTry }) => doJob(context, job, isLastTry),
  }))

/** What was under way when a server was killed is begun again; every step may be repeated. */
export async function resumeInterrupted({ enqueue }: Context): Promise<void> {
  const rows = await MediaJobRow.findAll({ where: { state: { [Op.in]: ['waiting', 'running'] } } })
  for (const { mediaId, kind } of rows) await enqueue({ mediaId, kind })
}

async function doJob(
  context: Context,
  { mediaId, kind }: PrepareJob,
  isLastTry: boolean,
): Promise<void> {
  const media = await MediaRow.findByPk(mediaId)
  const job = await MediaJobRow.findOne({ where: { mediaId, kind } })
  if (!media || !job || job.state === 'done') return
  // A film that is prepared takes room of its own.
  await context.room.untilWritable()
  await job.update({ state: 'running', progress: 0 })
  await tell(context, media)
  try {
    const onProgress = progressTeller(context, media, job)
    const step = { context, media, onProgress }
    const next = await withFolder((folder) =>
      // What is still to be fetched has no original yet.
      kind === 'fetch'
        ? runStep(kind, { ...step, original: '', folder })
        : withOriginal(context, mediaId, (original) =>
            runStep(kind, { ...step, original, folder }),
          ),
    )
    await finishStep(context, job, next)
    for (const later of next) await context.enqueue({ mediaId, kind: later })
  } catch (error) {
    await recordFailure(context, media, job, error, isLastTry)
  }
  await tell(context, media)
}

/**
 * Notes that a step is done and which ones follow, both or neither: a server killed in between must not forget the
 * rest of the chain, and nobody may see a film as fully prepared while the rest has not been noted.
 */
async function finishStep(
  { database }: Context,
  job: MediaJobRow,
  next: StepKind[],
): Promise<void> {
  await database.transaction(async (transaction) => {
    await job.update({ state: 'done', progress: 1 }, { transaction })
    await MediaJobRow.bulkCreate(
      next.map((kind) => ({ mediaId: job.mediaId, kind, state: 'waiting' as const })),
      { ignoreDuplicates: true, transaction },
    )
  })
}

async function recordFailure(
  context: Context,
  media: MediaRow,
  job: MediaJobRow,
  error: unknown,
  isLastTry: boolean,
): Promise<void> {
  context.log.warn({ err: error, mediaId: media.id, kind: job.kind }, 'a step of preparing failed')
  // What people work with already stays, whatever comes of a step that was added later.
  const wasReady = media.state === 'ready'
  if (error instanceof UnusableFilm) {
    await job.update({ state: 'failed' })
    if (!wasReady) await media.update({ state: 'failed', fault: error.fault })
    return
  }
  await job.update({ state: isLastTry ? 'failed' : 'waiting' })
  if (!isLastTry) throw error
  if (job.kind === 'fetch')
    return void (await media.update({ state: 'failed', fault: 'notReached' }))
  const isNeeded = job.kind === 'probe' || job.kind === 'playable'
  // Without poster, waveform or filmstrip a film is still good to work with.
  if (isNeeded && !wasReady) await media.update({ state: 'failed', fault: 'conversionFailed' })
}

function progressTeller(
  context: Context,
  media: MediaRow,
  job: MediaJobRow,
): (share: number) => void {
  let lastMs = 0
  return (share) => {
    const nowMs = performance.now()
    if (nowMs - lastMs < PROGRESS_EVERY_MS) return
    lastMs = nowMs
    const progress = Math.min(0.99, Math.max(0, share))
    // Not through the row in hand: what is on its way must not mix with the word that the step is done, nor come after it.
    void MediaJobRow.update(
      { progress },
      { where: { mediaId: media.id, kind: job.kind, state: 'running' } },
    )
      .then(() => tell(context, media))
      .catch((error: unknown) => context.log.warn({ err: error }, 'progress was not told'))
  }
}

/** Of each medium that is told of, the telling that came last. */
const lastTold = new Map<string, Promise<void>>()

/** Tells how a medium stands, one telling after another: what was read earlier must not come last. */
async function tell(context: Context, { id, ownerId }: MediaRow): Promise<void> {
  const before = lastTold.get(id)
  const now = (async () => {
    await before?.catch(() => null)
    context.announce.mediaChanged(ownerId, await describeMedia(id, ownerId))
  })()
  lastTold.set(id, now)
  try {
    await now
  } finally {
    if (lastTold.get(id) === now) lastTold.delete(id)
  }
}
