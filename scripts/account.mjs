// npm run account: makes an account or gives one a new password, while Fernbrake is not running.
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { runProgram } from './lib/children.mjs'
import { startPostgres } from './lib/postgres.mjs'
import { giveUp } from './lib/say.mjs'
import { existsSync } from 'node:fs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const dataFolder = resolve(process.env.FERNBRAKE_DATA ?? join(root, '.data'))
if (existsSync(join(dataFolder, 'server.pid')))
  giveUp('Stop Fernbrake first (Ctrl-C where it runs).')
const postgres = await startPostgres(dataFolder)
const env = { FERNBRAKE_DATABASE_URL: postgres.url('fernbrake'), FERNBRAKE_DATA: dataFolder }
await runProgram(root, 'demo/account.ts', process.argv.slice(2), env).catch(
  () => (process.exitCode = 1),
)
await postgres.stop()
