// A simulated learner works through a part, or a whole lesson, and yields the very records that a real learner's player
// sends.
import type { LearnerRecord } from '../records/index.ts'
import {
  asksIn,
  isPlayed,
  partsInOrder,
  thingsToSee,
  type Lesson,
  type Part,
} from '../lesson/index.ts'
import { unseenOf } from '../playback/index.ts'
import { knownOf, nextPart, routesOpen } from '../routes/index.ts'
import { answer } from './answer.ts'
import type { Persona } from './persona.ts'
import type { Random } from '../chance/index.ts'
import {
  beginSitting,
  recordChoice,
  recordFinish,
  recordPlace,
  recordSeen,
  pass,
  type Sitting,
} from './sitting.ts'
import { watch, type Outcome } from './watch.ts'

/** Looking at one thing, in ms. */
const LOOKING_MS = [3000, 25_000] as const
/** Between two parts, in ms. */
const TURNING_MS = [2000, 9000] as const
/** Nobody goes round in a lesson more often than this. */
const MOST_PARTS = 60

/** The records of one sitting with one part that begins at `startMs` (ms since the epoch). */
export function simulateLearner(
  lesson: Lesson,
  partId: string,
  persona: Persona,
  random: Random,
  startMs: number,
): LearnerRecord[] {
  const sitting = beginSitting(lesson, persona, random, startMs)
  const part = lesson.parts[partId]
  if (part) workThrough(sitting, part)
  return sitting.records
}

/** The records of one sitting with the whole lesson, in whatever way this learner goes through it. */
export function simulateLesson(
  lesson: Lesson,
  persona: Persona,
  random: Random,
  startMs: number,
): LearnerRecord[] {
  const sitting = beginSitting(lesson, persona, random, startMs)
  let part: Part | undefined = partsInOrder(lesson)[0]
  for (let count = 0; part && count < MOST_PARTS; count += 1) {
    const outcome = workThrough(sitting, part)
    if (outcome.left || outcome.ended) break
    const toId: string | null = outcome.toPart ?? wayOn(sitting, part.id)
    part = toId === null ? undefined : lesson.parts[toId]
    pass(sitting, TURNING_MS)
  }
  return sitting.records
}

/** The part that a route or the order leads to; null at the end of the lesson. */
function wayOn(sitting: Sitting, partId: string): string | null {
  const { lesson, random } = sitting
  const known = knownOf(lesson, sitting)
  const open = routesOpen(lesson, partId, known)
  const route = open[Math.floor(random.next() * open.length)]
  if (!route) return nextPart(lesson, sitting, partId, known)?.id ?? null
  recordChoice(sitting, partId, route.id)
  return route.target.to === 'part' ? route.target.partId : null
}

function workThrough(sitting: Sitting, part: Part): Outcome {
  recordSeen(sitting, part.id, part.id)
  return isPlayed(part) ? watch(sitting, part.id) : look(sitting, part)
}

/** Looks at what there is, answers what is asked, and goes on. */
function look(sitting: Sitting, part: Part): Outcome {
  const { random, persona } = sitting
  // Whoever comes again to see the rest looks at all of it, as where nothing else is open before that.
  const isAgain = (sitting.seen[part.id]?.length ?? 0) > 1
  const mustSee = sitting.lesson.navigation === 'inOrder' || isAgain
  const looks = mustSee ? 1 : persona.skips ? 0.25 : 0.9
  for (const thingId of thingsToSee(part))
    if (random.chance(looks)) {
      pass(sitting, LOOKING_MS)
      recordSeen(sitting, part.id, thingId)
    }
  for (const { id, questionId } of asksIn(part)) answer(sitting, { id, questionId })
  sitting.released.push(...asksIn(part).map(({ id }) => id))
  if (unseenOf(part, sitting.seen[part.id]!).length === 0) recordFinish(sitting, part.id, 0)
  else recordPlace(sitting, part.id, 0)
  return { left: false, toPart: null, ended: false }
}
