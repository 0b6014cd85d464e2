// Where the cluster of a data folder lies, who owns it, and what keeps it from being begun anew. PostgreSQL refuses to run
// as root, so as root it runs under the `postgres` account; where that account cannot enter the data folder, the cluster
// lies apart. The data folder says where, so that it may be renamed; the cluster says for whom, so that a copy of a data
// folder never takes it over.
import { execFileSync, spawnSync } from 'node:child_process'
import { randomBytes, createHash } from 'node:crypto'
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { isAbsolute, join, relative, resolve } from 'node:path'
import { postgresPrograms } from './debian.mjs'

export const USER = 'fernbrake'
const isRoot = process.getuid() === 0
/** Where clusters lie that cannot lie in their data folder. */
const APART = '/var/lib/fernbrake'

/** Runs a program as the account that the cluster belongs to. */
export function asOwner(program, args) {
  return isRoot ? ['runuser', ['-u', 'postgres', '--', program, ...args]] : [program, args]
}

export const program = (name) => join(postgresPrograms(), name)

const isCluster = (folder) => existsSync(join(folder, 'PG_VERSION'))
const placeFile = (dataFolder) => join(dataFolder, 'database-place')
const ownerFile = (folder) => `${folder}.belongs-to`

/** The folders of a data folder in which people's files lie. */
export const FILE_FOLDERS = ['media', 'uploads']

/** Whether there is anything in a data folder that somebody would miss. */
export const hasFiles = (dataFolder) =>
  FILE_FOLDERS.some((name) => {
    const folder = join(dataFolder, name)
    return existsSync(folder) && readdirSync(folder).length > 0
  })

/** Where the data folder says that its cluster lies; null where it says nothing yet. */
function notedPlace(dataFolder) {
  const file = placeFile(dataFolder)
  return existsSync(file) ? resolve(dataFolder, readFileSync(file, 'utf8').trim()) : null
}

function recordPlace(dataFolder, folder) {
  const inside = relative(dataFolder, folder)
  const place = inside.startsWith('..') || isAbsolute(inside) ? folder : inside
  writeFileSync(placeFile(dataFolder), `${place}\n`)
}

/** Where the cluster of a data folder lay before that was noted: by the folder's path, or in it. */
function unnotedPlace(dataFolder) {
  const places = [apartFrom(dataFolder), join(dataFolder, 'postgres')]
  return places.find(isCluster) ?? null
}

const apartFrom = (dataFolder) =>
  join(APART, createHash('sha256').update(dataFolder).digest('hex').slice(0, 16))

/**
 * The folder of the cluster that belongs to a data folder, or null where there is none yet. Throws a plain sentence where
 * the one that is noted is gone, cannot be reached, or belongs to another data folder as well; whoever `startsOver` needs
 * neither the first nor the last of these, and gets null.
 */
export function findCluster(dataFolder, { startsOver = false } = {}) {
  const noted = notedPlace(dataFolder)
  if (noted && !isCluster(noted)) {
    if (startsOver) return null
    throw new Error(
      `The database of this data should lie in ${noted}, and is not there. Put it back, or restore a backup: npm run restore. To start over from the demo and lose what is in ${dataFolder}: npm start -- --fresh`,
    )
  }
  const folder = noted ?? unnotedPlace(dataFolder)
  if (!folder) return null
  if (!mayEnter(folder))
    throw new Error(
      `The account “postgres” cannot enter ${folder} any more, where the database lies. Let it enter that folder and those above it, then start again.`,
    )
  const owner = existsSync(ownerFile(folder)) && readFileSync(ownerFile(folder), 'utf8').trim()
  if (owner && owner !== dataFolder && notedPlace(owner) === folder) {
    if (startsOver) return null
    throw new Error(
      `${dataFolder} is a copy of ${owner}, and both name the same database in ${folder}. Use the original, or restore a backup into another folder: npm run restore.`,
    )
  }
  noteOwnership(dataFolder, folder)
  return folder
}

function noteOwnership(dataFolder, folder) {
  recordPlace(dataFolder, folder)
  if (!relative(dataFolder, folder).startsWith('..')) return
  writeFileSync(ownerFile(folder), `${dataFolder}\n`)
}

/** Removes the cluster of a data folder that only lived for a while. */
export function discardCluster(folder) {
  rmSync(folder, { recursive: true, force: true })
  rmSync(ownerFile(folder), { force: true })
}

const mayEnter = (folder) => !isRoot || spawnSync(...asOwner('test', ['-x', folder])).status === 0

/**
 * Begins a cluster for a data folder that has none, and answers with its folder. Throws a plain sentence where files lie
 * there whose database is missing, unless `startsOver`.
 */
export function beginCluster(dataFolder, password, { startsOver = false } = {}) {
  if (hasFiles(dataFolder) && !startsOver) throw new Error(filesWithoutDatabase(dataFolder))
  const folder = freePlace(dataFolder)
  if (existsSync(folder) && readdirSync(folder).length > 0)
    throw new Error(
      `${folder} is to hold the database, but something else lies there. Look at it, move it away, then start again.`,
    )
  initialise(folder, password)
  noteOwnership(dataFolder, folder)
  return folder
}

export const filesWithoutDatabase = (dataFolder) =>
  `There are films and files in ${dataFolder}, but not the database that knows them; nothing was changed. If the folder was moved or restored, put its database back with it, or restore a backup: npm run restore. To start over from the demo and lose these files: npm start -- --fresh`

function freePlace(dataFolder) {
  const beside = join(dataFolder, 'postgres')
  const existed = existsSync(beside)
  mkdirSync(beside, { recursive: true })
  if (mayEnter(beside)) return beside
  if (!existed) rmdirSync(beside)
  const apart = apartFrom(dataFolder)
  // Where a folder of this name had its database once, that one stays untouched.
  return existsSync(apart) ? `${apart}-${randomBytes(4).toString('hex')}` : apart
}

function giveToOwner(path, mode) {
  chmodSync(path, mode)
  if (!isRoot) return
  const id = (flag) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }))
  chownSync(path, id('-u'), id('-g'))
}

/** Under another name first: what has the cluster's name is whole, however the making ended. */
function initialise(folder, password) {
  const making = `${folder}.making`
  rmSync(making, { recursive: true, force: true })
  mkdirSync(making, { recursive: true })
  giveToOwner(making, 0o700)
  const secrets = mkdtempSync(join(tmpdir(), 'fernbrake-init-'))
  const passwordFile = join(secrets, 'password')
  writeFileSync(passwordFile, password, { mode: 0o600 })
  giveToOwner(passwordFile, 0o600)
  giveToOwner(secrets, 0o700)
  const args = ['-D', making, '-U', USER, '--auth=scram-sha-256', `--pwfile=${passwordFile}`]
  const more = ['-E', 'UTF8', '--locale=C.UTF-8', '--no-instructions']
  const done = spawnSync(...asOwner(program('initdb'), [...args, ...more]), {
    encoding: 'utf8',
    cwd: '/',
  })
  rmSync(secrets, { recursive: true, force: true })
  if (done.status !== 0) throw new Error(`The database could not be prepared:\n${done.stderr}`)
  renameSync(making, folder)
}
