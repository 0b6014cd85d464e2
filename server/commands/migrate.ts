// The command behind `npm start` that brings a database to the schema of this version.
//   migrate.ts            migrates
//   migrate.ts --keeper   migrates, then makes a first keeper and says with which password
import { randomBytes } from 'node:crypto'
import { connectDatabase } from '../database/connect.ts'
import { migrate } from '../database/migrate.ts'
import { defineModels } from '../database/models.ts'
import { createAccount } from '../people/people.ts'
import { readSettings } from '../settings.ts'

const FIRST_KEEPER = 'keeper@fernbrake.example'

const database = connectDatabase(readSettings(process.env).databaseUrl, 2)
defineModels(database)
await migrate(database)
if (process.argv.includes('--keeper')) {
  const password = randomBytes(9).toString('base64url')
  await createAccount({ name: 'First Keeper', email: FIRST_KEEPER, role: 'keeper', password })
  console.log(`Sign in as ${FIRST_KEEPER} with the password ${password} (shown this once).`)
}
await database.close()
process.exit(0)
