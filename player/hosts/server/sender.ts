// Sends queued records in batches until each is acknowledged. The queue drops only what the server says it has, or
// says that it can never take. A repeat is harmless, so whatever is in doubt is sent again.
import { RECORDS_AT_ONCE, type RecordsReply, type RefusedRecord } from '@fernbrake/core/contract'
import { type LearnerRecord } from '@fernbrake/core/records'
import { pauseAfter } from '@fernbrake/core/fields'
import type { HostState } from '../Host.ts'
import type { RecordQueue } from './recordQueue.ts'

/** Records wait at most this long before they are sent, in ms. */
export const SEND_EVERY_MS = 5000
/** How long is waited while the server cannot be reached. */
const PAUSES = { firstMs: SEND_EVERY_MS, mostMs: 40_000 }

/** When to send next, in ms from now, after this many tries in a row that reached nobody. */
export const nextSendMs = (failures: number): number =>
  failures === 0 ? SEND_EVERY_MS : pauseAfter(failures, PAUSES)
/** Browsers refuse what goes with a page above 64 kB, all of it together. */
const MOST_BEACON_BYTES = 60_000
const MOST_IN_A_BEACON = 100

const bytesOf = (record: LearnerRecord) => new TextEncoder().encode(JSON.stringify(record)).length

/** The first records that a page can take along as it goes; one that is too long waits, and lets others by. */
function thatFit(records: readonly LearnerRecord[], room = MOST_BEACON_BYTES): LearnerRecord[] {
  const fitting = records.filter((record) => {
    const bytes = bytesOf(record)
    if (bytes > room) return false
    room -= bytes
    return true
  })
  return fitting.slice(0, MOST_IN_A_BEACON)
}

/** More answers than this never wait for their files at one time. */
const MOST_HELD_BACK = 50

/** What came of sending a batch. */
export type SendOutcome =
  | { kind: 'acknowledged'; reply: RecordsReply }
  /** The server could not be reached, or was not well. */
  | { kind: 'unreachable' }
  /** The server is there, and stores nothing new for now. */
  | { kind: 'readOnly' }
  | { kind: 'signedOut' }
  /** The server will not have this batch as it is. */
  | { kind: 'rejected'; message: string }

export interface SenderParts {
  queue: RecordQueue
  send(records: LearnerRecord[]): Promise<SendOutcome>
  /** Hands records to the browser to send while the page goes away; no answer is heard. */
  beacon(records: LearnerRecord[]): void
  onState(state: HostState): void
  /** Keeps these where it takes no waiting, until the page comes back; none forgets what was kept. */
  keepFarewell(records: LearnerRecord[]): void
  /** Whether a record must wait, for instance for a file that goes with it. */
  holdsBack?(record: LearnerRecord): boolean
}

export interface Sender {
  add(record: LearnerRecord): Promise<void>
  flush(): Promise<void>
  leave(): Promise<void>
  /** The records that are not acknowledged yet, the oldest first, at most `most` of those that are stored. */
  waiting(most: number): Promise<LearnerRecord[]>
  state(): HostState
}

export function createSender({
  queue,
  send,
  beacon,
  onState,
  keepFarewell,
  holdsBack = () => false,
}: SenderParts): Sender {
  let state: HostState = { waiting: 0, unkept: 0, connection: 'online', refused: [] }
  let sending: Promise<void> | null = null
  /** Records on their way into the queue: a page that goes away now would not wait until they are there. */
  const unstored = new Set<LearnerRecord>()
  const change = (next: Partial<HostState>) => {
    state = { ...state, ...next }
    onState(state)
  }
  const settle = async (ids: string[], refused: RefusedRecord[]) => {
    await queue.drop(new Set(ids))
    change({
      waiting: await queue.count(),
      unkept: queue.unkept(),
      connection: 'online',
      refused: refused.length > 0 ? [...state.refused, ...refused] : state.refused,
    })
  }
  /** Sends one batch; answers whether it is of use to go on. */
  const sendBatch = async (records: LearnerRecord[]): Promise<boolean> => {
    const outcome = await send(records)
    switch (outcome.kind) {
      case 'acknowledged': {
        const { kept, refused } = outcome.reply
        await settle([...kept, ...refused.map((record) => record.id)], refused)
        return kept.length + refused.length > 0
      }
      case 'rejected': {
        if (records.length > 1) return sendOneByOne(records)
        const { id } = records[0]!
        await settle([id], [{ id, code: 'wrongAnswerKind', message: outcome.message }])
        return true
      }
      case 'unreachable':
        change({ connection: 'offline' })
        return false
      case 'readOnly':
        change({ connection: 'readOnly' })
        return false
      case 'signedOut':
        change({ connection: 'signedOut' })
        return false
    }
  }
  /** One bad record must not hold up the others. */
  const sendOneByOne = async (records: LearnerRecord[]): Promise<boolean> => {
    for (const record of records) if (!(await sendBatch([record]))) return false
    return true
  }
  /** The oldest that need not wait; a few may wait for long and must not stand in the way of all others. */
  const readyOnes = async (most: number) => {
    const oldest = await queue.oldest(most + MOST_HELD_BACK)
    return oldest.filter((record) => !holdsBack(record)).slice(0, most)
  }
  const sendAll = async () => {
    for (;;) {
      const records = await readyOnes(RECORDS_AT_ONCE)
      if (records.length === 0 || !(await sendBatch(records))) return
    }
  }
  const flush = (): Promise<void> => {
    sending ??= sendAll().finally(() => (sending = null))
    return sending
  }
  return {
    async add(record) {
      unstored.add(record)
      await queue.add(record)
      unstored.delete(record)
      if (unstored.size === 0) keepFarewell([])
      change({ waiting: await queue.count(), unkept: queue.unkept() })
      // What this page alone holds is gone with it, so it does not wait for others to go along.
      if (queue.unkept() > 0 && state.connection === 'online') void flush()
    },
    flush,
    async leave() {
      // At once, for the queue answers later than a page that is reloaded lives, and a beacon may not arrive.
      keepFarewell([...unstored])
      const late = thatFit([...unstored].filter((record) => !holdsBack(record)))
      if (late.length > 0) beacon(late)
      const taken = late.reduce((sum, record) => sum + bytesOf(record), 0)
      const ready = await readyOnes(MOST_IN_A_BEACON)
      const records = thatFit(ready, MOST_BEACON_BYTES - taken)
      if (records.length > 0) beacon(records)
    },
    async waiting(most) {
      // Those on their way into the queue may be in it by now.
      const all = [...(await queue.oldest(most)), ...unstored]
      return [...new Map(all.map((record) => [record.id, record])).values()]
    },
    state: () => state,
  }
}
