// Files that learners hand in: by content, within bounds, once, and seen by nobody else.
import { readdir, readFile, writeFile } from 'node:fs/promises'
import { basename, join } from 'node:path'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { UPLOADS_PATH, type Pile } from '@fernbrake/core/contract'
import { edits } from '@fernbrake/core/lesson'
import { edited, lessonWithFilm, PART } from '@fernbrake/core/testing'
import { createUploads } from '../routes/uploads.ts'
import { createFilmFolder, PICTURE, PIECE, PNG, SOUND, TUS } from '../testing/films.ts'
import {
  hoursAgo,
  goInAsGuest,
  putLesson,
  startTestServer,
  type Agent,
  type TestServer,
} from '../testing/testServer.ts'

const WORDS = Buffer.from('The upper layers run into the pönds.')
const NEITHER = Buffer.concat([Buffer.from([0, 1, 2, 3]), Buffer.alloc(60)])

let server: TestServer
let designer: Awaited<ReturnType<TestServer['signedIn']>>
let put: { lessonId: string; code: string }

function lessonWithUpload() {
  const ids = { cueId: 'ask', questionId: 'sketch', optionIds: [] }
  const asked = { ...ids, kind: 'upload', partId: PART, atMs: 5000 } as const
  const made = edited(lessonWithFilm(60_000), edits.addQuestion, asked)
  const rules = { mostFiles: 2, mostMegabytes: 1, tries: 2 } as never
  const sketched = edited(made, edits.setQuestionRules, { questionId: 'sketch', rules })
  const said = { cueId: 'speak', questionId: 'said', optionIds: [], kind: 'recording' } as const
  return edited(sketched, edits.addQuestion, { ...said, partId: PART, atMs: 8000 })
}

beforeAll(async () => {
  server = await startTestServer()
  designer = await server.signedIn('designer')
  put = await putLesson(designer.person, lessonWithUpload())
})
afterAll(() => server.stop())

interface Learner {
  agent: Agent
  attemptId: string
}

const goIn = () => goInAsGuest(server, put.code, 'Piet Rushmoor')

interface Said {
  fileId?: string
  questionId?: string
  filename?: string
  attemptId?: string
}

const begin = ({ agent, attemptId }: Learner, bytes: number, said: Said = {}) => {
  const all = { kind: 'answer', attemptId, questionId: 'sketch', fileId: 'file-1', ...said }
  const metadata = Object.entries({ filename: 'Sketch.png', ...all })
    .map(([key, value]) => `${key} ${Buffer.from(value).toString('base64')}`)
    .join(',')
  return agent
    .post(UPLOADS_PATH)
    .set({ ...TUS, 'Upload-Length': String(bytes), 'Upload-Metadata': metadata })
}

async function handIn(learner: Learner, content: Buffer, said: Said = {}) {
  const created = await begin(learner, content.length, said).expect(201)
  const { location } = created.headers as { location: string }
  return learner.agent
    .patch(location)
    .set({ ...PIECE, 'Upload-Offset': '0' })
    .send(content)
}

const fileOf = ({ agent, attemptId }: Learner, fileId: string) =>
  agent.get(`/api/attempts/${attemptId}/files/${fileId}`)

async function answerWith(learner: Learner, fileIds: string[]) {
  const answer = {
    kind: 'upload',
    files: fileIds.map((id) => ({ id, name: 'Sketch.png', bytes: PNG.length })),
  }
  const record = {
    kind: 'response',
    id: nanoid(),
    cueId: 'ask',
    questionId: 'sketch',
    answer,
    answeredAt: hoursAgo(10),
  }
  const { body } = await learner.agent
    .post(`/api/attempts/${learner.attemptId}/records`)
    .send({ records: [record] })
    .expect(200)
  return body
}

