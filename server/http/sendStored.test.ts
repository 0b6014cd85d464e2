// Files as they are asked for: whole, in part, again, and where there is nothing.
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import express from 'express'
import supertest from 'supertest'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createFolderStore } from '../media/MediaStore.ts'
import { sendStored } from './sendStored.ts'

const CONTENT = '0123456789'
let folder: string
let agent: ReturnType<typeof supertest>
let changedAt: string
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fernbrake-store-'))
  const store = createFolderStore(join(folder, 'store'))
  await writeFile(join(folder, 'file'), CONTENT)
  await store.hold('a/file', join(folder, 'file'))
  changedAt = (await store.open('a/file'))!.changedAt.toUTCString()
  const app = express()
  app.get('/:key', async (request, response) => {
    const storageKey = decodeURIComponent(String(request.params.key))
    await sendStored(store, { storageKey, contentType: 'video/mp4' }, response)
  })
  app.use(
    (error: { status?: number }, _request: unknown, response: express.Response, _next: unknown) => {
      response.status(error.status ?? 500).end()
    },
  )
  agent = supertest(app)
})
afterAll(() => rm(folder, { recursive: true, force: true }))
const ask = (headers: Record<string, string> = {}) =>
  agent.get('/a%2Ffile').set(headers).buffer(true)

describe('a file in the store', () => {
  it('comes whole where nothing else is asked for', async () => {
    const reply = await ask().expect(200)
    expect(reply.headers).toMatchObject({
      'content-length': '10',
      'accept-ranges': 'bytes',
      'content-type': 'video/mp4',
    })
    expect(String(reply.body)).toBe(CONTENT)
  })

  it.each([
    ['bytes=0-3', 'bytes 0-3/10', '0123'],
    ['bytes=4-', 'bytes 4-9/10', '456789'],
    ['bytes=-2', 'bytes 8-9/10', '89'],
    ['bytes=8-99', 'bytes 8-9/10', '89'],
    ['bytes=0-1,2-3', 'bytes 0-3/10', '0123'],
  ])('comes in part for %s', async (range, said, content) => {
    const reply = await ask({ Range: range }).expect(206)
    expect(reply.headers['content-range']).toBe(said)
    expect(reply.headers['content-length']).toBe(String(content.length))
    expect(String(reply.body)).toBe(content)
  })

  it.each(['bytes=0-1,8-9', 'lines=1-2', 'bytes=x-y', 'nonsense'])(
    'comes whole for %s',
    async (range) => {
      expect(String((await ask({ Range: range }).expect(200)).body)).toBe(CONTENT)
    },
  )

  it('has nothing beyond its end', async () => {
    const reply = await ask({ Range: 'bytes=10-' }).expect(416)
    expect(reply.headers['content-range']).toBe('bytes */10')
  })

  it('comes in part only as long as it is the same file, and not again where it is there', async () => {
    await ask({ Range: 'bytes=0-3', 'If-Range': changedAt }).expect(206)
    await ask({ Range: 'bytes=0-3', 'If-Range': new Date(0).toUTCString() }).expect(200)
    await ask({ 'If-Modified-Since': changedAt }).expect(304)
    await ask({ 'If-Modified-Since': new Date(0).toUTCString() }).expect(200)
  })

  it('tells its size without being sent', async () => {
    const reply = await agent.head('/a%2Ffile').expect(200)
    expect(reply.headers['content-length']).toBe('10')
  })

  it('is not found where it is not, nor outside of the store', async () => {
    await agent.get('/a%2Fother').expect(404)
    await agent.get('/a').expect(404)
    await agent.get('/..%2Ffile').expect(500)
  })
})
