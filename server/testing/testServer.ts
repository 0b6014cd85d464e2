// A server of its own for a test: its own database on the cluster that the test command started, its own folder.
import { mkdtemp, rm } from 'node:fs/promises'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { nanoid } from 'nanoid'
import pg from 'pg'
import type { DestinationStream } from 'pino'
import supertest from 'supertest'
import type { Person, Role } from '@fernbrake/core/contract'
import type { Lesson } from '@fernbrake/core/lesson'
import { openServer, type MountPages, type Running } from '../app.ts'
import { connectDatabase } from '../database/connect.ts'
import { migrate } from '../database/migrate.ts'
import { AttemptRow, EditionRow, LessonRoleRow, LessonRow, MediaRow } from '../database/models.ts'
import { createAccount } from '../people/people.ts'
import type { Settings } from '../settings.ts'

export type Agent = ReturnType<typeof supertest.agent>

export interface TestServer extends Running {
  url: string
  settings: Settings
  /** A new account with this role, signed in. */
  signedIn(role: Exclude<Role, 'guest'>): Promise<{ agent: Agent; person: Person; cookie: string }>
  anonymous(): Agent
  stop(): Promise<void>
}

export const PASSWORD = 'a password for tests'

function adminUrl(): string {
  const url = process.env.FERNBRAKE_TEST_DATABASE_URL
  if (!url) throw new Error('Run the tests with npm test, which starts their database.')
  return url
}

/**
 * Creates a migrated database, empty or on top of an earlier `state` (SQL); answers with its address and how to drop it.
 */
export async function createTestDatabase(
  state = '',
): Promise<{ url: string; drop: () => Promise<void> }> {
  const name = `test_${nanoid(12)
    .replace(/[^a-zA-Z0-9]/g, '_')
    .toLowerCase()}`
  const url = addressOf(name)
  if (state === '') await copyEmpty(name)
  else {
    await administer(`CREATE DATABASE ${name}`)
    await runSql(url, state)
    await migrateAt(url)
  }
  return { url, drop: () => administer(`DROP DATABASE ${name} WITH (FORCE)`) }
}

function addressOf(name: string): string {
  const url = new URL(adminUrl())
  url.pathname = `/${name}`
  return url.href
}

async function migrateAt(url: string): Promise<void> {
  const database = connectDatabase(url, 2)
  await migrate(database)
  await database.close()
}

/** The migrated database without anything in it that all others of a run are copies of. */
const EMPTY = 'test_empty'
/** Any number: the lock under which it is made and copied. */
const EMPTY_LOCK = 4311

/** Migrating takes ten times as long as copying what was migrated; so whoever comes first does it for all. */
async function copyEmpty(name: string): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl() })
  await client.connect()
  try {
    await client.query(`SELECT pg_advisory_lock(${EMPTY_LOCK})`)
    const there = await client.query(`SELECT 1 FROM pg_database WHERE datname = '${EMPTY}'`)
    if (there.rowCount === 0) {
      await client.query(`CREATE DATABASE ${EMPTY}_begun`)
      await migrateAt(addressOf(`${EMPTY}_begun`))
      await client.query(`ALTER DATABASE ${EMPTY}_begun RENAME TO ${EMPTY}`)
    }
    await client.query(`CREATE DATABASE ${name} TEMPLATE ${EMPTY}`)
  } finally {
    // Ends the lock with it.
    await client.end()
  }
}

const administer = (sql: string): Promise<void> => runSql(adminUrl(), sql)

async function runSql(connectionString: string, sql: string): Promise<void> {
  const client = new pg.Client({ connectionString })
  await client.connect()
  await client.query(sql)
  await client.end()
}