describe('what is handed in', () => {
  it('comes back as it was, to the learner and to whoever marks it', async () => {
    const learner = await goIn()
    expect((await handIn(learner, PNG)).status).toBe(204)
    const own = await fileOf(learner, 'file-1').expect(200)
    expect(own.headers['content-type']).toBe('image/png')
    expect(own.headers['content-security-policy']).toContain('sandbox')
    expect(Buffer.compare(own.body, PNG)).toBe(0)
    expect((await answerWith(learner, ['file-1'])).refused).toEqual([])
    const results = await designer.agent.get(`/api/lessons/${put.lessonId}/results`).expect(200)
    const mine = results.body.learners.find(
      (one: { attemptId: string }) => one.attemptId === learner.attemptId,
    )
    expect(mine.answers).toMatchObject([
      {
        verdict: 'unmarked',
        text: 'Sketch.png',
        files: [{ id: 'file-1', name: 'Sketch.png', contentType: 'image/png' }],
      },
    ])
    await designer.agent
      .get(`/api/lessons/${put.lessonId}/attempts/${learner.attemptId}/files/file-1`)
      .expect(200)
  })

  it('says nothing of its name where names are hidden', async () => {
    const learner = await goIn()
    await handIn(learner, PNG, { filename: 'Piet.png' })
    await answerWith(learner, ['file-1'])
    const path = `/api/marking/lesson/${put.lessonId}`
    const read = async (names: string) =>
      (await designer.agent.get(`${path}?names=${names}`).expect(200)).body as Pile
    const mine = (pile: Pile) =>
      pile.answers.find(({ attemptId }) => attemptId === learner.attemptId)!
    expect(mine(await read('shown')).files).toMatchObject([{ name: 'Piet.png' }])
    const hidden = await read('hidden')
    expect(mine(hidden).files).toMatchObject([{ id: 'file-1', name: '1.png' }])
    expect(JSON.stringify(hidden)).not.toMatch(/Piet|Sketch/)
  })

  it('is fetched rather than shown where it is a document', async () => {
    const learner = await goIn()
    await handIn(learner, WORDS, { filename: 'Layers.txt' })
    const { headers } = await fileOf(learner, 'file-1').expect(200)
    expect(headers['content-disposition']).toContain('attachment; filename=Layers.txt')
  })

  it('is judged by its content, whatever its name says', async () => {
    const learner = await goIn()
    const reply = await handIn(learner, NEITHER, { filename: 'Sketch.png' })
    expect(reply.status).toBe(415)
    expect(JSON.parse(reply.text)).toMatchObject({ type: 'urn:fernbrake:problem:file-refused' })
    await fileOf(learner, 'file-1').expect(404)
    const { refused } = await answerWith(learner, ['file-1'])
    expect(refused).toMatchObject([{ code: 'missingFile' }])
  })

  it('is heard where it is sound alone, though it came in the container of a film', async () => {
    const films = createFilmFolder()
    const sound = films.make('voice.webm', ...SOUND, '-c:a', 'libopus')
    const film = films.make('face.webm', ...PICTURE, '-c:v', 'libvpx', '-t', '0.2')
    films.remove()
    const learner = await goIn()
    const typeOf = async (content: Buffer, fileId: string) => {
      await handIn(learner, content, { questionId: 'said', fileId, filename: 'Voice 0:02' })
      return (await fileOf(learner, fileId).expect(200)).headers['content-type']
    }
    expect(await typeOf(sound, 'voice')).toBe('audio/webm')
    expect(await typeOf(film, 'face')).toBe('video/webm')
  })

  it('may be sent twice', async () => {
    const learner = await goIn()
    await handIn(learner, PNG)
    expect((await handIn(learner, WORDS)).status).toBe(204)
    const { headers } = await fileOf(learner, 'file-1')
    expect(headers['content-type']).toBe('image/png')
  })

  it('keeps to the size that is asked for', async () => {
    const learner = await goIn()
    await begin(learner, 1_000_001).expect(413)
    await begin(learner, 1_000_000).expect(201)
  })

  it('goes with the answer that names it, and with no other question', async () => {
    const learner = await goIn()
    await begin(learner, 5, { questionId: 'nothing' }).expect(404)
    expect((await answerWith(learner, ['never-sent'])).refused).toMatchObject([
      { code: 'missingFile' },
    ])
  })

  it('leads nowhere by its name', async () => {
    const learner = await goIn()
    await begin(learner, 5, { fileId: '../../x' }).expect(404)
    await handIn(learner, PNG, { filename: '../../../etc/passwd\u0000.png' })
    const { body } = await designer.agent.get(`/api/lessons/${put.lessonId}/results`)
    expect(JSON.stringify(body)).not.toContain('\\u0000')
  })
})

it('a server that was killed after the last byte takes the file in when it starts', async () => {
  const learner = await goIn()
  const { location } = (await begin(learner, PNG.length).expect(201)).headers as {
    location: string
  }
  // The bytes are there, and the server that should have looked at them is not.
  const folder = join(server.settings.dataFolder, 'uploads')
  await writeFile(join(folder, location.split('/').at(-1)!), PNG)
  await createUploads(server.context, folder).acceptFinished()
  await fileOf(learner, 'file-1').expect(200)
})

it('what was begun long ago and never finished is let go; what was begun lately is not', async () => {
  const learner = await goIn()
  const folder = join(server.settings.dataFolder, 'uploads')
  const begun = async (fileId: string) => {
    const { headers } = await begin(learner, 50, { fileId }).expect(201)
    return join(folder, (headers as { location: string }).location.split('/').at(-1)!)
  }
  const [old, young] = [await begun('old'), await begun('young')]
  const about = JSON.parse(await readFile(`${old}.json`, 'utf8')) as object
  const longAgo = new Date(Date.now() - 15 * 24 * 60 * 60 * 1000).toISOString()
  await writeFile(`${old}.json`, JSON.stringify({ ...about, creation_date: longAgo }))
  expect(await createUploads(server.context, folder).dropUnfinished()).toBe(1)
  const left = await readdir(folder)
  expect(left).not.toContain(basename(old))
  expect(left).toContain(basename(young))
})

describe('nobody else', () => {
  it('hands in for somebody, or sees what they handed in', async () => {
    const [learner, other] = [await goIn(), await goIn()]
    await handIn(learner, PNG)
    await begin(other, 5, { attemptId: learner.attemptId }).expect(404)
    await other.agent.get(`/api/attempts/${learner.attemptId}/files/file-1`).expect(404)
    const stranger = (await server.signedIn('designer')).agent
    const address = `attempts/${learner.attemptId}/files/file-1`
    await stranger.get(`/api/lessons/${put.lessonId}/${address}`).expect(404)
    const theirs = await putLesson(designer.person, lessonWithFilm())
    await designer.agent.get(`/api/lessons/${theirs.lessonId}/${address}`).expect(404)
  })

  it('puts media in as a learner', async () => {
    const learner = await goIn()
    await learner.agent
      .post(UPLOADS_PATH)
      .set({ ...TUS, 'Upload-Length': '5' })
      .expect(403)
  })
})
