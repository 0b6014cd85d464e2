// Asks the worker for what stands in a caption file; it is started with the first file and kept for the next.
import type { Encoding } from '@fernbrake/core/formats'
import type { CaptionFile, CaptionsRead, ReadFile } from './captions.worker.ts'

let worker: Worker | null = null
let lastId = 0

/** What the file says, and in which encoding; null where it cannot be opened. */
export function readCaptionFile(file: File, encoding?: Encoding): Promise<ReadFile | null> {
  worker ??= new Worker(new URL('./captions.worker.ts', import.meta.url), { type: 'module' })
  const [asked, id] = [worker, (lastId += 1)]
  return new Promise((resolve) => {
    const onRead = ({ data }: MessageEvent<CaptionsRead>) => {
      if (data.id !== id) return
      asked.removeEventListener('message', onRead)
      resolve(data.read)
    }
    asked.addEventListener('message', onRead)
    // A worker that cannot be fetched or fails answers nothing; the next file gets a new one.
    asked.addEventListener('error', () => {
      if (worker === asked) worker = null
      resolve(null)
    })
    asked.postMessage({ id, file, ...(encoding ? { encoding } : {}) } satisfies CaptionFile)
  })
}
