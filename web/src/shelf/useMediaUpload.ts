// Putting pictures, sounds and further films on the shelf, and waiting until they can be shown.
import { ref } from 'vue'
import { nanoid } from 'nanoid'
import { Upload } from 'tus-js-client'
import { UPLOADS_PATH, type Media } from '@fernbrake/core/contract'
import { LARGEST_BYTES } from '@fernbrake/core/media'
import { offeredTypes } from '@fernbrake/core/questions'
import { ApiError, call } from '../api/client.ts'
import { measureHosted, needsMeasuring } from './measureHosted.ts'
import { isNoRoom, mayPass } from './sendingFault.ts'
import type { Wanted } from './wanted.ts'

const CHUNK_BYTES = 4 * 1024 * 1024
/** How often it is asked whether a medium is ready, in ms. */
const ASK_EVERY_MS = 250
export const ACCEPTED: Record<Media['kind'], string> = {
  film: 'video/*,.mkv,.avi,.wmv,.flv,.mpg,.3gp',
  picture: 'image/*',
  sound: 'audio/*,.mp3,.m4a,.ogg,.opus,.wav,.flac,.webm',
  document: offeredTypes(['document']),
}

/** Sends a file onto the shelf; resolves with the medium’s id once all of it is there. */
export function sendFile(
  file: Blob,
  metadata: Record<'filename' | 'kind', string>,
  onShare: (share: number) => void,
): Promise<string> {
  return new Promise((resolve, reject) => {
    const upload = new Upload(file, {
      endpoint: UPLOADS_PATH,
      chunkSize: CHUNK_BYTES,
      metadata,
      storeFingerprintForResuming: false,
      // The connection may be gone for a while; what was chosen waits for it.
      retryDelays: [500, 1000, 2000, 4000, ...Array<number>(500).fill(6000)],
      onProgress: (sent, all) => onShare(all > 0 ? sent / all : 0),
      onShouldRetry: mayPass,
      onError: reject,
      onSuccess: () => resolve(upload.url!.split('/').at(-1)!),
    })
    upload.start()
  })
}

/** The medium once it can be shown, or cannot be. A connection that is away for a while is waited for. */
export async function untilSettled(
  mediaId: string,
  onJob = (_job: Media['jobs'][number]) => {},
): Promise<Media> {
  for (;;) {
    try {
      const media = await call('media', { params: { mediaId } })
      if (needsMeasuring(media)) return await measureHosted(media)
      if (media.state !== 'preparing') return media
      const job = media.jobs.find(({ state }) => state === 'running' || state === 'waiting')
      if (job) onJob(job)
    } catch (error) {
      if (error instanceof ApiError && error.status >= 400 && error.status < 500) throw error
    }
    await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS))
  }
}

/** What kept a file from being sent. */
export const whyNotSent = (error: unknown): UploadFault =>
  error instanceof Error && isNoRoom(error) ? 'noRoom' : 'failed'

/** Faults that have words of their own here; others are told by what they come to. */
const OWN_WORDS = [
  'tooLarge',
  'locked',
  'notReached',
  'ownNetwork',
  'endless',
  'guarded',
  'notFramed',
  'notPlayed',
] as const
export type UploadFault =
  (typeof OWN_WORDS)[number] | 'notThis' | 'unreadable' | 'failed' | 'noRoom' | 'hosted'

/** `takesHosted` lets films be taken that stay with their host. */
export function useMediaUpload(kind: Media['kind'], takesHosted = false) {
  /** What is under way, and the share of it that is done, 0 to 1; null while nothing is. */
  const going = ref<{ step: 'sending' | 'fetching' | 'preparing'; share: number } | null>(null)
  const fault = ref<UploadFault | null>(null)

  /** Waits until a medium can be shown; null, with `fault` set, where that cannot be. */
  async function settle(mediaId: string): Promise<Media | null> {
    const media = await untilSettled(mediaId, ({ kind: step, progress }) => {
      going.value = { step: step === 'fetch' ? 'fetching' : 'preparing', share: progress }
    })
    const isWelcome = takesHosted || media.hosted === null
    if (media.state === 'ready' && isWelcome) return media
    if (!isWelcome) {
      fault.value = 'hosted'
      return null
    }
    fault.value = faultOf(media)
    return null
  }

  /** Has the server fetch a file onto the shelf; as `put`. */
  async function fetchFrom(wanted: Wanted): Promise<Media | null> {
    fault.value = null
    going.value = { step: 'fetching', share: 0 }
    try {
      const { id } = await call('fetchMedia', { body: { id: nanoid(), ...wanted } })
      return await settle(id)
    } catch {
      fault.value = 'failed'
      return null
    } finally {
      going.value = null
    }
  }

  /** Puts a file on the shelf; null, with `fault` set, where that cannot be. */
  async function put(file: Blob, name: string): Promise<Media | null> {
    fault.value = null
    if (file.size > LARGEST_BYTES[kind]) {
      fault.value = 'tooLarge'
      return null
    }
    const sending = (share: number) => {
      going.value = { step: 'sending', share }
    }
    sending(0)
    try {
      const id = await sendFile(file, { filename: name, kind }, sending)
      going.value = { step: 'preparing', share: 0 }
      return await settle(id)
    } catch (error) {
      fault.value = whyNotSent(error)
    } finally {
      going.value = null
    }
    return null
  }

  return { going, fault, put, fetchFrom }
}

/** What is wrong with a medium that cannot be shown. */
export function faultOf({ fault }: Media): UploadFault {
  const own = OWN_WORDS.find((one) => one === fault)
  if (own) return own
  return fault?.startsWith('not') || fault === 'noPicture' ? 'notThis' : 'unreadable'
}

/** The first picture among what was pasted or dropped. */
export function pictureIn(data: DataTransfer | null): File | null {
  return [...(data?.files ?? [])].find(({ type }) => type.startsWith('image/')) ?? null
}
