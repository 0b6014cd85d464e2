// The way of a file from the learner's device to the server, over connections that fail, and across closed tabs.
import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { LearnerRecord } from '@fernbrake/core/records'
import { openFileQueue, type FileQueue } from './fileQueue.ts'
import { createFileSender, type FileOutcome, type FileSender } from './fileSender.ts'

let attempts = 0
let attemptId: string
let queue: FileQueue
let made = 0
beforeEach(async () => {
  attemptId = `attempt-${(attempts += 1)}`
  queue = await openFileQueue(attemptId)
})

/** A sender whose server answers as it is told, and what has arrived there. */
async function senderThat(answers: FileOutcome['kind'][]) {
  const there: string[] = []
  let told = 0
  const sender = await createFileSender({
    attemptId,
    queue,
    newId: () => `file-${(made += 1)}`,
    send: ({ id }, onProgress) => {
      onProgress(1)
      const kind = answers.shift() ?? 'there'
      if (kind === 'there') there.push(id)
      return Promise.resolve(kind === 'refused' ? { kind, message: 'Not a picture.' } : { kind })
    },
    onThere: () => void (told += 1),
  })
  return { sender, there, told: () => told }
}

/** Until nothing is under way any more. */
const settled = (sender: FileSender, id: string) =>
  vi.waitFor(() => expect(sender.state(id)?.state).not.toBe('sending'))
const put = (sender: FileSender) => sender.put('sketch', 'Sketch.png', new Blob(['abc']))
const answerWith = (id: string): LearnerRecord => ({
  kind: 'response',
  id: 'r',
  cueId: 'c',
  questionId: 'sketch',
  answer: { kind: 'upload', files: [{ id, name: 'Sketch.png', bytes: 3 }] },
  answeredAt: '2026-03-02T10:00:00.000Z',
})

describe('a file', () => {
  it('is sent at once, and its answer may follow', async () => {
    const { sender, there, told } = await senderThat([])
    const { id } = await put(sender)
    await settled(sender, id)
    expect(there).toEqual([id])
    expect(sender.state(id)).toMatchObject({ state: 'there', sentBytes: 3 })
    expect(sender.holdsBack(answerWith(id))).toBe(false)
    expect([told(), await queue.list()]).toEqual([1, []])
  })

  it('waits without a connection, holds its answer back, and goes later', async () => {
    const { sender, there } = await senderThat(['unreachable'])
    const { id } = await put(sender)
    await settled(sender, id)
    expect(sender.state(id)?.state).toBe('waiting')
    expect(sender.holdsBack(answerWith(id))).toBe(true)
    await sender.flush()
    expect([there, sender.holdsBack(answerWith(id))]).toEqual([[id], false])
  })

  it('is handed in even where the disk is full', async () => {
    queue = { ...queue, add: () => Promise.reject(new DOMException('full', 'QuotaExceededError')) }
    const { sender, there } = await senderThat([])
    const { id } = await put(sender)
    await settled(sender, id)
    expect(there).toEqual([id])
  })

  it('survives a closed tab', async () => {
    const first = await senderThat(['unreachable'])
    const { id } = await put(first.sender)
    await settled(first.sender, id)
    const second = await senderThat([])
    expect(second.sender.holdsBack(answerWith(id))).toBe(true)
    await second.sender.flush()
    expect(second.there).toEqual([id])
  })

  it('that is refused says why, and is not sent again', async () => {
    const { sender, there } = await senderThat(['refused'])
    const heard: string[] = []
    sender.onState(({ state }) => heard.push(state))
    const { id } = await put(sender)
    await settled(sender, id)
    await sender.flush()
    expect(sender.state(id)).toMatchObject({ state: 'refused', message: 'Not a picture.' })
    expect([there, await queue.list()]).toEqual([[], []])
    expect(heard).toContain('sending')
    expect(heard.at(-1)).toBe('refused')
  })

  it('that is taken out again is forgotten', async () => {
    const { sender } = await senderThat(['unreachable'])
    const { id } = await put(sender)
    await settled(sender, id)
    await sender.drop(id)
    expect([sender.state(id), await queue.list()]).toEqual([null, []])
  })

  it('has one address as long as it is here, and the server’s afterwards', async () => {
    const { sender } = await senderThat([])
    const { id } = await put(sender)
    await settled(sender, id)
    expect(sender.address(id)).toMatch(/^blob:/)
    expect(sender.address(id)).toBe(sender.address(id))
    await sender.drop(id)
    expect(sender.address(id)).toBe(`/api/attempts/${attemptId}/files/${id}`)
  })

  it('of another attempt is left alone', async () => {
    const { sender } = await senderThat(['unreachable'])
    const { id } = await put(sender)
    await settled(sender, id)
    attemptId = 'somebody-else'
    queue = await openFileQueue(attemptId)
    const other = await senderThat([])
    await other.sender.flush()
    expect(other.there).toEqual([])
  })
})
