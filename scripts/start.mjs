// npm start: installs what is missing, prepares the database, loads the demo once, builds, serves.
//   --fresh  start over from the demo     --empty  without the demo     --dev  with hot reload
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { needBuild, SERVER } from './lib/build.mjs'
import { FILE_FOLDERS, filesWithoutDatabase, hasFiles } from './lib/cluster.mjs'
import { endLeftover, hasEnded, notePid, runningProcess, runProgram } from './lib/children.mjs'
import { needPackages } from './lib/debian.mjs'
import { needNpmPackages } from './lib/npmPackages.mjs'
import { freePort, startPostgres } from './lib/postgres.mjs'
import { createRestarts } from './lib/restarts.mjs'
import { giveUp, say } from './lib/say.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const wants = (flag) => process.argv.includes(`--${flag}`)
const dataFolder = resolve(process.env.FERNBRAKE_DATA ?? join(root, '.data'))
const USUAL_PORT = 4310
let wantedPort = Number(process.env.FERNBRAKE_PORT ?? USUAL_PORT)
const pidFile = join(dataFolder, 'server.pid')
const ownPidFile = join(dataFolder, 'start.pid')
/** Is there while a new database is filled: files that lie in the data folder meanwhile are the demo's. */
const loadingFile = join(dataFolder, 'loading')
/** A server that does not end when asked to is ended. */
const ENDING_LIMIT_MS = 15_000
const DATABASE = 'fernbrake'
/** A package may come without the demo, and then begins empty. */
const hasDemo = existsSync(join(root, 'demo', 'load.ts'))
const beginsEmpty = wants('empty') || !hasDemo

if (!Number.isInteger(wantedPort) || wantedPort < 1 || wantedPort > 65535)
  giveUp(
    `FERNBRAKE_PORT is “${process.env.FERNBRAKE_PORT}”, which is not a port between 1 and 65535.`,
  )
needPackages(['postgresql', 'ffmpeg', 'fonts-dejavu-core', 'poppler-utils'])
needNpmPackages(root)
mkdirSync(dataFolder, { recursive: true })
const other = runningProcess(ownPidFile, 'scripts/start.mjs')
if (other)
  giveUp(
    `Fernbrake is already running with this data (process ${other}). Stop it there with Ctrl-C, or set FERNBRAKE_DATA to another folder and FERNBRAKE_PORT to another port.`,
  )
if (existsSync(join(dataFolder, 'restoring')))
  giveUp('A backup was being restored here and was cut off. Restore it again: npm run restore.')
notePid(ownPidFile, process.pid)
await endLeftover(pidFile)
// Whoever works on it may have another one running, and has not said which port this one is to have.
if (wants('dev') && !process.env.FERNBRAKE_PORT)
  wantedPort = await freePort(wantedPort).catch(() => freePort())
await freePort(wantedPort).catch(() =>
  giveUp(
    `Port ${wantedPort} is taken by another program. Start with another one: FERNBRAKE_PORT=${wantedPort + 1} npm start`,
  ),
)

let server = null
let closing = false
const postgres = await startPostgres(dataFolder, [], { startsOver: wants('fresh') }).catch(
  (error) => {
    rmSync(ownPidFile, { force: true })
    giveUp(error.message)
  },
)

async function close(code = 0) {
  if (closing) return
  closing = true
  if (server && !hasEnded(server)) {
    const ended = new Promise((done) => server.once('exit', done))
    server.kill('SIGTERM')
    const limit = setTimeout(() => server.kill('SIGKILL'), ENDING_LIMIT_MS)
    await ended
    clearTimeout(limit)
  }
  await postgres.stop()
  for (const file of [pidFile, ownPidFile]) rmSync(file, { force: true })
  process.exit(code)
}
process.on('SIGINT', () => void close())
process.on('SIGTERM', () => void close())
// A terminal that is closed must not leave server and database behind.
process.on('SIGHUP', () => void close())

const standInsAt = (port) => ({ FERNBRAKE_FILM_HOST: port, FERNBRAKE_ARCHIVE: port })

const environment = (database) => ({
  FERNBRAKE_DATABASE_URL: postgres.url(database),
  FERNBRAKE_DATA: dataFolder,
  FERNBRAKE_PORT: String(wantedPort),
  // The stand-ins show the demo's films and pictures.
  ...(hasDemo && !wants('dev') ? {} : standInsAt(hasDemo ? '0' : 'no')),
})

