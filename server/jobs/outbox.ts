// What is to be done once a transaction is stored, such as sending a mail: written down in that very transaction, so that it is
// done if and only if the rest happened, and done afterwards by a loop. It is done at least once: a server that is killed right
// after doing it does it again, so whatever is done must bear that. Of one key it is done in order, one after the other.
import type { Logger } from 'pino'
import { within, type Ask, type Database } from '../database/connect.ts'
import { dropOutbox, holdNext, putOff, writeOutbox } from './queries/outbox.ts'

/** Does one; `ask` is within the transaction that forgets it afterwards. */
export type DoIt = (payload: never, ask: Ask) => Promise<void>

/** What is done, by kind. */
export type Doers = Readonly<Record<string, DoIt>>

/** Looks so often for what is due, in ms. */
const EVERY_MS = 1000
/** Longest wait after failures, in seconds. */
const LONGEST_WAIT_S = 3600

/** Writes down what is to be done once the transaction of `ask` is stored; `key` is in whose order. */
export const afterwards = (
  ask: Ask,
  kind: string,
  { key, payload }: { key: string; payload: object },
): Promise<void> => writeOutbox(ask, { kind, key, payload })

/** Does all that is due now, and answers with how much that was. What fails waits, and all of its key with it. */
export async function drainOutbox(
  database: Database,
  doers: Doers,
  log: Pick<Logger, 'warn'>,
): Promise<number> {
  for (let done = 0; ; done += 1) if (!(await doNext(database, doers, log))) return done
}

/** Does the next one; false where nothing is due. */
async function doNext(
  database: Database,
  doers: Doers,
  log: Pick<Logger, 'warn'>,
): Promise<boolean> {
  let failed: { id: string; tries: number; error: unknown } | null = null
  const found = await database
    .transaction(async (transaction) => {
      const ask = within(database, transaction)
      const row = await holdNext(ask, Object.keys(doers))
      if (!row) return false
      await doers[row.kind]!(row.payload as never, ask).catch((error: unknown) => {
        failed = { id: row.id, tries: row.tries, error }
        throw error
      })
      await dropOutbox(ask, row.id)
      return true
    })
    .catch((error: unknown) => {
      // What the doer began is gone with its transaction; only the fault is noted.
      if (!failed) throw error
      return true
    })
  if (failed) await recordFault(database, failed, log)
  return found
}

async function recordFault(
  database: Database,
  { id, tries, error }: { id: string; tries: number; error: unknown },
  log: Pick<Logger, 'warn'>,
): Promise<void> {
  log.warn({ err: error, id, tries }, 'what was to be done afterwards failed')
  const seconds = Math.min(LONGEST_WAIT_S, 2 ** Math.min(tries + 1, 12))
  await putOff(within(database), id, { seconds, fault: String(error) })
}

/** Does what is due, again and again; answers with how to stop, which waits for what is under way. */
export function keepDraining(
  database: Database,
  doers: Doers,
  log: Pick<Logger, 'warn'>,
): () => Promise<void> {
  let isOver = false
  let timer: ReturnType<typeof setTimeout> | undefined
  const turn = async (): Promise<void> => {
    await drainOutbox(database, doers, log).catch((error: unknown) =>
      log.warn({ err: error }, 'the outbox was not looked through'),
    )
    if (!isOver) timer = setTimeout(() => (last = turn()), EVERY_MS)
  }
  let last = turn()
  return async () => {
    isOver = true
    clearTimeout(timer)
    await last
  }
}
