// What anybody may send is bounded: by what it is said to be, by question, by person, and by what the disk has left.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { UPLOADS_PATH } from '@fernbrake/core/contract'
import { edits } from '@fernbrake/core/lesson'
import { KEPT_FREE_BYTES } from '@fernbrake/core/media'
import { edited, lessonWithFilm, PART } from '@fernbrake/core/testing'
import { HandedFileRow } from '../database/models.ts'
import { whyNoRoom, type Unfinished } from './room.ts'
import { PIECE, PNG, TUS } from '../testing/films.ts'
import {
  goInAsGuest,
  putLesson,
  startTestServer,
  type Agent,
  type TestServer,
} from '../testing/testServer.ts'

const MOST_OWN = 10_000
let server: TestServer
beforeAll(async () => {
  server = await startTestServer({ mostOwnBytes: MOST_OWN })
})
afterAll(() => server.stop())

const begin = (agent: Agent, bytes: number, said: Record<string, string>) =>
  agent.post(UPLOADS_PATH).set({
    ...TUS,
    'Upload-Length': String(bytes),
    'Upload-Metadata': Object.entries(said)
      .map(([key, value]) => `${key} ${Buffer.from(value).toString('base64')}`)
      .join(','),
  })

it('nothing begins that is larger than its kind may be', async () => {
  const { agent } = await server.signedIn('designer')
  for (const [kind, bytes] of [
    ['picture', 7 * 1024 ** 3],
    ['sound', 7 * 1024 ** 3],
    ['document', 7 * 1024 ** 3],
    ['film', 9 * 1024 ** 3],
  ] as const)
    expect((await begin(agent, bytes, { kind, filename: 'x' })).status).toBe(413)
})

it('a person’s media have their room, of which what has begun holds its part', async () => {
  const { agent } = await server.signedIn('designer')
  const film = (bytes: number) => begin(agent, bytes, { kind: 'film', filename: 'x' })
  expect((await film(MOST_OWN + 1)).status).toBe(507)
  await film(6000).expect(201)
  const refused = await film(6000)
  expect([refused.status, JSON.parse(refused.text).type]).toEqual([
    507,
    'urn:fernbrake:problem:no-room',
  ])
  await film(3000).expect(201)
  // Another’s room is another’s.
  const other = await server.signedIn('designer')
  await begin(other.agent, 6000, { kind: 'film', filename: 'x' }).expect(201)
})

describe('files of one question', () => {
  it('are as many as are allowed, however many are sent at once', async () => {
    const designer = await server.signedIn('designer')
    const asked = { cueId: 'ask', questionId: 'sketch', optionIds: [], kind: 'upload' } as const
    const lesson = edited(lessonWithFilm(60_000), edits.addQuestion, {
      ...asked,
      partId: PART,
      atMs: 5,
    })
    const { code } = await putLesson(designer.person, lesson)
    const { agent, attemptId } = await goInAsGuest(server, code)
    const said = () => ({
      kind: 'answer',
      attemptId,
      questionId: 'sketch',
      fileId: nanoid(),
      filename: 'a.png',
    })
    const begun = await Promise.all(
      Array.from({ length: 100 }, () => begin(agent, PNG.length, said())),
    )
    const places = begun.flatMap(({ headers, status }) =>
      status === 201 ? [String(headers.location)] : [],
    )
    expect(places.length).toBeGreaterThan(0)
    await Promise.all(
      places.map((place) =>
        agent
          .patch(place)
          .set({ ...PIECE, 'Upload-Offset': '0' })
          .send(PNG),
      ),
    )
    expect(await HandedFileRow.count({ where: { attemptId } })).toBeLessThanOrEqual(60)
    const more = await begin(agent, PNG.length, said())
    const kept = await HandedFileRow.count({ where: { attemptId } })
    expect(more.status).toBe(kept < 60 ? 201 : 413)
  })
})

describe('the disk', () => {
  const under = (bytes: number, ownerId = 'other'): Unfinished => ({
    id: nanoid(),
    ownerId,
    metadata: {},
    bytes,
  })
  const room = { freeBytes: KEPT_FREE_BYTES + 1000, ownBytes: 0, mostOwnBytes: 1e15 }
  it('keeps what the database needs, and what others have begun', () => {
    expect(whyNoRoom('me', 1000, [], room)).toBeNull()
    expect(whyNoRoom('me', 1001, [], room)?.type).toBe('no-room')
    expect(whyNoRoom('me', 600, [under(500)], room)?.type).toBe('no-room')
    expect(whyNoRoom('me', 500, [under(500)], room)).toBeNull()
  })
  it('is not filled by sendings that never finish', () => {
    const many = Array.from({ length: 200 }, () => under(1, 'me'))
    expect(whyNoRoom('me', 1, many, { ...room, freeBytes: 1e15 })?.type).toBe('no-room')
    expect(whyNoRoom('you', 1, many, { ...room, freeBytes: 1e15 })).toBeNull()
  })
})

it('guests from one address are not made without end', async () => {
  const designer = await server.signedIn('designer')
  const { code } = await putLesson(designer.person, lessonWithFilm(60_000))
  let status = 0
  for (let made = 0; made < 700 && status !== 429; made += 20)
    for (const reply of await Promise.all(
      Array.from({ length: 20 }, () =>
        server.anonymous().post(`/api/links/${code}/attempts`).send({ name: 'Odile Harcastle' }),
      ),
    ))
      status = Math.max(status, reply.status)
  expect(status).toBe(429)
  // Whoever is signed in is no guest.
  const learner = await server.signedIn('learner')
  await learner.agent.post(`/api/links/${code}/attempts`).send({}).expect(201)
})
