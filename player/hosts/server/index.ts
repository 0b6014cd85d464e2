// ServerHost: the host of the learner's page. Records go through IndexedDB to Fernbrake's own server.
import { nanoid } from 'nanoid'
import { shallowReactive } from 'vue'
import { cleanTexts } from '@fernbrake/core/fields'
import { partOfKind, stagedAddresses } from '@fernbrake/core/lesson'
import { placeToGoOn } from '@fernbrake/core/playback'
import type { Attempt } from '@fernbrake/core/contract'
import { advance, type LearnerRecord } from '@fernbrake/core/records'
import type { Host, HostState, OpenedLesson } from '../Host.ts'
import {
  beaconRecords,
  hidePost,
  readAttempt,
  readTalk,
  readTally,
  readWays,
  sendRecords,
} from './api.ts'
import { acknowledgedOf } from './acknowledged.ts'
import { dropEarlyStage, claimEarlyAttempt, claimEarlyVideo } from './early.ts'
import { openFileQueue, type WaitingFile } from './fileQueue.ts'
import { createFileSender, type FileOutcome } from './fileSender.ts'
import { farewellOf, storeFarewell } from './farewell.ts'
import { openRecordQueue, type RecordQueue } from './recordQueue.ts'
import { keepSending } from './keepSending.ts'
import { createSender, type Sender } from './sender.ts'

/** How many waiting records are looked through to bring progress up to date. */
const MOST_WAITING = 5000

