// Whether a value is a lesson: its shape (Zod) and its inner references.
import type { Checked } from '../drafts/index.ts'
import { findBadKey, issuesOf, partsOfText, type Issue } from '../fields/index.ts'
import { partsOfQuestion, holdsCut } from '../questions/index.ts'
import { recordProven, withoutProven } from './proven.ts'
import { askersNamedBy, cuesNamedBy, partsNamedBy, partsNamedIn } from './references.ts'
import {
  askingOf,
  asksIn,
  findStray,
  leadsOf,
  mapsOfPart,
  partOfKind,
  stretchesOfPart,
  textsOfPart,
} from './parts/index.ts'
import type { Condition } from './forkSchema.ts'
import { lessonSchema, type Cue, type ForkCue, type Lesson } from './schema.ts'

/** Checks shape and references of any value; never throws. */
export function checkLesson(value: unknown): Checked<Lesson> {
  const unproven = withoutProven(value)
  // The schema passes over such keys, and so would let through whatever stands under them.
  const badKey = findBadKey(unproven)
  if (badKey)
    return {
      ok: false,
      issues: [{ path: badKey, code: 'key.forbidden', message: 'has no place here' }],
    }
  const parsed = lessonSchema.safeParse(unproven)
  if (!parsed.success) return { ok: false, issues: issuesOf(parsed.error) }
  // The schema changes nothing that it lets pass, so the value itself is the lesson.
  const lesson = value as Lesson
  const issues = [...findMisfiledKeys(lesson), ...findBrokenReferences(lesson), ...findCut(lesson)]
  if (issues.length > 0) return { ok: false, issues }
  recordProven(lesson)
  return { ok: true, value: lesson }
}

/** Every thing must stand under the key that is its own id. */
function findMisfiledKeys(lesson: Lesson): Issue[] {
  return (
    ['parts', 'scripts', 'cues', 'questions', 'looks', 'materials', 'routes'] as const
  ).flatMap((map) => misfiled(lesson[map] ?? {}, [map]))
}

/** What a question carries on its way to a learner has no place where it is written. */
function findCut({ questions }: Lesson): Issue[] {
  return Object.values(questions)
    .filter(holdsCut)
    .map(({ id }) => ({
      path: ['questions', id],
      code: 'question.cut',
      message: 'was made for a learner',
    }))
}

function misfiled(map: Readonly<Record<string, { id: string }>>, path: string[]): Issue[] {
  const issues: Issue[] = []
  for (const key of Object.keys(map))
    if (map[key]!.id !== key)
      issues.push({
        path: [...path, key, 'id'],
        code: 'id.mismatch',
        message: 'differs from its key',
      })
  return issues
}

const missing = (path: (string | number)[], what: string): Issue => ({
  path,
  code: 'reference.missing',
  message: `refers to a ${what} that is not there`,
})

function findBrokenReferences(lesson: Lesson): Issue[] {
  return [
    ...findLostParts(lesson),
    ...findLostMaterial(lesson),
    ...findBadCues(lesson),
    ...findBadThings(lesson),
    ...findBadRoutes(lesson),
    ...findAskedTwice(lesson),
  ]
}

/** Whether nothing plays under this id: only a film can be shown, or have cues and a script. */
const isNoFilm = (lesson: Lesson, partId: string) => !partOfKind(lesson, partId, 'film')

/** Scripts, material, questions and quizzes that name a film which is not there. */
function findLostParts(lesson: Lesson): Issue[] {
  const { parts, scripts, questions, materials = {} } = lesson
  const isLost = (partId: string) => isNoFilm(lesson, partId)
  return [
    ...Object.values(parts)
      .filter((part) => textsOfPart(part).flatMap(partsOfText).some(isLost))
      .map(({ id }) => missing(['parts', id], 'part')),
    ...Object.values(scripts)
      .filter(({ partId }) => isLost(partId))
      .map(({ id }) => missing(['scripts', id, 'partId'], 'part')),
    ...Object.values(materials)
      .filter(({ text }) => partsOfText(text).some(isLost))
      .map(({ id }) => missing(['materials', id], 'part')),
    ...Object.values(questions)
      .filter((question) => partsOfQuestion(question).some(isLost))
      .map(({ id }) => missing(['questions', id], 'part')),
  ]
}

function findLostMaterial({ questions, materials = {} }: Lesson): Issue[] {
  return Object.values(questions)
    .filter(({ materialId }) => materialId !== undefined && !Object.hasOwn(materials, materialId))
    .map(({ id }) => missing(['questions', id, 'materialId'], 'material'))
}

