// Films for tests, made by ffmpeg, and putting them in as a browser does.
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'vitest'
import { UPLOADS_PATH, type Media } from '@fernbrake/core/contract'
import type { Agent } from './testServer.ts'

export const TUS = { 'Tus-Resumable': '1.0.0' }
export const PIECE = { ...TUS, 'Content-Type': 'application/offset+octet-stream' }
const WAIT_MS = 230_000
const ASK_EVERY_MS = 100

export const PICTURE = ['-f', 'lavfi', '-i', 'testsrc2=size=320x180:rate=25:duration=2']
export const SOUND = ['-f', 'lavfi', '-i', 'sine=duration=2']
export const H264 = ['-c:v', 'libx264', '-pix_fmt', 'yuv420p', '-preset', 'ultrafast']

/** The smallest picture there is. */
export const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

/** A folder for made films. */
export function createFilmFolder() {
  const folder = mkdtempSync(join(tmpdir(), 'fernbrake-films-'))
  const pathOf = (name: string) => join(folder, name)
  return {
    pathOf,
    make(name: string, ...args: string[]): Buffer {
      execFileSync('ffmpeg', ['-y', '-v', 'error', ...args, pathOf(name)])
      return readFileSync(pathOf(name))
    },
    remove: () => rmSync(folder, { recursive: true, force: true }),
  }
}

/** Announces an upload; answers with where its pieces go. */
export async function beginUpload(
  agent: Agent,
  bytes: number,
  name = 'film',
  kind: Media['kind'] = 'film',
): Promise<string> {
  const coded = (text: string) => Buffer.from(text).toString('base64')
  const metadata = `filename ${coded(name)},kind ${coded(kind)}`
  const reply = await agent
    .post(UPLOADS_PATH)
    .set({ ...TUS, 'Upload-Length': String(bytes), 'Upload-Metadata': metadata })
  expect(reply.status).toBe(201)
  return reply.headers.location as string
}

/** Puts a file in whole; answers with the id of its medium. */
export async function putIn(
  agent: Agent,
  file: Buffer,
  name = 'film',
  kind: Media['kind'] = 'film',
): Promise<string> {
  const location = await beginUpload(agent, file.length, name, kind)
  await agent
    .patch(location)
    .set({ ...PIECE, 'Upload-Offset': '0' })
    .send(file)
    .expect(204)
  return location.split('/').at(-1)!
}

/** The medium once nothing is under way any more. */
export async function settled(agent: Agent, mediaId: string): Promise<Media> {
  const until = Date.now() + WAIT_MS
  for (;;) {
    const { body } = await agent.get(`/api/media/${mediaId}`).expect(200)
    const media = body as Media
    const isOpen = media.jobs.some((job) => job.state === 'waiting' || job.state === 'running')
    if (media.state !== 'preparing' && !isOpen) return media
    if (Date.now() > until) throw new Error(`Still preparing: ${JSON.stringify(media)}`)
    await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS))
  }
}
