// The shelf: pictures taken in by content, what is known of media, where they are used, replacing them everywhere.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { edits, emptyLesson } from '@fernbrake/core/lesson'
import { edited, PART } from '@fernbrake/core/testing'
import { LessonRow } from '../database/models.ts'
import { createFilmFolder, putIn, settled } from './films.ts'
import { putLesson, startTestServer, type TestServer } from './testServer.ts'

let server: TestServer
let owner: Awaited<ReturnType<TestServer['signedIn']>>
const files = createFilmFolder()
const picture = (name: string, size: string) =>
  files.make(name, '-f', 'lavfi', '-i', `color=0x385873:size=${size}:duration=1`, '-frames:v', '1')
const put = async (file: Buffer, name: string) =>
  settled(owner.agent, await putIn(owner.agent, file, name, 'picture'))

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
    expect((await replace(next.id).expect(200)).body).toEqual({ lessons: [lessonId], left: [] })
    const draft = (await LessonRow.findByPk(lessonId))!.draft
    expect(draft.cues[cueId]).toMatchObject({ content: { mediaId: next.id } })
    expect(await uses(old.id)).toMatchObject([{ draft: false, editions: 1 }])
    expect(await uses(next.id)).toMatchObject([{ draft: true, editions: 0 }])
    const { body } = await owner.agent.get(`/api/lessons/${lessonId}/history`).expect(200)
    expect(JSON.stringify(body)).toContain('replaceMedia')
    expect((await replace(next.id).expect(200)).body).toEqual({ lessons: [], left: [] })
    const stranger = await server.signedIn('designer')
    await stranger.agent.post(`/api/media/${old.id}/replacement`).send({ by: next.id }).expect(404)
    await replace('nobody').expect(404)
  })
})
