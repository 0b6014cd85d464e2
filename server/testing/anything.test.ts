// Whatever is sent, to whatever address, the answer is a document of the contract or a problem document, never a fault
// of ours, and what is there already stays whole.
import fc from 'fast-check'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { contract, problemSchema, type RouteName, type RouteSpec } from '@fernbrake/core/contract'
import { lessonWithFilm, withQuestion } from '@fernbrake/core/testing'
import {
  goInAsGuest,
  putLesson,
  startTestServer,
  type Agent,
  type TestServer,
} from './testServer.ts'

let server: TestServer
let designer: Agent
let learner: Agent
let lessonId: string
let attemptId: string
let code: string

beforeAll(async () => {
  server = await startTestServer()
  const owner = await server.signedIn('designer')
  designer = owner.agent
  const lesson = withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000 })
  const put = await putLesson(owner.person, lesson)
  lessonId = put.lessonId
  code = put.code
  ;({ agent: learner, attemptId } = await goInAsGuest(server, code))
})
afterAll(() => server.stop())

// Signing out would end the very session that the test needs.
const names = (Object.keys(contract) as RouteName[]).filter((name) => name !== 'signOut')
const words = fc.oneof(
  fc.string({ maxLength: 30 }),
  fc.constantFrom('id', 'kind', 'records', 'edits', 'revision', 'number', 'patches', 'name'),
)
const bodies = fc.oneof(
  { weight: 2, arbitrary: fc.object({ key: words, maxDepth: 4, withNullPrototype: false }) },
  { weight: 1, arbitrary: fc.jsonValue() },
)
const keys = fc.oneof(
  fc.constantFrom('__proto__', '%00', '..%2f..%2fetc', '%F0%9F%8C%BF', '-', 'x'.repeat(300)),
  fc.string({ minLength: 1, maxLength: 20 }).map(encodeURIComponent),
)

async function ask(agent: Agent, { method, path }: RouteSpec, key: string, body: unknown) {
  const known: Record<string, string> = { lessonId, attemptId, code }
  const address = path.replace(
    /:(\w+)/g,
    (_, name: string) => (key === '' ? known[name] : key) ?? 'x',
  )
  const text = JSON.stringify(body) ?? ''
  const sent = agent[method](address).set('Content-Type', 'application/json')
  return method === 'get' ? sent : sent.send(text)
}

it.each(names)('%s', async (name) => {
  const spec = contract[name] as RouteSpec
  await fc.assert(
    fc.asyncProperty(fc.oneof(fc.constant(''), keys), bodies, async (key, body) => {
      const agent = spec.access === 'attemptOwner' ? learner : designer
      const reply = await ask(agent, spec, key, body)
      expect(reply.status).toBeLessThan(500)
      if (reply.status >= 400) expect(problemSchema.safeParse(reply.body).success).toBe(true)
    }),
    { seed: 17, numRuns: 25 },
  )
  const lesson = (await designer.get(`/api/lessons/${lessonId}`).expect(200)).body
  expect(lesson).toMatchObject({ revision: 0, lesson: { title: 'A lesson' } })
})
