// The way of a record from the player to the database, over connections that fail in every way.
import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Attempt } from '@fernbrake/core/contract'
import { noProgress, type LearnerRecord } from '@fernbrake/core/records'
import { lessonWithFilm, PART, withQuestion } from '@fernbrake/core/testing'
import { withWaiting } from './index.ts'
import { openRecordQueue, withMemory, type RecordQueue } from './recordQueue.ts'
import { storeFarewell } from './farewell.ts'
import { createSender, nextSendMs, SEND_EVERY_MS, type SendOutcome } from './sender.ts'

const finish = (id: string): LearnerRecord => ({
  kind: 'finish',
  id,
  partId: PART,
  at: '2026-03-02T10:00:00.000Z',
})

let attempts = 0
let farewell: LearnerRecord[] = []
let queue: RecordQueue
beforeEach(async () => {
  queue = await openRecordQueue(`attempt-${(attempts += 1)}`)
})

/** A server that does what it is told for each sending, and remembers what it has. */
function serverThat(answers: ('keep' | 'lose' | 'loseAnswer' | 'signedOut' | 'refuse')[]) {
  const kept = new Map<string, number>()
  const send = (records: LearnerRecord[]): Promise<SendOutcome> => {
    const answer = answers.shift() ?? 'keep'
    if (answer === 'lose') return Promise.resolve({ kind: 'unreachable' })
    if (answer === 'signedOut') return Promise.resolve({ kind: 'signedOut' })
    const ids = records.map((record) => record.id)
    if (answer === 'refuse') {
      const refused = ids.map((id) => ({ id, code: 'beyondEnd' as const, message: 'No.' }))
      return Promise.resolve({ kind: 'acknowledged', reply: { kept: [], refused } })
    }
    for (const id of ids) kept.set(id, (kept.get(id) ?? 0) + 1)
    if (answer === 'loseAnswer') return Promise.resolve({ kind: 'unreachable' })
    return Promise.resolve({ kind: 'acknowledged', reply: { kept: ids, refused: [] } })
  }
  return { kept, send }
}

const senderTo = (
  send: (records: LearnerRecord[]) => Promise<SendOutcome>,
  beacons: LearnerRecord[][] = [],
) =>
  createSender({
    queue,
    send,
    beacon: (records) => void beacons.push(records),
    onState: () => undefined,
    keepFarewell: (records) => void (farewell = records),
  })

