// SQL about classes and who is in them.
import type { Class, ClassCard, Member } from '@fernbrake/core/contract'
import type { Ask } from '../../database/connect.ts'

export async function listTaught(ask: Ask, personId: string): Promise<ClassCard[]> {
  const rows = await ask<Omit<ClassCard, 'lastSeenAt'> & { lastSeenAt: Date | null }>(
    `SELECT c.id, c.title, c.is_over AS "isOver",
            (SELECT count(*)::int FROM enrolments e WHERE e.class_id = c.id AND e.left_at IS NULL) AS members,
            (SELECT count(*)::int FROM class_groups g WHERE g.class_id = c.id) AS groups,
            (SELECT max(t.last_seen_at) FROM attempts t JOIN assignments a ON a.id = t.assignment_id
              WHERE a.class_id = c.id) AS "lastSeenAt",
            coalesce((SELECT jsonb_agg(jsonb_build_object('assignmentId', a.id, 'title', e.document->>'title') ORDER BY a.position, a.id)
                        FROM assignments a JOIN LATERAL (SELECT document FROM editions WHERE lesson_id = a.lesson_id
                                                          ORDER BY number DESC LIMIT 1) e ON true
                       WHERE a.class_id = c.id), '[]') AS given
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

/** Makes a class; false where there is one with this id. */
export async function storeClass(
  ask: Ask,
  { id, title, timeZone }: { id: string; title: string; timeZone: string },
): Promise<boolean> {
  const made = await ask(
    `INSERT INTO classes (id, title, time_zone) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING RETURNING id`,
    [id, title, timeZone],
  )
  return made.length > 0
}

/** What is changed of a class; what is null stays, and so does the code where `isCodeSet` is false. */
export const updateClass = (
  ask: Ask,
  classId: string,
  change: {
    title: string | null
    timeZone: string | null
    isOver: boolean | null
    isCodeSet: boolean
    joinCode: string | null
    joinUntil: string | null
  },
) =>
  ask(
    `UPDATE classes SET title = coalesce($2, title), time_zone = coalesce($3, time_zone),
            is_over = coalesce($4, is_over),
            join_code = CASE WHEN $5 THEN $6 ELSE join_code END,
            join_until = CASE WHEN $5 THEN $7::timestamptz ELSE join_until END
      WHERE id = $1`,
    [
      classId,
      change.title,
      change.timeZone,
      change.isOver,
      change.isCodeSet,
      change.joinCode,
      change.joinUntil,
    ],
  )

/** Holds a class until the transaction is over; false where there is none. */
export async function holdClass(ask: Ask, classId: string): Promise<boolean> {
  return (await ask('SELECT id FROM classes WHERE id = $1 FOR UPDATE', [classId])).length > 0
}

/** Sign-in names are unique over all classes, so whoever makes some waits for the others to have made theirs. */
export const whileNaming = (ask: Ask) =>
  ask(`SELECT pg_advisory_xact_lock(hashtext('sign-in names'))`, [])

/** Whether anybody has an account under one of these ids. */
export async function isAnybody(ask: Ask, ids: readonly string[]): Promise<boolean> {
  return (await ask('SELECT id FROM people WHERE id = ANY($1::text[])', [ids])).length > 0
}

/** Whether somebody is in a class, or was; with `now`, whether they are. */
export async function isEnrolled(
  ask: Ask,
  classId: string,
  personId: string,
  when: 'ever' | 'now' = 'ever',
): Promise<boolean> {
  const rows = await ask(
    `SELECT 1 FROM enrolments WHERE class_id = $1 AND person_id = $2 AND ($3 OR left_at IS NULL)`,
    [classId, personId, when === 'ever'],
  )
  return rows.length > 0
}

export async function countEnrolled(ask: Ask, classId: string): Promise<number> {
  const [row] = await ask<{ count: number }>(
    'SELECT count(*)::int AS count FROM enrolments WHERE class_id = $1',
    [classId],
  )
  return row!.count
}

export const setLeft = (ask: Ask, classId: string, personId: string, hasLeft: boolean) =>
  ask(
    `UPDATE enrolments SET left_at = CASE WHEN $3 THEN coalesce(left_at, now()) END
      WHERE class_id = $1 AND person_id = $2`,
    [classId, personId, hasLeft],
  )

export const setModerates = (ask: Ask, classId: string, personId: string, moderates: boolean) =>
  ask('UPDATE enrolments SET moderates = $3 WHERE class_id = $1 AND person_id = $2', [
    classId,
    personId,
    moderates,
  ])

/** Puts somebody into these groups, and into no others of the class. */
export async function storeGroupsOf(
  ask: Ask,
  classId: string,
  personId: string,
  groups: readonly string[],
): Promise<void> {
  await ask('DELETE FROM group_members WHERE class_id = $1 AND person_id = $2', [classId, personId])
  await ask(
    `INSERT INTO group_members (class_id, group_id, person_id)
     SELECT DISTINCT $1, unnest($3::text[]), $2`,
    [classId, personId, groups],
  )
}

export const storeGroup = (ask: Ask, classId: string, id: string, title: string) =>
  ask(
    `INSERT INTO class_groups (class_id, id, title) VALUES ($1, $2, $3)
     ON CONFLICT (class_id, id) DO UPDATE SET title = excluded.title`,
    [classId, id, title],
  )

export const removeGroup = (ask: Ask, classId: string, groupId: string) =>
  ask('DELETE FROM class_groups WHERE class_id = $1 AND id = $2', [classId, groupId])

export const storeTeacher = (ask: Ask, classId: string, personId: string) =>
  ask('INSERT INTO class_teachers (class_id, person_id) VALUES ($1, $2) ON CONFLICT DO NOTHING', [
    classId,
    personId,
  ])

export const removeTeacher = (ask: Ask, classId: string, personId: string) =>
  ask('DELETE FROM class_teachers WHERE class_id = $1 AND person_id = $2', [classId, personId])

/** The class that people may join by this code now; null for none. */
export async function readByCode(
  ask: Ask,
  code: string,
): Promise<{ id: string; title: string } | null> {
  const rows = await ask<{ id: string; title: string }>(
    'SELECT id, title FROM classes WHERE join_code = $1 AND join_until > now() AND NOT is_over',
    [code],
  )
  return rows[0] ?? null
}
