// How long `npm start` takes on data that is there already, until it serves, beside starting PostgreSQL alone on the same data.
import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { REPOSITORY } from '@fernbrake/server'
import { freePort } from '../support/server.ts'
import { inRounds, type Figure } from './stating/figure.ts'
import { middle } from './stating/judge.ts'

interface Postgres {
  /** Where its data lies, which is not in the data folder where root runs it. */
  folder: string
  stop(): Promise<void>
}
const lib = <Module>(name: string) =>
  import(pathToFileURL(join(REPOSITORY, 'scripts', 'lib', name)).href) as Promise<Module>

/** Runs the command as somebody would, and ends it with Ctrl-C; ms until it answers that it is well. */
async function startOnce(dataFolder: string, port: number): Promise<number> {
  const began = performance.now()
  const child = spawn('npm', ['start', '--silent', '--', '--empty'], {
    cwd: REPOSITORY,
    env: {
      ...process.env,
      FERNBRAKE_DATA: dataFolder,
      FERNBRAKE_PORT: String(port),
      FERNBRAKE_FILM_HOST: 'no',
    },
    stdio: 'ignore',
    detached: true,
  })
  const ms = await untilWell(child, port).then(() => performance.now() - began)
  const ended = once(child, 'exit')
  process.kill(-child.pid!, 'SIGINT')
  await ended
  return ms
}

async function untilWell(child: ChildProcess, port: number): Promise<void> {
  for (;;) {
    if (child.exitCode !== null) throw new Error(`npm start ended with ${child.exitCode}`)
    const reply = await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null)
    if (reply?.ok) return
    await new Promise((done) => setTimeout(done, 20))
  }
}

async function postgresOnce(dataFolder: string): Promise<{ ms: number; folder: string }> {
  const { startPostgres } = await lib<{ startPostgres(folder: string): Promise<Postgres> }>(
    'postgres.mjs',
  )
  const began = performance.now()
  const postgres = await startPostgres(dataFolder)
  const ms = performance.now() - began
  await postgres.stop()
  return { ms, folder: postgres.folder }
}

async function discard(dataFolder: string, clusterFolder: string): Promise<void> {
  const { discardCluster } = await lib<{ discardCluster(folder: string): void }>('cluster.mjs')
  discardCluster(clusterFolder)
  await rm(dataFolder, { recursive: true, force: true })
}

export async function measureAgain(): Promise<Figure[]> {
  const dataFolder = await mkdtemp(join(tmpdir(), 'fernbrake-again-'))
  const port = await freePort()
  // The first start makes the database; it is not what is asked here.
  await startOnce(dataFolder, port)
  const whole: number[] = []
  const bare: number[] = []
  let folder = ''
  const rounds = await inRounds(async () => {
    const alone = await postgresOnce(dataFolder)
    folder = alone.folder
    bare.push(alone.ms)
    whole.push(await startOnce(dataFolder, port))
    return whole.at(-1)! / bare.at(-1)!
  })
  await discard(dataFolder, folder)
  return [
    {
      id: 'again.start',
      what: '`npm start` again after a stop, until it serves, beside starting PostgreSQL alone',
      unit: 'x',
      rounds,
      aim: { most: 3 },
      limit: '1 ×',
      reference: `${middle(whole).toFixed(0)} ms, PostgreSQL alone ${middle(bare).toFixed(0)} ms`,
    },
  ]
}
