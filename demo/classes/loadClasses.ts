// The demo's classes: their people, what they were given, and what they did with it, through the same doors as real ones.
import { usualRules } from '@fernbrake/core/classes'
import type { Class, Person } from '@fernbrake/core/contract'
import { createRandom, type Random } from '@fernbrake/core/chance'
import { drawPersona, simulateLesson } from '@fernbrake/core/rehearsal'
import {
  addRoster,
  beginAssignment,
  createClass,
  enrolKnown,
  run,
  saveAssignment,
  select,
  acceptRecords,
  within,
  type Context,
} from '@fernbrake/server'
import { NIGHT_PASSAGE } from '../lessons/nightPassage.ts'
import { WATER_BUDGET } from '../lessons/waterBudget.ts'
import { WATER_THAT_CLIMBS } from '../lessons/waterThatClimbs.ts'
import { markSome, withHandwork } from './byHand.ts'
import { AUTUMN_REFRESHERS, CANTLE_STEPS_CREW } from './otherClasses.ts'
import { SKIPPERS, SPRING_INTAKE } from './springIntake.ts'
import { AUTUMN_TALK, SPRING_TALK, talkAbout } from './talk.ts'

const CLASS_SEED = 1791
const DAY_MS = 24 * 60 * 60 * 1000
const ZONE = 'Europe/London'
const TALKED_ABOUT = { ...usualRules(), talk: true }

type Lesson = Parameters<typeof simulateLesson>[0]

/** By when a sitting is over, in ms after its beginning. */
const SITTING_MS = 3_600_000

/** `learner` is the demo account that anybody may try; it is one of the refreshers. */
export async function loadClasses(
  context: Context,
  { teacher, learner, today }: { teacher: Person; learner: Person; today: Date },
): Promise<void> {
  const random = createRandom(CLASS_SEED)
  const loading: Loading = {
    context,
    teacher,
    today,
    random,
    first: await firstEdition(context, WATER_THAT_CLIMBS.lessonId),
    ago: (days) => new Date(today.getTime() - days * DAY_MS),
    make: (id, title, names, groups) => makeClass(context, teacher, { id, title, names, groups }),
    give: (classId, given) => assign(context, teacher, classId, given),
  }
  // In this order, so that everybody does the same whenever the demo is loaded.
  await loadSpring(loading)
  await loadAutumn(loading, learner)
  await loadCrew(loading)
}

/** What all classes are made with. */
interface Loading {
  context: Context
  teacher: Person
  today: Date
  random: ReturnType<typeof createRandom>
  /** The lesson that most of them are given. */
  first: Lesson
  ago(days: number): Date
  make(
    id: string,
    title: string,
    names: readonly string[],
    groups: readonly string[],
  ): Promise<Class>
  give(classId: string, given: Given): Promise<unknown>
}

async function loadSpring(loading: Loading): Promise<void> {
  const { context, teacher, today, random, first, ago, make, give } = loading
  const spring = await make('spring-intake', 'Spring intake', SPRING_INTAKE, [
    'North bank',
    'South bank',
  ])
  await give(spring.id, {
    id: 'spring-water',
    lessonId: WATER_THAT_CLIMBS.lessonId,
    opensAt: ago(15),
    dueAt: ago(-2),
    closesAt: ago(-9),
    rules: TALKED_ABOUT,
  })
  await give(spring.id, {
    id: 'spring-budget',
    lessonId: WATER_BUDGET.lessonId,
    opensAt: ago(6),
    dueAt: ago(-3),
  })
  for (const name of SPRING_INTAKE) {
    const person = personIn(spring, name)
    const persona = { ...drawPersona(random), skips: SKIPPERS.includes(name) }
    const startMs = today.getTime() - Math.round((1 + random.next() * 13) * DAY_MS)
    const did = { lesson: first, persona, random, startMs }
    await work(context, person, 'spring-water', did)
  }
  await talkAbout(context, SPRING_TALK, {
    teacher,
    assignmentId: 'spring-water',
    today,
    people: (name) => personIn(spring, name),
  })

  const second = await firstEdition(context, WATER_BUDGET.lessonId)
  for (const name of SPRING_INTAKE) {
    const persona = { ...drawPersona(random), skips: SKIPPERS.includes(name) }
    if (!random.chance(0.7)) continue
    const startMs = today.getTime() - Math.round((0.2 + random.next() * 5) * DAY_MS)
    const did = { lesson: second, persona, random, startMs }
    await work(context, personIn(spring, name), 'spring-budget', did)
  }
  await markSome(context, teacher, 'spring-budget')
}

