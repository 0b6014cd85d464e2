// One file by the tus protocol, which goes on where an earlier try stopped; fetched only where files are handed in.
import { Upload, type DetailedError } from 'tus-js-client'
import { UPLOADS_PATH, type Problem } from '@fernbrake/core/contract'
import type { WaitingFile } from './fileQueue.ts'
import type { FileOutcome } from './fileSender.ts'

/** Small enough that a weak connection brings one over at all. */
const CHUNK_BYTES = 512 * 1024

export function uploadFile(
  { id, attemptId, questionId, name, content }: WaitingFile,
  onProgress: (sentBytes: number) => void,
  signal: AbortSignal,
): Promise<FileOutcome> {
  return new Promise((resolve, reject) => {
    const upload = new Upload(content, {
      endpoint: UPLOADS_PATH,
      chunkSize: CHUNK_BYTES,
      metadata: { kind: 'answer', attemptId, questionId, fileId: id, filename: name },
      fingerprint: () => Promise.resolve(`fernbrake-file ${id}`),
      removeFingerprintOnSuccess: true,
      // Whoever asked for this sends again when the connection is back.
      retryDelays: null,
      onProgress,
      onSuccess: () => resolve({ kind: 'there' }),
      onError: (error) => resolve(outcomeOf(error)),
    })
    signal.addEventListener('abort', () => {
      void upload.abort(true).catch(() => undefined)
      resolve({ kind: 'unreachable' })
    })
    startWhereItStopped(upload).catch(reject)
  })
}

async function startWhereItStopped(upload: Upload): Promise<void> {
  const [earlier] = await upload.findPreviousUploads()
  if (earlier) upload.resumeFromPreviousUpload(earlier)
  upload.start()
}

/**
 * Too large, or of another sort, for ever. All else may pass: whoever is not found may only be signed in as somebody else,
 * and then their file must wait for them.
 */
const REFUSALS = [413, 415, 422]

/** What came of a failed sending. */
export function outcomeOf(error: Error | DetailedError): FileOutcome {
  const response = 'originalResponse' in error ? error.originalResponse : null
  const status = response?.getStatus() ?? 0
  if (!response || !REFUSALS.includes(status)) return { kind: 'unreachable' }
  return { kind: 'refused', message: sentenceOf(response.getBody()) }
}

function sentenceOf(body: string): string {
  try {
    return (JSON.parse(body) as Problem).detail
  } catch {
    return body
  }
}
