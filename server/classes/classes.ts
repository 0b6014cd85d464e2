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
  chooseSignInName,
} from '@fernbrake/core/classes'
import type { BodyOf, Class, contract, Person } from '@fernbrake/core/contract'
import { within, type Ask } from '../database/connect.ts'
import { PersonRow } from '../database/models.ts'
import { HttpError } from '../http/HttpError.ts'
import { isTarget } from '../learning/queries/assignments.ts'
import {
  enrolKnown,
  enrolNew,
  holdClass,
  isAnybody,
  isEnrolled,
  putInGroups,
  readGroups,
  readMembers,
  readTakenNames,
  readTeachers,
  removeGroup,
  removeTeacher,
  setLeft,
  setModerates,
  storeClass,
  storeGroup,
  storeGroupsOf,
  storeTeacher,
  updateClass,
  whileNaming,
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
    if (await storeClass(ask, { id, title, timeZone })) return storeTeacher(ask, id, person.id)
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
  await updateClass(within(context.database), classId, {
    title: title ?? null,
    timeZone: timeZone ?? null,
    isOver: isOver ?? null,
    isCodeSet: joinUntil !== undefined,
    joinCode: code,
    joinUntil: joinUntil ?? null,
  })
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
    if (!(await holdClass(ask, classId))) throw new HttpError('not-found')
    return change(ask, transaction)
  })
}

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
    throw new HttpError('class-full', { reason: 'groupsFull', facts: { most: MOST_GROUPS } })
}

async function makeLearners(
  { sealing }: Context,
  ask: Ask,
  classId: string,
  entries: readonly { id: string; name: string }[],
): Promise<void> {
  await whileNaming(ask)
  const ids = entries.map(({ id }) => id)
  if (await isAnybody(ask, ids)) throw new HttpError('already-exists')
  const wanted = entries.map(({ name }) => signInNameOf(name))
  const taken = await readTakenNames(ask, wanted)
  const learners = entries.map(({ id, name }, index) => ({
    id,
    name,
    signIn: chooseSignInName(wanted[index]!, taken),
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
    if (!(await isEnrolled(ask, classId, personId))) throw new HttpError('not-found')
    if (name !== undefined) {
      const where = { id: personId, homeClass: classId, role: 'learner' as const }
      const [renamed] = await PersonRow.update({ name }, { where, transaction })
      if (renamed === 0) throw new HttpError('not-allowed', { reason: 'nameIsTheirs' })
    }
    if (hasLeft !== undefined) await setLeft(ask, classId, personId, hasLeft)
    if (groups !== undefined) await setGroups(ask, classId, personId, groups)
    if (moderates !== undefined) await setModerates(ask, classId, personId, moderates)
  })
  return readClass(context, classId)
}

async function setGroups(
  ask: Ask,
  classId: string,
  personId: string,
  groups: readonly string[],
): Promise<void> {
  const known = await readGroups(ask, classId)
  if (groups.some((id) => !known.some((group) => group.id === id))) throw new HttpError('not-found')
  await storeGroupsOf(ask, classId, personId, groups)
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
      throw new HttpError('already-exists', { reason: 'groupNameThere' })
    await storeGroup(ask, classId, id, title)
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
    await removeGroup(ask, classId, groupId)
  })
  return readClass(context, classId)
}

export async function addTeacher(context: Context, classId: string, email: string): Promise<Class> {
  const where = { email: email.toLowerCase(), role: ['designer', 'keeper'] }
  const colleague = await PersonRow.findOne({ where })
  if (!colleague) throw new HttpError('no-such-designer')
  await storeTeacher(within(context.database), classId, colleague.id)
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
    if (others.length === 0) throw new HttpError('last-owner', { reason: 'lastTeacher' })
    await removeTeacher(ask, classId, personId)
  }).then(() => readClass(context, classId))
}
