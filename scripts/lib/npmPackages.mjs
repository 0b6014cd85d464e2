// npm packages: installed when the lock file is newer than what is there.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { giveUp, say } from './say.mjs'

/** Runs `npm ci` unless the packages of this lock file are installed already. */
export function needNpmPackages(root) {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const mark = join(root, 'node_modules', '.fernbrake-lock')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return
  say('Installing npm packages')
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel', 'error'], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
  })
  if (done.status !== 0) giveUp('The npm packages could not be installed; the lines above say why.')
  writeFileSync(mark, lock)
}
