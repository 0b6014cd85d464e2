// Brings the database to this version's schema; forward only.
import { Umzug, SequelizeStorage } from 'umzug'
import { run, type Database } from './connect.ts'
import { SCHEMA_001 } from './schema001.ts'
import { SCHEMA_002 } from './schema002.ts'

const MIGRATIONS = [
  { name: '001-first-schema', sql: SCHEMA_001 },
  { name: '002-shots-and-pauses', sql: SCHEMA_002 },
]

function umzugFor(database: Database) {
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, sql }) => ({
      name,
      // One transaction each: a migration that fails leaves nothing behind.
      up: () =>
        database.transaction(async (transaction) => {
          await database.query(sql, { transaction })
        }),
    })),
    storage: new SequelizeStorage({ sequelize: database, tableName: 'migrations' }),
    logger: undefined,
  })
}

/** Applies what is pending; several processes may call this at once, one does the work. */
export async function migrate(database: Database): Promise<void> {
  await database.transaction(async (transaction) => {
    await run(database, 'SELECT pg_advisory_xact_lock(431000)', [], transaction)
    await umzugFor(database).up()
  })
}

/** Whether migrations are pending; a server must not run on an older schema. */
export async function hasPendingMigrations(database: Database): Promise<boolean> {
  return (await umzugFor(database).pending()).length > 0
}
