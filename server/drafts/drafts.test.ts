// Documents of a type that is no lesson: what several people send ends in one document and one log, and nothing is half stored.
import fc from 'fast-check'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { LoggedEdit, Patch, PendingEdit } from '@fernbrake/core/drafts'
import { run, select, type Database } from '../database/connect.ts'
import { draftTables } from '../database/draftTables.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'
import { acceptEdits, readEdits, refused } from './edits.ts'
import { recordSnapshot, readHistory, readStateAt } from './history.ts'
import type { DraftKind } from './kind.ts'

/** A shelf of cups, no more than four of them. */
interface Shelf {
  cups: Record<string, { place: number }>
}
const TABLES = { patches: 'shelf_patches', snapshots: 'shelf_snapshots', key: 'shelf_id' }
const FULL = { path: ['cups'], code: 'shelf.full', message: 'has no room' }
const HELD = { path: ['cups'], code: 'shelf.held', message: 'is somebody else’s' }
/** The first cups were kept under another name. */
const upgrade = (value: unknown) =>
  'mugs' in (value as object) ? { cups: (value as { mugs: Shelf['cups'] }).mugs } : value

let server: TestServer
let database: Database
let person: { id: string }
let guest: { id: string }

const shelves: DraftKind<Shelf> = {
  tables: TABLES,
  check: (value) =>
    Object.keys((value as Shelf).cups).length <= 4
      ? { ok: true, value: value as Shelf }
      : { ok: false, issues: [FULL] },
  upgrade,
  async read(id, transaction) {
    const lock = transaction ? 'FOR UPDATE' : ''
    const sql = `SELECT document, revision FROM shelves WHERE id = $1 ${lock}`
    const rows = await select<{ document: Shelf; revision: number }>(
      database,
      sql,
      [id],
      transaction,
    )
    return rows[0] ?? null
  },
  async revision(id) {
    const asked = 'SELECT revision FROM shelves WHERE id = $1'
    const [row] = await select<{ revision: number }>(database, asked, [id])
    return row?.revision ?? null
  },
  write: (id, { document, revision }, transaction) =>
    run(
      database,
      'UPDATE shelves SET document = $2, revision = $3 WHERE id = $1',
      [id, JSON.stringify(document), revision],
      transaction,
    ),
  allow(_database, { person: who, before, after, editId }) {
    const isLess = Object.keys(after.cups).length < Object.keys(before.cups).length
    if (who.id === guest.id && isLess) throw refused(editId, [HELD])
    return Promise.resolve()
  },
}

beforeAll(async () => {
  server = await startTestServer()
  ;({ database } = server.context)
  ;({ person } = await server.signedIn('designer'))
  ;({ person: guest } = await server.signedIn('learner'))
  await run(
    database,
    `CREATE TABLE shelves (id text PRIMARY KEY, document jsonb NOT NULL, revision int NOT NULL)`,
  )
  for (const statement of draftTables(TABLES, 'shelves').split(';\n').slice(0, 2))
    await run(database, statement)
})
afterAll(() => server?.stop())

let id: string
let told: LoggedEdit[][]
beforeEach(async () => {
  id = nanoid()
  told = []
  const document: Shelf = { cups: {} }
  await run(database, 'INSERT INTO shelves VALUES ($1, $2, 0)', [id, JSON.stringify(document)])
  await database.transaction((transaction) =>
    recordSnapshot(shelves, database, id, { document, revision: 0 }, transaction),
  )
})

const edit = (patch: Patch, name = 'put'): PendingEdit => ({ id: nanoid(), name, patches: [patch] })
const put = (cup: string, place = 1) => edit({ op: 'add', path: `/cups/${cup}`, value: { place } })
const drop = (cup: string) => edit({ op: 'remove', path: `/cups/${cup}` }, 'drop')
const send = (edits: PendingEdit[], revision = 0, who = person) =>
  acceptEdits(shelves, database, id, { person: who, revision, edits }, (entries) =>
    told.push(entries),
  )
const cups = async () => Object.keys((await shelves.read(id))!.document.cups).sort()

