// SQL about classes and who is in them.
import type { Class, ClassCard, Member } from '@fernbrake/core/contract'
import type { Ask } from '../../database/connect.ts'

export async function listTaught(ask: Ask, personId: string): Promise<ClassCard[]> {
  const rows = await ask<Omit<ClassCard, 'lastSeenAt'> & { lastSeenAt: Date | null }>(
    `SELECT c.id, c.title, c.is_over AS "isOver",
            (SELECT count(*)::int FROM enrolments e WHERE e.class_id = c.id AND e.left_at IS NULL) AS members,
            (SELECT count(*)::int FROM class_groups g WHERE g.class_id = c.id) AS groups,
            (SELECT max(t.last_seen_at) FROM attempts t JOIN assignments a ON a.id = t.assignment_id
              WHERE a.class_id = c.id) AS "lastSeenAt"
       FROM classes c JOIN class_teachers t ON t.class_id = c.id
      WHERE t.person_id = $1 ORDER BY c.is_over, lower(c.title)`,
    [personId],
  )
  return rows.map((row) => ({ ...row, lastSeenAt: row.lastSeenAt?.toISOString() ?? null }))
}

export const readTeachers = (ask: Ask, classId: string) =>
  ask<Class['teachers'][number]>(
    `SELECT p.id, p.name, p.email FROM class_teachers t JOIN people p ON p.id = t.person_id
      WHERE t.class_id = $1 ORDER BY lower(p.name)`,
    [classId],
  )

export const readGroups = (ask: Ask, classId: string) =>
  ask<Class['groups'][number]>(
    'SELECT id, title FROM class_groups WHERE class_id = $1 ORDER BY lower(title)',
    [classId],
  )

type MemberRow = Omit<Member, 'joinedAt' | 'leftAt' | 'lastSeenAt'> & {
  joinedAt: Date
  leftAt: Date | null
  lastSeenAt: Date | null
}

/** Everybody who is or was in a class, by name. */
export async function readMembers(ask: Ask, classId: string): Promise<Member[]> {
  const rows = await ask<MemberRow>(
    `SELECT p.id, p.name, p.role, coalesce(p.sign_in, p.email) AS "signIn",
            coalesce(g.groups, '{}') AS groups, e.joined_at AS "joinedAt", e.left_at AS "leftAt",
            e.moderates, seen.at AS "lastSeenAt",
            CASE WHEN p.home_class IS DISTINCT FROM e.class_id OR p.role <> 'learner' THEN 'other'
                 WHEN p.card IS NOT NULL THEN 'open' ELSE 'used' END AS card
       FROM enrolments e JOIN people p ON p.id = e.person_id
       LEFT JOIN LATERAL (SELECT array_agg(group_id ORDER BY group_id) AS groups FROM group_members m
                           WHERE m.class_id = e.class_id AND m.person_id = e.person_id) g ON true
       LEFT JOIN (SELECT t.person_id, max(t.last_seen_at) AS at
                    FROM attempts t JOIN assignments a ON a.id = t.assignment_id
                   WHERE a.class_id = $1 GROUP BY t.person_id) seen ON seen.person_id = p.id
      WHERE e.class_id = $1 ORDER BY lower(p.name), p.id`,
    [classId],
  )
  const clock = (date: Date | null) => date && new Date(date).toISOString()
  return rows.map((row) => ({
    ...row,
    joinedAt: clock(row.joinedAt)!,
    leftAt: clock(row.leftAt),
    lastSeenAt: clock(row.lastSeenAt),
  }))
}

/** The sign-in names that are taken already of these and of these with a number behind. */
export async function readTakenNames(ask: Ask, wanted: readonly string[]): Promise<Set<string>> {
  const rows = await ask<{ name: string }>(
    `WITH wanted AS (SELECT DISTINCT unnest($1::text[]) AS name)
     SELECT p.sign_in AS name FROM wanted w JOIN people p ON p.sign_in = w.name
     UNION
     SELECT p.sign_in FROM wanted w JOIN people p ON regexp_replace(p.sign_in, '[0-9]+$', '') = w.name`,
    [wanted],
  )
  return new Set(rows.map(({ name }) => name))
}