function findBadCues(lesson: Lesson): Issue[] {
  return Object.values(lesson.cues).flatMap((cue) => [
    ...(isNoFilm(lesson, cue.partId) ? [missing(['cues', cue.id, 'partId'], 'part')] : []),
    ...findLostNames(lesson, cue),
    ...(cue.kind === 'fork' ? findBadFork(cue) : []),
    ...(cue.kind === 'question' && !Object.hasOwn(lesson.questions, cue.questionId)
      ? [missing(['cues', cue.id, 'questionId'], 'question')]
      : []),
  ])
}

/** Cues and parts that a cue names and that are not there. */
function findLostNames(lesson: Lesson, cue: Cue): Issue[] {
  return [
    ...cuesNamedBy(cue)
      .filter(({ cueId }) => !Object.hasOwn(lesson.cues, cueId) && !askingOf(lesson, cueId))
      .map(({ path }) => missing(['cues', cue.id, ...path], 'cue')),
    ...partsNamedBy(cue)
      .filter(({ partId, watched }) =>
        watched ? isNoFilm(lesson, partId) : !Object.hasOwn(lesson.parts, partId),
      )
      .map(({ path }) => missing(['cues', cue.id, ...path], 'part')),
  ]
}

/** Routes and gates that name what is not there. */
function findBadRoutes(lesson: Lesson): Issue[] {
  const { parts, routes = {} } = lesson
  const named = (condition: Condition | null, path: string[]): Issue[] => [
    ...askersNamedBy(condition)
      .filter((id) => !askingOf(lesson, id))
      .map(() => missing([...path, 'condition', 'cueId'], 'question')),
    ...partsNamedIn(condition)
      .filter(({ partId, watched }) =>
        watched ? isNoFilm(lesson, partId) : !Object.hasOwn(parts, partId),
      )
      .map(() => missing([...path, 'condition', 'partId'], 'part')),
  ]
  return [
    ...Object.values(routes).flatMap(({ id, fromId, target, condition }) => [
      ...[fromId, ...(target.to === 'part' ? [target.partId] : [])]
        .filter((partId) => !Object.hasOwn(parts, partId))
        .map(() => missing(['routes', id], 'part')),
      ...named(condition, ['routes', id]),
    ]),
    ...Object.values(parts).flatMap(({ id, gate }) =>
      gate ? named(gate.condition, ['parts', id, 'gate']) : [],
    ),
  ]
}

/** Things of parts that do not hang together. */
function findBadThings(lesson: Lesson): Issue[] {
  return Object.values(lesson.parts).flatMap((part) => [
    ...Object.entries(mapsOfPart(part)).flatMap(([name, map]) =>
      misfiled(map, ['parts', part.id, name]),
    ),
    ...asksIn(part)
      .filter(({ questionId }) => !Object.hasOwn(lesson.questions, questionId))
      .map(({ id }) => missing(['parts', part.id, id, 'questionId'], 'question')),
    ...stretchesOfPart(part)
      .filter(({ partId }) => isNoFilm(lesson, partId))
      .map(({ path }) => missing(['parts', part.id, ...path], 'part')),
    ...leadsOf(part)
      .filter(({ partId }) => partId !== null && !Object.hasOwn(lesson.parts, partId))
      .map(({ path }) => missing(['parts', part.id, ...path], 'part')),
    ...findStray(part).map((path) => missing(['parts', part.id, ...path], 'thing')),
  ])
}

/** A question is asked in one place, and each place has an id of its own: answers name both. */
function findAskedTwice({ parts, cues }: Lesson): Issue[] {
  const issues: Issue[] = []
  const asked = new Set<string>()
  const places = new Set(Object.keys(cues))
  const note = (path: string[], questionId: string) => {
    if (asked.has(questionId))
      issues.push({
        path: [...path, 'questionId'],
        code: 'reference.shared',
        message: 'asks a question that is already asked elsewhere',
      })
    asked.add(questionId)
  }
  for (const cue of Object.values(cues))
    if (cue.kind === 'question') note(['cues', cue.id], cue.questionId)
  for (const part of Object.values(parts))
    for (const { id, questionId } of asksIn(part)) {
      const path = ['parts', part.id, id]
      note(path, questionId)
      if (places.has(id))
        issues.push({ path, code: 'id.taken', message: 'has an id that is taken' })
      places.add(id)
    }
  return issues
}

function findBadFork({ id, choices, defaultChoice }: ForkCue): Issue[] {
  const issues = misfiled(choices, ['cues', id, 'choices'])
  if (defaultChoice !== null && !Object.hasOwn(choices, defaultChoice))
    issues.push({
      path: ['cues', id, 'defaultChoice'],
      code: 'reference.missing',
      message: 'refers to a way that is not there',
    })
  return issues
}
