// Sends files that go with answers, each until the server has it or says that it can never take it. An answer waits
// for its files, see `holdsBack`.
import type { LearnerRecord } from '@fernbrake/core/records'
import { filesOfAnswer } from '@fernbrake/core/questions'
import type { HandedFileState, HandedFiles } from '../Host.ts'
import type { FileQueue, WaitingFile } from './fileQueue.ts'

/** What came of sending a file. */
export type FileOutcome =
  | { kind: 'there' }
  /** The server could not be reached, or nobody is signed in any more. */
  | { kind: 'unreachable' }
  | { kind: 'refused'; message: string }

export interface FileSenderParts {
  attemptId: string
  queue: FileQueue
  newId(): string
  /** Sends one file from where an earlier try stopped; never throws. */
  send(
    file: WaitingFile,
    onProgress: (sentBytes: number) => void,
    signal: AbortSignal,
  ): Promise<FileOutcome>
  /** A file has arrived, so that an answer may follow. */
  onThere(): void
}

export interface FileSender extends HandedFiles {
  /** Whether a record must wait for a file of its answer. */
  holdsBack(record: LearnerRecord): boolean
  /** Whether any file is not there yet and still may be. */
  isWaiting(): boolean
  /** Sends what waits, as far as that is possible now. */
  flush(): Promise<void>
}

interface Known {
  file: WaitingFile
  state: HandedFileState
  sending: AbortController | null
  address?: string
}

export async function createFileSender(parts: FileSenderParts): Promise<FileSender> {
  const { attemptId, queue, newId, send, onThere } = parts
  const known = new Map<string, Known>()
  const listeners = new Set<(file: HandedFileState) => void>()
  const stateOf = ({ id, name, content }: WaitingFile): HandedFileState => ({
    id,
    name,
    bytes: content.size,
    sentBytes: 0,
    state: 'waiting',
  })
  for (const file of await queue.list())
    known.set(file.id, { file, state: stateOf(file), sending: null })

  function change(id: string, next: Partial<HandedFileState>): void {
    const one = known.get(id)
    if (!one) return
    one.state = { ...one.state, ...next }
    listeners.forEach((listener) => listener(one.state))
  }

  async function sendOne(one: Known): Promise<void> {
    const { id } = one.file
    if (one.sending || one.state.state === 'there' || one.state.state === 'refused') return
    one.sending = new AbortController()
    change(id, { state: 'sending' })
    const onProgress = (sentBytes: number) => change(id, { sentBytes, state: 'sending' })
    const outcome = await send(one.file, onProgress, one.sending.signal)
    // Until its place in the queue is settled too, nobody begins to send it again.
    if (outcome.kind !== 'unreachable') await queue.drop(id)
    one.sending = null
    if (!known.has(id)) return
    if (outcome.kind === 'unreachable') return change(id, { state: 'waiting' })
    if (outcome.kind === 'refused')
      return change(id, { state: 'refused', message: outcome.message })
    change(id, { state: 'there', sentBytes: one.state.bytes })
    onThere()
  }

  const isUnderWay = (id: string) => {
    const state = known.get(id)?.state.state
    return state === 'waiting' || state === 'sending'
  }

  return {
    async put(questionId, name, content) {
      const file: WaitingFile = { id: newId(), attemptId, questionId, name, content }
      const one: Known = { file, state: stateOf(file), sending: null }
      // A full disk keeps nobody from handing in: it is in memory too, as long as this page is open.
      await queue.add(file).catch(() => undefined)
      known.set(file.id, one)
      void sendOne(one)
      return one.state
    },
    state: (id) => known.get(id)?.state ?? null,
    onState(listener) {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    async drop(id) {
      const one = known.get(id)
      one?.sending?.abort()
      if (one?.address) URL.revokeObjectURL(one.address)
      known.delete(id)
      await queue.drop(id)
    },
    address(id) {
      const one = known.get(id)
      if (!one) return `/api/attempts/${attemptId}/files/${id}`
      // Its own bytes are at hand as long as this page has them; an address is made once, as each one holds them.
      one.address ??= URL.createObjectURL(one.file.content)
      return one.address
    },
    holdsBack: (record) =>
      record.kind === 'response' && filesOfAnswer(record.answer).some(isUnderWay),
    isWaiting: () => [...known.keys()].some(isUnderWay),
    async flush() {
      await Promise.all([...known.values()].map(sendOne))
    },
  }
}
