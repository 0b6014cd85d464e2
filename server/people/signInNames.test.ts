// Sign-in names, however they are typed: dots, hyphens and spaces are forgiven where it is plain who is meant.
import { afterAll, beforeAll, expect, it } from 'vitest'
import { hash } from '@node-rs/argon2'
import { signInKey } from '@fernbrake/core/classes'
import { PersonRow } from '../database/models.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'

let server: TestServer
const PHRASE = 'sill pound quay'
beforeAll(async () => {
  server = await startTestServer()
  const passwordHash = await hash(PHRASE)
  for (const signIn of ['perrin.askew', 'anna.lee', 'ann.alee', 'sol', 'perrin.askew2'])
    await PersonRow.create({ id: signIn, name: signIn, signIn, role: 'learner', passwordHash })
})
afterAll(() => server.stop())

const signIn = (email: string, password = PHRASE) =>
  server.anonymous().post('/api/session').send({ email, password })

it.each([
  ['perrin.askew', 'perrin.askew'],
  ['Perrin.Askew', 'perrin.askew'],
  ['perrin-askew', 'perrin.askew'],
  [' perrin askew ', 'perrin.askew'],
  ['perrinaskew', 'perrin.askew'],
  ['perrin_askew2', 'perrin.askew2'],
  ['s.o.l', 'sol'],
  // Both could be meant; whoever writes it exactly is meant.
  ['anna.lee', 'anna.lee'],
  ['ann.alee', 'ann.alee'],
])('“%s” is %s', async (typed, who) => {
  const { body } = await signIn(typed).expect(200)
  expect((body as { person: { id: string } }).person.id).toBe(who)
})

it.each(['annalee', 'anna-lee', '...', '', 'perrin', "perrin.askew' OR true", '%'])(
  '“%s” is nobody',
  async (typed) => void (await signIn(typed).expect(401)),
)

it('other spellings of one name are no further tries at its password', () => {
  expect(['perrin.askew', 'PERRIN-askew', 'p.e.r.r.i.n askew'].map(signInKey)).toEqual(
    Array(3).fill('perrinaskew'),
  )
  expect(signInKey(' Ada@Finch.Example ')).toBe('ada@finch.example')
})

it('nor are they for the server', async () => {
  const spellings = Array.from({ length: 11 }, (_, at) => `sol${'.'.repeat(at)}`)
  const codes: number[] = []
  for (const typed of spellings) codes.push((await signIn(typed, 'wrong')).status)
  expect(codes.slice(0, 10).every((code) => code === 401)).toBe(true)
  expect(codes[10]).toBe(429)
})
