// SQL about who works on a lesson, and who may learn it.
import type { Sharing } from '@fernbrake/core/contract'
import type { Ask } from '../../database/connect.ts'

/** Who works on a lesson, owners first. */
export const readWorkers = (ask: Ask, lessonId: string) =>
  ask<Sharing['people'][number]>(
    `SELECT p.id, p.name, p.email, r.role FROM lesson_roles r JOIN people p ON p.id = r.person_id
      WHERE r.lesson_id = $1
      ORDER BY array_position(ARRAY['owner', 'editor', 'commenter', 'viewer'], r.role), p.name`,
    [lessonId],
  )

/** The addresses of those who are named to learn a lesson. */
export async function readInvited(ask: Ask, lessonId: string): Promise<string[]> {
  const rows = await ask<{ email: string }>(
    'SELECT email FROM lesson_invited WHERE lesson_id = $1 ORDER BY email',
    [lessonId],
  )
  return rows.map(({ email }) => email)
}

/** Names some to learn a lesson, and others no longer; addresses in small letters. */
export async function storeInvited(
  ask: Ask,
  lessonId: string,
  { invite, uninvite }: { invite: readonly string[]; uninvite: readonly string[] },
): Promise<void> {
  await ask('DELETE FROM lesson_invited WHERE lesson_id = $1 AND email = ANY($2::text[])', [
    lessonId,
    uninvite,
  ])
  await ask(
    `INSERT INTO lesson_invited (lesson_id, email) SELECT $1, unnest($2::text[]) ON CONFLICT DO NOTHING`,
    [lessonId, invite],
  )
}

export interface OpenRow {
  lesson_id: string
  code: string
  title: string
  summary: string
  level: string
  tags: string[]
  has_cover: boolean
  published_at: Date
}

/** The published lessons that everyone may learn, the newest edition first. */
export const readOpen = (ask: Ask) =>
  ask<OpenRow>(
    `SELECT l.id AS lesson_id, l.link_code AS code, e.document->>'title' AS title, e.document->>'summary' AS summary,
            COALESCE(e.document->>'level', '') AS level, COALESCE(e.document->'tags', '[]') AS tags,
            e.document ? 'cover' AS has_cover, e.published_at
       FROM lessons l JOIN LATERAL (
         SELECT document, published_at FROM editions
          WHERE lesson_id = l.id ORDER BY number DESC LIMIT 1) e ON true
      WHERE l.seen_by = 'everyone' AND l.link_code IS NOT NULL
      ORDER BY e.published_at DESC LIMIT 500`,
    [],
  )

/** Whether somebody works on a lesson, has begun it by its link, or, where it is for people who are named, is named. */
export async function isKnownTo(
  ask: Ask,
  lessonId: string,
  { id, email }: { id: string; email: string | null },
  isForNamed: boolean,
): Promise<boolean> {
  const found = await ask(
    `SELECT 1 AS found WHERE
       EXISTS (SELECT 1 FROM lesson_roles WHERE lesson_id = $1 AND person_id = $2)
       OR EXISTS (SELECT 1 FROM attempts WHERE lesson_id = $1 AND person_id = $2 AND assignment_id IS NULL)
       OR ($3 AND EXISTS (SELECT 1 FROM lesson_invited WHERE lesson_id = $1 AND email = $4))`,
    [lessonId, id, isForNamed, email],
  )
  return found.length > 0
}
