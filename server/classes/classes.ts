// Classes: making and changing them, their people and groups.
import { readClassHead } from '../learning/queries/classHead.ts'
import { randomBytes } from 'node:crypto'
import { nanoid } from 'nanoid'
import type { Transaction } from 'sequelize'
import {
  joinCodeOf,
  MOST_GROUPS,
  MOST_MEMBERS,
  nameKey,
  passPhraseOf,
  signInNameOf,
  takeSignInName,
} from '@fernbrake/core/classes'
import type { BodyOf, Class, contract, Person } from '@fernbrake/core/contract'
import { within, type Ask } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { isTarget } from '../learning/queries/assignments.ts'
import {
  enrolKnown,
  enrolNew,
  putInGroups,
  readGroups,
  readMembers,
  readTakenNames,
  readTeachers,
} from './queries/classes.ts'
import type { Context } from '../context.ts'

type Body<Name extends keyof typeof contract> = BodyOf<(typeof contract)[Name]>

/** A class with everybody in it; what others did since the call began may be missing. */
export async function readClass({ database }: Context, classId: string): Promise<Class> {
  const ask = within(database)
  const [head, groups, members, teachers] = await Promise.all([
    readClassHead(ask, classId),
    readGroups(ask, classId),
    readMembers(ask, classId),
    readTeachers(ask, classId),
  ])
  if (!head) throw new HttpError('not-found')
  return { ...head, joinUntil: head.joinUntil?.toISOString() ?? null, groups, members, teachers }
}

/** Begins a class with its first teacher; the same call again changes nothing. */
export async function createClass(
  context: Context,
  person: Person,
  { id, title, timeZone }: Body<'createClass'>,
): Promise<Class> {
  await context.database.transaction(async (transaction) => {
    const ask = within(context.database, transaction)
    const made = await ask(
      `INSERT INTO classes (id, title, time_zone) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING RETURNING id`,
      [id, title, timeZone],
    )
    if (made.length > 0)
      return ask('INSERT INTO class_teachers (class_id, person_id) VALUES ($1, $2)', [
        id,
        person.id,
      ])
    const mine = await readTeachers(ask, id)
    if (!mine.some((teacher) => teacher.id === person.id)) throw new HttpError('already-exists')
    return []
  })
  return readClass(context, id)
}

export async function changeClass(
  context: Context,
  classId: string,
  { title, timeZone, isOver, joinUntil }: Body<'changeClass'>,
): Promise<Class> {
  const code = joinUntil ? joinCodeOf(randomBytes) : null
  await within(context.database)(
    `UPDATE classes SET title = coalesce($2, title), time_zone = coalesce($3, time_zone),
            is_over = coalesce($4, is_over),
            join_code = CASE WHEN $5 THEN $6 ELSE join_code END,
            join_until = CASE WHEN $5 THEN $7::timestamptz ELSE join_until END
      WHERE id = $1`,
    [
      classId,
      title ?? null,
      timeZone ?? null,
      isOver ?? null,
      joinUntil !== undefined,
      code,
      joinUntil ?? null,
    ],
  )
  return readClass(context, classId)
}

/** In a transaction that nobody else who changes the class's people runs beside. */
export async function changingClass<T>(
  { database }: Context,
  classId: string,
  change: (ask: Ask, transaction: Transaction) => Promise<T>,
): Promise<T> {
  return database.transaction(async (transaction) => {
    const ask = within(database, transaction)
    const found = await ask('SELECT id FROM classes WHERE id = $1 FOR UPDATE', [classId])
    if (found.length === 0) throw new HttpError('not-found')
    return change(ask, transaction)
  })
}

/** Sign-in names are unique over all classes, so whoever makes some waits for the others to have made theirs. */
export const whileNaming = (ask: Ask) =>
  ask(`SELECT pg_advisory_xact_lock(hashtext('sign-in names'))`, [])

/**
 * Takes a roster in: whoever is new gets an account with a sign-in card, whoever had left comes back, whoever is there
 * stays as they are; a name that comes twice is one person. All or nobody; a repeat changes nothing.
 */
export async function addRoster(
  context: Context,
  classId: string,
  { members }: Body<'addRoster'>,
): Promise<Class> {
  await changingClass(context, classId, async (ask) => {
    const known = await readMembers(ask, classId)
    const byKey = new Map(known.map((member) => [nameKey(member.name), member]))
    for (const member of known) if (!member.leftAt) byKey.set(nameKey(member.name), member)
    const ids = new Set(known.map(({ id }) => id))
    const fresh = new Map<string, Body<'addRoster'>['members'][number]>()
    const [back, inGroups]: [string[], { personId: string; title: string }[]] = [[], []]
    for (const entry of members) {
      const key = nameKey(entry.name)
      const member = byKey.get(key)
      if (member?.leftAt) back.push(member.id)
      else if (!member && !ids.has(entry.id) && !fresh.has(key)) fresh.set(key, entry)
      const personId = member?.id ?? fresh.get(key)?.id ?? entry.id
      if (entry.group) inGroups.push({ personId, title: entry.group })
    }
    if (known.length + fresh.size > MOST_MEMBERS) throw new HttpError('class-full')
    await enrolKnown(ask, classId, back)
    await makeLearners(context, ask, classId, [...fresh.values()])
    await putInGroups(ask, classId, inGroups, () => nanoid())
    await checkGroups(ask, classId)
  })
  return readClass(context, classId)
}

