// The command behind `npm start` that prepares a database: migrates it, and fills a new one.
//   load.ts            migrate
//   load.ts --demo     migrate, then load the demo
//   load.ts --keeper   migrate, then make a first keeper and say with which password
import { randomBytes } from 'node:crypto'
import {
  connectDatabase,
  createAccount,
  defineModels,
  migrate,
  readSettings,
} from '@fernbrake/server'
import { loadDemo } from './index.ts'

const FIRST_KEEPER = 'keeper@fernbrake.example'

const settings = readSettings(process.env)
const database = connectDatabase(settings.databaseUrl, 2)
defineModels(database)
await migrate(database)
if (process.argv.includes('--keeper')) {
  const password = randomBytes(9).toString('base64url')
  await createAccount({ name: 'First Keeper', email: FIRST_KEEPER, role: 'keeper', password })
  console.log(`Sign in as ${FIRST_KEEPER} with the password ${password} (shown this once).`)
}
await database.close()
if (process.argv.includes('--demo')) {
  await loadDemo(settings)
  console.log('The demo is loaded.')
}
process.exit(0)
