// What changed between two editions, in terms that can be put into a sentence each.
import { withoutNotes } from './learner.ts'
import { type Part, partOfKind, partsInOrder } from './parts/index.ts'
import type { Lesson } from './schema.ts'

/** What can have changed; the language files have a sentence for each. */
export const CHANGES = [
  ...(['title', 'about', 'cover', 'look', 'ending', 'movement', 'partsMoved'] as const),
  ...(['partAdded', 'partRemoved', 'partRenamed', 'partChanged', 'filmReplaced'] as const),
  ...(['scriptChanged', 'cuesChanged', 'routesChanged', 'gateChanged'] as const),
  ...(['questionsAdded', 'questionsRemoved', 'questionsChanged', 'materialsChanged'] as const),
] as const

export interface Change {
  what: (typeof CHANGES)[number]
  /** The part, or the title, that it is about. */
  name?: string
  /** How many things it is about. */
  count?: number
}

/** What is new in `after`, in the order in which somebody would tell it; empty where learners notice nothing. */
export function whatChanged(before: Lesson, after: Lesson): Change[] {
  return [
    ...ofTheWhole(before, after),
    ...ofParts(before, after),
    ...ofQuestions(before, after),
    ...counted('routesChanged', before.routes, after.routes),
    ...counted('materialsChanged', before.materials, after.materials),
  ]
}

/** Whether two states are the same but for the designers' notes: all that a commenter may change. */
export const differsInNotesOnly = (before: Lesson, after: Lesson) =>
  isSame(withoutNotes(before), withoutNotes(after))

const isSame = (a: unknown, b: unknown) => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b))

/** The same with the keys of every map in one order: patches and databases put them in any. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted)
  if (typeof value !== 'object' || value === null) return value
  const entries = Object.entries(value).filter(([, inside]) => inside !== undefined)
  return Object.fromEntries(
    entries.sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, inside]) => [key, sorted(inside)]),
  )
}

const WHOLE: [Change['what'], (keyof Lesson)[]][] = [
  ['about', ['summary', 'language', 'objectives', 'level', 'licence', 'tags']],
  ['cover', ['cover']],
  ['look', ['theme']],
  ['ending', ['ending']],
  ['movement', ['navigation', 'numbering']],
]

function ofTheWhole(before: Lesson, after: Lesson): Change[] {
  const title: Change[] = before.title === after.title ? [] : [{ what: 'title', name: after.title }]
  const rest = WHOLE.filter(([, keys]) => keys.some((key) => !isSame(before[key], after[key])))
  return [...title, ...rest.map(([what]) => ({ what }))]
}

function ofParts(before: Lesson, after: Lesson): Change[] {
  const stayed = partsInOrder(after).filter(({ id }) => before.parts[id])
  const order = partsInOrder(before).flatMap(({ id }) => (after.parts[id] ? [id] : []))
  const named = (what: Change['what']) => (part: Part) => ({ what, name: part.title })
  return [
    ...partsInOrder(after)
      .filter(({ id }) => !before.parts[id])
      .map(named('partAdded')),
    ...partsInOrder(before)
      .filter(({ id }) => !after.parts[id])
      .map(named('partRemoved')),
    ...(stayed.some(({ id }, index) => order[index] !== id)
      ? [{ what: 'partsMoved' as const }]
      : []),
    ...stayed.flatMap((part) => ofPart(before, after, part)),
  ]
}

function ofPart(before: Lesson, after: Lesson, part: Part): Change[] {
  const old = before.parts[part.id]!
  const { title: name } = part
  const changes: Change[] = []
  if (old.title !== name) changes.push({ what: 'partRenamed', name })
  if (!isSame(old.gate, part.gate)) changes.push({ what: 'gateChanged', name })
  const [oldFilm, film] = [before, after].map((lesson) => partOfKind(lesson, part.id, 'film'))
  const isOtherFilm = oldFilm && film && oldFilm.mediaId !== film.mediaId
  if (isOtherFilm) changes.push({ what: 'filmReplaced', name })
  else if (!isSame(inside(old), inside(part))) changes.push({ what: 'partChanged', name })
  const inPart = <Thing extends { partId: string }>(things: Record<string, Thing>) =>
    Object.fromEntries(Object.entries(things).filter(([, { partId }]) => partId === part.id))
  if (!isSame(inPart(before.scripts), inPart(after.scripts)))
    changes.push({ what: 'scriptChanged', name })
  const cues = counted(
    'cuesChanged',
    learnersOwn(inPart(before.cues)),
    learnersOwn(inPart(after.cues)),
  )
  return [...changes, ...cues.map((change) => ({ ...change, name }))]
}

/** What is in a part, whatever it is called and wherever it stands. */
function inside(part: Part): unknown {
  return { ...part, title: '', order: '', gate: undefined, hidden: undefined }
}

/** Without the designers' notes. */
const learnersOwn = (cues: Lesson['cues']) =>
  Object.fromEntries(Object.entries(cues).filter(([, { kind }]) => kind !== 'note'))

function ofQuestions(before: Lesson, after: Lesson): Change[] {
  const added = Object.keys(after.questions).filter((id) => !before.questions[id])
  const removed = Object.keys(before.questions).filter((id) => !after.questions[id])
  const changed = Object.entries(after.questions).filter(
    ([id, question]) => before.questions[id] && !isSame(before.questions[id], question),
  )
  return [
    ...several('questionsAdded', added.length),
    ...several('questionsRemoved', removed.length),
    ...several('questionsChanged', changed.length),
  ]
}

const several = (what: Change['what'], count: number): Change[] =>
  count > 0 ? [{ what, count }] : []

/** One change for all things of a map that came, went or are different. */
function counted(
  what: Change['what'],
  before: Record<string, unknown> = {},
  after: Record<string, unknown> = {},
): Change[] {
  const ids = new Set([...Object.keys(before), ...Object.keys(after)])
  return several(what, [...ids].filter((id) => !isSame(before[id], after[id])).length)
}
