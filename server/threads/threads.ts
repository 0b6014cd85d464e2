// Work that keeps a core busy is done in a thread of its own, so that nobody else waits for it. A thread does what it is asked
// for in turn; it is begun with the first wish, and goes once nothing was wished for a while.
import { parentPort, Worker } from 'node:worker_threads'

type Said<Answer> =
  { id: number; begun: true } | { id: number; answer: Answer } | { id: number; fault: string }

/** The thread took longer for a wish than it may, and was ended. */
export class TookTooLong extends Error {}

/** A thread that nobody asked for this long gives its memory back, in ms. */
const IDLE_MS = 60_000

interface Waiting<Wish, Answer> {
  wish: Wish
  onBegun(): void
  resolve(answer: Answer): void
  reject(error: Error): void
}

/**
 * Has a program, a file that calls `serveThread`, do what is wished for; rejects with what went wrong in doing it. A thread
 * that takes longer than `limitMs` for one wish, from when it has begun with it, is ended; another does what else was wished for.
 */
export function createThread<Wish, Answer>(
  program: URL,
  limitMs = Infinity,
): (wish: Wish) => Promise<Answer> {
  let thread: Worker | null = null
  let idle: ReturnType<typeof setTimeout> | undefined
  let made = 0
  const waiting = new Map<number, Waiting<Wish, Answer>>()

  function begin(): Worker {
    const workerData = { program: program.href }
    const worker = new Worker(new URL('./begin.mjs', import.meta.url), { workerData })
    // Nobody waits for a thread to let the process end.
    worker.unref()
    worker.on('message', (said: Said<Answer>) => {
      const one = waiting.get(said.id)
      if ('begun' in said) return one?.onBegun()
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

  function ask(id: number, wish: Wish): void {
    thread ??= begin()
    // While something is being done, it is waited for.
    thread.ref()
    thread.postMessage({ id, wish })
  }
  /** Gives a wish up, and the thread that is busy with it. */
  function giveUp(id: number): void {
    waiting.get(id)?.reject(new TookTooLong('The thread took too long.'))
    waiting.delete(id)
    const ended = thread
    thread = null
    // What becomes of it now is nobody's concern.
    ended?.removeAllListeners().on('error', () => undefined)
    void ended?.terminate()
    for (const [other, { wish }] of waiting) ask(other, wish)
  }

  return (wish) => {
    clearTimeout(idle)
    const id = (made += 1)
    let limit: ReturnType<typeof setTimeout> | undefined
    return new Promise<Answer>((resolve, reject) => {
      const onBegun = () => {
        clearTimeout(limit)
        if (limitMs < Infinity) limit = setTimeout(() => giveUp(id), limitMs)
      }
      waiting.set(id, { wish, onBegun, resolve, reject })
      ask(id, wish)
    }).finally(() => clearTimeout(limit))
  }
}

/** The other side, within the thread: does each wish, and says what came of it. */
export function serveThread<Wish, Answer>(work: (wish: Wish) => Promise<Answer>): void {
  parentPort!.on('message', ({ id, wish }: { id: number; wish: Wish }) => {
    parentPort!.postMessage({ id, begun: true } satisfies Said<Answer>)
    work(wish).then(
      (answer) => parentPort!.postMessage({ id, answer } satisfies Said<Answer>),
      (error: unknown) =>
        parentPort!.postMessage({ id, fault: String(error) } satisfies Said<Answer>),
    )
  })
}
