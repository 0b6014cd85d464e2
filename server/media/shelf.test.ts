// The shelf: pictures and sounds taken in by content, what is known of media, where they are used, replacing them.
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import { edits, emptyLesson } from '@fernbrake/core/lesson'
import { edited, PART } from '@fernbrake/core/testing'
import { LessonRow, MediaRow } from '../database/models.ts'
import { readProgress } from './tools/ffmpeg.ts'
import { createFilmFolder, H264, PICTURE, putIn, settled, SOUND } from '../testing/films.ts'
import { putLesson, startTestServer, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let owner: Awaited<ReturnType<TestServer['signedIn']>>
const files = createFilmFolder()
const picture = (name: string, size: string) =>
  files.make(name, '-f', 'lavfi', '-i', `color=0x385873:size=${size}:duration=1`, '-frames:v', '1')
const put = async (file: Buffer, name: string, kind: Media['kind'] = 'picture') =>
  settled(owner.agent, await putIn(owner.agent, file, name, kind))

beforeAll(async () => {
  server = await startTestServer({ runsJobs: true })
  owner = await server.signedIn('designer')
})
afterAll(async () => {
  await server.stop()
  files.remove()
})

describe('pictures', () => {
  it.each(['png', 'jpg', 'webp', 'gif'])(
    'of kind %s are taken in and drawn anew',
    async (ending) => {
      const media = await put(picture(`a.${ending}`, '3000x1500'), `Gate.${ending}`)
      expect(media).toMatchObject({ kind: 'picture', state: 'ready', width: 3000, height: 1500 })
      expect(media.files).toEqual(['original', 'playable', 'poster'])
      const shown = await owner.agent.get(`/api/media/${media.id}/files/playable`).expect(200)
      expect(shown.headers['content-type']).toBe('image/webp')
      expect((shown.body as Buffer).subarray(8, 12).toString()).toBe('WEBP')
    },
  )

  it('are refused where they are something else, broken, or too large', async () => {
    const notes = await put(Buffer.from('These are notes.'), 'notes.png')
    expect(notes).toMatchObject({ state: 'failed', fault: 'notAPicture', files: [] })
    const script = await put(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), 'x.svg')
    expect(script).toMatchObject({ state: 'failed', fault: 'notAPicture' })
    const whole = picture('b.png', '400x400')
    const broken = await put(whole.subarray(0, 60), 'cut.png')
    expect(broken).toMatchObject({ state: 'failed', fault: 'unreadable' })
    const huge = await put(picture('c.png', '10000x10000'), 'huge.png')
    expect(huge).toMatchObject({ state: 'failed', fault: 'tooLarge' })
    const asFilm = await settled(owner.agent, await putIn(owner.agent, whole, 'film.mp4'))
    expect(asFilm).toMatchObject({ state: 'failed', fault: 'notAFilm' })
  })
})

/** A JPEG that says it was taken with the camera turned: EXIF orientation 6 after CIPA DC-008. */
function heldUpright(jpeg: Buffer): Buffer {
  const tiff = '49492a0008000000' + '0100' + '12010300010000000600' + '0000' + '00000000'
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), Buffer.from(tiff, 'hex')])
  const head = Buffer.from([0xff, 0xe1, 0, body.length + 2])
  return Buffer.concat([jpeg.subarray(0, 2), head, body, jpeg.subarray(2)])
}

