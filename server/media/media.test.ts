// Uploads and the preparation of films, with real files made by ffmpeg.
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { UPLOADS_PATH } from '@fernbrake/core/contract'
import { readPeakFile } from '@fernbrake/core/media'
import { run } from '../database/connect.ts'
import { SCHEMA_025 } from '../database/schema025.ts'
import { createUploads } from '../routes/uploads.ts'
import {
  beginUpload,
  createFilmFolder,
  H264,
  PICTURE,
  PIECE,
  putIn,
  settled as settledFor,
  SOUND,
  TUS,
} from '../testing/films.ts'
import { startTestServer, type Agent, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let agent: Agent
const films = createFilmFolder()
const { make, pathOf } = films
const begin = (bytes: number, name?: string) => beginUpload(agent, bytes, name)
const upload = (file: Buffer, name?: string) => putIn(agent, file, name)
const settled = (mediaId: string) => settledFor(agent, mediaId)
beforeAll(async () => {
  server = await startTestServer({ runsJobs: true })
  agent = (await server.signedIn('designer')).agent
})
afterAll(async () => {
  await server.stop()
  films.remove()
})

describe('a film that plays as it is', () => {
  it('is ready at once, and gets poster, waveform and filmstrip', async () => {
    const media = await settled(
      await upload(make('a.mp4', ...PICTURE, ...SOUND, ...H264, '-c:a', 'aac'), 'Lock/../film.mp4'),
    )
    expect(media).toMatchObject({
      state: 'ready',
      durationMs: 2000,
      frameRate: '25',
      width: 320,
      height: 180,
      hasSound: true,
    })
    expect(media.files).toEqual(['filmstrip', 'original', 'pauses', 'peaks', 'poster', 'shots'])
    const peaks = await agent.get(`/api/media/${media.id}/files/peaks`).expect(200)
    expect(readPeakFile(Uint8Array.from(peaks.body as Buffer).buffer)![0]!.length).toBeGreaterThan(
      380,
    )
    const range = await agent
      .get(`/api/media/${media.id}/files/playable`)
      .set('Range', 'bytes=0-99')
      .expect(206)
    const nowhere = agent.get(`/api/media/${media.id}/files/playable`)
    expect((await nowhere.set('Range', 'bytes=5-4')).status).toBeLessThan(500)
    const beyond = agent.get(`/api/media/${media.id}/files/playable`)
    await beyond.set('Range', 'bytes=99999999-').expect(416)
    expect(range.headers).toMatchObject({ 'content-type': 'video/mp4', 'content-length': '100' })
  })

  it('needs no sound', async () => {
    const media = await settled(await upload(make('b.mp4', ...PICTURE, ...H264)))
    expect(media).toMatchObject({ state: 'ready', hasSound: false })
    expect(media.files).not.toContain('peaks')
  })
})

it('a film that tells where and with what it was filmed is shown without that, and its file stays the owner’s', async () => {
  const place = ['-metadata', 'title=Behind the weir house']
  const media = await settled(
    await upload(make('place.mp4', ...PICTURE, ...SOUND, ...H264, '-c:a', 'aac', ...place)),
  )
  expect(media).toMatchObject({ state: 'ready', durationMs: 2000, width: 320 })
  const bytes = async (file: string) =>
    ((await agent.get(`/api/media/${media.id}/files/${file}`).expect(200)).body as Buffer).toString(
      'latin1',
    )
  expect(await bytes('original')).toContain('Behind the weir house')
  expect(await bytes('playable')).not.toContain('Behind the weir house')
})

it('a film from before that was asked is looked at once more at the next start, and stays ready whatever comes of it', async () => {
  const told = ['-metadata', 'title=Behind the weir house']
  const ids = [
    await upload(make('old.mp4', ...PICTURE, ...H264, ...told)),
    await upload(make('plain.mp4', ...PICTURE, ...H264)),
    await upload(make('lost.mp4', ...PICTURE, ...H264, ...told)),
  ]
  for (const id of ids) await settled(id)
  const { database, store } = server.context
  const forget = (sql: string) =>
    run(database, `${sql} WHERE media_id IN ('${ids.join("','")}') AND kind = 'playable'`)
  await forget('DELETE FROM media_files')
  await forget('DELETE FROM media_jobs')
  await store.remove(`${ids[2]}/original.mp4`)
  await run(database, SCHEMA_025)
  for (const mediaId of ids) await server.context.enqueue({ mediaId, kind: 'playable' })
  const [old, plain, lost] = await Promise.all(ids.map((id) => settled(id)))
  expect([old!.files.includes('playable'), plain!.files.includes('playable')]).toEqual([
    true,
    false,
  ])
  expect([old!.state, plain!.state, lost!.state]).toEqual(['ready', 'ready', 'ready'])
})

it('a film that browsers cannot play is converted', async () => {
  const media = await settled(
    await upload(make('c.avi', ...PICTURE, ...SOUND, '-c:v', 'mpeg4', '-c:a', 'mp2')),
  )
  expect(media).toMatchObject({ state: 'ready', width: 320 })
  expect(media.files).toContain('playable')
})

it('a film of a turned phone has its width and height as it is seen', async () => {
  const flat = pathOf('flat.mp4')
  writeFileSync(flat, make('flat0.mp4', ...PICTURE, ...H264))
  const turned = make('turned.mp4', '-i', flat, '-c', 'copy', '-metadata:s:v', 'rotate=90')
  expect(await settled(await upload(turned))).toMatchObject({
    state: 'ready',
    width: 180,
    height: 320,
  })
})

describe('what is no film', () => {
  it('a text that calls itself a film is told apart by its content, and not kept', async () => {
    const media = await settled(
      await upload(Buffer.from('This is not a film.'.repeat(50)), 'film.mp4'),
    )
    expect(media).toMatchObject({
      state: 'failed',
      fault: 'notAFilm',
      title: 'film.mp4',
      files: [],
    })
  })
  it('sound without a picture', async () => {
    expect(await settled(await upload(make('d.mp4', ...SOUND, '-c:a', 'aac')))).toMatchObject({
      state: 'failed',
      fault: 'noPicture',
    })
  })
  it('a film cut off in the middle', async () => {
    const whole = make('e.mp4', ...PICTURE, ...H264)
    expect(await settled(await upload(whole.subarray(0, whole.length / 3)))).toMatchObject({
      state: 'failed',
      fault: 'unreadable',
    })
  })
  it('a playlist that names a file of the server', async () => {
    const playlist = '#EXTM3U\n#EXTINF:1,\nfile:///etc/passwd\n'
    expect(await settled(await upload(Buffer.from(playlist), 'x.m3u8'))).toMatchObject({
      fault: 'notAFilm',
    })
  })
})

describe('an upload that is cut off', () => {
  it('goes on where it stood, and nothing is a film before it is whole', async () => {
    const file = make('f.mp4', ...PICTURE, ...H264)
    const half = Math.floor(file.length / 2)
    const location = await begin(file.length)
    await agent
      .patch(location)
      .set({ ...PIECE, 'Upload-Offset': '0' })
      .send(file.subarray(0, half))
      .expect(204)
    const mediaId = location.split('/').at(-1)!
    await agent.get(`/api/media/${mediaId}`).expect(404)
    const { headers } = await agent.head(location).set(TUS).expect(200)
    expect(headers['upload-offset']).toBe(String(half))
    await agent
      .patch(location)
      .set({ ...PIECE, 'Upload-Offset': String(half) })
      .send(file.subarray(half))
      .expect(204)
    expect(await settled(mediaId)).toMatchObject({ state: 'ready' })
  })
  it('as its last byte came, because the database was away, is not said to be whole before it is taken in', async () => {
    const file = make('g.mp4', ...PICTURE, ...H264)
    const location = await begin(file.length)
    const piece = { ...PIECE, 'Upload-Offset': '0' }
    await run(server.context.database, 'ALTER TABLE media RENAME TO media_away')
    const lost = await agent.patch(location).set(piece).send(file).expect(500)
    expect(lost.text).not.toContain('/')
    await agent.head(location).set(TUS).expect(500)
    await run(server.context.database, 'ALTER TABLE media_away RENAME TO media')
    // Several ask at once, as a client does that was cut off.
    const heads = await Promise.all(
      Array.from({ length: 3 }, () => agent.head(location).set(TUS).expect(200)),
    )
    expect(heads.map(({ headers }) => headers['upload-offset'])).toEqual(
      Array(3).fill(String(file.length)),
    )
    expect(await settled(location.split('/').at(-1)!)).toMatchObject({ state: 'ready' })
  })
  it('after its last byte need not be sent again: it still says that it is whole', async () => {
    const file = make('h.mp4', ...PICTURE, ...H264)
    const location = await begin(file.length)
    const piece = { ...PIECE, 'Upload-Offset': '0' }
    await agent.patch(location).set(piece).send(file).expect(204)
    const { headers } = await agent.head(location).set(TUS).expect(200)
    expect(headers['upload-offset']).toBe(String(file.length))
    const other = await server.signedIn('designer')
    await other.agent.head(location).set(TUS).expect(404)
    await settled(location.split('/').at(-1)!)
  })
  it('says nothing of the server when it fails', async () => {
    const location = await begin(100)
    const folder = join(server.settings.dataFolder, 'uploads')
    rmSync(folder, { recursive: true })
    writeFileSync(folder, 'no folder any more')
    const replies = [
      await agent
        .patch(location)
        .set({ ...PIECE, 'Upload-Offset': '0' })
        .send(Buffer.alloc(100)),
      await agent.post(UPLOADS_PATH).set({ ...TUS, 'Upload-Length': '10' }),
    ]
    rmSync(folder)
    mkdirSync(folder)
    for (const { status, text } of replies) {
      expect(status).toBeGreaterThanOrEqual(400)
      expect(text).not.toContain(server.settings.dataFolder)
    }
  })
  it('and was finished or given up long ago leaves nothing behind', async () => {
    const folder = join(server.settings.dataFolder, 'uploads')
    const [old, recent] = [await begin(100), await begin(100)].map((at) => at.split('/').at(-1)!)
    const note = join(folder, `${old}.json`)
    const long = new Date(Date.now() - 15 * 86_400_000).toISOString()
    writeFileSync(
      note,
      JSON.stringify({ ...JSON.parse(readFileSync(note, 'utf8')), creation_date: long }),
    )
    const uploads = createUploads(server.context, folder)
    expect(await uploads.dropUnfinished()).toBe(1)
    const left = readdirSync(folder)
    expect(left).toContain(`${recent}.json`)
    expect(left.filter((name) => name.startsWith(old!))).toEqual([])
  })
  it('cannot go on from a place where it does not stand', async () => {
    const location = await begin(100)
    await agent
      .patch(location)
      .set({ ...PIECE, 'Upload-Offset': '50' })
      .send(Buffer.alloc(10))
      .expect(409)
  })
  it('of more than may be taken in is refused at once', async () => {
    const reply = await agent
      .post(UPLOADS_PATH)
      .set({ ...TUS, 'Upload-Length': String(9 * 1024 ** 3) })
    expect(reply.status).toBe(413)
  })
})
