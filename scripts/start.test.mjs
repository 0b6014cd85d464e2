// The start command on data folders that were renamed, copied, lost half of themselves, or whose server is killed.
import { spawn, spawnSync } from 'node:child_process'
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { once } from 'node:events'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { discardCluster } from './lib/cluster.mjs'
import { freePort } from './lib/postgres.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const KILLS = 7
let home
let port
const begun = []

beforeAll(async () => {
  home = mkdtempSync(join(tmpdir(), 'fernbrake-start-'))
  port = await freePort()
})
afterAll(async () => {
  for (const one of begun) await one.end()
  for (const name of ['first', 'renamed', 'copy']) {
    const place = join(home, name, 'database-place')
    if (existsSync(place)) discardCluster(resolve(home, name, readFileSync(place, 'utf8').trim()))
  }
  rmSync(home, { recursive: true, force: true })
})

const environment = (name) => ({
  ...process.env,
  ...{ FERNBRAKE_DATA: join(home, name), FERNBRAKE_PORT: String(port), FERNBRAKE_FILM_HOST: 'no' },
})

/** Runs a command of the project to its end. */
const run = (file, name, ...args) =>
  spawnSync(process.execPath, [join('scripts', file), ...args], {
    ...{ cwd: root, encoding: 'utf8', env: environment(name) },
  })

/** Starts Fernbrake and waits until it says that it is ready. */
async function begin(name, ...args) {
  const child = spawn(process.execPath, ['scripts/start.mjs', ...args], {
    ...{ cwd: root, env: environment(name), stdio: ['ignore', 'pipe', 'pipe'] },
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (chunk) => (said += String(chunk)))
  const ended = once(child, 'exit')
  const end = async (signal = 'SIGTERM') => {
    if (child.exitCode === null && child.signalCode === null) child.kill(signal)
    return ended
  }
  begun.push({ end })
  await vi.waitFor(() => expect(said).toContain('is ready'), { timeout: 200_000, interval: 50 })
  return { end, said: () => said }
}

const isHealthy = async () => (await fetch(`http://127.0.0.1:${port}/api/health`)).ok
const serverPid = (name) => Number(readFileSync(join(home, name, 'server.pid'), 'utf8'))
const filmOf = (name) => join(home, name, 'media', 'a-film', 'film.mp4')

describe('the start command', () => {
  it('starts a server again however often it is killed, says so, and ends when asked to', async () => {
    const started = await begin('first', '--empty')
    for (let kill = 1; kill <= KILLS; kill += 1) {
      const killed = serverPid('first')
      process.kill(killed, 'SIGKILL')
      await vi.waitFor(() => expect(serverPid('first')).not.toBe(killed), { timeout: 60_000 })
      await vi.waitFor(async () => expect(await isHealthy()).toBe(true), { timeout: 60_000 })
    }
    expect(started.said().match(/ended unexpectedly \(by SIGKILL\)/g)).toHaveLength(KILLS)
    expect(await started.end()).toEqual([0, null])
    expect(existsSync(join(home, 'first', 'start.pid'))).toBe(false)
  })

  it('finds the database of a folder that was renamed, and its files stay', async () => {
    mkdirSync(dirname(filmOf('first')), { recursive: true })
    writeFileSync(filmOf('first'), 'a film')
    renameSync(join(home, 'first'), join(home, 'renamed'))
    const started = await begin('renamed', '--empty')
    expect(started.said()).toContain('There is data already')
    expect(readFileSync(filmOf('renamed'), 'utf8')).toBe('a film')
    await started.end('SIGKILL')
  })

  it('leaves nothing behind, when it is killed, that keeps an account from being made', () => {
    const made = run('account.mjs', 'renamed', 'a@harrowmere.example', 'designer', 'Ada Fell')
    expect(made.stdout).toContain('can sign in')
  })

  it('refuses where files lie without their database, and leaves them alone', () => {
    mkdirSync(dirname(filmOf('lost')), { recursive: true })
    writeFileSync(filmOf('lost'), 'a film')
    const refused = run('start.mjs', 'lost')
    expect([refused.status, refused.stderr]).toEqual([
      1,
      expect.stringContaining('but not the database that knows them; nothing was changed'),
    ])
    expect(readFileSync(filmOf('lost'), 'utf8')).toBe('a film')
    expect(run('account.mjs', 'lost', 'a@harrowmere.example', 'designer', 'A').stderr).toContain(
      'There is no database',
    )
  })

  it('refuses where the noted database is gone, and does not begin another', () => {
    const folder = join(home, 'noted')
    mkdirSync(folder)
    writeFileSync(join(folder, 'database-place'), join(home, 'nowhere'))
    const refused = run('start.mjs', 'noted')
    expect([refused.status, refused.stderr]).toEqual([1, expect.stringContaining('is not there')])
    expect(readFileSync(join(folder, 'database-place'), 'utf8')).toBe(join(home, 'nowhere'))
  })

  it('does not let a copy of a folder take the database of the original', () => {
    const place = readFileSync(join(home, 'renamed', 'database-place'), 'utf8').trim()
    // Where the database lies in the folder, the copy has one of its own.
    if (place === 'postgres') return
    cpSync(join(home, 'renamed'), join(home, 'copy'), { recursive: true })
    rmSync(join(home, 'copy', 'start.pid'), { force: true })
    const refused = run('start.mjs', 'copy')
    expect([refused.status, refused.stderr]).toEqual([1, expect.stringContaining('is a copy of')])
  })
})