describe('cutting a picture', () => {
  const cutOf = (change: object) => ({
    turns: 0,
    box: { x: 0, y: 0, width: 1, height: 1 },
    width: null,
    ...change,
  })
  const send = async (mediaId: string, id: string, cut: object, status = 201) =>
    owner.agent.post(`/api/media/${mediaId}/cuts`).send({ id, cut }).expect(status)

  it('makes another and leaves the first as it is; a cut of a cut is made from the first', async () => {
    const first = await put(picture('cut.png', '400x300'), 'Gate.png')
    await owner.agent.patch(`/api/media/${first.id}`).send({ credit: 'Tam Oakshott' }).expect(200)
    const half = { x: 0.5, y: 0, width: 0.5, height: 0.5 }
    await send(first.id, 'half', cutOf({ box: half, width: 100 }))
    const made = await settled(owner.agent, 'half')
    expect(made).toMatchObject({ state: 'ready', width: 100, height: 75, cutFrom: first.id })
    expect(made).toMatchObject({ title: 'Gate.png', credit: 'Tam Oakshott' })
    await send('half', 'turned', cutOf({ turns: 1 }))
    const turned = await settled(owner.agent, 'turned')
    expect(turned).toMatchObject({ width: 300, height: 400, cutFrom: first.id })
    const { body: still } = await owner.agent.get(`/api/media/${first.id}`).expect(200)
    expect(still).toMatchObject({ width: 400, height: 300, cut: null })
    for (const id of [first.id, 'half'])
      await owner.agent.get(`/api/media/${id}/files/original`).expect(200)
  })

  it('may be asked for twice, but not of what is somebody else’s or no picture', async () => {
    const { id } = await put(picture('twice.png', '40x40'), 'Twice.png')
    const small = cutOf({ width: 10 })
    await Promise.all([send(id, 'once', small), send(id, 'once', small)])
    await send(id, 'once', small)
    expect(await settled(owner.agent, 'once')).toMatchObject({ width: 10 })
    await send(id, 'never', { turns: 5, box: {}, width: 1 }, 422)
    const film = await put(files.make('f.mp4', ...PICTURE, ...H264), 'f.mp4', 'film')
    await send(film.id, 'of-film', small, 422)
    const stranger = await server.signedIn('designer')
    await stranger.agent.post(`/api/media/${id}/cuts`).send({ id: 'x', cut: small }).expect(404)
    const own = await putIn(stranger.agent, picture('own.png', '40x40'), 'Own.png', 'picture')
    const taken = { id: 'once', cut: small }
    await stranger.agent.post(`/api/media/${own}/cuts`).send(taken).expect(409)
  })

  it('heeds how a camera was held', async () => {
    const jpeg = heldUpright(picture('upright.jpg', '400x300'))
    const upright = await put(jpeg, 'Upright.jpg')
    expect(upright).toMatchObject({ state: 'ready', width: 300, height: 400 })
    await send(upright.id, 'top', cutOf({ box: { x: 0, y: 0, width: 1, height: 0.25 } }))
    expect(await settled(owner.agent, 'top')).toMatchObject({ width: 300, height: 100 })
  })
})

describe('sounds', () => {
  it.each(['mp3', 'm4a', 'ogg', 'wav', 'flac', 'opus', 'webm'])(
    'of kind %s are taken in, in one form that plays everywhere',
    async (ending) => {
      const sound = await put(files.make(`s.${ending}`, ...SOUND), `Keeper.${ending}`, 'sound')
      expect(sound).toMatchObject({ kind: 'sound', state: 'ready', hasSound: true, width: null })
      expect(Math.abs(sound.durationMs! - 2000)).toBeLessThan(120)
      expect(sound.files).toEqual(['original', 'pauses', 'peaks', 'playable'])
      const played = await owner.agent.get(`/api/media/${sound.id}/files/playable`).expect(200)
      expect(played.headers['content-type']).toBe('audio/mp4')
    },
  )

  it('without sound, or of another kind, are refused', async () => {
    const silent = await put(files.make('silent.mp4', ...PICTURE, ...H264), 'x.mp4', 'sound')
    expect(silent).toMatchObject({ state: 'failed', fault: 'notASound' })
    const still = await put(picture('g.png', '40x30'), 'x.mp3', 'sound')
    expect(still).toMatchObject({ state: 'failed', fault: 'notASound', files: [] })
  })
})

