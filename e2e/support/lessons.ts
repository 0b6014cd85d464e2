// A lesson that is published already, put into a server's database as it is.
import pg from 'pg'
import type { Lesson } from '@fernbrake/core/lesson'
import type { Settings } from '@fernbrake/server'

/** Runs `work` with a connection of its own to the database of a server. */
export async function inDatabase<T>(
  { databaseUrl }: Settings,
  work: (client: pg.Client) => Promise<T>,
): Promise<T> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}

/** Puts a lesson in with one edition, owned by whoever has this address; answers with its owner's id. */
export async function putLesson(
  client: pg.Client,
  ownerEmail: string,
  { id, lesson }: { id: string; lesson: Lesson },
): Promise<string> {
  const { rows } = await client.query<{ id: string }>('SELECT id FROM people WHERE email = $1', [
    ownerEmail,
  ])
  const owner = rows[0]!.id
  const document = JSON.stringify(lesson)
  await client.query('INSERT INTO lessons (id, draft, revision) VALUES ($1, $2, 1)', [id, document])
  await client.query(`INSERT INTO lesson_roles VALUES ($1, $2, 'owner')`, [id, owner])
  await client.query(
    'INSERT INTO editions (lesson_id, number, document, revision) VALUES ($1, 1, $2, 1)',
    [id, document],
  )
  return owner
}