describe('sending', () => {
  const said = (id: string, words: string): LearnerRecord => ({
    kind: 'ownNote',
    id,
    noteId: id,
    partId: PART,
    place: { on: 'part' },
    words,
    isGone: false,
    at: '2026-03-02T10:00:00.000Z',
  })

  it('takes along with the page what browsers let pass; what is too long waits for the next time', async () => {
    const beacons: LearnerRecord[][] = []
    const sender = senderTo(serverThat([]).send, beacons)
    const long = Array.from({ length: 20 }, (_, index) => said(`long-${index}`, 'é'.repeat(4000)))
    for (const record of [...long, finish('short')]) await sender.add(record)
    await sender.leave()
    const [taken] = beacons
    expect(JSON.stringify(taken).length).toBeLessThan(60_000)
    expect(new TextEncoder().encode(JSON.stringify(taken)).length).toBeLessThan(64_000)
    expect(taken!.length).toBeGreaterThan(5)
    expect(taken!.map(({ id }) => id)).toContain('short')
    expect(await sender.waiting(100)).toHaveLength(21)
  })

  it('tells what waits once, stored or on its way there', async () => {
    const { send } = serverThat([])
    const sender = senderTo(send)
    await sender.add(finish('a'))
    const adding = sender.add(finish('b'))
    expect((await sender.waiting(100)).map(({ id }) => id).sort()).toEqual(['a', 'b'])
    await adding
    expect(await sender.waiting(100)).toHaveLength(2)
    await sender.flush()
    expect(await sender.waiting(100)).toEqual([])
  })

  it('drops only what was acknowledged', async () => {
    const { send, kept } = serverThat(['lose'])
    const sender = senderTo(send)
    await sender.add(finish('a'))
    await sender.flush()
    expect(sender.state()).toMatchObject({ waiting: 1, connection: 'offline' })
    await sender.flush()
    expect(sender.state()).toMatchObject({ waiting: 0, connection: 'online' })
    expect([...kept.keys()]).toEqual(['a'])
  })

  it('sends again what may or may not have arrived', async () => {
    const { send, kept } = serverThat(['loseAnswer'])
    const sender = senderTo(send)
    await sender.add(finish('a'))
    await sender.flush()
    await sender.flush()
    expect(kept.get('a')).toBe(2)
    expect(sender.state().waiting).toBe(0)
  })

  it('keeps everything while signed out', async () => {
    const sender = senderTo(serverThat(['signedOut']).send)
    await sender.add(finish('a'))
    await sender.flush()
    expect(sender.state()).toMatchObject({ waiting: 1, connection: 'signedOut' })
  })

  it('forgets what can never be taken in, and says so', async () => {
    const sender = senderTo(serverThat(['refuse']).send)
    await sender.add(finish('a'))
    await sender.flush()
    expect(sender.state()).toMatchObject({ waiting: 0, refused: [{ id: 'a', message: 'No.' }] })
  })

  it('one record that the server chokes on does not hold up the others', async () => {
    const kept: string[] = []
    const sender = senderTo((records) => {
      if (records.some((record) => record.id === 'bad'))
        return Promise.resolve({ kind: 'rejected', message: 'Broken.' })
      kept.push(...records.map((record) => record.id))
      return Promise.resolve({
        kind: 'acknowledged',
        reply: { kept: records.map((r) => r.id), refused: [] },
      })
    })
    for (const id of ['a', 'bad', 'b']) await sender.add(finish(id))
    await sender.flush()
    expect(kept).toEqual(['a', 'b'])
    expect(sender.state()).toMatchObject({ waiting: 0, refused: [{ id: 'bad' }] })
  })

  it('hands what waits to the browser when the page goes, and keeps it all the same', async () => {
    const beacons: LearnerRecord[][] = []
    const sender = senderTo(serverThat([]).send, beacons)
    await sender.add(finish('a'))
    await sender.leave()
    expect(beacons).toEqual([[finish('a')]])
    expect(await queue.count()).toBe(1)
  })

  it('gives what is still on its way into the queue to the beacon at once, as the page goes away', async () => {
    const beacons: LearnerRecord[][] = []
    const sender = senderTo(serverThat([]).send, beacons)
    const adding = sender.add(finish('a'))
    const leaving = sender.leave()
    expect(beacons).toEqual([[finish('a')]])
    await Promise.all([adding, leaving])
    beacons.length = 0
    await sender.leave()
    expect(beacons).toEqual([[finish('a')]])
  })

  it('loses nothing and repeats harmlessly, whatever the connection does', async () => {
    const answers = fc.array(
      fc.constantFrom(
        'keep' as const,
        'lose' as const,
        'loseAnswer' as const,
        'signedOut' as const,
      ),
      { maxLength: 12 },
    )
    const acts = fc.array(fc.constantFrom('add', 'flush', 'closeTab'), { maxLength: 25 })
    await fc.assert(
      fc.asyncProperty(answers, acts, async (plan, list) => {
        const key = `attempt-${(attempts += 1)}`
        queue = await openRecordQueue(key)
        const { send, kept } = serverThat([...plan])
        let sender = senderTo(send)
        const made: string[] = []
        for (const act of list) {
          if (act === 'add') {
            made.push(`r${made.length}`)
            await sender.add(finish(made.at(-1)!))
          } else if (act === 'flush') await sender.flush()
          else {
            queue.close()
            queue = await openRecordQueue(key)
            sender = senderTo(send)
          }
        }
        for (let tries = 0; tries <= plan.length; tries += 1) await sender.flush()
        expect([...kept.keys()].sort()).toEqual(made.sort())
        expect(await queue.count()).toBe(0)
        queue.close()
      }),
      { seed: 51, numRuns: 60 },
    )
  })
})

describe('an answer whose file is still on its way', () => {
  it('waits, and holds nothing else up', async () => {
    const { send, kept } = serverThat([])
    let waits = true
    const holdsBack = ({ id }: LearnerRecord) => waits && id === 'a'
    const sender = createSender({
      queue,
      send,
      holdsBack,
      beacon: () => undefined,
      onState: () => undefined,
      keepFarewell: () => undefined,
    })
    for (const id of ['a', 'b']) await sender.add(finish(id))
    await sender.flush()
    expect([[...kept.keys()], sender.state().waiting]).toEqual([['b'], 1])
    waits = false
    await sender.flush()
    expect([...kept.keys()]).toEqual(['b', 'a'])
  })
})

