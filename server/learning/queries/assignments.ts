// SQL about assignments, whom they are for, and the attempts made for them.
import type { AssignmentRules } from '@fernbrake/core/classes'
import type { Assignment } from '@fernbrake/core/contract'
import { select, within, type Ask, type Database } from '../../database/connect.ts'
import { LessonRow } from '../../database/models.ts'

export interface AssignmentFacts {
  id: string
  classId: string
  lessonId: string
  position: string
  opensAt: Date | null
  dueAt: Date | null
  closesAt: Date | null
  mostAttempts: number | null
  rules: AssignmentRules
  isWithdrawn: boolean
  /** The number of the lesson's newest edition. */
  newest: number
}

const clock = (date: Date | null) => date?.toISOString() ?? null
export const timesOf = ({ opensAt, dueAt, closesAt }: AssignmentFacts) => ({
  opensAt: clock(opensAt),
  dueAt: clock(dueAt),
  closesAt: clock(closesAt),
})

type Row = AssignmentFacts & Pick<Assignment, 'groups' | 'people' | 'learners' | 'begun'>

const OWN_COLUMNS = `a.id, a.lesson_id AS "lessonId", a.position,
  a.opens_at AS "opensAt", a.due_at AS "dueAt", a.closes_at AS "closesAt",
  a.most_attempts AS "mostAttempts", a.rules, a.is_withdrawn AS "isWithdrawn",
  (SELECT max(number) FROM editions n WHERE n.lesson_id = a.lesson_id) AS newest`

const COLUMNS = `a.class_id AS "classId", ${OWN_COLUMNS}`

/** Whether an assignment `a` is for the person enrolled by `e`: for all of the class, or for a group of theirs or them. */
const IS_FOR = `(NOT EXISTS (SELECT FROM assignment_targets t WHERE t.assignment_id = a.id)
  OR EXISTS (SELECT FROM assignment_targets t WHERE t.assignment_id = a.id
              AND (t.kind = 'person' AND t.target_id = e.person_id
                OR t.kind = 'group' AND EXISTS (
                     SELECT FROM group_members m WHERE m.class_id = e.class_id AND m.group_id = t.target_id
                        AND m.person_id = e.person_id))))`

/** The assignments of a class in their order, those taken back last. */
export const readAssignments = (ask: Ask, classId: string) =>
  ask<Row>(
    `SELECT ${COLUMNS},
            coalesce((SELECT array_agg(target_id) FROM assignment_targets t
                       WHERE t.assignment_id = a.id AND kind = 'group'), '{}') AS groups,
            coalesce((SELECT array_agg(target_id) FROM assignment_targets t
                       WHERE t.assignment_id = a.id AND kind = 'person'), '{}') AS people,
            (SELECT count(*)::int FROM enrolments e
              WHERE e.class_id = a.class_id AND e.left_at IS NULL AND ${IS_FOR}) AS learners,
            (SELECT count(DISTINCT person_id)::int FROM attempts t WHERE t.assignment_id = a.id) AS begun
       FROM assignments a WHERE a.class_id = $1
      ORDER BY a.is_withdrawn, a.position, a.id`,
    [classId],
  )

export async function readAssignment(ask: Ask, id: string): Promise<AssignmentFacts | null> {
  return (
    (await ask<AssignmentFacts>(`SELECT ${COLUMNS} FROM assignments a WHERE id = $1`, [id]))[0] ??
    null
  )
}

/** The assignment that an attempt was begun for, or null. Asked anew each time: its rules and times may change. */
export const readAssignmentOf = async (
  database: Database,
  { assignmentId }: { assignmentId: string | null },
): Promise<AssignmentFacts | null> =>
  assignmentId === null ? null : readAssignment(within(database), assignmentId)

export async function classOfAssignment(id: string): Promise<string | null> {
  const [row] = await select<{ classId: string }>(
    LessonRow.sequelize!,
    'SELECT class_id AS "classId" FROM assignments WHERE id = $1',
    [id],
  )
  return row?.classId ?? null
}

/** Whether somebody is in the class of an assignment now, and it is for them. */
export async function isAssignedTo(assignmentId: string, personId: string): Promise<boolean> {
  const rows = await select(
    LessonRow.sequelize!,
    `SELECT 1 FROM assignments a JOIN enrolments e ON e.class_id = a.class_id
       JOIN classes c ON c.id = a.class_id AND NOT c.is_over
      WHERE a.id = $1 AND e.person_id = $2 AND e.left_at IS NULL AND NOT a.is_withdrawn AND ${IS_FOR}`,
    [assignmentId, personId],
  )
  return rows.length > 0
}

