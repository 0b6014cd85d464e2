// What is done once a transaction is stored: if and only if it is, at least once, and in order for each key.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { within, select, type Ask } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'
import { afterwards, drainOutbox, keepDraining, type Doers } from './outbox.ts'

let server: TestServer
const log = { warn: vi.fn() }
beforeAll(async () => (server = await startTestServer()))
afterAll(() => server.stop())
const database = () => server.context.database
const drain = (doers: Doers) => drainOutbox(database(), doers, log)

let kind: string
let did: string[]
const doers = (more: Doers = {}): Doers => ({
  [kind]: async ({ say }: { say: string }) => void did.push(say),
  ...more,
})
beforeEach(() => {
  kind = `test-${nanoid(8)}`
  did = []
  log.warn.mockClear()
})
const write = (ask: Ask, key: string, say: string) =>
  afterwards(ask, kind, { key, payload: { say } })
const stored = (key: string, ...said: string[]) =>
  database().transaction(async (transaction) => {
    for (const say of said) await write(within(database(), transaction), key, say)
  })
const left = () =>
  select<{ tries: number; fault: string | null }>(
    database(),
    'SELECT tries, fault FROM outbox WHERE kind = $1 ORDER BY id',
    [kind],
  )
const dueNow = () =>
  within(database())('UPDATE outbox SET not_before = now() WHERE kind = $1', [kind])

describe('what is to be done afterwards', () => {
  it('is done once, in order, and then forgotten', async () => {
    await stored('a', 'one', 'two', 'three')
    expect(await drain(doers())).toBe(3)
    expect(await drain(doers())).toBe(0)
    expect(did).toEqual(['one', 'two', 'three'])
    expect(await left()).toEqual([])
  })

  it('is not done where the transaction is taken back', async () => {
    await database()
      .transaction(async (transaction) => {
        await write(within(database(), transaction), 'a', 'never')
        throw new Error('taken back')
      })
      .catch(() => undefined)
    expect(await drain(doers())).toBe(0)
  })

  it('is tried again where it fails, and holds up what comes after it for its key alone', async () => {
    await stored('a', 'fails', 'after it')
    await stored('b', 'beside')
    let fails = true
    const sometimes: Doers = {
      [kind]: async ({ say }: { say: string }) => {
        if (say === 'fails' && fails) throw new Error('not today')
        did.push(say)
      },
    }
    await drain(sometimes)
    expect(did).toEqual(['beside'])
    expect(await left()).toEqual([
      { tries: 1, fault: 'Error: not today' },
      { tries: 0, fault: null },
    ])
    fails = false
    expect(await drain(sometimes)).toBe(0)
    await dueNow()
    await drain(sometimes)
    expect(did).toEqual(['beside', 'fails', 'after it'])
  })

  it('leaves nothing behind of what failed half way, and is done again as a whole', async () => {
    await stored('a', 'half')
    const id = nanoid()
    const makesSomebody = async (ask: Ask) =>
      void (await ask("INSERT INTO people (id, name, role) VALUES ($1, 'Half', 'guest')", [id]))
    await drain({
      [kind]: async (_payload, ask) => {
        await makesSomebody(ask)
        throw new Error('killed')
      },
    })
    expect(await PersonRow.findByPk(id)).toBeNull()
    await dueNow()
    await drain({ [kind]: async (_payload, ask) => makesSomebody(ask) })
    expect(await PersonRow.findByPk(id)).not.toBeNull()
  })

  it('is done once each where many look at the same time, in order for each key', async () => {
    const keys = ['a', 'b', 'c', 'd']
    const said = Array.from({ length: 12 }, (_, at) => String(at))
    // Every key is written to by transactions of its own, at once.
    await Promise.all(keys.flatMap((key) => said.map((say) => stored(key, `${key} ${say}`))))
    await Promise.all(Array.from({ length: 5 }, () => drain(doers())))
    await drain(doers())
    expect([...did].sort()).toEqual(
      keys.flatMap((key) => said.map((say) => `${key} ${say}`)).sort(),
    )
  })

  it('is in the order in which transactions were stored, however long they took', async () => {
    let goOn: () => void = () => undefined
    const waiting = new Promise<void>((resolve) => (goOn = resolve))
    let hasWritten: () => void = () => undefined
    const written = new Promise<void>((resolve) => (hasWritten = resolve))
    const slow = database().transaction(async (transaction) => {
      await write(within(database(), transaction), 'a', 'first written')
      hasWritten()
      await waiting
    })
    await written
    const quick = stored('a', 'second')
    await drain(doers())
    expect(did).toEqual([])
    goOn()
    await Promise.all([slow, quick])
    await drain(doers())
    expect(did).toEqual(['first written', 'second'])
  })

  it('is done by a loop that ends when it is asked to', async () => {
    const stop = keepDraining(database(), doers(), log)
    await stored('a', 'soon')
    await vi.waitFor(() => expect(did).toEqual(['soon']), { timeout: 20_000 })
    await stop()
    await stored('a', 'later')
    expect(did).toEqual(['soon'])
    expect(await left()).toHaveLength(1)
  })
})