describe('a recording that says neither its length nor where its frames are', () => {
  it('has the length that was told last, however the telling is cut', () => {
    const told: number[] = []
    const read = readProgress((ms) => told.push(ms))
    for (const piece of [
      'out_time_us=N/A\nout_time_us=0\nout_time_us=1975',
      '000\nprogress=',
      'end\n',
    ])
      read(Buffer.from(piece))
    expect(told).toEqual([0, 1975])
  })

  it('is measured, and made into a film that can be sought in', async () => {
    const live = ['-c:v', 'libvpx', '-c:a', 'libopus', '-live', '1', '-f', 'webm']
    execFileSync('sh', [
      '-c',
      `ffmpeg -v error ${[...PICTURE, ...SOUND].map((a) => `'${a}'`).join(' ')} ${live.join(' ')} - > '${files.pathOf('live.webm')}'`,
    ])
    const film = await put(readFileSync(files.pathOf('live.webm')), 'Recording', 'film')
    expect(film).toMatchObject({ kind: 'film', state: 'ready', fault: null })
    expect(Math.abs(film.durationMs! - 2000)).toBeLessThan(120)
    expect(film.files).toContain('playable')
    expect(film.jobs.every(({ state }) => state === 'done')).toBe(true)
  })
})

describe('what is known of a medium', () => {
  it('is written down by its owner; the private note is for nobody else', async () => {
    const { id } = await put(picture('d.png', '40x30'), 'Paddle.png')
    const words = { licence: 'Our own', sourceNote: 'From Isolde', tags: ['paddle'] }
    const changed = await owner.agent.patch(`/api/media/${id}`).send(words).expect(200)
    expect(changed.body).toMatchObject({ ...words, title: 'Paddle.png' })
    const content = { form: 'picture', mediaId: id, fit: 'whole' } as const
    const { code } = await publishWith(content)
    const learner = server.anonymous()
    await learner.post(`/api/links/${code}/attempts`).send({ name: 'Odile Harcastle' }).expect(201)
    const seen = await learner.get(`/api/media/${id}`).expect(200)
    expect(seen.body).toMatchObject({ licence: 'Our own', sourceNote: '' })
    await learner.patch(`/api/media/${id}`).send({ title: 'Mine' }).expect(404)
    await learner.get(`/api/media/${id}/files/playable`).expect(200)
    for (const bad of [
      { title: '' },
      { owner: 'me' },
      { tags: [''] },
      { licence: 'x'.repeat(500) },
    ])
      await owner.agent.patch(`/api/media/${id}`).send(bad).expect(422)
  })
})

async function publishWith(content: Parameters<typeof edits.setOverlayForm.change>[1]['content']) {
  const cueId = nanoid()
  const plain = edited(emptyLesson('A lesson'), edits.addFilmPart, { id: PART, title: 'A film' })
  const overlay = edited(plain, edits.addOverlay, { cueId, partId: PART, fromMs: 0, text: 'x' })
  const lesson = edited(overlay, edits.setOverlayForm, { cueId, content })
  const put = await putLesson(owner.person, lesson)
  const mediaIds = 'mediaId' in content && content.mediaId ? [content.mediaId] : []
  // Lessons of tests are put into the database as they are; their uses are noted as taking an edit in notes them.
  for (const mediaId of mediaIds)
    await server.context.database.query(
      'INSERT INTO media_uses (lesson_id, media_id) VALUES ($1, $2)',
      { bind: [put.lessonId, mediaId] },
    )
  return { ...put, cueId }
}

describe('where media are used', () => {
  it('is told, and another can take their place in all drafts', async () => {
    const [old, next] = [
      await put(picture('e.png', '40x30'), 'Old.png'),
      await put(picture('f.png', '50x30'), 'New.png'),
    ]
    const content = { form: 'picture', mediaId: old.id, fit: 'whole' } as const
    const { lessonId, cueId } = await publishWith(content)
    const uses = async (id: string) =>
      (await owner.agent.get(`/api/media/${id}/uses`).expect(200)).body.lessons
    expect(await uses(old.id)).toEqual([
      { id: lessonId, title: 'A lesson', draft: true, editions: 1 },
    ])
    const replace = (by: string) =>
      owner.agent.post(`/api/media/${old.id}/replacement`).send({ by })
    expect((await replace(next.id).expect(200)).body).toMatchObject({
      lessons: [lessonId],
      left: [],
    })
    const draft = (await LessonRow.findByPk(lessonId))!.draft
    expect(draft.cues[cueId]).toMatchObject({ content: { mediaId: next.id } })
    expect(await uses(old.id)).toMatchObject([{ draft: false, editions: 1 }])
    expect(await uses(next.id)).toMatchObject([{ draft: true, editions: 0 }])
    const { body } = await owner.agent.get(`/api/lessons/${lessonId}/history`).expect(200)
    expect(JSON.stringify(body)).toContain('replaceMedia')
    expect((await replace(next.id).expect(200)).body).toEqual({ lessons: [], left: [], done: [] })
    const stranger = await server.signedIn('designer')
    await stranger.agent.post(`/api/media/${old.id}/replacement`).send({ by: next.id }).expect(404)
    await replace('nobody').expect(404)
  })
})