export interface NewLearner {
  id: string
  name: string
  signIn: string
  card: Buffer
}

/** Makes accounts of these learners and puts them into the class, in one statement. */
export async function enrolNew(
  ask: Ask,
  classId: string,
  learners: readonly NewLearner[],
): Promise<void> {
  if (learners.length === 0) return
  await ask(
    `WITH made AS (
       INSERT INTO people (id, name, role, sign_in, card, home_class)
       SELECT id, name, 'learner', sign_in, decode(card, 'base64'), $1
         FROM unnest($2::text[], $3::text[], $4::text[], $5::text[]) AS u(id, name, sign_in, card)
       RETURNING id)
     INSERT INTO enrolments (class_id, person_id) SELECT $1, id FROM made`,
    [
      classId,
      learners.map(({ id }) => id),
      learners.map(({ name }) => name),
      learners.map(({ signIn }) => signIn),
      learners.map(({ card }) => card.toString('base64')),
    ],
  )
}

/** Puts people with accounts into a class, or back into it. */
export async function enrolKnown(
  ask: Ask,
  classId: string,
  personIds: readonly string[],
): Promise<void> {
  await ask(
    `INSERT INTO enrolments (class_id, person_id) SELECT $1, unnest($2::text[])
     ON CONFLICT (class_id, person_id) DO UPDATE SET left_at = NULL`,
    [classId, personIds],
  )
}

/** Puts people into groups by their titles; groups that are missing are made under the ids given. */
export async function putInGroups(
  ask: Ask,
  classId: string,
  members: readonly { personId: string; title: string }[],
  newId: () => string,
): Promise<void> {
  if (members.length === 0) return
  const titles = [...new Set(members.map(({ title }) => title))]
  await ask(
    `INSERT INTO class_groups (class_id, id, title)
     SELECT $1, u.id, u.title FROM unnest($2::text[], $3::text[]) AS u(id, title) ON CONFLICT DO NOTHING`,
    [classId, titles.map(newId), titles],
  )
  await ask(
    `INSERT INTO group_members (class_id, group_id, person_id)
     SELECT $1, g.id, u.person_id FROM unnest($2::text[], $3::text[]) AS u(person_id, title)
       JOIN class_groups g ON g.class_id = $1 AND g.title = u.title
     ON CONFLICT DO NOTHING`,
    [classId, members.map(({ personId }) => personId), members.map(({ title }) => title)],
  )
}

/** Whose cards can be printed: people of the class, with accounts that it made. */
export const readCards = (ask: Ask, classId: string, people: readonly string[] | null) =>
  ask<{ id: string; name: string; signIn: string; card: Buffer | null; groups: string }>(
    `SELECT p.id, p.name, p.sign_in AS "signIn", p.card,
            coalesce((SELECT string_agg(g.title, ', ' ORDER BY g.title)
                        FROM group_members m JOIN class_groups g ON g.class_id = m.class_id AND g.id = m.group_id
                       WHERE m.class_id = e.class_id AND m.person_id = p.id), '') AS groups
       FROM enrolments e JOIN people p ON p.id = e.person_id
      WHERE e.class_id = $1 AND e.left_at IS NULL AND p.home_class = $1 AND p.role = 'learner'
        AND p.sign_in IS NOT NULL
        AND ($2::text[] IS NULL OR p.id = ANY($2::text[]))
      ORDER BY lower(p.name), p.id`,
    [classId, people],
  )

export async function storeCards(
  ask: Ask,
  cards: readonly { id: string; card: Buffer }[],
): Promise<void> {
  if (cards.length === 0) return
  await ask(
    `UPDATE people SET card = decode(u.card, 'base64')
       FROM unnest($1::text[], $2::text[]) AS u(id, card) WHERE people.id = u.id`,
    [cards.map(({ id }) => id), cards.map(({ card }) => card.toString('base64'))],
  )
}
