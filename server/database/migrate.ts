// Brings the database to this version's schema; forward only.
import type { Transaction } from 'sequelize'
import { upgradeLesson } from '@fernbrake/core/lesson'
import { run, select, type Database } from './connect.ts'
import { SCHEMA_001 } from './schema001.ts'
import { SCHEMA_002 } from './schema002.ts'
import { SCHEMA_004 } from './schema004.ts'
import { SCHEMA_005 } from './schema005.ts'
import { SCHEMA_006 } from './schema006.ts'
import { SCHEMA_007 } from './schema007.ts'
import { SCHEMA_008 } from './schema008.ts'
import { SCHEMA_009 } from './schema009.ts'
import { SCHEMA_010 } from './schema010.ts'
import { SCHEMA_011 } from './schema011.ts'
import { SCHEMA_012 } from './schema012.ts'
import { SCHEMA_013 } from './schema013.ts'
import { SCHEMA_014 } from './schema014.ts'
import { SCHEMA_015 } from './schema015.ts'
import { SCHEMA_016 } from './schema016.ts'
import { SCHEMA_017 } from './schema017.ts'
import { SCHEMA_018 } from './schema018.ts'
import { SCHEMA_019 } from './schema019.ts'
import { SCHEMA_020 } from './schema020.ts'
import { SCHEMA_021 } from './schema021.ts'
import { SCHEMA_022 } from './schema022.ts'
import { SCHEMA_023 } from './schema023.ts'
import { SCHEMA_024 } from './schema024.ts'
import { SCHEMA_025 } from './schema025.ts'
import { SCHEMA_026 } from './schema026.ts'
import { SCHEMA_027 } from './schema027.ts'
import { SCHEMA_028 } from './schema028.ts'
import { SCHEMA_029 } from './schema029.ts'
import { SCHEMA_030 } from './schema030.ts'
import { SCHEMA_031 } from './schema031.ts'
import { SCHEMA_032 } from './schema032.ts'
import { SCHEMA_033 } from './schema033.ts'
import { SCHEMA_034 } from './schema034.ts'

type Up = (database: Database, transaction: Transaction) => Promise<unknown>

const sql =
  (statements: string): Up =>
  (database, transaction) =>
    database.query(statements, { transaction })

const MIGRATIONS: { name: string; up: Up }[] = [
  { name: '001-first-schema', up: sql(SCHEMA_001) },
  { name: '002-shots-and-pauses', up: sql(SCHEMA_002) },
  { name: '003-lessons-with-an-ending', up: upgradeDocuments },
  { name: '004-snapshots-of-drafts', up: sql(SCHEMA_004) },
  { name: '005-choices', up: sql(SCHEMA_005) },
  { name: '006-shelf', up: sql(SCHEMA_006) },
  { name: '007-sounds-and-cuts', up: sql(SCHEMA_007) },
  { name: '008-handed-files', up: sql(SCHEMA_008) },
  { name: '009-kept-questions', up: sql(SCHEMA_009) },
  { name: '010-finished-parts', up: sql(SCHEMA_010) },
  { name: '011-things-seen-and-documents', up: sql(SCHEMA_011) },
  { name: '012-sharing', up: sql(SCHEMA_012) },
  { name: '013-media-from-addresses', up: sql(SCHEMA_013) },
  { name: '014-hosted-films', up: sql(SCHEMA_014) },
  { name: '015-own-notes', up: sql(SCHEMA_015) },
  { name: '016-hosted-films-have-no-frames', up: sql(SCHEMA_016) },
  { name: '017-classes', up: sql(SCHEMA_017) },
  { name: '018-assignments', up: sql(SCHEMA_018) },
  { name: '019-marks', up: sql(SCHEMA_019) },
  { name: '020-talk', up: sql(SCHEMA_020) },
  { name: '021-what-mails-are-about', up: sql(SCHEMA_021) },
  { name: '022-clocks-and-proven-ends', up: sql(SCHEMA_022) },
  { name: '023-indexes', up: sql(SCHEMA_023) },
  { name: '024-excused-work', up: sql(SCHEMA_024) },
  { name: '025-films-looked-at-once-more', up: sql(SCHEMA_025) },
  { name: '026-what-is-told', up: sql(SCHEMA_026) },
  { name: '027-identities-and-outbox', up: sql(SCHEMA_027) },
  { name: '028-runs', up: sql(SCHEMA_028) },
  { name: '029-own-network', up: sql(SCHEMA_029) },
  { name: '030-many-lessons', up: sql(SCHEMA_030) },
  { name: '031-where-from', up: sql(SCHEMA_031) },
  { name: '032-sounds-of-films', up: sql(SCHEMA_032) },
  { name: '033-sign-in-names', up: sql(SCHEMA_033) },
  { name: '034-talk-by-link', up: sql(SCHEMA_034) },
]

/** Brings every draft and edition to this version's shape of a lesson. */
async function upgradeDocuments(database: Database, transaction: Transaction): Promise<void> {
  interface Stored {
    key: unknown[]
    document: unknown
  }
  const tables = [
    [
      'SELECT jsonb_build_array(id) AS key, draft AS document FROM lessons',
      'UPDATE lessons SET draft = $1 WHERE id = $2',
    ],
    [
      'SELECT jsonb_build_array(lesson_id, number) AS key, document FROM editions',
      'UPDATE editions SET document = $1 WHERE lesson_id = $2 AND number = $3',
    ],
  ] as const
  for (const [read, write] of tables)
    for (const { key, document } of await select<Stored>(database, read, [], transaction))
      await run(database, write, [JSON.stringify(upgradeLesson(document)), ...key], transaction)
}

/** Fetched where something is pending alone: it takes longer to read than all that a start asks the database. */
async function umzugFor(database: Database) {
  const { Umzug, SequelizeStorage } = await import('umzug')
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up }) => ({
      name,
      // One transaction each: a migration that fails leaves nothing behind.
      up: () => database.transaction((transaction) => up(database, transaction)),
    })),
    storage: new SequelizeStorage({ sequelize: database, tableName: 'migrations' }),
    logger: undefined,
  })
}

/** Applies what is pending; several processes may call this at once, one does the work. */
export async function migrate(database: Database): Promise<void> {
  if (!(await hasPendingMigrations(database))) return
  await database.transaction(async (transaction) => {
    await run(database, 'SELECT pg_advisory_xact_lock(431000)', [], transaction)
    await (await umzugFor(database)).up()
  })
}

/** Whether migrations are pending; a server must not run on an older schema. */
export async function hasPendingMigrations(database: Database): Promise<boolean> {
  const [found] = await select<{ is_there: boolean }>(
    database,
    `SELECT to_regclass('migrations') IS NOT NULL AS is_there`,
  )
  if (!found!.is_there) return true
  const applied = await select<{ name: string }>(database, 'SELECT name FROM migrations')
  const names = new Set(applied.map(({ name }) => name))
  return MIGRATIONS.some(({ name }) => !names.has(name))
}
