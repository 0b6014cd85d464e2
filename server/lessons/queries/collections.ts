// SQL about collections of lessons.
import type { Collection } from '@fernbrake/core/contract'
import type { Ask } from '../../database/connect.ts'
import type { OpenRow } from './sharing.ts'

const ABOUT = `c.id, c.title, c.summary, c.seen_by AS "seenBy", c.code,
  array(SELECT i.lesson_id FROM collection_lessons i JOIN lesson_roles r ON r.lesson_id = i.lesson_id AND r.person_id = c.owner_id
         WHERE i.collection_id = c.id ORDER BY i.position, i.lesson_id) AS "lessonIds"`

/** Somebody's collections, by title. */
export const readCollections = (ask: Ask, ownerId: string) =>
  ask<Collection>(
    `SELECT ${ABOUT} FROM collections c WHERE c.owner_id = $1 ORDER BY lower(c.title), c.id`,
    [ownerId],
  )

export async function readCollection(
  ask: Ask,
  id: string,
): Promise<(Collection & { ownerId: string }) | null> {
  const [row] = await ask<Collection & { ownerId: string }>(
    `SELECT ${ABOUT}, c.owner_id AS "ownerId" FROM collections c WHERE c.id = $1`,
    [id],
  )
  return row ?? null
}

/** Holds a collection, so that whoever else changes it waits; answers with whether it is there. */
export async function lockCollection(ask: Ask, id: string): Promise<boolean> {
  const rows = await ask('SELECT 1 AS held FROM collections WHERE id = $1 FOR UPDATE', [id])
  return rows.length > 0
}

/** Makes a collection under an id that nobody used; answers with whether it did. */
export async function insertCollection(
  ask: Ask,
  { id, ownerId, title, code }: Record<'id' | 'ownerId' | 'title' | 'code', string>,
): Promise<boolean> {
  const rows = await ask(
    `INSERT INTO collections (id, owner_id, title, code) VALUES ($1, $2, $3, $4)
     ON CONFLICT (id) DO NOTHING RETURNING id`,
    [id, ownerId, title, code],
  )
  return rows.length > 0
}

type Words = Partial<Pick<Collection, 'title' | 'summary' | 'seenBy'>>

export const storeAbout = (ask: Ask, id: string, { title, summary, seenBy }: Words) =>
  ask(
    `UPDATE collections SET title = coalesce($2, title), summary = coalesce($3, summary),
            seen_by = coalesce($4, seen_by), changed_at = now() WHERE id = $1`,
    [id, title ?? null, summary ?? null, seenBy ?? null],
  )

/** Which lessons are in it, in this order; all others leave. */
export async function storeLessons(
  ask: Ask,
  id: string,
  lessonIds: readonly string[],
): Promise<void> {
  await ask('DELETE FROM collection_lessons WHERE collection_id = $1', [id])
  await ask(
    `INSERT INTO collection_lessons (collection_id, lesson_id, position)
     SELECT $1, t.id, t.at FROM unnest($2::text[]) WITH ORDINALITY AS t (id, at) JOIN lessons l ON l.id = t.id`,
    [id, lessonIds],
  )
}

/** All that are in it, those too that its owner may no longer see. */
export async function lessonsIn(ask: Ask, id: string): Promise<string[]> {
  const rows = await ask<{ id: string }>(
    'SELECT lesson_id AS id FROM collection_lessons WHERE collection_id = $1 ORDER BY position, lesson_id',
    [id],
  )
  return rows.map((row) => row.id)
}

/** How many of these lessons somebody works on, in any role. */
export async function countMine(
  ask: Ask,
  personId: string,
  lessonIds: readonly string[],
): Promise<number> {
  const [row] = await ask<{ mine: number }>(
    'SELECT count(*)::int AS mine FROM lesson_roles WHERE person_id = $1 AND lesson_id = ANY($2::text[])',
    [personId, lessonIds],
  )
  return row!.mine
}

export async function countCollections(ask: Ask, ownerId: string): Promise<number> {
  const [row] = await ask<{ count: number }>(
    'SELECT count(*)::int AS count FROM collections WHERE owner_id = $1',
    [ownerId],
  )
  return row!.count
}

export const deleteCollection = (ask: Ask, id: string) =>
  ask('DELETE FROM collections WHERE id = $1', [id])

/** The lessons of a collection that whoever has their link may learn, and its owner still works on. */
const SHOWN = `collection_lessons i JOIN lessons l ON l.id = i.lesson_id
  JOIN lesson_roles r ON r.lesson_id = l.id AND r.person_id = c.owner_id
  JOIN LATERAL (SELECT document, published_at FROM editions WHERE lesson_id = l.id ORDER BY number DESC LIMIT 1) e ON true
 WHERE i.collection_id = c.id AND l.link_code IS NOT NULL AND l.seen_by IN ('link', 'everyone')`

/** A shared collection by its code. */
export async function readShared(ask: Ask, code: string) {
  const [row] = await ask<{ id: string; title: string; summary: string; by: string }>(
    `SELECT c.id, c.title, c.summary, p.name AS by FROM collections c JOIN people p ON p.id = c.owner_id
      WHERE c.code = $1 AND c.seen_by <> 'me'`,
    [code],
  )
  return row ?? null
}

export const lessonsShown = (ask: Ask, id: string) =>
  ask<OpenRow>(
    `SELECT shown.lesson_id, shown.code, shown.title, shown.summary, shown.level, shown.tags, shown.has_cover, shown.published_at
       FROM collections c, LATERAL (
         SELECT l.id AS lesson_id, l.link_code AS code, e.document->>'title' AS title, e.document->>'summary' AS summary,
                COALESCE(e.document->>'level', '') AS level, COALESCE(e.document->'tags', '[]') AS tags,
                e.document ? 'cover' AS has_cover, e.published_at, i.position FROM ${SHOWN}) AS shown
      WHERE c.id = $1 ORDER BY shown.position, shown.lesson_id`,
    [id],
  )

/** The collections that everyone may see and that show something, the one changed last first. */
export const readOpenCollections = (ask: Ask) =>
  ask<{ code: string; title: string; summary: string; by: string; lessons: number }>(
    `SELECT * FROM (
       SELECT c.code, c.title, c.summary, p.name AS by, (SELECT count(*)::int FROM ${SHOWN}) AS lessons, c.changed_at
         FROM collections c JOIN people p ON p.id = c.owner_id WHERE c.seen_by = 'everyone'
        ORDER BY c.changed_at DESC LIMIT 200) AS shared
      WHERE lessons > 0 ORDER BY changed_at DESC`,
    [],
  )
