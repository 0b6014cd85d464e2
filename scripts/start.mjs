// npm start: installs what is missing, prepares the database, loads the demo once, builds, serves.
//   --fresh  start over from the demo     --empty  without the demo     --dev  with hot reload
import { spawn } from 'node:child_process'
import { mkdirSync, rmSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { needBuild } from './lib/build.mjs'
import { endLeftover, notePid, runningProcess, runProgram } from './lib/children.mjs'
import { needPackages } from './lib/debian.mjs'
import { needNpmPackages } from './lib/npmPackages.mjs'
import { freePort, startPostgres } from './lib/postgres.mjs'
import { giveUp, say } from './lib/say.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const wants = (flag) => process.argv.includes(`--${flag}`)
const dataFolder = resolve(process.env.FERNBRAKE_DATA ?? join(root, '.data'))
const wantedPort = Number(process.env.FERNBRAKE_PORT ?? 4310)
const pidFile = join(dataFolder, 'server.pid')
const ownPidFile = join(dataFolder, 'start.pid')
const MOST_RESTARTS = 5
const DATABASE = 'fernbrake'

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
notePid(ownPidFile, process.pid)
await endLeftover(pidFile, 'server/main.ts')
await freePort(wantedPort).catch(() =>
  giveUp(
    `Port ${wantedPort} is taken by another program. Start with another one: FERNBRAKE_PORT=${wantedPort + 1} npm start`,
  ),
)

let server = null
let closing = false
const postgres = await startPostgres(dataFolder).catch((error) => giveUp(error.message))

async function close(code = 0) {
  if (closing) return
  closing = true
  if (server && server.exitCode === null) {
    const ended = new Promise((done) => server.once('exit', done))
    server.kill('SIGTERM')
    await ended
  }
  await postgres.stop()
  for (const file of [pidFile, ownPidFile]) rmSync(file, { force: true })
  process.exit(code)
}
process.on('SIGINT', () => void close())
process.on('SIGTERM', () => void close())
// A terminal that is closed must not leave server and database behind.
process.on('SIGHUP', () => void close())

const environment = (database) => ({
  FERNBRAKE_DATABASE_URL: postgres.url(database),
  FERNBRAKE_DATA: dataFolder,
  FERNBRAKE_PORT: String(wantedPort),
})

/** Fills a new database under another name and renames it when it is whole: a load that is cut off leaves nothing. */
async function prepareDatabase() {
  const has = (name) =>
    postgres.query('postgres', `SELECT 1 FROM pg_database WHERE datname = '${name}'`) === '1'
  const fresh = wants('fresh')
  if (fresh && has(DATABASE)) postgres.query('postgres', `DROP DATABASE ${DATABASE} WITH (FORCE)`)
  if (has(DATABASE)) {
    if (wants('empty'))
      say(
        'There is data already; it stays. To start over without the demo: npm start -- --fresh --empty',
      )
    return runProgram(root, 'demo/load.ts', [], environment(DATABASE))
  }
  for (const name of ['media', 'uploads'])
    rmSync(join(dataFolder, name), { recursive: true, force: true })
  const loading = `${DATABASE}_loading`
  postgres.query('postgres', `DROP DATABASE IF EXISTS ${loading} WITH (FORCE)`)
  postgres.query('postgres', `CREATE DATABASE ${loading}`)
  say(wants('empty') ? 'Preparing the database' : 'Preparing the database and loading the demo')
  await runProgram(
    root,
    'demo/load.ts',
    [wants('empty') ? '--keeper' : '--demo'],
    environment(loading),
  )
  postgres.query('postgres', `ALTER DATABASE ${loading} RENAME TO ${DATABASE}`)
}

function serve(restarts, onListening) {
  const mode = wants('dev') ? ['--dev'] : []
  // In a process group of its own, so that Ctrl-C comes to it through this command alone, in the right order.
  server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', ...mode], {
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
      isListening = true
      onListening()
    } else process.stdout.write(chunk)
  })
  server.once('exit', (code) => {
    if (closing) return
    if (!isListening || restarts >= MOST_RESTARTS) return void close(code || 1)
    say('The server ended unexpectedly and is started again.')
    serve(restarts + 1, () => say('The server is back.'))
  })
}

try {
  await prepareDatabase()
  if (!wants('dev')) needBuild(root)
} catch (error) {
  console.error(`Fernbrake could not be prepared: ${error.message}`)
  await close(1)
}
await postgres.keepRunning(() => say('The database ended unexpectedly and is started again.'))
serve(0, () => say(`Fernbrake is ready at http://127.0.0.1:${wantedPort}`))
