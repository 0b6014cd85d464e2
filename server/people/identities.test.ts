// People who are known elsewhere too.
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { within } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'
import {
  addIdentity,
  findByIdentity,
  listIdentities,
  removeIdentity,
} from './queries/identities.ts'

let server: TestServer
beforeAll(async () => (server = await startTestServer()))
afterAll(() => server.stop())
const database = () => server.context.database

describe('who somebody is elsewhere', () => {
  it('is one person, who may be known in several places, and is forgotten with them', async () => {
    const ask = within(database())
    const [one, other] = [await server.signedIn('learner'), await server.signedIn('learner')]
    const identity = { provider: 'https://platform.example', subject: 'u-17' }
    expect(await findByIdentity(ask, identity)).toBeNull()
    expect(await addIdentity(ask, one.person.id, identity)).toBe(true)
    expect(await addIdentity(ask, one.person.id, identity)).toBe(true)
    expect(await addIdentity(ask, other.person.id, identity)).toBe(false)
    await addIdentity(ask, one.person.id, { provider: 'directory', subject: 'u-17' })
    expect(await findByIdentity(ask, identity)).toBe(one.person.id)
    expect(await listIdentities(ask, one.person.id)).toHaveLength(2)
    await removeIdentity(ask, other.person.id, identity)
    expect(await findByIdentity(ask, identity)).toBe(one.person.id)
    await PersonRow.destroy({ where: { id: one.person.id } })
    expect(await findByIdentity(ask, identity)).toBeNull()
  })
})
