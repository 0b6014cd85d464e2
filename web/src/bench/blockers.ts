// What keeps a lesson from being published, as a list to be gone through: in order of time, each naming what it is about.
import { plainOf, type Issue } from '@fernbrake/core/fields'
import {
  cueStartMs,
  mapsOfPart,
  partsInOrder,
  type Cue,
  type Lesson,
  type Part,
} from '@fernbrake/core/lesson'
import { cueWords } from './cueWords.ts'

export interface Blocker {
  issue: Issue
  /** The cue, where one is wrong. */
  cue: Cue | null
  /** The part, where something in one is wrong that is no cue; null for what concerns the lesson. */
  partId: string | null
  /** The block, pin, slide or question of a part; null for the part itself. */
  thingId: string | null
  /** Whether it is mended on the map of routes. */
  onMap: boolean
  /** What it says, or is called; '' where it has no words yet. */
  words: string
}

/** The issues in the order in which a learner would meet them; those of the whole lesson first. */
export function blockersInOrder(lesson: Lesson, issues: readonly Issue[]): Blocker[] {
  const places = new Map(partsInOrder(lesson).map(({ id }, index) => [id, index]))
  const at = ({ cue, partId }: Blocker) =>
    [places.get(cue?.partId ?? partId ?? '') ?? -1, cue ? cueStartMs(cue) : -1] as const
  return issues
    .map((issue) => blockerOf(lesson, issue))
    .sort((a, b) => at(a)[0] - at(b)[0] || at(a)[1] - at(b)[1])
}

function blockerOf(lesson: Lesson, issue: Issue): Blocker {
  const [map, id, inside, thing] = issue.path
  const none = { issue, cue: null, partId: null, thingId: null, onMap: false, words: '' }
  if (typeof id !== 'string') return none
  if (map === 'cues') {
    const cue = lesson.cues[id] ?? null
    return { ...none, cue, words: cue ? cueWords(lesson, cue) : '' }
  }
  const partId = map === 'routes' ? lesson.routes?.[id]?.fromId : map === 'parts' ? id : undefined
  const part = partId === undefined ? undefined : lesson.parts[partId]
  if (!part) return none
  const onMap = map === 'routes' || inside === 'gate'
  const thingId = !onMap && typeof thing === 'string' ? thing : null
  const asked = thingId === null ? undefined : lesson.questions[questionOf(part, thingId)]
  const words = asked ? plainOf(asked.stem) : part.title
  return { ...none, partId: part.id, thingId, onMap, words }
}

/** The question that a thing of a part asks; '' where it asks none. */
function questionOf(part: Part, thingId: string): string {
  const things = Object.values(mapsOfPart(part)).map((map) => map[thingId])
  const asked = things.flatMap((thing) =>
    thing && 'questionId' in thing ? [thing.questionId] : [],
  )
  return typeof asked[0] === 'string' ? asked[0] : ''
}