describe('the queue', () => {
  it('gives records back in the order in which they came, each attempt its own', async () => {
    const other = await openRecordQueue('another')
    await queue.add(finish('a'))
    await other.add(finish('x'))
    await queue.add(finish('b'))
    expect((await queue.oldest(10)).map((record) => record.id)).toEqual(['a', 'b'])
    expect((await queue.oldest(1)).map((record) => record.id)).toEqual(['a'])
    await queue.drop(new Set(['a', 'x']))
    expect([await queue.count(), await other.count()]).toEqual([1, 1])
  })
})

describe('going on with what still waits', () => {
  const attempt = {
    lesson: withQuestion(lessonWithFilm(), { id: 'a', atMs: 5000 }),
    progress: noProgress(),
  } as unknown as Attempt

  it('progress is what it will be once it is sent', () => {
    const answer = { kind: 'choice' as const, picked: ['a-a'] }
    const at = '2026-03-02T10:00:00.000Z'
    const times = { rate: 1, beganAt: at, endedAt: at, muted: false, hidden: false }
    const progress = withWaiting(attempt, [
      { kind: 'span', id: '1', partId: PART, fromMs: 0, toMs: 5000, ...times },
      { kind: 'response', id: '2', cueId: 'a', questionId: 'q-a', answer, answeredAt: at },
      { kind: 'place', id: '3', partId: PART, atMs: 5000, released: ['a'], at },
      { kind: 'response', id: '4', cueId: 'gone', questionId: 'gone', answer, answeredAt: at },
    ])
    expect(progress).toMatchObject({
      partId: PART,
      atMs: 5000,
      released: ['a'],
      covered: { [PART]: [{ fromMs: 0, toMs: 5000 }] },
      responses: [{ verdict: 'right', tryNumber: 1, points: 1 }],
    })
    expect(attempt.progress.responses).toEqual([])
  })
})

describe('a device without room', () => {
  const full = () => Promise.reject(new DOMException('full', 'QuotaExceededError'))
  const fullStore = { add: full, oldest: full, drop: full, count: full, close: () => undefined }

  it('loses nothing: what it cannot store is held, told of, and sent', async () => {
    queue = withMemory(fullStore)
    const { send, kept } = serverThat(['lose', 'keep'])
    const sender = senderTo(send)
    await sender.add(finish('a'))
    await sender.flush()
    expect(sender.state()).toMatchObject({ waiting: 1, unkept: 1, connection: 'offline' })
    await sender.flush()
    expect([...kept.keys()]).toEqual(['a'])
    expect(sender.state()).toMatchObject({ waiting: 0, unkept: 0, connection: 'online' })
  })

  it('does not send again what it cannot let go of', async () => {
    const stored = await openRecordQueue('no-room-to-drop')
    await stored.add(finish('a'))
    queue = withMemory({ ...stored, drop: full })
    const { send, kept } = serverThat([])
    const sender = senderTo(send)
    await sender.flush()
    await sender.flush()
    expect([kept.get('a'), await queue.count()]).toEqual([1, 0])
  })
})

describe('the time of the next sending', () => {
  it('comes regularly while all is well, and ever later, spread by chance, while it is not', () => {
    expect(nextSendMs(0)).toBe(SEND_EVERY_MS)
    const drawn = new Set(Array.from({ length: 20 }, () => nextSendMs(3)))
    expect(drawn.size).toBeGreaterThan(10)
    for (const ms of drawn) expect(ms).toBeGreaterThan(SEND_EVERY_MS)
    expect(nextSendMs(50)).toBeLessThanOrEqual(60_000)
  })
})

describe('the last word of a page', () => {
  it('is kept at once while the queue has not taken it, and found by the next visit', async () => {
    const sender = senderTo(serverThat([]).send)
    const adding = sender.add(finish('a'))
    const leaving = sender.leave()
    expect(farewell).toEqual([finish('a')])
    const next = await openRecordQueue('next-visit')
    await storeFarewell(farewell, next)
    // Once more, as where the page goes away again before anything was sent.
    await storeFarewell(farewell, next)
    expect(await next.oldest(10)).toEqual([finish('a')])
    await Promise.all([adding, leaving])
    expect(farewell).toEqual([])
  })
})
