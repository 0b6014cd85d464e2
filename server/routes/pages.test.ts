// The learner's page as it is sent: what comes with it, for whom, and that no text can break out of it.
import { afterAll, beforeAll, expect, it } from 'vitest'
import { filmOf, lessonWithFilm, PART, QUIZ, withQuiz } from '@fernbrake/core/testing'
import type { Attempt } from '@fernbrake/core/contract'
import { earlyPart } from './learnerPage.ts'
import { LEARN_PATH, sendPage } from './pages.ts'
import {
  goInAsGuest,
  putLesson,
  startTestServer,
  type Agent,
  type TestServer,
} from '../testing/testServer.ts'

const TITLE = 'Locks </script><script>alert(1)</script> & <!--early-->'
let server: TestServer
let owner: Agent
let attempt: Attempt

beforeAll(async () => {
  server = await startTestServer({
    pages: (app, _server, learn) =>
      void app.get(LEARN_PATH, learn.session, (request, response) =>
        sendPage(
          request,
          response.type('html'),
          '<i>head</i><!--early--><i>rest</i>',
          learn.earlyPart,
        ),
      ),
  })
  const designer = await server.signedIn('designer')
  const { code } = await putLesson(designer.person, { ...lessonWithFilm(60_000), title: TITLE })
  const opened = await goInAsGuest(server, code)
  owner = opened.agent
  attempt = (await owner.get(`/api/attempts/${opened.attemptId}`).expect(200)).body
})
afterAll(() => server.stop())

const dataIn = (html: string) =>
  JSON.parse(/<script type="application\/json" id="early-attempt">(.*?)<\/script>/s.exec(html)![1]!)

it('brings the attempt along for whoever it belongs to', async () => {
  const { text } = await owner.get(`/learn/${attempt.id}`).expect(200)
  expect(dataIn(text)).toEqual(attempt)
  expect(text.startsWith('<i>head</i>')).toBe(true)
  expect(text.endsWith('<i>rest</i>')).toBe(true)
  expect(text.match(/<script/g)).toHaveLength(1)
})

it('brings nothing along for anybody else', async () => {
  const stranger = await server.signedIn('learner')
  for (const agent of [server.anonymous(), stranger.agent]) {
    const { text } = await agent.get(`/learn/${attempt.id}`).expect(200)
    expect(text).toBe('<i>head</i><i>rest</i>')
  }
})

it('loads the film from where the learner goes on', () => {
  const film = { ...filmOf(lessonWithFilm(60_000)), mediaId: 'film', frameRate: '25' as const }
  const known = { durationMs: 60_000, width: 640, height: 360, hasSound: true }
  const media = [{ id: 'film', ...known, player: null }]
  const lesson = { ...attempt.lesson, parts: { [PART]: film } }
  const at = (progress: Partial<Attempt['progress']>) =>
    earlyPart({ ...attempt, lesson, media, progress: { ...attempt.progress, ...progress } })
  expect(at({})).toContain('src="/api/media/film/files/playable"')
  expect(at({ partId: PART, atMs: 12_000 })).toContain('/playable#t=12.020"')
  expect(at({ partId: PART, atMs: 12_000, finishedParts: [PART] })).toContain('/playable"')
  expect(earlyPart({ ...attempt, lesson, media: [] })).not.toContain('<video')
  // Whoever goes on with a quiz has no use for a film.
  const both = withQuiz(lesson)
  const inQuiz = { ...attempt.progress, partId: QUIZ, finishedParts: [PART] }
  const early = earlyPart({ ...attempt, lesson: both, media, progress: inQuiz })
  expect(early).not.toContain('<video')
  expect(early).toContain('early-attempt')
})