const has = (name) =>
  postgres.query('postgres', `SELECT 1 FROM pg_database WHERE datname = '${name}'`) === '1'

const migrate = (database, args = []) =>
  runProgram(root, 'server/commands/migrate.ts', args, environment(database))

/**
 * Sees to it that no files lie about when a new database is begun. Files go only where it was asked for, or where a load
 * of the demo that was cut off left them; all others are somebody's, and their database is looked for first.
 */
function clearTheWay(loading) {
  const wasCutOff = existsSync(loadingFile) && has(loading)
  if (hasFiles(dataFolder) && !wants('fresh') && !wasCutOff)
    throw new Error(filesWithoutDatabase(dataFolder))
  for (const name of FILE_FOLDERS) rmSync(join(dataFolder, name), { recursive: true, force: true })
}

/**
 * Fills a new database under another name and renames it when it is whole: a load that is cut off leaves nothing. One that is there
 * already is brought up to date by the server itself, before it listens.
 */
async function prepareDatabase() {
  if (wants('fresh') && has(DATABASE))
    postgres.query('postgres', `DROP DATABASE ${DATABASE} WITH (FORCE)`)
  if (has(DATABASE)) {
    rmSync(loadingFile, { force: true })
    if (wants('empty'))
      say(
        'There is data already; it stays. To start over without the demo: npm start -- --fresh --empty',
      )
    return
  }
  const loading = `${DATABASE}_loading`
  clearTheWay(loading)
  postgres.query('postgres', `DROP DATABASE IF EXISTS ${loading} WITH (FORCE)`)
  postgres.query('postgres', `CREATE DATABASE ${loading}`)
  writeFileSync(loadingFile, '')
  say(beginsEmpty ? 'Preparing the database' : 'Preparing the database and loading the demo')
  await migrate(loading, beginsEmpty ? ['--keeper'] : [])
  if (!beginsEmpty) await runProgram(root, 'demo/load.ts', [], environment(loading))
  postgres.query('postgres', `ALTER DATABASE ${loading} RENAME TO ${DATABASE}`)
  rmSync(loadingFile)
}

const restarts = createRestarts()
let hasListened = false

function serve(onListening) {
  // In development the server begins anew whenever a file of its own changes.
  const program = wants('dev')
    ? [
        '--watch',
        '--watch-preserve-output',
        '--import',
        'tsx',
        'server/main.ts',
        '--migrate',
        '--dev',
      ]
    : // What the thousands of rows of large results leave behind is cleared away in larger pieces; in MB.
      ['--enable-source-maps', '--max-semi-space-size=32', SERVER, '--migrate']
  // In a process group of its own, so that Ctrl-C comes to it through this command alone, in the right order.
  server = spawn(process.execPath, program, {
    cwd: root,
    env: {
      ...process.env,
      ...environment(DATABASE),
      ...(wants('dev') ? {} : { NODE_ENV: 'production' }),
    },
    stdio: ['ignore', 'pipe', 'inherit'],
    detached: true,
  })
  notePid(pidFile, server.pid)
  let isListening = false
  server.stdout.on('data', (chunk) => {
    if (!isListening && String(chunk).startsWith('listening')) {
      isListening = hasListened = true
      onListening()
    } else process.stdout.write(chunk)
  })
  server.once('exit', (code, signal) => {
    if (closing) return
    // What never began will not begin by being tried again.
    if (!hasListened) return void close(code || 1)
    const pauseMs = restarts.next(performance.now())
    const how = signal ? `by ${signal}` : `with ${code}`
    const when = pauseMs === 0 ? '' : ` in ${pauseMs / 1000} s, because it ended often just now`
    say(`The server ended unexpectedly (${how}) and is started again${when}.`)
    setTimeout(() => !closing && serve(() => say('The server is back.')), pauseMs)
  })
}

try {
  await prepareDatabase()
  if (!wants('dev')) await needBuild(root)
} catch (error) {
  console.error(`Fernbrake could not be prepared: ${error.message}`)
  await close(1)
}
await postgres.keepRunning(() => say('The database ended unexpectedly and is started again.'))
serve(() => say(`Fernbrake is ready at http://127.0.0.1:${wantedPort}`))
