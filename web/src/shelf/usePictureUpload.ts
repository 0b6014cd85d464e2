// Putting pictures on the shelf: from a file, the clipboard, or the film.
import { ref } from 'vue'
import { Upload } from 'tus-js-client'
import { UPLOADS_PATH, type Media } from '@fernbrake/core/contract'
import { LARGEST_PICTURE_BYTES } from '@fernbrake/core/media'
import { call } from '../api/client.ts'

const CHUNK_BYTES = 4 * 1024 * 1024
/** How often, and how many times, it is asked whether a picture is ready; ms. */
const ASK_EVERY_MS = 250
const MOST_ASKS = 240

function send(file: Blob, name: string, onShare: (share: number) => void): Promise<string> {
  return new Promise((resolve, reject) => {
    const upload = new Upload(file, {
      endpoint: UPLOADS_PATH,
      chunkSize: CHUNK_BYTES,
      metadata: { filename: name, kind: 'picture' },
      storeFingerprintForResuming: false,
      retryDelays: [500, 1000, 2000, 4000, 6000, 6000],
      onProgress: (sent, all) => onShare(all > 0 ? sent / all : 0),
      onError: reject,
      onSuccess: () => resolve(upload.url!.split('/').at(-1)!),
    })
    upload.start()
  })
}

async function untilSettled(mediaId: string): Promise<Media> {
  for (let asks = 0; asks < MOST_ASKS; asks += 1) {
    const media = await call('media', { params: { mediaId } })
    if (media.state !== 'preparing') return media
    await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS))
  }
  throw new Error('The picture was not ready in time')
}

export type PictureFault = 'notAPicture' | 'tooLarge' | 'unreadable' | 'failed'

export function usePictureUpload() {
  /** Share sent, 0 to 1; null while nothing is under way. */
  const share = ref<number | null>(null)
  const fault = ref<PictureFault | null>(null)

  /** Puts a picture on the shelf; null, with `fault` set, where that cannot be. */
  async function put(file: Blob, name: string): Promise<Media | null> {
    fault.value = null
    if (file.size > LARGEST_PICTURE_BYTES) {
      fault.value = 'tooLarge'
      return null
    }
    share.value = 0
    try {
      const id = await send(file, name, (sent) => (share.value = sent))
      const media = await untilSettled(id)
      if (media.state === 'ready') return media
      fault.value =
        media.fault === 'notAPicture' || media.fault === 'tooLarge' ? media.fault : 'unreadable'
    } catch {
      fault.value = 'failed'
    } finally {
      share.value = null
    }
    return null
  }

  return { share, fault, put }
}

/** The first picture among what was pasted or dropped. */
export function pictureIn(data: DataTransfer | null): File | null {
  return [...(data?.files ?? [])].find(({ type }) => type.startsWith('image/')) ?? null
}
