// Jobs of any kind, on pg-boss: queued in the database, taken by whichever process runs jobs.
import PgBoss from 'pg-boss'

/** A kind of job, as whoever only puts some in needs to know it. */
export interface QueueKind {
  name: string
  /** How often one that failed is tried again. */
  retries: number
}

/** A kind of job, and what is done. Whatever it does may be done again, since servers are killed. */
export interface JobKind<Payload extends object = never> {
  name: string
  /** So many at a time. */
  atOnce: number
  run(payload: Payload, about: { isLastTry: boolean }): Promise<void>
}

export interface JobQueue {
  /** Puts a job in the queue of its kind. */
  send(kind: string, payload: object): Promise<void>
  /** Begins to take jobs of these kinds. */
  work(kinds: readonly JobKind[]): Promise<void>
  stop(): Promise<void>
}

/** Seconds after which a job that failed is tried again. */
const RETRY_AFTER_S = 2
/** So long one may take; longer, and another server may take it too. */
const LONGEST_HOURS = 6

/** Opens the queue for these kinds; nothing is worked on before `work`. */
export async function openQueue(
  databaseUrl: string,
  kinds: readonly QueueKind[],
  onError: (error: Error) => void,
): Promise<JobQueue> {
  const boss = new PgBoss({
    connectionString: databaseUrl,
    max: 3,
    application_name: 'fernbrake-jobs',
  })
  boss.on('error', onError)
  await boss.start()
  for (const { name } of kinds) await boss.createQueue(name)
  const retriesOf = new Map(kinds.map(({ name, retries }) => [name, retries]))
  /** Those of this process who take jobs. */
  const workers: { name: string; id: string }[] = []
  return {
    async send(name, payload) {
      const retries = retriesOf.get(name)
      if (retries === undefined) throw new Error(`There is no queue for ${name}.`)
      await boss.send(name, payload, {
        retryLimit: retries,
        retryDelay: RETRY_AFTER_S,
        expireInHours: LONGEST_HOURS,
      })
      // Whoever is here need not wait until they would have looked again.
      for (const worker of workers) if (worker.name === name) boss.notifyWorker(worker.id)
    },
    async work(kinds) {
      const options = { batchSize: 1, pollingIntervalSeconds: 0.5, includeMetadata: true } as const
      for (const { name, atOnce, run } of kinds) {
        const doOne = ([job]: PgBoss.JobWithMetadata<never>[]) =>
          run(job!.data, { isLastTry: job!.retryCount >= job!.retryLimit })
        for (let count = 0; count < atOnce; count += 1)
          workers.push({ name, id: await boss.work<never>(name, options, doOne) })
      }
    },
    stop: () => boss.stop({ graceful: false, wait: true, timeout: 5000 }),
  }
}
