// npm run restore: puts a backup in place, while Fernbrake is stopped. Nothing is deleted: what was there is put aside.
//   npm run restore -- <folder> [--replace]     --replace where there is data already
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { checkBackup, copyFiles, loadDump } from './lib/backups.mjs'
import { runningProcess } from './lib/children.mjs'
import { FILE_FOLDERS, hasFiles } from './lib/cluster.mjs'
import { needPackages } from './lib/debian.mjs'
import { startPostgres } from './lib/postgres.mjs'
import { giveUp, say } from './lib/say.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const dataFolder = resolve(process.env.FERNBRAKE_DATA ?? join(root, '.data'))
const [named, ...flags] = process.argv.slice(2)
const DATABASE = 'fernbrake'
const LOADING = `${DATABASE}_restoring`
/** Is there from when the first thing is put aside until the last is in place; a start waits for the end of it. */
const marker = join(dataFolder, 'restoring')
const stamp = new Date().toISOString().slice(0, 19).replace(/\D/g, '')

if (!named) giveUp('Say which backup: npm run restore -- <folder> [--replace]')
if (runningProcess(join(dataFolder, 'start.pid'), 'scripts/start.mjs'))
  giveUp('Stop Fernbrake first (Ctrl-C where it runs).')
needPackages(['postgresql'])
const backup = resolve(named)
const list = await checkBackup(backup).catch((error) => giveUp(error.message))
mkdirSync(dataFolder, { recursive: true })
const postgres = await startPostgres(dataFolder, [], { startsOver: true }).catch((error) =>
  giveUp(error.message),
)
const has = (name) =>
  postgres.query('postgres', `SELECT 1 FROM pg_database WHERE datname = '${name}'`) === '1'
const ask = (sql) => postgres.query('postgres', sql)

/** Puts what was there under another name. */
function putAside() {
  for (const name of [...FILE_FOLDERS, 'session-secret']) {
    const path = join(dataFolder, name)
    if (existsSync(path)) renameSync(path, `${path}.before-${stamp}`)
  }
  if (has(DATABASE)) ask(`ALTER DATABASE ${DATABASE} RENAME TO ${DATABASE}_before_${stamp}`)
}

async function restore() {
  const isCutOff = existsSync(marker)
  if (!flags.includes('--replace') && !isCutOff && (has(DATABASE) || hasFiles(dataFolder)))
    throw new Error(
      `There is data in ${dataFolder} already; nothing was changed. To put it aside and restore the backup: npm run restore -- ${named} --replace`,
    )
  ask(`DROP DATABASE IF EXISTS ${LOADING} WITH (FORCE)`)
  ask(`CREATE DATABASE ${LOADING}`)
  loadDump(postgres, LOADING, backup)
  const files = join(dataFolder, 'restored-files')
  rmSync(files, { recursive: true, force: true })
  mkdirSync(files)
  copyFiles(list, backup, files)
  writeFileSync(marker, `${backup}\n`)
  putAside()
  for (const name of ['media', 'session-secret'])
    if (existsSync(join(files, name))) renameSync(join(files, name), join(dataFolder, name))
  ask(`ALTER DATABASE ${LOADING} RENAME TO ${DATABASE}`)
  rmSync(files, { recursive: true, force: true })
  rmSync(marker)
}

try {
  await restore()
  say(`The backup of ${list.madeAt} is in place. Start Fernbrake with npm start.`)
  if (existsSync(join(dataFolder, `media.before-${stamp}`)))
    say(`What was there lies beside it, under names with “before-${stamp}”.`)
} catch (error) {
  console.error(error.message)
  process.exitCode = 1
} finally {
  await postgres.stop()
}