export async function createServerHost(attemptId: string): Promise<Host> {
  const [queue, fileQueue] = await Promise.all([
    openRecordQueue(attemptId),
    openFileQueue(attemptId),
  ])
  const files = await createFileSender({
    attemptId,
    queue: fileQueue,
    newId: () => nanoid(),
    send: sendFile,
    onThere: () => void sender.flush(),
  })
  const listeners = new Set<(state: HostState) => void>()
  const leaveListeners = new Set<() => void>()
  const toldListeners = new Set<Parameters<Host['onTold']>[0]>()
  const farewell = farewellOf(attemptId)
  await storeFarewell(farewell.read(), queue)
  const sender = createSender({
    queue,
    send: (records) =>
      sendAndNote(attemptId, records, (told) =>
        toldListeners.forEach((listener) => listener(told)),
      ),
    beacon: (records) => beaconRecords(attemptId, records),
    onState: (state) => listeners.forEach((listener) => listener(state)),
    keepFarewell: (records) => farewell.keep(records),
    holdsBack: (record) => files.holdsBack(record),
  })
  // What is under way is recorded before the farewell, and goes with it.
  const leave = () => {
    leaveListeners.forEach((listener) => listener())
    return sender.leave()
  }
  const { wake, stop } = keepSending({
    isOffline: () => ['offline', 'readOnly'].includes(sender.state().connection),
    isDone: async () => !files.isWaiting() && (await sender.waiting(1)).length === 0,
    leave,
    flush: async () => void (await Promise.all([files.flush(), sender.flush()])),
  })
  return {
    open: () => openAttempt(attemptId, queue, sender),
    // What is kept must be plain: the browser’s store takes nothing that the interface watches.
    // What was pasted may hold characters that no server takes; without them nothing is lost that could be read.
    record(record) {
      void sender.add(cleanTexts(JSON.parse(JSON.stringify(record)) as LearnerRecord))
      wake()
    },
    newId: () => nanoid(),
    state: () => sender.state(),
    onState(listener) {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    onLeave(listener) {
      leaveListeners.add(listener)
      return () => leaveListeners.delete(listener)
    },
    onTold(listener) {
      toldListeners.add(listener)
      return () => toldListeners.delete(listener)
    },
    async ways(placeId) {
      // What was done up to here decides.
      await sender.flush()
      return readWays(attemptId, placeId)
    },
    async tally(questionId) {
      // One’s own answer is to be among them.
      await sender.flush()
      return readTally(attemptId, questionId)
    },
    files: {
      ...files,
      put(...file) {
        wake()
        return files.put(...file)
      },
    },
    talk: talkOf(attemptId, sender),
    flush: () => sender.flush(),
    destroy() {
      stop()
      void leave()
    },
  }
}

/** What a class says about the lesson, through this server. */
function talkOf(attemptId: string, sender: Sender): Host['talk'] {
  return {
    async read(after) {
      // One’s own words are to be among them.
      await sender.flush()
      return readTalk(attemptId, after)
    },
    async unsent() {
      const waiting = await sender.waiting(MOST_WAITING)
      return waiting.filter((record) => record.kind === 'say')
    },
    hide: (postId, isHidden) => hidePost(attemptId, postId, isHidden),
  }
}

/** Sends a batch, and notes on the device that it was acknowledged. */
async function sendAndNote(
  attemptId: string,
  records: LearnerRecord[],
  onTold: Parameters<Host['onTold']>[0],
): Promise<Awaited<ReturnType<typeof sendRecords>>> {
  const outcome = await sendRecords(attemptId, records)
  if (outcome.kind !== 'acknowledged') return outcome
  acknowledgedOf(attemptId).note()
  if (outcome.reply.told) onTold(outcome.reply.told)
  return outcome
}

/** Most lessons ask for no files, so what sends them is fetched with the first. */
async function sendFile(
  file: WaitingFile,
  onProgress: (sentBytes: number) => void,
  signal: AbortSignal,
): Promise<FileOutcome> {
  try {
    const { uploadFile } = await import('./tusUpload.ts')
    return await uploadFile(file, onProgress, signal)
  } catch {
    return { kind: 'unreachable' }
  }
}

const pageAddressOf = (mediaId: string, page: number) => `/api/media/${mediaId}/pages/${page}`
const addressOf = (mediaId: string, file: 'playable' | 'poster' = 'playable') =>
  `/api/media/${mediaId}/files/${file}`

async function openAttempt(
  attemptId: string,
  queue: RecordQueue,
  sender: Sender,
): Promise<OpenedLesson> {
  const attempt = await newestAttempt(attemptId, queue, sender)
  const waiting = await queue.oldest(MOST_WAITING)
  const progress = withWaiting(attempt, waiting)
  const place = placeToGoOn(attempt.lesson, progress)
  const firstId = place && (partOfKind(attempt.lesson, place.part.id, 'film')?.mediaId ?? null)
  const first = attempt.media.find(({ id }) => id === firstId)
  const element = first ? claimEarlyVideo(addressOf(first.id)) : null
  // What was sent ahead may be another film than the one to go on with, or there may be none.
  if (!element) dropEarlyStage()
  return {
    // Of questions that are cut more is told later on, and whatever shows them is to see it.
    lesson: { ...attempt.lesson, questions: shallowReactive(attempt.lesson.questions) },
    media: attempt.media.map((media) => {
      const files = { address: addressOf(media.id), poster: addressOf(media.id, 'poster') }
      return { ...media, ...files, element: media === first ? element : null }
    }),
    staged: stagedAddresses(attempt.lesson, (id) => addressOf(id), pageAddressOf),
    credits: attempt.credits,
    progress,
    learnerName: attempt.person.name,
    learnerId: attempt.person.id,
    assignment: attempt.assignment,
    talks: attempt.talks,
    seed: attemptId,
    edition: { own: attempt.edition, newest: attempt.newestEdition },
  }
}

/** What came with the page, unless an earlier sitting left something to send, which goes first, or sent something just now. */
async function newestAttempt(
  attemptId: string,
  queue: RecordQueue,
  sender: Sender,
): Promise<Attempt> {
  const early = claimEarlyAttempt(attemptId)
  const isNewest = (await queue.count()) === 0 && !acknowledgedOf(attemptId).isRecent()
  if (early && isNewest) return early
  try {
    await sender.flush()
    return await readAttempt(attemptId)
  } catch (error) {
    dropEarlyStage()
    throw error
  }
}

/** Progress as it will be once the waiting records are taken in. */
export function withWaiting(
  attempt: Attempt,
  waiting: readonly LearnerRecord[],
): Attempt['progress'] {
  const progress = structuredClone(attempt.progress)
  for (const record of waiting) advance(attempt.lesson, progress, record)
  return progress
}

export { coverAddress, openLink, readLink, signIn } from './api.ts'
