// What goes on paper, or into a file like it, asked for from the server's own thread. One other thread writes all of it, in
// turn; it is begun with the first wish, and goes once nothing was wished for a while.
import { Worker } from 'node:worker_threads'
import type { ReportFormat } from '@fernbrake/core/contract'
import type { ReportDocument } from '../reports/document.ts'
import type { CardSheet } from './cards.ts'

export type PaperWish =
  | { what: 'cards'; cards: CardSheet }
  | { what: 'report'; document: ReportDocument; format: ReportFormat }
export type PaperAnswer = { id: number; bytes: Uint8Array } | { id: number; fault: string }

/** A thread that nobody asked for this long gives its memory back, in ms. */
const IDLE_MS = 60_000

interface Waiting {
  resolve(bytes: Buffer): void
  reject(error: Error): void
}

let thread: Worker | null = null
let idle: ReturnType<typeof setTimeout> | undefined
let made = 0
const waiting = new Map<number, Waiting>()

function begin(): Worker {
  const worker = new Worker(new URL('./thread.mjs', import.meta.url))
  // Nobody waits for a thread to let the process end.
  worker.unref()
  worker.on('message', (answer: PaperAnswer) => {
    const one = waiting.get(answer.id)
    waiting.delete(answer.id)
    if (waiting.size === 0) rest(worker)
    if ('fault' in answer) one?.reject(new Error(answer.fault))
    else one?.resolve(Buffer.from(answer.bytes.buffer))
  })
  const fail = (error: Error) => {
    if (thread === worker) thread = null
    waiting.forEach(({ reject }) => reject(error))
    waiting.clear()
  }
  worker.on('error', fail)
  worker.on('exit', () => fail(new Error('The thread that writes files ended.')))
  return worker
}

function rest(worker: Worker): void {
  worker.unref()
  clearTimeout(idle)
  idle = setTimeout(() => {
    if (thread === worker) thread = null
    worker.removeAllListeners()
    void worker.terminate()
  }, IDLE_MS).unref()
}

/** The bytes of what is wished for; rejects with what went wrong in writing it. */
export function onPaper(wish: PaperWish): Promise<Buffer> {
  clearTimeout(idle)
  thread ??= begin()
  const worker = thread
  const id = (made += 1)
  // While something is being written, it is waited for.
  worker.ref()
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve, reject })
    worker.postMessage({ id, wish })
  })
}
