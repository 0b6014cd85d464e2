// Starts the real server as its own process, so that tests can kill it as a power cut would.
import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { existsSync } from 'node:fs'
import { cp, mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { loadDemo } from '@fernbrake/demo'
import {
  connectDatabase,
  createAccount,
  defineModels,
  migrate,
  REPOSITORY,
  type Settings,
} from '@fernbrake/server'
import { demoOfRun } from './run.ts'

export interface RealServer {
  url: string
  settings: Settings
  /** Ends the process at once, as `kill -9` does. */
  kill(): Promise<void>
  start(): Promise<void>
  stop(): Promise<void>
}

const READY_LIMIT_MS = 300_000

export async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1')
  await once(probe, 'listening')
  const { port } = probe.address() as AddressInfo
  probe.close()
  await once(probe, 'close')
  return port
}

async function administer(sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.FERNBRAKE_TEST_DATABASE_URL })
  await client.connect()
  await client.query(sql)
  await client.end()
}

/** A server with a database of its own: with the demo, or with only the accounts of `people`. */
export async function startRealServer({ demo = false } = {}): Promise<RealServer> {
  const admin = process.env.FERNBRAKE_TEST_DATABASE_URL
  if (!admin) throw new Error('Run the browser tests with npm test, which starts their database.')
  const name = newName()
  const dataFolder = await mkdtemp(join(tmpdir(), 'fernbrake-e2e-'))
  const settings = await settingsOf(admin, name, dataFolder)
  if (demo) await copyDemo(admin, name, dataFolder)
  else {
    await administer(`CREATE DATABASE ${name}`)
    await prepare(settings, false)
  }
  const url = `http://127.0.0.1:${settings.port}`
  let child: ChildProcess | null = null
  const kill = async (signal: NodeJS.Signals) => {
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    const ended = once(child, 'exit')
    child.kill(signal)
    await ended
  }
  const start = async () => {
    child = spawnServer(settings)
    await untilListening(child)
  }
  await start()
  return {
    url,
    settings,
    start,
    kill: () => kill('SIGKILL'),
    async stop() {
      await kill('SIGTERM')
      await administer(`DROP DATABASE ${name} WITH (FORCE)`)
      await rm(dataFolder, { recursive: true, force: true })
    },
  }
}

const newName = () => `e2e_${Date.now()}_${Math.floor(Math.random() * 1e6)}`

async function settingsOf(admin: string, name: string, dataFolder: string): Promise<Settings> {
  const databaseUrl = new URL(admin)
  databaseUrl.pathname = `/${name}`
  return {
    port: await freePort(),
    host: '127.0.0.1',
    databaseUrl: databaseUrl.href,
    dataFolder,
    sessionSecret: 'a secret for tests',
    runsJobs: true,
    logLevel: 'error',
    asksPrivateAddresses: false,
    filmHostPort: await freePort(),
    archivePort: await freePort(),
    archives: [],
    office: null,
    trustedProxies: [],
    databaseConnections: 10,
    mostOwnBytes: 1024 ** 4,
    readOnly: false,
  }
}

/** Any number: the lock under which the demo is loaded. */
const LOADING_LOCK = 4310

/**
 * Loading the demo prepares its films, which takes a minute; so whoever needs it first loads it, and all others of the same
 * run wait and copy.
 */
async function copyDemo(admin: string, name: string, dataFolder: string): Promise<void> {
  const demo = demoOfRun()
  await withDemo(admin, (client) => client.query(`CREATE DATABASE ${name} TEMPLATE ${demo.name}`))
  await cp(demo.dataFolder, dataFolder, { recursive: true })
}

/** Does something while the demo is there and nobody else works on it; loads it where it is not there yet. */
export async function withDemo(
  admin: string,
  work: (client: pg.Client) => Promise<unknown> = () => Promise.resolve(),
): Promise<void> {
  const demo = demoOfRun()
  const client = new pg.Client({ connectionString: admin })
  await client.connect()
  try {
    await client.query(`SELECT pg_advisory_lock(${LOADING_LOCK})`)
    if (!existsSync(demo.whole)) await loadInto(admin, demo)
    await work(client)
  } finally {
    // Ends the lock with it.
    await client.end()
  }
}

type Demo = ReturnType<typeof demoOfRun>

async function loadInto(admin: string, { name, dataFolder, whole }: Demo): Promise<void> {
  await administer(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`)
  await rm(dataFolder, { recursive: true, force: true })
  await mkdir(dataFolder)
  await administer(`CREATE DATABASE ${name}`)
  await prepare(await settingsOf(admin, name, dataFolder), true)
  await writeFile(whole, '')
}

export const PASSWORD = 'a password for tests'
export const DESIGNER = {
  name: 'Merrin Coldwell',
  email: 'designer@harrowmere.example',
  role: 'designer',
} as const
export const COLLEAGUE = {
  name: 'Wren Tallis',
  email: 'colleague@harrowmere.example',
  role: 'designer',
} as const
export const LEARNER = {
  name: 'Tam Oakshott',
  email: 'learner@harrowmere.example',
  role: 'learner',
} as const

async function prepare(settings: Settings, demo: boolean): Promise<void> {
  const database = connectDatabase(settings.databaseUrl, 2)
  defineModels(database)
  await migrate(database)
  if (!demo)
    for (const person of [DESIGNER, COLLEAGUE, LEARNER])
      await createAccount({ ...person, password: PASSWORD })
  await database.close()
  if (demo) await loadDemo(settings)
}

/** As the start command runs it (scripts/start.mjs). */
const AS_STARTED = ['--enable-source-maps', '--max-semi-space-size=32']

/** With FERNBRAKE_PROFILE, a folder, the server writes there what its processor time went into. */
function profiling(): string[] {
  const folder = process.env.FERNBRAKE_PROFILE
  return folder ? ['--cpu-prof', `--cpu-prof-dir=${folder}`] : []
}

function spawnServer(settings: Settings): ChildProcess {
  return spawn(process.execPath, [...profiling(), ...AS_STARTED, 'server/dist/main.mjs'], {
    cwd: REPOSITORY,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      FERNBRAKE_DATABASE_URL: settings.databaseUrl,
      FERNBRAKE_DATA: settings.dataFolder,
      FERNBRAKE_PORT: String(settings.port),
      FERNBRAKE_SESSION_SECRET: settings.sessionSecret,
      FERNBRAKE_LOG: settings.logLevel,
      FERNBRAKE_FILM_HOST: String(settings.filmHostPort),
      FERNBRAKE_ARCHIVE: String(settings.archivePort),
      FERNBRAKE_OFFICE: settings.office ?? 'no',
    },
  })
}

async function untilListening(child: ChildProcess): Promise<void> {
  await new Promise<void>((resolve, reject) => {
    const timer = setTimeout(
      () => reject(new Error('The server did not start in time')),
      READY_LIMIT_MS,
    )
    child.stdout!.on('data', (chunk: Buffer) => {
      if (!chunk.toString().includes('listening')) return
      clearTimeout(timer)
      resolve()
    })
    child.once('exit', (code) => reject(new Error(`The server ended with ${code}`)))
  })
}
