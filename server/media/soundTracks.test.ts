// Films whose files have several sounds: which one plays, and another film for another sound.
import { execFileSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import { readPeakFile } from '@fernbrake/core/media'
import { MediaJobRow, MediaRow } from '../database/models.ts'
import { createFilmFolder, H264, PICTURE, PNG, putIn, settled } from '../testing/films.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let owner: Awaited<ReturnType<TestServer['signedIn']>>
const films = createFilmFolder()
beforeAll(async () => {
  server = await startTestServer({ runsJobs: true })
  owner = await server.signedIn('designer')
})
afterAll(async () => {
  await server.stop()
  films.remove()
})

const TONE = ['-f', 'lavfi', '-i', 'sine=duration=2']
const SILENCE = ['-f', 'lavfi', '-i', 'anullsrc=channel_layout=mono:sample_rate=44100:duration=2']
const ALL = ['-map', '0:v', '-map', '1:a', '-map', '2:a', '-shortest']
const TOLD = ['-metadata:s:a:0', 'language=eng', '-metadata:s:a:1', 'language=deu']
const TITLE = ['-metadata:s:a:1', 'title=<b>Der Wärter</b>\u0007', '-c:a', 'aac']
/** A film with a tone in English, and silence in German. */
const twoSounds = (ending = 'mp4', more: readonly string[] = []) =>
  films.make(`two.${ending}`, ...PICTURE.concat(TONE, SILENCE, ALL, H264, TOLD, TITLE, more))
const put = async (file: Buffer, name = 'Lock.mp4', kind: Media['kind'] = 'film') =>
  settled(owner.agent, await putIn(owner.agent, file, name, kind))
const take = (mediaId: string, track: number, id = nanoid(), status = 201) =>
  owner.agent
    .post(`/api/media/${mediaId}/sounds`)
    .send({ id, track, title: `Sound ${track}` })
    .expect(status)

/** How many sounds the file has that learners are sent. */
async function soundsPlayed(mediaId: string): Promise<number> {
  const { body } = await owner.agent
    .get(`/api/media/${mediaId}/files/playable`)
    .buffer(true)
    .parse((res, done) => {
      const pieces: Buffer[] = []
      res.on('data', (piece: Buffer) => pieces.push(piece))
      res.on('end', () => done(null, Buffer.concat(pieces)))
    })
    .expect(200)
  const path = films.pathOf('played')
  writeFileSync(path, body as Buffer)
  const asked = ['-v', 'error', '-select_streams', 'a', '-show_entries', 'stream=index']
  const told = execFileSync('ffprobe', [...asked, '-of', 'csv=p=0', path]).toString()
  return told.trim().split('\n').length
}
/** The loudest that its waveform comes to, of 1: a tone or silence. */
async function loudestOf(mediaId: string): Promise<number> {
  const { body } = await owner.agent.get(`/api/media/${mediaId}/files/peaks`).expect(200)
  const [finest] = readPeakFile(Uint8Array.from(body as Buffer).buffer)!
  return Math.max(...finest!.map(Math.abs)) / 127
}

describe('a film with several sounds', () => {
  it('tells what they are, and plays the first alone', async () => {
    const media = await put(twoSounds('mkv'), 'Lock.mkv')
    expect(media).toMatchObject({ state: 'ready', soundTrack: 0, soundFrom: null })
    expect(media.soundTracks).toEqual([
      { language: 'eng', title: '', channels: 1 },
      { language: 'deu', title: '<b>Der Wärter</b>', channels: 1 },
    ])
    expect(await soundsPlayed(media.id)).toBe(1)
    expect(await loudestOf(media.id)).toBeGreaterThan(0.05)
  })

  it('plays the one that its file begins with, also where it is converted', async () => {
    const usual = ['-disposition:a:0', '0', '-disposition:a:1', 'default']
    const media = await put(twoSounds('mkv', usual), 'Lock.mkv')
    expect(media).toMatchObject({ state: 'ready', soundTrack: 1 })
    expect(await soundsPlayed(media.id)).toBe(1)
    expect(await loudestOf(media.id)).toBeLessThan(0.01)
  })

  it('becomes another film for another sound, once; and the first film again for its own', async () => {
    const first = await put(twoSounds())
    const id = nanoid()
    const replies = await Promise.all([take(first.id, 1, id), take(first.id, 1, id)])
    expect(replies.map(({ body }) => (body as Media).id)).toEqual([id, id])
    const second = await settled(owner.agent, id)
    expect(second).toMatchObject({ state: 'ready', title: 'Sound 1', soundTrack: 1 })
    expect(second).toMatchObject({ soundFrom: first.id, durationMs: first.durationMs })
    expect(await loudestOf(id)).toBeLessThan(0.01)
    expect(await soundsPlayed(id)).toBe(1)
    // Who asks again, from either of them, is answered with what is there.
    expect((await take(first.id, 1)).body).toMatchObject({ id })
    expect((await take(id, 1)).body).toMatchObject({ id })
    expect((await take(id, 0)).body).toMatchObject({ id: first.id })
    expect((await take(first.id, 0)).body).toMatchObject({ id: first.id })
    // The first is as it was, and can go without taking the other along.
    expect(await loudestOf(first.id)).toBeGreaterThan(0.05)
    await owner.agent.delete(`/api/media/${first.id}`).expect(200)
    expect(await soundsPlayed(id)).toBe(1)
    const { body } = await take(id, 0)
    expect(await settled(owner.agent, (body as Media).id)).toMatchObject({ soundFrom: id })
    expect(await loudestOf((body as Media).id)).toBeGreaterThan(0.05)
  })

  it('is made once, also where two pages wish for it at once', async () => {
    const { id } = await put(twoSounds())
    const wishes = await Promise.all(Array.from({ length: 4 }, () => take(id, 1)))
    const made = new Set(wishes.map(({ body }) => (body as Media).id))
    expect(made.size).toBe(1)
    expect(await settled(owner.agent, made.values().next().value!)).toMatchObject({ soundTrack: 1 })
    expect(await MediaRow.count({ where: { soundFrom: id } })).toBe(1)
  })

  it('has no sound beyond the last, and is nobody else’s to take from', async () => {
    const { id } = await put(twoSounds())
    await take(id, 2, nanoid(), 422)
    await take(id, -1, nanoid(), 422)
    await take(id, 0.5, nanoid(), 422)
    await take(nanoid(), 0, nanoid(), 404)
    const picture = await put(PNG, 'gate.png', 'picture')
    await take(picture.id, 0, nanoid(), 422)
    // What is somebody’s already is not written over.
    await take(id, 1, picture.id, 409)
    const stranger = await server.signedIn('designer')
    const wish = { id: nanoid(), track: 1, title: 'Mine' }
    await stranger.agent.post(`/api/media/${id}/sounds`).send(wish).expect(404)
  })
})

it('a film that was prepared before sounds were told apart is looked at again, and plays on as it did', async () => {
  const media = await put(twoSounds())
  const before = { soundTracks: [], soundTrack: null, durationMs: 1990, frameRate: '24' as const }
  await MediaRow.update(before, { where: { id: media.id } })
  await MediaJobRow.update({ state: 'waiting' }, { where: { mediaId: media.id, kind: 'probe' } })
  await server.context.enqueue({ mediaId: media.id, kind: 'probe' })
  await expect.poll(async () => (await settled(owner.agent, media.id)).soundTracks.length).toBe(2)
  const after = await settled(owner.agent, media.id)
  expect(after).toMatchObject({ durationMs: 1990, frameRate: '24', soundTrack: 0, state: 'ready' })
  expect(after.files).toEqual(media.files)
})
