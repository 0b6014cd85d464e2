// Binds every query that is asked within a transaction's callback to that transaction. A query that went its own way would
// want a second connection while it holds the first: where all are held so, everybody waits for everybody.
import { AsyncLocalStorage } from 'node:async_hooks'
import { Sequelize } from 'sequelize'

type Kept = Map<string, unknown>
const storage = new AsyncLocalStorage<Kept>()

/** What Sequelize wants of a store that follows asynchronous calls. */
const namespace = {
  get: (key: string): unknown => storage.getStore()?.get(key),
  set: (key: string, value: unknown): void => void storage.getStore()?.set(key, value),
  run: (work: (kept: Kept) => void): void => {
    const kept: Kept = new Map()
    storage.run(kept, () => work(kept))
  },
  bind: <T>(work: T): T => work,
}

let isBound = false

/** To be called before the first connection is opened; called again it changes nothing. */
export function bindQueriesToTransactions(): void {
  if (isBound) return
  Sequelize.useCLS(namespace)
  isBound = true
}

/** Runs work that goes on by itself outside of any transaction, whatever it is begun in. */
export const outsideTransactions = <T>(work: () => T): T => storage.run(new Map(), work)
