// What a backup consists of, how it is written, and how it is checked: a folder with a dump of the database, the files that
// the dump names, the secret that sealed things are opened with, and a list of all of these with their sums.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  constants,
  copyFileSync,
  createReadStream,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { dirname, isAbsolute, join, normalize, sep } from 'node:path'
import { program } from './cluster.mjs'

const FORMAT = 'fernbrake-backup'
const VERSION = 1
const DUMP = 'database.dump'
const LIST = 'backup.json'
/** Files that lie in the data folder itself and belong to it. */
const SECRETS = ['session-secret']
/** Files that are removed while a dump is made make it incomplete; then another one is made. */
const MOST_TRIES = 3

function run(name, args, connection) {
  const env = { ...process.env, ...connection }
  const done = spawnSync(program(name), args, { env, encoding: 'utf8', maxBuffer: 1024 ** 3 })
  if (done.status !== 0) throw new Error(`${name} failed: ${done.stderr.trim()}`)
  return done.stdout
}

async function sumOf(path) {
  const hash = createHash('sha256')
  for await (const chunk of createReadStream(path)) hash.update(chunk)
  return { bytes: statSync(path).size, sha256: hash.digest('hex') }
}

/** The keys of the files that a dump names: read from the dump itself, so that both are of one moment. */
function keysInDump(dump) {
  return ['media_files', 'handed_files'].flatMap((table) => {
    const text = run('pg_restore', ['--data-only', `--table=${table}`, '-f', '-', dump])
    const lines = text.split('\n')
    const head = lines.findIndex((line) => line.startsWith('COPY '))
    if (head < 0) return []
    const columns = /\(([^)]*)\)/.exec(lines[head])[1].split(', ')
    const at = columns.indexOf('storage_key')
    const end = lines.indexOf('\\.', head)
    return lines.slice(head + 1, end).map((line) => line.split('\t')[at])
  })
}

function copyInto(from, to) {
  mkdirSync(dirname(to), { recursive: true })
  // Where the file system can, both names share their bytes until one of them changes.
  copyFileSync(from, to, constants.COPYFILE_FICLONE)
}

/** Whether the database still knows a file that is not there. */
const isKnown = (postgres, database, key) =>
  postgres.query(
    database,
    `SELECT count(*) FROM (SELECT storage_key FROM media_files UNION ALL SELECT storage_key FROM handed_files) f WHERE storage_key = '${key.replaceAll("'", "''")}'`,
  ) !== '0'

/**
 * Writes a backup into a new folder, while everything runs on; answers with how many files it has and which are missing
 * though the database names them. What has the folder's name is whole.
 */
export async function writeBackup({ postgres, database, dataFolder, folder, now = new Date() }) {
  const making = `${folder}.partial`
  for (let tries = 1; ; tries += 1) {
    rmSync(making, { recursive: true, force: true })
    mkdirSync(making, { recursive: true, mode: 0o700 })
    const dump = join(making, DUMP)
    run('pg_dump', ['-Fc', '--no-owner', '-f', dump], postgres.connection(database))
    const keys = [...new Set(keysInDump(dump))]
    const there = keys.filter((key) => existsSync(join(dataFolder, 'media', key)))
    const gone = keys.filter((key) => !there.includes(key))
    const missing = gone.filter((key) => isKnown(postgres, database, key))
    if (gone.length > missing.length && tries < MOST_TRIES) continue
    const names = there.map((key) => join('media', key))
    const own = SECRETS.filter((name) => existsSync(join(dataFolder, name)))
    for (const name of [...names, ...own]) copyInto(join(dataFolder, name), join(making, name))
    const files = []
    for (const path of [DUMP, ...own, ...names])
      files.push({ path, ...(await sumOf(join(making, path))) })
    const list = { format: FORMAT, version: VERSION, madeAt: now.toISOString(), missing, files }
    writeFileSync(join(making, LIST), JSON.stringify(list, null, 2))
    renameSync(making, folder)
    return { files: files.length, missing }
  }
}

/** Whether a path of a list stays within its folder. */
function staysInside(path) {
  const plain = normalize(path)
  return !isAbsolute(plain) && plain !== '..' && !plain.startsWith(`..${sep}`)
}

/** Reads a backup's list and checks every file against it. Throws a plain sentence where it is none, or is damaged. */
export async function checkBackup(folder) {
  const listPath = join(folder, LIST)
  if (!existsSync(listPath))
    throw new Error(`${folder} is no backup of Fernbrake: it has no ${LIST}.`)
  const list = JSON.parse(readFileSync(listPath, 'utf8'))
  if (list.format !== FORMAT || list.version !== VERSION)
    throw new Error(`${folder} is a backup of another kind or of a newer version.`)
  for (const { path, bytes, sha256 } of list.files) {
    const file = join(folder, path)
    const isThere = staysInside(path) && existsSync(file)
    const sum = isThere ? await sumOf(file) : null
    if (sum?.bytes !== bytes || sum.sha256 !== sha256)
      throw new Error(
        `The backup is damaged: ${path} is missing or not as it was written. Nothing was changed.`,
      )
  }
  return list
}

/** Loads a backup's dump into a new, empty database. */
export const loadDump = (postgres, database, folder) =>
  run(
    'pg_restore',
    ['--exit-on-error', '--no-owner', '-d', database, join(folder, DUMP)],
    postgres.connection(database),
  )

/** Copies the files of a backup into a folder. */
export function copyFiles(list, from, to) {
  for (const { path } of list.files) if (path !== DUMP) copyInto(join(from, path), join(to, path))
}
