// Makes an account, or gives an existing one a new password: npm run account -- <address> <role> "<full name>"
import { randomBytes } from 'node:crypto'
import { connectDatabase } from '../database/connect.ts'
import { defineModels } from '../database/models.ts'
import { createAccount, givePassword } from '../people/people.ts'
import { readSettings } from '../settings.ts'

const [email, role, name] = process.argv.slice(2)
const roles = ['designer', 'learner', 'keeper'] as const
const wanted = roles.find((candidate) => candidate === role)
if (!email?.includes('@') || !wanted || !name) {
  console.error('Say: npm run account -- <address> <designer|learner|keeper> "<full name>"')
  process.exit(1)
}
const database = connectDatabase(readSettings(process.env).databaseUrl, 2)
defineModels(database)
const password = randomBytes(9).toString('base64url')
if (!(await givePassword(email, password)))
  await createAccount({ email, name, role: wanted, password })
console.log(`${email} can sign in with the password ${password} (shown this once).`)
process.exit(0)