/** Whether a group is one that something was assigned to, and is not taken back. */
export async function isTarget(ask: Ask, classId: string, groupId: string): Promise<boolean> {
  const rows = await ask(
    `SELECT 1 FROM assignment_targets t JOIN assignments a ON a.id = t.assignment_id
      WHERE a.class_id = $1 AND NOT a.is_withdrawn AND t.kind = 'group' AND t.target_id = $2`,
    [classId, groupId],
  )
  return rows.length > 0
}

/** Whether a medium is of a lesson that somebody was given to learn, begun or not. */
export async function isInWork(personId: string, mediaId: string): Promise<boolean> {
  const rows = await select(
    LessonRow.sequelize!,
    `SELECT 1 FROM media_uses u JOIN assignments a ON a.lesson_id = u.lesson_id AND NOT a.is_withdrawn
       JOIN enrolments e ON e.class_id = a.class_id AND e.left_at IS NULL
      WHERE u.media_id = $2 AND e.person_id = $1 AND ${IS_FOR} LIMIT 1`,
    [personId, mediaId],
  )
  return rows.length > 0
}

/** Whom an assignment is for, by name; and those who have begun it and are not meant any more. */
export const readMeant = (ask: Ask, assignmentId: string) =>
  ask<{ personId: string; name: string; hasLeft: boolean }>(
    `SELECT p.id AS "personId", p.name, (e.left_at IS NOT NULL OR NOT ${IS_FOR}) AS "hasLeft"
       FROM assignments a JOIN enrolments e ON e.class_id = a.class_id JOIN people p ON p.id = e.person_id
      WHERE a.id = $1
        AND (e.left_at IS NULL AND ${IS_FOR}
          OR EXISTS (SELECT FROM attempts t WHERE t.assignment_id = a.id AND t.person_id = e.person_id))
      ORDER BY lower(p.name), p.id`,
    [assignmentId],
  )

/** What somebody's classes were given that is for them; classes without anything are there too. */
export const readWork = (ask: Ask, personId: string) =>
  ask<
    { classId: string; classTitle: string } & {
      [Key in keyof AssignmentFacts]: AssignmentFacts[Key] | null
    }
  >(
    `SELECT ${OWN_COLUMNS}, c.id AS "classId", c.title AS "classTitle"
       FROM enrolments e JOIN classes c ON c.id = e.class_id
       LEFT JOIN assignments a ON a.class_id = c.id AND NOT a.is_withdrawn AND ${IS_FOR}
      WHERE e.person_id = $1 AND e.left_at IS NULL AND NOT c.is_over
      ORDER BY lower(c.title), c.id, a.position, a.id`,
    [personId],
  )

/** Whom each assignment of a class is for now, as `<assignment> <person>`. */
export async function readGiven(ask: Ask, classId: string): Promise<Set<string>> {
  const rows = await ask<{ key: string }>(
    `SELECT a.id || ' ' || e.person_id AS key FROM assignments a
       JOIN enrolments e ON e.class_id = a.class_id AND e.left_at IS NULL
      WHERE a.class_id = $1 AND NOT a.is_withdrawn AND ${IS_FOR}`,
    [classId],
  )
  return new Set(rows.map(({ key }) => key))
}

/** Who is excused from what in a class, as `<assignment> <person>`. */
export async function readExcused(ask: Ask, classId: string): Promise<Set<string>> {
  const rows = await ask<{ key: string }>(
    `SELECT x.assignment_id || ' ' || x.person_id AS key FROM excused_work x
       JOIN assignments a ON a.id = x.assignment_id WHERE a.class_id = $1`,
    [classId],
  )
  return new Set(rows.map(({ key }) => key))
}

/** Excuses somebody of a class from an assignment of it, or no longer; answers false where there is no such thing. */
export async function storeExcused(
  ask: Ask,
  { classId, assignmentId, personId }: { classId: string; assignmentId: string; personId: string },
  isExcused: boolean,
): Promise<boolean> {
  const known = await ask(
    `SELECT 1 FROM assignments a JOIN enrolments e ON e.class_id = a.class_id
      WHERE a.id = $1 AND a.class_id = $2 AND e.person_id = $3`,
    [assignmentId, classId, personId],
  )
  if (known.length === 0) return false
  await ask(
    isExcused
      ? 'INSERT INTO excused_work (assignment_id, person_id) VALUES ($1, $2) ON CONFLICT DO NOTHING'
      : 'DELETE FROM excused_work WHERE assignment_id = $1 AND person_id = $2',
    [assignmentId, personId],
  )
  return true
}

