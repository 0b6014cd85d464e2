// What the tests of the commands share: running them on data folders of their own, and clearing those away.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { once } from 'node:events'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, vi } from 'vitest'
import { discardCluster } from './cluster.mjs'
import { freePort } from './postgres.mjs'

const here = resolve(dirname(fileURLToPath(import.meta.url)), '..', '..')

/** A place for data folders, for the commands of the project in `root`; `clear` ends what runs and removes it all. */
export async function createHome(root = here) {
  const home = mkdtempSync(join(tmpdir(), 'fernbrake-commands-'))
  const port = await freePort()
  const begun = []
  const environment = (name) => ({
    ...process.env,
    FERNBRAKE_DATA: join(home, name),
    FERNBRAKE_PORT: String(port),
    FERNBRAKE_FILM_HOST: 'no',
    FERNBRAKE_ARCHIVE: 'no',
  })
  return {
    port,
    pathOf: (...names) => join(home, ...names),
    /** Runs a command of the project to its end. */
    run: (file, name, ...args) =>
      spawnSync(process.execPath, [join('scripts', file), ...args], {
        cwd: root,
        encoding: 'utf8',
        env: environment(name),
      }),
    /** Starts Fernbrake and waits until it says that it is ready. */
    async begin(name, ...args) {
      const child = spawn(process.execPath, ['scripts/start.mjs', ...args], {
        cwd: root,
        env: environment(name),
        stdio: ['ignore', 'pipe', 'pipe'],
      })
      let said = ''
      for (const stream of [child.stdout, child.stderr])
        stream.on('data', (chunk) => (said += String(chunk)))
      const ended = once(child, 'exit')
      const end = async (signal = 'SIGTERM') => {
        if (child.exitCode === null && child.signalCode === null) child.kill(signal)
        return ended
      }
      begun.push(end)
      await vi.waitFor(() => expect(said).toContain('is ready'), { timeout: 200_000, interval: 50 })
      return { end, said: () => said }
    },
    async clear() {
      for (const end of begun) await end()
      for (const name of readdirSync(home)) {
        const place = join(home, name, 'database-place')
        if (!existsSync(place)) continue
        const folder = resolve(home, name, readFileSync(place, 'utf8').trim())
        if (existsSync(folder)) discardCluster(folder)
      }
      rmSync(home, { recursive: true, force: true })
    },
  }
}