export async function startTestServer({
  runsJobs = false,
  asksPrivateAddresses = false,
  filmHostPort = null,
  archivePort = null,
  archives = [],
  office = null,
  trustedProxies = [],
  databaseConnections = 10,
  state = '',
  mostOwnBytes = 1024 ** 4,
  readOnly = false,
  log,
  pages = () => undefined,
}: {
  runsJobs?: boolean
  asksPrivateAddresses?: boolean
  filmHostPort?: number | null
  archivePort?: number | null
  archives?: Settings['archives']
  office?: string | null
  trustedProxies?: Settings['trustedProxies']
  databaseConnections?: number
  mostOwnBytes?: number
  readOnly?: boolean
  /** What the database holds before it is migrated, as SQL. */
  state?: string
  /** Where the log goes; nowhere unless said. */
  log?: DestinationStream
  pages?: MountPages
} = {}): Promise<TestServer> {
  const { url: databaseUrl, drop } = await createTestDatabase(state)
  // It begins with a dot, as that of a checkout does.
  const dataFolder = await mkdtemp(join(tmpdir(), '.fernbrake-test-'))
  const settings: Settings = {
    port: 0,
    host: '127.0.0.1',
    databaseUrl,
    dataFolder,
    sessionSecret: 'a secret for tests',
    runsJobs,
    logLevel: log ? 'info' : 'silent',
    asksPrivateAddresses,
    filmHostPort,
    archivePort,
    archives,
    office,
    trustedProxies,
    databaseConnections,
    mostOwnBytes,
    readOnly,
  }
  const running = await openServer(settings, pages, log ? { logTo: log } : {})
  await new Promise<void>((resolve) => running.server.listen(0, '127.0.0.1', resolve))
  const url = `http://127.0.0.1:${(running.server.address() as AddressInfo).port}`
  return {
    ...running,
    url,
    settings,
    anonymous: () => supertest.agent(url),
    async signedIn(role) {
      const email = `${nanoid(8).toLowerCase()}@harrowmere.example`
      const person = await createAccount({ name: `Test ${role}`, email, role, password: PASSWORD })
      const agent = supertest.agent(url)
      const reply = await agent.post('/api/session').send({ email, password: PASSWORD }).expect(200)
      return { agent, person, cookie: String(reply.headers['set-cookie']).split(';')[0]! }
    },
    async stop() {
      await running.close()
      await drop()
      await rm(dataFolder, { recursive: true, force: true })
    },
  }
}

/** Puts a lesson straight into the database, with its owner, its film and, if wanted, its first edition. */
export async function putLesson(
  owner: Person,
  lesson: Lesson,
  { published = true } = {},
): Promise<{ lessonId: string; code: string }> {
  const lessonId = nanoid()
  const code = nanoid(12)
  await LessonRow.create({
    id: lessonId,
    draft: lesson,
    revision: 0,
    linkCode: published ? code : null,
  })
  await LessonRoleRow.create({ lessonId, personId: owner.id, role: 'owner' })
  if (published)
    await EditionRow.create({
      lessonId,
      number: 1,
      document: lesson,
      revision: 0,
      personId: owner.id,
    })
  return { lessonId, code }
}

/** Hours ago, and seconds after that; by then attempts of tests had begun. */
export const hoursAgo = (hours: number, seconds = 0): string =>
  new Date(STARTED_MS - hours * 3_600_000 + seconds * 1000).toISOString()
const STARTED_MS = Math.floor(Date.now() / 1000) * 1000

/** An attempt that was begun this long ago, so that there was time for all that is said to have been done in it. */
export const begunBefore = async (attemptId: string, ms = 86_400_000): Promise<void> =>
  void (await AttemptRow.update(
    { openedAt: new Date(Date.now() - ms) },
    { where: { id: attemptId } },
  ))

/** Somebody went into a lesson by its link as a guest, a day ago, and has an attempt of their own since then. */
export async function goInAsGuest(
  server: TestServer,
  code: string,
  name = 'Odile Harcastle',
): Promise<{ agent: Agent; attemptId: string }> {
  const agent = server.anonymous()
  const opened = await agent.post(`/api/links/${code}/attempts`).send({ name }).expect(201)
  const { attemptId } = opened.body as { attemptId: string }
  await begunBefore(attemptId)
  return { agent, attemptId }
}

/** A film that is ready, as far as rows go. */
export async function putMedia(owner: Person, id = nanoid()): Promise<string> {
  await MediaRow.create({
    id,
    ownerId: owner.id,
    title: 'A film',
    state: 'ready',
    bytes: 1,
    durationMs: 60_000,
    frameRate: '25',
    width: 960,
    height: 540,
    hasSound: true,
  })
  return id
}