export async function storeTargets(
  ask: Ask,
  assignmentId: string,
  { groups, people }: { groups: readonly string[]; people: readonly string[] },
): Promise<void> {
  await ask('DELETE FROM assignment_targets WHERE assignment_id = $1', [assignmentId])
  await ask(
    `INSERT INTO assignment_targets (assignment_id, kind, target_id)
     SELECT $1, 'group', unnest($2::text[]) UNION SELECT $1, 'person', unnest($3::text[])`,
    [assignmentId, groups, people],
  )
}

/** Makes an assignment, or changes one of the same class and lesson; answers false where the id is another's. */
export async function storeAssignment(
  ask: Ask,
  one: Omit<AssignmentFacts, 'isWithdrawn' | 'newest'>,
): Promise<boolean> {
  const rows = await ask(
    `INSERT INTO assignments AS a
       (id, class_id, lesson_id, position, opens_at, due_at, closes_at, most_attempts, rules)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)
     ON CONFLICT (id) DO UPDATE SET opens_at = $5, due_at = $6, closes_at = $7, most_attempts = $8,
       rules = $9, is_withdrawn = false
      WHERE a.class_id = $2 AND a.lesson_id = $3
     RETURNING id`,
    [
      one.id,
      one.classId,
      one.lessonId,
      one.position,
      one.opensAt,
      one.dueAt,
      one.closesAt,
      one.mostAttempts,
      JSON.stringify(one.rules),
    ],
  )
  return rows.length > 0
}

/** How much each assignment of a class weighs in the mark book. */
export async function readWeights(ask: Ask, classId: string): Promise<Map<string, number>> {
  const rows = await ask<{ id: string; weight: number }>(
    'SELECT id, weight FROM assignments WHERE class_id = $1',
    [classId],
  )
  return new Map(rows.map(({ id, weight }) => [id, weight]))
}

export const setPosition = (ask: Ask, id: string, position: string) =>
  ask('UPDATE assignments SET position = $2 WHERE id = $1', [id, position])

/** Removes an assignment that nobody has begun; false where somebody has. */
export async function removeUnbegun(ask: Ask, classId: string, id: string): Promise<boolean> {
  const gone = await ask(
    `DELETE FROM assignments a WHERE id = $1 AND class_id = $2
        AND NOT EXISTS (SELECT FROM attempts WHERE assignment_id = a.id) RETURNING id`,
    [id, classId],
  )
  return gone.length > 0
}

export const withdraw = (ask: Ask, classId: string, id: string) =>
  ask('UPDATE assignments SET is_withdrawn = true WHERE id = $1 AND class_id = $2', [id, classId])

/** Gives an assignment a weight in the mark book; false where the class has none such. */
export async function storeWeight(
  ask: Ask,
  { classId, assignmentId }: { classId: string; assignmentId: string },
  weight: number,
): Promise<boolean> {
  const rows = await ask(
    'UPDATE assignments SET weight = $3 WHERE id = $1 AND class_id = $2 RETURNING id',
    [assignmentId, classId, weight],
  )
  return rows.length > 0
}

/** Switches the talk about an assignment; false where the class has none such. */
export async function storeTalk(
  ask: Ask,
  { classId, assignmentId }: { classId: string; assignmentId: string },
  isOn: boolean,
): Promise<boolean> {
  const rows = await ask(
    `UPDATE assignments SET rules = rules || jsonb_build_object('talk', $3::boolean)
      WHERE id = $1 AND class_id = $2 RETURNING id`,
    [assignmentId, classId, isOn],
  )
  return rows.length > 0
}

/** Until the transaction is over, nobody else begins this assignment for this person. */
export const holdBeginning = (ask: Ask, assignmentId: string, personId: string) =>
  ask('SELECT pg_advisory_xact_lock(hashtext($1))', [`${assignmentId} ${personId}`])

/** Notes when a learner said that the work is done; the first word holds. Null where there is no such attempt. */
export async function storeConfirmed(ask: Ask, attemptId: string, at: Date): Promise<Date | null> {
  const [row] = await ask<{ at: Date }>(
    `UPDATE attempts SET confirmed_at = coalesce(confirmed_at, $2) WHERE id = $1
     RETURNING confirmed_at AS at`,
    [attemptId, at],
  )
  return row?.at ?? null
}
