// Makes an account, or gives an existing one a new password: npm run account -- <address> <role> "<full name>"
import { hash } from '@node-rs/argon2'
import { randomBytes } from 'node:crypto'
import {
  connectDatabase,
  createAccount,
  defineModels,
  readSettings,
  select,
  run,
} from '@fernbrake/server'

const [email, role, name] = process.argv.slice(2)
const roles = ['designer', 'learner', 'keeper'] as const
const wanted = roles.find((candidate) => candidate === role)
if (!email?.includes('@') || !wanted || !name) {
  console.error('Say: npm run account -- <address> <designer|learner|keeper> "<full name>"')
  process.exit(1)
}
const settings = readSettings(process.env)
const database = connectDatabase(settings.databaseUrl, 2)
defineModels(database)
const password = randomBytes(9).toString('base64url')
const known = await select(database, 'SELECT id FROM people WHERE email = lower($1)', [email])
if (known.length > 0)
  await run(database, 'UPDATE people SET password_hash = $2 WHERE email = lower($1)', [
    email,
    await hash(password),
  ])
else await createAccount({ email, name, role: wanted, password })
console.log(`${email} can sign in with the password ${password} (shown this once).`)
process.exit(0)
