// The chain of jobs that prepares a film, on pg-boss: queued in the database, taken by whichever process runs jobs.
import PgBoss from 'pg-boss'
import { Op } from 'sequelize'
import { MediaJobRow, MediaRow } from '../../database/models.ts'
import type { Context } from '../../context.ts'
import { describeMedia, originalOf } from '../media.ts'
import { UnusableFilm, withFolder, type StepKind } from './step.ts'
import { runStep } from './steps.ts'

const PREPARING = 'prepare-media'
/** What comes from elsewhere has a queue of its own: an address that drips must not keep others from being prepared. */
const FETCHING = 'fetch-media'
const queueOf = (kind: StepKind) => (kind === 'fetch' ? FETCHING : PREPARING)
/** Progress is told at most this often, in ms. */
const PROGRESS_EVERY_MS = 400
const RETRIES = 2

export interface PrepareJob {
  mediaId: string
  kind: StepKind
}

export interface JobQueue {
  enqueue(job: PrepareJob): Promise<void>
  work(context: Context): Promise<void>
  stop(): Promise<void>
}

/** Opens the queue; nothing is worked on before `work`. */
export async function openQueue(
  databaseUrl: string,
  onError: (error: Error) => void,
): Promise<JobQueue> {
  const boss = new PgBoss({
    connectionString: databaseUrl,
    max: 3,
    application_name: 'fernbrake-jobs',
  })
  boss.on('error', onError)
  await boss.start()
  for (const queue of [PREPARING, FETCHING]) await boss.createQueue(queue)
  /** Those of this process who take jobs, by queue. */
  const workers: { queue: string; id: string }[] = []
  const enqueue = async (job: PrepareJob) => {
    const name = queueOf(job.kind)
    await boss.send(name, job, { retryLimit: RETRIES, retryDelay: 2, expireInHours: 6 })
    // Whoever is here need not wait until they would have looked again.
    for (const { queue, id } of workers) if (queue === name) boss.notifyWorker(id)
  }
  return {
    enqueue,
    async work(context) {
      await resumeInterrupted(enqueue)
      const options = { batchSize: 1, pollingIntervalSeconds: 0.5, includeMetadata: true } as const
      const take = ([job]: PgBoss.JobWithMetadata<PrepareJob>[]) =>
        takeJob(context, enqueue, job!.data, job!.retryCount >= RETRIES)
      // Two at a time: a long conversion must not keep a short film from becoming playable.
      for (const queue of [PREPARING, PREPARING, FETCHING, FETCHING])
        workers.push({ queue, id: await boss.work<PrepareJob>(queue, options, take) })
    },
    stop: () => boss.stop({ graceful: false, wait: true, timeout: 5000 }),
  }
}

/** What was under way when a server was killed is begun again; every step may be repeated. */
async function resumeInterrupted(enqueue: (job: PrepareJob) => Promise<void>): Promise<void> {
  const rows = await MediaJobRow.findAll({ where: { state: { [Op.in]: ['waiting', 'running'] } } })
  for (const { mediaId, kind } of rows) await enqueue({ mediaId, kind })
}

async function takeJob(
  context: Context,
  enqueue: (job: PrepareJob) => Promise<void>,
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
    // What is still to be fetched has none yet.
    const original = kind === 'fetch' ? '' : await originalOf(context, mediaId)
    const onProgress = progressTeller(context, media, job)
    const next = await withFolder((folder) =>
      runStep(kind, { context, media, original, folder, onProgress }),
    )
    await finishStep(context, job, next)
    for (const later of next) await enqueue({ mediaId, kind: later })
  } catch (error) {
    await noteFailure(context, media, job, error, isLastTry)
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

async function noteFailure(
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
    void job
      .update({ progress })
      .then(() => tell(context, media))
      .catch((error: unknown) => context.log.warn({ err: error }, 'progress was not told'))
  }
}

async function tell(context: Context, media: MediaRow): Promise<void> {
  context.announce.mediaChanged(media.ownerId, await describeMedia(media.id, media.ownerId))
}
