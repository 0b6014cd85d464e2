// Putting a film in: a resumable upload, and hearing of its preparation.
import { effectScope, onScopeDispose, ref, shallowRef } from 'vue'
import { defaultOptions, Upload } from 'tus-js-client'
import { UPLOADS_PATH, type Media } from '@fernbrake/core/contract'
import { ApiError, call } from '../api/client.ts'
import { liveSocket } from '../api/live.ts'
import { measureHosted, needsMeasuring } from '../shelf/measureHosted.ts'
import { isNoRoom, mayPass } from '../shelf/sendingFault.ts'

const CHUNK_BYTES = 8 * 1024 * 1024
/** While a film is prepared its state is asked for this often as well, in ms: the socket may be away. */
const ASK_EVERY_MS = 2500

export interface UploadProgress {
  name: string
  sentBytes: number
  totalBytes: number
  state: 'sending' | 'paused' | 'waiting' | 'failed' | 'noRoom' | 'done'
}

export type FilmUpload = ReturnType<typeof useFilmUpload>

export function useFilmUpload(onUploaded: (mediaId: string) => void) {
  const progress = ref<UploadProgress | null>(null)
  const upload = shallowRef<Upload | null>(null)

  async function begin(file: File): Promise<void> {
    progress.value = { name: file.name, sentBytes: 0, totalBytes: file.size, state: 'sending' }
    const next = new Upload(file, {
      endpoint: UPLOADS_PATH,
      chunkSize: CHUNK_BYTES,
      metadata: { filename: file.name },
      // Without end: the connection may be gone for long, and the upload goes on where it stood.
      retryDelays: [500, 1000, 2000, 4000, ...Array<number>(500).fill(6000)],
      removeFingerprintOnSuccess: true,
      onProgress: (sentBytes, totalBytes) => {
        if (progress.value)
          progress.value = { ...progress.value, sentBytes, totalBytes, state: 'sending' }
      },
      onShouldRetry: (error) => {
        const passing = mayPass(error)
        if (passing && progress.value) progress.value = { ...progress.value, state: 'waiting' }
        return passing
      },
      onError: (error) => setState(isNoRoom(error) ? 'noRoom' : 'failed'),
      onSuccess: () => {
        setState('done')
        onUploaded(next.url!.split('/').at(-1)!)
      },
    })
    upload.value = next
    const [earlier] = await next.findPreviousUploads()
    if (earlier) next.resumeFromPreviousUpload(earlier)
    next.start()
  }

  function setState(state: UploadProgress['state']): void {
    if (progress.value) progress.value = { ...progress.value, state }
  }

  async function pause(): Promise<void> {
    await upload.value?.abort()
    setState('paused')
  }

  function goOn(): void {
    setState('sending')
    upload.value?.start()
  }

  /** The name of a film that an earlier sitting sent only in part, if there is one. */
  const partlySent = ref<string | null>(null)
  void defaultOptions.urlStorage?.findAllUploads().then((uploads) => {
    partlySent.value = uploads.at(-1)?.metadata.filename ?? null
  })

  function forget(): void {
    progress.value = null
    upload.value = null
  }

  onScopeDispose(() => void upload.value?.abort())
  return { progress, partlySent, begin, pause, goOn, forget }
}

/** Whether nothing of a medium is still being made. */
function isSettled({ state, jobs, hosted }: Media): boolean {
  const isDone = jobs.every((job) => job.state === 'done' || job.state === 'failed')
  return state !== 'preparing' && isDone && (jobs.length > 1 || hosted !== null)
}

/** Follows one medium until it is fully prepared. */
export function useMedia(onChange: (media: Media) => void) {
  let mediaId: string | null = null
  let timer: ReturnType<typeof setInterval> | undefined
  /** How often it was told of the medium. */
  let heard = 0
  const socket = liveSocket()
  const accept = (media: Media) => {
    if (media.id !== mediaId) return
    onChange(media)
    heard += 1
    if (isSettled(media)) stopAsking()
    else keepAsking()
    // Whoever may not tell how long it runs waits for whoever may.
    if (needsMeasuring(media)) measureHosted(media).then(accept, () => undefined)
  }
  const onSocket = ({ media }: { media: Media }) => accept(media)
  socket.on('mediaChanged', onSocket)

  async function ask(): Promise<void> {
    if (!mediaId) return
    const before = heard
    try {
      const media = await call('media', { params: { mediaId } })
      // What the socket told meanwhile is newer.
      if (heard === before) accept(media)
    } catch (error) {
      // One that is not there will not come; everything else passes.
      if (error instanceof ApiError && error.status === 404) stopAsking()
    }
  }

  function keepAsking(): void {
    timer ??= setInterval(() => void ask(), ASK_EVERY_MS)
  }
  function stopAsking(): void {
    clearInterval(timer)
    timer = undefined
  }

  function follow(id: string | null): void {
    stopAsking()
    mediaId = id
    if (!id) return
    void ask()
    keepAsking()
  }

  onScopeDispose(() => {
    mediaId = null
    stopAsking()
    socket.off('mediaChanged', onSocket)
  })
  return { follow }
}

/** The uploads of a bench, one a film part: opening another part stops none of them. */
export function useFilmUploads(
  onUploaded: (partId: string | null, mediaId: string) => void,
): (partId: string | null) => FilmUpload {
  const scope = effectScope()
  const known = new Map<string | null, FilmUpload>()
  return (partId) => {
    const before = known.get(partId)
    if (before) return before
    const made = scope.run(() =>
      useFilmUpload((mediaId) => {
        known.delete(partId)
        onUploaded(partId, mediaId)
      }),
    )!
    known.set(partId, made)
    return made
  }
}