describe('edits of a document', () => {
  it('are stored with their log, and told once', async () => {
    const [first, second] = [put('a'), put('b')]
    const reply = await send([first, second])
    expect(reply).toMatchObject({ revision: 2, known: [] })
    expect(reply.entries).toEqual([
      { ...first, revision: 1 },
      { ...second, revision: 2 },
    ])
    expect([await cups(), told.length]).toEqual([['a', 'b'], 1])
  })

  it('that are sent again change nothing, and are named', async () => {
    const first = put('a')
    await send([first])
    const reply = await send([first, first, put('b')])
    expect(reply).toMatchObject({ revision: 2, known: [first.id] })
    expect(
      (await readEdits(shelves, database, id, 0)).entries.map(({ revision }) => revision),
    ).toEqual([1, 2])
    expect((await send([first], 2)).entries).toEqual([])
    expect(told).toHaveLength(2)
  })

  it('are refused whole where one does not fit, by its name', async () => {
    const fifth = put('e')
    const edits = [...['a', 'b', 'c', 'd'].map((cup) => put(cup)), fifth]
    await expect(send(edits)).rejects.toMatchObject({
      type: 'edit-refused',
      extras: { editId: fifth.id, issues: [FULL] },
    })
    expect([await cups(), told]).toEqual([[], []])
    expect((await readEdits(shelves, database, id, 0)).revision).toBe(0)
  })

  it('are refused whole where the kind does not allow them', async () => {
    await send([put('a')])
    await expect(send([drop('a')], 1, guest)).rejects.toMatchObject({ type: 'edit-refused' })
    expect(await cups()).toEqual(['a'])
    await send([put('b')], 1, guest)
    await send([drop('a')], 2)
    expect(await cups()).toEqual(['b'])
  })

  it('that were missed are told without reading the document, which may be large', async () => {
    await send([put('a')])
    const unread = { ...shelves, read: () => Promise.reject(new Error('It was read')) }
    expect(await readEdits(unread, database, id, 0)).toMatchObject({ revision: 1 })
  })

  it('of a document that is not there are refused', async () => {
    id = 'nowhere'
    await expect(send([put('a')])).rejects.toMatchObject({ type: 'not-found' })
    await expect(readEdits(shelves, database, id, 0)).rejects.toMatchObject({ type: 'not-found' })
  })

  it('leave nothing behind where storing the document fails', async () => {
    const broken = { ...shelves, write: () => Promise.reject(new Error('The power went')) }
    const batch = { person, revision: 0, edits: [put('a')] }
    await expect(
      acceptEdits(broken, database, id, batch, (entries) => told.push(entries)),
    ).rejects.toThrow('The power went')
    expect([await cups(), told]).toEqual([[], []])
    expect((await readEdits(shelves, database, id, 0)).entries).toEqual([])
  })
})

it('many at once end with one log without gaps, which leads to the document', async () => {
  const names = ['a', 'b', 'c', 'd', 'e']
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.array(fc.constantFrom(...names), { minLength: 1, maxLength: 3 }), {
        minLength: 2,
        maxLength: 6,
      }),
      async (batches) => {
        const before = (await shelves.read(id))!.revision
        const outcomes = await Promise.allSettled(
          batches.map((one) =>
            send(
              one.map((cup) => put(cup)),
              before,
            ),
          ),
        )
        const { revision, document } = (await shelves.read(id))!
        for (const outcome of outcomes)
          if (outcome.status === 'rejected')
            expect(outcome.reason).toMatchObject({ type: 'edit-refused' })
        // Nobody takes anything away, and the first four cups have room.
        expect(outcomes[0]!.status === 'fulfilled' || before > 0).toBe(true)
        const done = outcomes.flatMap(({ status }, at) =>
          status === 'fulfilled' ? [batches[at]!.length] : [],
        )
        expect(revision - before).toBe(done.reduce((sum, count) => sum + count, 0))
        const { entries } = await readEdits(shelves, database, id, before)
        expect(entries.map((entry) => entry.revision)).toEqual(
          Array.from({ length: revision - before }, (_, at) => before + at + 1),
        )
        expect(await readStateAt(shelves, database, id, revision)).toEqual(document)
      },
    ),
    { numRuns: 10 },
  )
})

describe('the history of a document', () => {
  it('tells who did what, and builds any state that was', async () => {
    await send([put('a'), put('b')])
    await send([drop('a')], 2)
    const { entries, more, oldest } = await readHistory(shelves, database, id)
    expect(entries.map(({ revision, name, personName }) => [revision, name, personName])).toEqual([
      [3, 'drop', 'Test designer'],
      [2, 'put', 'Test designer'],
      [1, 'put', 'Test designer'],
    ])
    expect([more, oldest]).toEqual([false, 0])
    const at = async (revision: number) =>
      Object.keys((await readStateAt(shelves, database, id, revision)).cups)
    expect([await at(0), await at(1), await at(2), await at(3)]).toEqual([
      [],
      ['a'],
      ['a', 'b'],
      ['b'],
    ])
    await expect(at(4)).rejects.toMatchObject({ type: 'not-found' })
  })

  it('begins with states that an earlier version kept, and keeps one every two hundred edits', async () => {
    await run(database, `UPDATE shelf_snapshots SET document = $2 WHERE shelf_id = $1`, [
      id,
      JSON.stringify({ mugs: { old: { place: 4 } } }),
    ])
    for (let at = 0; at < 402; at += 2) await send([put('a', at), drop('a')], at)
    const kept = await select<{ revision: number }>(
      database,
      'SELECT revision FROM shelf_snapshots WHERE shelf_id = $1 ORDER BY revision',
      [id],
    )
    expect(kept.map(({ revision }) => revision)).toEqual([0, 200, 400])
    expect(await readStateAt(shelves, database, id, 1)).toEqual({
      cups: { old: { place: 4 }, a: { place: 0 } },
    })
  })
})
