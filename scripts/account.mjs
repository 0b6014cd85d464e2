// npm run account: makes an account or gives one a new password, while Fernbrake is not running.
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { findCluster } from './lib/cluster.mjs'
import { endLeftover, runningProcess, runProgram } from './lib/children.mjs'
import { startPostgres } from './lib/postgres.mjs'
import { giveUp } from './lib/say.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const dataFolder = resolve(process.env.FERNBRAKE_DATA ?? join(root, '.data'))
if (runningProcess(join(dataFolder, 'start.pid'), 'scripts/start.mjs'))
  giveUp('Stop Fernbrake first (Ctrl-C where it runs).')
// A start that was killed may have left its server behind; the next start would end it as well.
await endLeftover(join(dataFolder, 'server.pid'))
const hasDatabase = () => {
  try {
    return findCluster(dataFolder) !== null
  } catch (error) {
    return giveUp(error.message)
  }
}
if (!hasDatabase()) giveUp(`There is no database in ${dataFolder} yet. Begin with npm start.`)
const postgres = await startPostgres(dataFolder)
const env = { FERNBRAKE_DATABASE_URL: postgres.url('fernbrake'), FERNBRAKE_DATA: dataFolder }
await runProgram(root, 'server/commands/account.ts', process.argv.slice(2), env).catch(
  () => (process.exitCode = 1),
)
await postgres.stop()
