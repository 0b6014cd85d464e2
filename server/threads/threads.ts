// Work that keeps a core busy is done in a thread of its own, so that nobody else waits for it. A thread does what it is asked
// for in turn; it is begun with the first wish, and goes once nothing was wished for a while.
import { parentPort, Worker } from 'node:worker_threads'

type Said<Answer> = { id: number; answer: Answer } | { id: number; fault: string }

/** A thread that nobody asked for this long gives its memory back, in ms. */
const IDLE_MS = 60_000

interface Waiting<Answer> {
  resolve(answer: Answer): void
  reject(error: Error): void
}

/**
 * Has a program, a file that calls `serveThread`, do what is wished for; rejects with what went wrong in doing it. A thread
 * that takes longer than `limitMs` for one wish is ended, with whatever else it was to do.
 */
export function createThread<Wish, Answer>(
  program: URL,
  limitMs = Infinity,
): (wish: Wish) => Promise<Answer> {
  let thread: Worker | null = null
  let idle: ReturnType<typeof setTimeout> | undefined
  let made = 0
  const waiting = new Map<number, Waiting<Answer>>()

  function begin(): Worker {
    const workerData = { program: program.href }
    const worker = new Worker(new URL('./begin.mjs', import.meta.url), { workerData })
    // Nobody waits for a thread to let the process end.
    worker.unref()
    worker.on('message', (said: Said<Answer>) => {
      const one = waiting.get(said.id)
      waiting.delete(said.id)
      if (waiting.size === 0) rest(worker)
      if ('fault' in said) one?.reject(new Error(said.fault))
      else one?.resolve(said.answer)
    })
    const fail = (error: Error) => {
      if (thread === worker) thread = null
      waiting.forEach(({ reject }) => reject(error))
      waiting.clear()
    }
    worker.on('error', fail)
    worker.on('exit', () => fail(new Error('The thread ended.')))
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

  return (wish) => {
    clearTimeout(idle)
    thread ??= begin()
    const worker = thread
    const id = (made += 1)
    // While something is being done, it is waited for.
    worker.ref()
    const limit = limitMs < Infinity && setTimeout(() => void worker.terminate(), limitMs).unref()
    return new Promise<Answer>((resolve, reject) => {
      waiting.set(id, { resolve, reject })
      worker.postMessage({ id, wish })
    }).finally(() => limit && clearTimeout(limit))
  }
}

/** The other side, within the thread: does each wish, and says what came of it. */
export function serveThread<Wish, Answer>(work: (wish: Wish) => Promise<Answer>): void {
  parentPort!.on('message', ({ id, wish }: { id: number; wish: Wish }) => {
    work(wish).then(
      (answer) => parentPort!.postMessage({ id, answer } satisfies Said<Answer>),
      (error: unknown) =>
        parentPort!.postMessage({ id, fault: String(error) } satisfies Said<Answer>),
    )
  })
}