describe('putting another film in its place', () => {
  async function twoFilms() {
    const [long, short] = [nanoid(), nanoid()]
    const base = { ownerId: owner.person.id, kind: 'film' as const, state: 'ready' as const }
    const size = { bytes: 1, width: 320, height: 180, frameRate: '25' as const }
    await MediaRow.create({ ...base, ...size, id: long, title: 'Long', durationMs: 9000 })
    await MediaRow.create({ ...base, ...size, id: short, title: 'Short', durationMs: 2000 })
    const { lessonId, cueId } = await publishWith({ form: 'button' })
    const film = { mediaId: long, durationMs: 9000, frameRate: '25' as const }
    const row = (await LessonRow.findByPk(lessonId))!
    const placed = edited(row.draft, edits.attachFilm, { partId: PART, ...film })
    const overlay = { cueId: 'late', partId: PART, fromMs: 8000, text: 'Late' }
    await row.update({ draft: edited(placed, edits.addOverlay, overlay) })
    await server.context.pool.query('INSERT INTO media_uses VALUES ($1, $2)', [lessonId, long])
    const draft = async () => (await LessonRow.findByPk(lessonId))!.draft
    return { long, short, lessonId, cueId, draft }
  }
  const compare = (id: string, by: string) =>
    owner.agent.get(`/api/media/${id}/replacement`).query({ by })

  it('tells beforehand what would lie beyond its end', async () => {
    const { long, short, lessonId } = await twoFilms()
    const beyond = { cues: 1, cutShort: 1, lines: 0, stretches: 0, firstMs: 0 }
    expect((await compare(long, short).expect(200)).body).toEqual({
      lessons: [{ id: lessonId, title: 'A lesson', isPossible: true, ...beyond }],
    })
    expect((await compare(short, long).expect(200)).body).toEqual({ lessons: [] })
    await compare(long, 'nobody').expect(404)
    const stranger = await server.signedIn('designer')
    await stranger.agent.get(`/api/media/${long}/replacement`).query({ by: short }).expect(404)
  })

  it('is taken back at once in all drafts, as often as it is asked', async () => {
    const { long, short, lessonId, draft } = await twoFilms()
    const before = await draft()
    const { body } = await owner.agent
      .post(`/api/media/${long}/replacement`)
      .send({ by: short })
      .expect(200)
    expect((await draft()).parts[PART]).toMatchObject({ mediaId: short, durationMs: 2000 })
    const back = async (who = owner) =>
      (
        await who.agent
          .post(`/api/media/${long}/replacement/taken-back`)
          .send({ by: short, done: body.done })
      ).body
    expect(await back()).toEqual({ lessons: [lessonId], left: [] })
    expect(await draft()).toEqual(before)
    expect(await back()).toEqual({ lessons: [lessonId], left: [] })
    expect(await draft()).toEqual(before)
    const history = await owner.agent.get(`/api/lessons/${lessonId}/history`).expect(200)
    const names = (history.body as { entries: { name: string }[] }).entries.map(({ name }) => name)
    expect(names.filter((name) => name.includes('replaceMedia'))).toHaveLength(2)
  })

  it('is left where somebody has changed it since, or where one may not edit any more', async () => {
    const { long, short, lessonId, draft } = await twoFilms()
    const replace = () =>
      owner.agent.post(`/api/media/${long}/replacement`).send({ by: short }).expect(200)
    const { body } = await replace()
    const row = (await LessonRow.findByPk(lessonId))!
    const other = edited(row.draft, edits.attachFilm, {
      partId: PART,
      mediaId: long,
      durationMs: 1500,
      frameRate: null,
    })
    await row.update({ draft: other })
    const back = () =>
      owner.agent
        .post(`/api/media/${long}/replacement/taken-back`)
        .send({ by: short, done: body.done })
    expect((await back().expect(200)).body).toEqual({ lessons: [], left: [lessonId] })
    expect(await draft()).toEqual(other)
    await row.update({ draft: row.draft })
    await server.context.pool.query(
      "UPDATE lesson_roles SET role = 'viewer' WHERE lesson_id = $1 AND person_id = $2",
      [lessonId, owner.person.id],
    )
    expect((await back().expect(200)).body).toEqual({ lessons: [], left: [lessonId] })
  })
})

