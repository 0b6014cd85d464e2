// Builds interfaces and server when their sources are newer than what was built.
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { say } from './say.mjs'

/** What runs the server, once it is built. */
export const SERVER = 'server/dist/main.mjs'
const LEAVE_OUT = new Set(['node_modules', 'dist'])

function newest(path) {
  const found = statSync(path)
  if (!found.isDirectory()) return found.mtimeMs
  return readdirSync(path)
    .filter((name) => !LEAVE_OUT.has(name))
    .reduce((latest, name) => Math.max(latest, newest(join(path, name))), 0)
}

/**
 * Builds what is not built yet, or older than its sources; a package without sources was built before it was packed. Throws what the
 * build said where it fails: whoever asks may have a database to stop.
 */
export async function needBuild(root) {
  if (!existsSync(join(root, 'web', 'vite.config.ts'))) return
  const sources = ['core', 'player', 'web', 'server', 'package-lock.json'].map((name) =>
    newest(join(root, name)),
  )
  const built = ['player/dist/index.html', 'web/dist/index.html', SERVER].map((name) =>
    join(root, name),
  )
  const isFresh = built.every(
    (path) => existsSync(path) && statSync(path).mtimeMs > Math.max(...sources),
  )
  if (isFresh) return
  say('Building interface and server')
  const build = spawn('npm', ['run', 'build', '--silent'], { cwd: root })
  let said = ''
  for (const stream of [build.stdout, build.stderr]) stream.on('data', (chunk) => (said += chunk))
  const [code] = await once(build, 'close')
  if (code !== 0) throw new Error(`Interface and server could not be built:\n${said}`)
}
