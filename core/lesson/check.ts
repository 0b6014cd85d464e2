// Whether a value is a lesson: its shape (Zod) and its inner references.
import { issuesOf, partsOfText, type Issue } from '../fields/index.ts'
import { partsOfQuestion } from '../questions/index.ts'
import { noteProven, withoutProven } from './proven.ts'
import { cuesNamedBy, partsNamedBy } from './references.ts'
import { lessonSchema, type ForkCue, type Lesson } from './schema.ts'

export type Checked<T> = { ok: true; value: T } | { ok: false; issues: Issue[] }

/** Checks shape and references of any value; never throws. */
export function checkLesson(value: unknown): Checked<Lesson> {
  const parsed = lessonSchema.safeParse(withoutProven(value))
  if (!parsed.success) return { ok: false, issues: issuesOf(parsed.error) }
  // The schema changes nothing that it lets pass, so the value itself is the lesson.
  const lesson = value as Lesson
  const issues = [...findMisfiledKeys(lesson), ...findBrokenReferences(lesson)]
  if (issues.length > 0) return { ok: false, issues }
  noteProven(lesson)
  return { ok: true, value: lesson }
}

/** Every thing must stand under the key that is its own id. */
function findMisfiledKeys(lesson: Lesson): Issue[] {
  const issues: Issue[] = []
  for (const map of ['parts', 'scripts', 'cues', 'questions', 'looks', 'materials'] as const) {
    for (const [key, thing] of Object.entries(lesson[map] ?? {})) {
      if (thing.id !== key)
        issues.push({
          path: [map, key, 'id'],
          code: 'id.mismatch',
          message: 'differs from its key',
        })
    }
  }
  return issues
}

const missing = (path: (string | number)[], what: string): Issue => ({
  path,
  code: 'reference.missing',
  message: `refers to a ${what} that is not there`,
})

function findBrokenReferences(lesson: Lesson): Issue[] {
  return [...findLostParts(lesson), ...findLostMaterial(lesson), ...findBadCues(lesson)]
}

/** Scripts, material and questions that name a part which is not there. */
function findLostParts({ parts, scripts, questions, materials = {} }: Lesson): Issue[] {
  const isLost = (partId: string) => !Object.hasOwn(parts, partId)
  return [
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
  const issues: Issue[] = []
  const asked = new Set<string>()
  for (const cue of Object.values(lesson.cues)) {
    if (!Object.hasOwn(lesson.parts, cue.partId))
      issues.push(missing(['cues', cue.id, 'partId'], 'part'))
    for (const { path, cueId } of cuesNamedBy(cue))
      if (!Object.hasOwn(lesson.cues, cueId)) issues.push(missing(['cues', cue.id, ...path], 'cue'))
    for (const { path, partId } of partsNamedBy(cue))
      if (!Object.hasOwn(lesson.parts, partId))
        issues.push(missing(['cues', cue.id, ...path], 'part'))
    if (cue.kind === 'fork') issues.push(...findBadFork(cue))
    if (cue.kind !== 'question') continue
    if (!Object.hasOwn(lesson.questions, cue.questionId))
      issues.push(missing(['cues', cue.id, 'questionId'], 'question'))
    if (asked.has(cue.questionId))
      issues.push({
        path: ['cues', cue.id, 'questionId'],
        code: 'reference.shared',
        message: 'asks a question that another cue already asks',
      })
    asked.add(cue.questionId)
  }
  return issues
}

function findBadFork({ id, choices, defaultChoice }: ForkCue): Issue[] {
  const issues: Issue[] = Object.entries(choices)
    .filter(([key, choice]) => choice.id !== key)
    .map(([key]) => ({
      path: ['cues', id, 'choices', key, 'id'],
      code: 'id.mismatch',
      message: 'differs from its key',
    }))
  if (defaultChoice !== null && !Object.hasOwn(choices, defaultChoice))
    issues.push({
      path: ['cues', id, 'defaultChoice'],
      code: 'reference.missing',
      message: 'refers to a way that is not there',
    })
  return issues
}