describe('removing', () => {
  it('takes a medium that nothing shows, with its files', async () => {
    const media = await put(picture('gone.png', '640x360'), 'Gone.png')
    const { body } = await owner.agent.delete(`/api/media/${media.id}`).expect(200)
    expect(body.bytes).toBeGreaterThan(1000)
    await owner.agent.get(`/api/media/${media.id}`).expect(404)
    await owner.agent.get(`/api/media/${media.id}/files/playable`).expect(404)
    await owner.agent.delete(`/api/media/${media.id}`).expect(404)
  })

  it('is refused as long as a draft, an edition or a kept question shows it, whosever that is', async () => {
    const media = await put(picture('shown.png', '640x360'), 'Shown.png')
    const shown = edited(
      edited(emptyLesson('Shows it'), edits.addPart, {
        id: 'still',
        kind: 'still',
        title: 'A still',
      } as never),
      edits.setPart,
      { partId: 'still', change: { mediaId: media.id, alternative: 'A gate' } } as never,
    )
    const remove = () => owner.agent.delete(`/api/media/${media.id}`)
    const inUse = { status: 409, type: 'urn:fernbrake:problem:medium-in-use' }
    const { lessonId } = await putLesson(owner.person, shown)
    await server.context.pool.query(
      'INSERT INTO media_uses VALUES ($1, $2) ON CONFLICT DO NOTHING',
      [lessonId, media.id],
    )
    expect((await remove()).body).toMatchObject(inUse)
    // Out of the draft, though not out of the edition.
    await LessonRow.update({ draft: emptyLesson('Empty') }, { where: { id: lessonId } })
    expect((await remove()).body).toMatchObject(inUse)
    await server.context.pool.query('DELETE FROM attempts WHERE lesson_id = $1', [lessonId])
    await server.context.pool.query('DELETE FROM editions WHERE lesson_id = $1', [lessonId])
    const other = await server.signedIn('designer')
    const question = { ...areaOn(media.id) }
    await server.context.pool.query(
      'INSERT INTO kept_questions (owner_id, id, question) VALUES ($1, $2, $3)',
      [other.person.id, nanoid(), JSON.stringify(question)],
    )
    expect((await remove()).body).toMatchObject(inUse)
    await server.context.pool.query('DELETE FROM kept_questions WHERE owner_id = $1', [
      other.person.id,
    ])
    expect((await remove()).status).toBe(200)
  })

  it('is refused while it is being prepared, and to anybody else', async () => {
    const media = await put(picture('mine.png', '640x360'), 'Mine.png')
    const other = await server.signedIn('designer')
    expect([403, 404]).toContain((await other.agent.delete(`/api/media/${media.id}`)).status)
    await server.context.pool.query("UPDATE media SET state = 'preparing' WHERE id = $1", [
      media.id,
    ])
    expect((await owner.agent.delete(`/api/media/${media.id}`)).status).toBe(409)
  })
})

const areaOn = (mediaId: string) => ({ kind: 'area', mediaId })
