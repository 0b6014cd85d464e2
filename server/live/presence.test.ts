// Editors of one lesson see each other, and hear of answers as they come; nobody else hears of them.
import { io, type Socket } from 'socket.io-client'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { LessonRoleRow } from '../database/models.ts'
import type { EditorHere } from '@fernbrake/core/contract'
import { lessonWithFilm, withQuiz } from '@fernbrake/core/testing'
import { goInAsGuest, putLesson, startTestServer, type TestServer } from '../testing/testServer.ts'

let server: TestServer
const sockets: Socket[] = []
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(async () => {
  for (const socket of sockets) socket.disconnect()
  await server.stop()
})

function connect(cookie: string): Socket {
  const socket = io(server.url, {
    path: '/api/live',
    extraHeaders: { Cookie: cookie },
    transports: ['websocket'],
    forceNew: true,
  })
  sockets.push(socket)
  return socket
}
const next = <T>(socket: Socket, name: string) =>
  new Promise<T>((resolve) => socket.once(name, resolve))

it('see who is here and what they have in hand, until they go', async () => {
  const owner = await server.signedIn('designer')
  const { person, cookie } = await server.signedIn('designer')
  const { lessonId } = await putLesson(owner.person, lessonWithFilm(), { published: false })
  await LessonRoleRow.create({ lessonId, personId: person.id, role: 'editor' })
  const [first, second, another] = [connect(owner.cookie), connect(cookie), connect(cookie)]
  await first.emitWithAck('watchLesson', { lessonId })
  // Another tab of the one who comes is told of others, and never of themselves.
  await another.emitWithAck('watchLesson', { lessonId })
  const told: string[] = []
  another.on('editorHere', () => told.push('themselves'))
  const asked = next(first, 'whoIsHere')
  const came = next<EditorHere>(first, 'editorHere')
  await second.emitWithAck('watchLesson', { lessonId })
  expect(await asked).toEqual({ lessonId })
  const { key, name } = await came
  expect(name).toBe(person.name)

  const picked = next<EditorHere>(first, 'editorHere')
  second.emit('showSelection', { lessonId, cueIds: ['a', 'b'] })
  expect(await picked).toEqual({ lessonId, key, name, cueIds: ['a', 'b'] })

  await another.emitWithAck('watchLesson', { lessonId })
  expect(told).toEqual([])

  const gone = next(first, 'editorGone')
  second.disconnect()
  expect(await gone).toEqual({ lessonId, key })
})

it('one who may not see the lesson neither hears nor is heard; nonsense is passed over', async () => {
  const owner = await server.signedIn('designer')
  const stranger = await server.signedIn('designer')
  const { lessonId } = await putLesson(owner.person, lessonWithFilm(), { published: false })
  const [inside, outside] = [connect(owner.cookie), connect(stranger.cookie)]
  await inside.emitWithAck('watchLesson', { lessonId })
  expect(await outside.emitWithAck('watchLesson', { lessonId })).toBe(false)
  const heard: unknown[] = []
  for (const socket of [inside, outside]) socket.onAny((name) => heard.push(name))
  outside.emit('showSelection', { lessonId, cueIds: ['a'] })
  outside.emit('leaveLesson', { lessonId })
  inside.emit('showSelection', { lessonId, cueIds: 'a' })
  inside.emit('showSelection', null)
  inside.emit('showSelection', { lessonId, cueIds: ['a'] })
  // What was sent before is through once these are answered.
  await inside.emitWithAck('watchLesson', { lessonId })
  await outside.emitWithAck('watchLesson', { lessonId })
  expect(heard).toEqual([])
})

it('whoever looks at results hears of answers at once; nobody else may', async () => {
  const owner = await server.signedIn('designer')
  const stranger = await server.signedIn('designer')
  const { lessonId, code } = await putLesson(owner.person, withQuiz(lessonWithFilm()))
  const [inside, outside] = [connect(owner.cookie), connect(stranger.cookie)]
  expect(await outside.emitWithAck('watchResults', { lessonId })).toBe(false)
  expect(await inside.emitWithAck('watchResults', { lessonId })).toBe(true)
  const heard: unknown[] = []
  outside.onAny((name) => heard.push(name))
  const { agent, attemptId } = await goInAsGuest(server, code)
  const told = next(inside, 'resultsNew')
  const answer = { kind: 'choice', picked: ['i1-a'] }
  const about = { kind: 'response', id: 'r1', cueId: 'i1', questionId: 'q-i1' }
  const records = [{ ...about, answer, answeredAt: new Date().toISOString() }]
  await agent.post(`/api/attempts/${attemptId}/records`).send({ records }).expect(200)
  expect(await told).toEqual({ lessonId })
  await outside.emitWithAck('watchResults', { lessonId })
  expect(heard).toEqual([])
})
