// One file by the tus protocol, which goes on where an earlier try stopped; fetched only where files are handed in.
import { Upload, type DetailedError } from 'tus-js-client'
import { ownProblemIn, UPLOADS_PATH } from '@fernbrake/core/contract'
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
    let stalled: ReturnType<typeof setTimeout>
    const end = (outcome: FileOutcome) => {
      clearTimeout(stalled)
      resolve(outcome)
    }
    const waitForByte = () => {
      clearTimeout(stalled)
      stalled = setTimeout(() => {
        void upload.abort().catch(() => undefined)
        end({ kind: 'unreachable' })
      }, STALL_LIMIT_MS)
    }
    const upload = new Upload(content, {
      endpoint: UPLOADS_PATH,
      chunkSize: CHUNK_BYTES,
      metadata: { kind: 'answer', attemptId, questionId, fileId: id, filename: name },
      fingerprint: () => Promise.resolve(`fernbrake-file ${id}`),
      removeFingerprintOnSuccess: true,
      // Whoever asked for this sends again when the connection is back.
      retryDelays: null,
      onProgress: (sentBytes) => {
        waitForByte()
        onProgress(sentBytes)
      },
      onSuccess: () => end({ kind: 'there' }),
      onError: (error) => end(outcomeOf(error)),
    })
    signal.addEventListener('abort', () => {
      void upload.abort(true).catch(() => undefined)
      end({ kind: 'unreachable' })
    })
    waitForByte()
    startWhereItStopped(upload).catch(reject)
  })
}

async function startWhereItStopped(upload: Upload): Promise<void> {
  const [earlier] = await upload.findPreviousUploads()
  if (earlier) upload.resumeFromPreviousUpload(earlier)
  upload.start()
}

/**
 * Too large, or of another sort, for ever, and that by the server's own word: what a proxy says may be of one piece alone.
 * All else may pass: whoever is not found may only be signed in as somebody else, and then their file must wait for them.
 */
const REFUSALS: readonly string[] = ['too-large', 'file-refused', 'invalid-input']

/** No byte moved for this long, in ms: the connection hangs, and another one may not. */
const STALL_LIMIT_MS = 60_000

/** What came of a failed sending. */
export function outcomeOf(error: Error | DetailedError): FileOutcome {
  const response = 'originalResponse' in error ? error.originalResponse : null
  const problem = ownProblemIn(response?.getBody() ?? '')
  if (!problem || !REFUSALS.includes(problem.type)) return { kind: 'unreachable' }
  return { kind: 'refused', message: problem.detail }
}
