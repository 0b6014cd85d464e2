// The start command on data folders that were renamed, copied, lost half of themselves, or whose server is killed.
import {
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { dirname, join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { createHome } from './lib/commands.testing.mjs'

const KILLS = 7
let home
beforeAll(async () => (home = await createHome()))
afterAll(() => home.clear())
const { run, begin } = {
  run: (...args) => home.run(...args),
  begin: (...args) => home.begin(...args),
}

const isHealthy = async () => (await fetch(`http://127.0.0.1:${home.port}/api/health`)).ok
const serverPid = (name) => Number(readFileSync(home.pathOf(name, 'server.pid'), 'utf8'))
const filmOf = (name) => home.pathOf(name, 'media', 'a-film', 'film.mp4')

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
    expect(existsSync(home.pathOf('first', 'start.pid'))).toBe(false)
  })

  it('finds the database of a folder that was renamed, and its files stay', async () => {
    mkdirSync(dirname(filmOf('first')), { recursive: true })
    writeFileSync(filmOf('first'), 'a film')
    renameSync(home.pathOf('first'), home.pathOf('renamed'))
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
    const folder = home.pathOf('noted')
    mkdirSync(folder)
    writeFileSync(join(folder, 'database-place'), home.pathOf('nowhere'))
    const refused = run('start.mjs', 'noted')
    expect([refused.status, refused.stderr]).toEqual([1, expect.stringContaining('is not there')])
    expect(readFileSync(join(folder, 'database-place'), 'utf8')).toBe(home.pathOf('nowhere'))
  })

  it('does not let a copy of a folder take the database of the original', () => {
    const place = readFileSync(home.pathOf('renamed', 'database-place'), 'utf8').trim()
    // Where the database lies in the folder, the copy has one of its own.
    if (place === 'postgres') return
    cpSync(home.pathOf('renamed'), home.pathOf('copy'), { recursive: true })
    rmSync(home.pathOf('copy', 'start.pid'), { force: true })
    const refused = run('start.mjs', 'copy')
    expect([refused.status, refused.stderr]).toEqual([1, expect.stringContaining('is a copy of')])
  })
})
