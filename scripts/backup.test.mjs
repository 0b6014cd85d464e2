// A backup is of everything, is made while all runs, is checked, and puts back what there was; a damaged one changes nothing.
import { appendFileSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { createHome } from './lib/commands.testing.mjs'
import { openPostgres } from './lib/postgres.mjs'

let home
beforeAll(async () => (home = await createHome()))
afterAll(() => home.clear())

const KEY = 'a-film/original.mp4'
const backup = () => home.pathOf('backup')
const filmOf = (name) => home.pathOf(name, 'media', KEY)

/** Asks the database of a data folder. */
async function ask(name, sql) {
  const postgres = await openPostgres(home.pathOf(name))
  try {
    return postgres.query('fernbrake', sql)
  } finally {
    await postgres.stop()
  }
}

it('is made while Fernbrake runs, with the database and the files that it names', async () => {
  const running = await home.begin('first', '--empty')
  mkdirSync(dirname(filmOf('first')), { recursive: true })
  writeFileSync(filmOf('first'), 'a film')
  await ask(
    'first',
    `INSERT INTO media (id, owner_id, title, state, bytes) SELECT 'a-film', id, 'A film', 'preparing', 6 FROM people;
     INSERT INTO media_files (media_id, kind, storage_key, content_type, bytes) VALUES ('a-film', 'original', '${KEY}', 'video/mp4', 6)`,
  )
  const made = home.run('backup.mjs', 'first', backup())
  expect([made.status, made.stderr]).toEqual([0, ''])
  const list = JSON.parse(readFileSync(join(backup(), 'backup.json'), 'utf8'))
  const paths = list.files.map(({ path }) => path)
  expect(paths).toEqual(['database.dump', 'session-secret', join('media', KEY)])
  expect(home.run('backup.mjs', 'first', backup()).stderr).toContain('is there already')
  // Not while it runs: two would write at once.
  expect(home.run('restore.mjs', 'first', backup(), '--replace').stderr).toContain('Stop Fernbrake')
  await running.end()
})

it('is put into an empty place, and what starts there is what there was', async () => {
  const restored = home.run('restore.mjs', 'second', backup())
  expect([restored.status, restored.stderr]).toEqual([0, ''])
  expect(readFileSync(filmOf('second'), 'utf8')).toBe('a film')
  const secret = (name) => readFileSync(home.pathOf(name, 'session-secret'), 'utf8')
  expect(secret('second')).toBe(secret('first'))
  const running = await home.begin('second')
  expect(running.said()).not.toContain('demo')
  expect(await ask('second', 'SELECT title FROM media')).toBe('A film')
  await running.end()
})

it('takes the place of nothing unless it is told to, and then puts it aside', async () => {
  await ask('second', `UPDATE media SET title = 'Changed since'`)
  const refused = home.run('restore.mjs', 'second', backup())
  expect([refused.status, refused.stderr]).toEqual([
    1,
    expect.stringContaining('nothing was changed'),
  ])
  expect(await ask('second', 'SELECT title FROM media')).toBe('Changed since')
  const replaced = home.run('restore.mjs', 'second', backup(), '--replace')
  expect(replaced.status).toBe(0)
  expect(await ask('second', 'SELECT title FROM media')).toBe('A film')
  const postgres = await openPostgres(home.pathOf('second'))
  const names = postgres.query(
    'postgres',
    `SELECT datname FROM pg_database WHERE datname LIKE 'fernbrake_before_%'`,
  )
  expect(postgres.query(names, 'SELECT title FROM media')).toBe('Changed since')
  await postgres.stop()
})

it('that was cut off in the middle keeps Fernbrake from starting on half of it, and is done again', async () => {
  writeFileSync(home.pathOf('second', 'restoring'), backup())
  expect(home.run('start.mjs', 'second').stderr).toContain('was cut off')
  expect(home.run('restore.mjs', 'second', backup()).status).toBe(0)
  expect(existsSync(home.pathOf('second', 'restoring'))).toBe(false)
})

it('says which files are missing though the database names them', () => {
  rmSync(filmOf('first'))
  const made = home.run('backup.mjs', 'first', home.pathOf('incomplete'))
  expect([made.status, made.stderr]).toEqual([1, expect.stringContaining(KEY)])
})

it('that is damaged, or none, changes nothing', async () => {
  appendFileSync(join(backup(), 'media', KEY), '!')
  const damaged = home.run('restore.mjs', 'third', backup())
  expect([damaged.status, damaged.stderr]).toEqual([1, expect.stringContaining('is damaged')])
  expect(home.run('restore.mjs', 'third', home.pathOf('first')).stderr).toContain('is no backup')
  expect(existsSync(home.pathOf('third', 'media'))).toBe(false)
})