async function checkGroups(ask: Ask, classId: string): Promise<void> {
  if ((await readGroups(ask, classId)).length > MOST_GROUPS)
    throw new HttpError('class-full', {
      detail: `A class holds up to ${MOST_GROUPS} groups; nothing was changed.`,
    })
}

async function makeLearners(
  { sealing }: Context,
  ask: Ask,
  classId: string,
  entries: readonly { id: string; name: string }[],
): Promise<void> {
  await whileNaming(ask)
  const there = await ask('SELECT id FROM people WHERE id = ANY($1::text[])', [
    entries.map(({ id }) => id),
  ])
  if (there.length > 0) throw new HttpError('already-exists')
  const wanted = entries.map(({ name }) => signInNameOf(name))
  const taken = await readTakenNames(ask, wanted)
  const learners = entries.map(({ id, name }, index) => ({
    id,
    name,
    signIn: takeSignInName(wanted[index]!, taken),
    card: sealing.seal(passPhraseOf(randomBytes)),
  }))
  await enrolNew(ask, classId, learners)
}

/** A name is corrected only where the class made the account: others' accounts are their own. */
export async function changeMember(
  context: Context,
  { classId, personId }: { classId: string; personId: string },
  { name, groups, hasLeft, moderates }: Body<'changeMember'>,
): Promise<Class> {
  await changingClass(context, classId, async (ask, transaction) => {
    const found = await ask('SELECT 1 FROM enrolments WHERE class_id = $1 AND person_id = $2', [
      classId,
      personId,
    ])
    if (found.length === 0) throw new HttpError('not-found')
    if (name !== undefined) {
      const where = { id: personId, homeClass: classId, role: 'learner' as const }
      const [renamed] = await PersonRow.update({ name }, { where, transaction })
      if (renamed === 0) throw new HttpError('not-allowed', { detail: NOT_OURS })
    }
    if (hasLeft !== undefined)
      await ask(
        `UPDATE enrolments SET left_at = CASE WHEN $3 THEN coalesce(left_at, now()) END
          WHERE class_id = $1 AND person_id = $2`,
        [classId, personId, hasLeft],
      )
    if (groups !== undefined) await setGroups(ask, classId, personId, groups)
    if (moderates !== undefined)
      await ask('UPDATE enrolments SET moderates = $3 WHERE class_id = $1 AND person_id = $2', [
        classId,
        personId,
        moderates,
      ])
  })
  return readClass(context, classId)
}

const NOT_OURS = 'This account was not made for this class, so its name is its owner’s to change.'

async function setGroups(
  ask: Ask,
  classId: string,
  personId: string,
  groups: readonly string[],
): Promise<void> {
  const known = await readGroups(ask, classId)
  if (groups.some((id) => !known.some((group) => group.id === id))) throw new HttpError('not-found')
  await ask('DELETE FROM group_members WHERE class_id = $1 AND person_id = $2', [classId, personId])
  await ask(
    `INSERT INTO group_members (class_id, group_id, person_id)
     SELECT DISTINCT $1, unnest($3::text[]), $2`,
    [classId, personId, groups],
  )
}

/** Makes a group, or gives it another title. */
export async function saveGroup(
  context: Context,
  classId: string,
  { id, title }: Body<'saveGroup'>,
): Promise<Class> {
  await changingClass(context, classId, async (ask) => {
    const known = await readGroups(ask, classId)
    if (known.some((group) => group.title === title && group.id !== id))
      throw new HttpError('already-exists', { detail: 'Another group has this name already.' })
    await ask(
      `INSERT INTO class_groups (class_id, id, title) VALUES ($1, $2, $3)
       ON CONFLICT (class_id, id) DO UPDATE SET title = excluded.title`,
      [classId, id, title],
    )
    await checkGroups(ask, classId)
  })
  return readClass(context, classId)
}

/** A group that something is assigned to stays: without it, the assignment would be for nobody. */
export async function dropGroup(
  context: Context,
  classId: string,
  groupId: string,
): Promise<Class> {
  await changingClass(context, classId, async (ask) => {
    if (await isTarget(ask, classId, groupId)) throw new HttpError('group-in-use')
    await ask('DELETE FROM class_groups WHERE class_id = $1 AND id = $2', [classId, groupId])
  })
  return readClass(context, classId)
}

export async function addTeacher(context: Context, classId: string, email: string): Promise<Class> {
  const where = { email: email.toLowerCase(), role: ['designer', 'keeper'] }
  const colleague = await PersonRow.findOne({ where })
  if (!colleague) throw new HttpError('no-such-designer')
  await within(context.database)(
    'INSERT INTO class_teachers (class_id, person_id) VALUES ($1, $2) ON CONFLICT DO NOTHING',
    [classId, colleague.id],
  )
  return readClass(context, classId)
}

/** A class keeps one teacher at least. */
export async function dropTeacher(
  context: Context,
  classId: string,
  personId: string,
): Promise<Class> {
  return changingClass(context, classId, async (ask) => {
    const teachers = await readTeachers(ask, classId)
    const others = teachers.filter(({ id }) => id !== personId)
    if (others.length === 0)
      throw new HttpError('last-owner', { detail: 'A class needs a teacher. Add another first.' })
    await ask('DELETE FROM class_teachers WHERE class_id = $1 AND person_id = $2', [
      classId,
      personId,
    ])
  }).then(() => readClass(context, classId))
}