async function loadAutumn(loading: Loading, learner: Person): Promise<void> {
  const { context, teacher, today, random, first, ago, make, give } = loading
  const others = AUTUMN_REFRESHERS.filter((name) => name !== learner.name)
  const autumn = await make('autumn-refreshers', 'Autumn refreshers', others, [])
  await enrolKnown(within(context.database), autumn.id, [learner.id])
  const watched = { by: 'watched', share: 0.8 } as const
  await give(autumn.id, {
    id: 'autumn-water',
    lessonId: WATER_THAT_CLIMBS.lessonId,
    dueAt: ago(-12),
    rules: { ...TALKED_ABOUT, seek: 'backOnly', topRate: 1.5, completion: watched },
  })
  await give(autumn.id, { id: 'autumn-night', lessonId: NIGHT_PASSAGE.lessonId, dueAt: ago(-19) })
  for (const name of others.slice(0, 5)) {
    const persona = drawPersona(random)
    const startMs = today.getTime() - Math.round((0.1 + random.next()) * DAY_MS)
    const did = { lesson: first, persona, random, startMs, share: 0.25 }
    await work(context, personIn(autumn, name), 'autumn-water', did)
  }
  await talkAbout(context, AUTUMN_TALK, {
    teacher,
    assignmentId: 'autumn-water',
    today,
    people: (which) => personIn(autumn, others[which === 'first' ? 0 : 1]!),
  })
}

async function loadCrew({ context, today, random, make, give }: Loading): Promise<void> {
  const crew = await make('cantle-steps-crew', 'Cantle Steps crew', CANTLE_STEPS_CREW, [])
  await give(crew.id, { id: 'crew-night', lessonId: NIGHT_PASSAGE.lessonId })
  const night = await firstEdition(context, NIGHT_PASSAGE.lessonId)
  for (const name of CANTLE_STEPS_CREW.slice(0, 7)) {
    const persona = { ...drawPersona(random), skips: false }
    const startMs = today.getTime() - Math.round((0.1 + random.next() * 3) * DAY_MS)
    const did = { lesson: night, persona, random, startMs }
    await work(context, personIn(crew, name), 'crew-night', did)
  }
}

async function firstEdition({ database }: Context, lessonId: string): Promise<Lesson> {
  const [edition] = await select<{ document: Lesson }>(
    database,
    'SELECT document FROM editions WHERE lesson_id = $1 AND number = 1',
    [lessonId],
  )
  return edition!.document
}

async function makeClass(
  context: Context,
  teacher: Person,
  given: { id: string; title: string; names: readonly string[]; groups: readonly string[] },
): Promise<Class> {
  const { id, title, names, groups } = given
  await createClass(context, teacher, { id, title, timeZone: ZONE })
  const members = names.map((name, index) => {
    const group = groups[index % Math.max(1, groups.length)]
    return { id: `${id}-${index + 1}`, name, ...(group === undefined ? {} : { group }) }
  })
  return addRoster(context, id, { members })
}

function personIn(school: Class, name: string): Person {
  const { id, role } = school.members.find((member) => member.name === name)!
  return { id, name, email: null, role }
}

interface Given {
  id: string
  lessonId: string
  opensAt?: Date
  dueAt?: Date
  closesAt?: Date
  rules?: ReturnType<typeof usualRules>
}

/** A time of the demo falls on a full hour, as a teacher would set it. */
function onTheHour(date: Date | undefined): string | null {
  if (!date) return null
  const hour = new Date(date)
  hour.setUTCMinutes(0, 0, 0)
  return hour.toISOString()
}

async function assign(
  context: Context,
  teacher: Person,
  classId: string,
  { id, lessonId, opensAt, dueAt, closesAt, rules = usualRules() }: Given,
): Promise<void> {
  const times = {
    opensAt: onTheHour(opensAt),
    dueAt: onTheHour(dueAt),
    closesAt: onTheHour(closesAt),
  }
  const given = { id, lessonId, ...times, mostAttempts: null, rules, groups: [], people: [] }
  await saveAssignment(context, teacher, classId, given)
}

interface WorkMade {
  lesson: Lesson
  persona: ReturnType<typeof drawPersona>
  random: Random
  startMs: number
  /** How much of it they have done so far, 0 to 1. */
  share?: number
}

/** Somebody begins what was assigned, and works through it as far as they go. */
async function work(
  context: Context,
  person: Person,
  assignmentId: string,
  { lesson, persona, random, startMs, share = 1 }: WorkMade,
): Promise<void> {
  const whole = simulateLesson(lesson, persona, random, startMs)
  const records = whole.slice(0, Math.ceil(whole.length * share))
  const start = new Date(startMs)
  const attemptId = await beginAssignment(context, person, assignmentId, 1, start)
  const seenAt = new Date(records.length > 0 ? startMs + SITTING_MS : startMs)
  // Before anything asks for the attempt: when it was begun is remembered.
  await run(context.database, 'UPDATE attempts SET opened_at = $2 WHERE id = $1', [
    attemptId,
    start,
  ])
  const all = await withHandwork(context, attemptId, persona, records)
  await acceptRecords(context, attemptId, { records: all, sentAt: seenAt.toISOString() }, seenAt)
}
