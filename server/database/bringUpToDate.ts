// A database that is there already, brought to the schema of this version.
import type { Settings } from '../settings.ts'
import { connectDatabase } from './connect.ts'
import { migrate } from './migrate.ts'
import { defineModels } from './models.ts'

/** Migrates over a connection of its own; throws, and nothing is changed by the migration that failed. */
export async function bringUpToDate({ databaseUrl }: Pick<Settings, 'databaseUrl'>): Promise<void> {
  const database = connectDatabase(databaseUrl, 2)
  defineModels(database)
  await migrate(database)
  await database.close()
}
