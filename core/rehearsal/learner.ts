// A simulated learner works through a part, or a whole lesson, and yields the very records that a real learner's player
// sends.
import type { LearnerRecord } from '../contract/index.ts'
import {
  askingOf,
  asksIn,
  cuesInOrder,
  filmLengthMs,
  inOrder,
  partsInOrder,
  thingsToSee,
  type Cue,
  type Lesson,
  type Part,
} from '../lesson/index.ts'
import { drawAnswer, isSettled, markQuestion } from '../questions/index.ts'
import { knownOf, nextPart, routesOpen } from '../routes/index.ts'
import { SEEN_SHARE, shareWatched } from '../watching/index.ts'
import { chanceOfRight } from './answering.ts'
import { chanceOfLeaving, type Persona } from './persona.ts'
import type { Random } from './random.ts'
import {
  beginSitting,
  noteChoice,
  noteFinish,
  notePlace,
  noteSeen,
  noteSpan,
  pass,
  type Sitting,
} from './sitting.ts'

/** Looking at one thing, in ms. */
const LOOKING_MS = [3000, 25_000] as const
/** Reading and thinking before an answer, in ms. */
const THINKING_MS = [4000, 22_000] as const
/** Between two parts, in ms. */
const TURNING_MS = [2000, 9000] as const
/** A film is played in stretches of this length between two decisions, in ms. */
const STRETCH_MS = [12_000, 30_000] as const
const AGAIN = 0.05
const AGAIN_MS = 9000
/** Who skips plays the last few seconds before each question only. */
const GLANCE_MS = 3000
const TRIES_AGAIN = 0.75
/** Whoever has tried so often, where tries are not counted, finds it in the end. */
const MOST_TRIES = 8
/** Nobody goes round in a lesson more often than this. */
const MOST_PARTS = 60

/** What became of a part: left for good, gone on from by a fork, or ended. */
type Outcome = { left: true } | { left: false; toPart: string | null; ended: boolean }

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
  noteChoice(sitting, partId, route.id)
  return route.target.to === 'part' ? route.target.partId : null
}

function workThrough(sitting: Sitting, part: Part): Outcome {
  noteSeen(sitting, part.id, part.id)
  return part.kind === 'film' ? watch(sitting, part.id) : look(sitting, part)
}

/** Looks at what there is, answers what is asked, and goes on. */
function look(sitting: Sitting, part: Part): Outcome {
  const { random, persona } = sitting
  const looks = persona.skips ? 0.25 : 0.9
  for (const thingId of thingsToSee(part))
    if (random.chance(looks)) {
      pass(sitting, LOOKING_MS)
      noteSeen(sitting, part.id, thingId)
    }
  for (const { id, questionId } of asksIn(part))
    answer(sitting, part.id, { id, questionId, atMs: 0 })
  noteFinish(sitting, part.id, 0)
  return { left: false, toPart: null, ended: false }
}

/** Watches from one thing to do to the next, until the end, a way out, or the end of patience. */
function watch(sitting: Sitting, partId: string): Outcome {
  const { lesson } = sitting
  const lengthMs = filmLengthMs(lesson, partId) ?? 0
  const stops = cuesInOrder(lesson, partId).filter(isStop)
  let atMs = 0
  const passed = new Set<string>()
  for (;;) {
    const stop = stops.find((cue) => cue.atMs >= atMs && !passed.has(cue.id))
    const leftAtMs = watchTo(sitting, partId, atMs, stop?.atMs ?? lengthMs)
    if (leftAtMs !== null) {
      notePlace(sitting, partId, leftAtMs)
      return { left: true }
    }
    if (!stop) break
    passed.add(stop.id)
    atMs = stop.atMs
    if (stop.kind === 'question') {
      answer(sitting, partId, stop)
      continue
    }
    const way = choose(sitting, stop)
    if (way?.to === 'part') return { left: false, toPart: way.partId, ended: false }
    if (way?.to === 'ending') {
      noteFinish(sitting, partId, atMs)
      return { left: false, toPart: null, ended: true }
    }
    if (way?.to === 'time') atMs = Math.min(way.atMs, lengthMs)
  }
  noteFinish(sitting, partId, lengthMs)
  return { left: false, toPart: null, ended: false }
}

type Stop = Extract<Cue, { kind: 'question' | 'fork' }>
const isStop = (cue: Cue): cue is Stop =>
  cue.kind === 'question' || (cue.kind === 'fork' && !cue.decides)

/** Plays on; now and then a stretch twice. Tells where patience ended, if it did. */
function watchTo(sitting: Sitting, partId: string, fromMs: number, toMs: number): number | null {
  const { persona, random } = sitting
  if (persona.skips) {
    noteSpan(sitting, partId, { fromMs: Math.max(fromMs, toMs - GLANCE_MS), toMs })
    return null
  }
  let atMs = fromMs
  while (atMs < toMs) {
    const step = STRETCH_MS[0] + random.next() * (STRETCH_MS[1] - STRETCH_MS[0])
    const endMs = Math.min(toMs, Math.round(atMs + step))
    if (random.chance(chanceOfLeaving(persona, atMs - fromMs, endMs - fromMs))) {
      const leftMs = Math.round(atMs + (endMs - atMs) * random.next())
      noteSpan(sitting, partId, { fromMs: atMs, toMs: leftMs })
      return leftMs
    }
    noteSpan(sitting, partId, { fromMs: atMs, toMs: endMs })
    if (random.chance(AGAIN))
      noteSpan(sitting, partId, { fromMs: Math.max(0, endMs - AGAIN_MS), toMs: endMs })
    atMs = endMs
  }
  return null
}

function choose(sitting: Sitting, fork: Extract<Cue, { kind: 'fork' }>) {
  const ways = inOrder(Object.values(fork.choices))
  // The first way stands for going on as most do.
  const way = sitting.random.chance(0.5)
    ? ways[0]
    : ways[Math.floor(sitting.random.next() * ways.length)]
  if (!way) return null
  pass(sitting, THINKING_MS)
  noteChoice(sitting, fork.id, way.id)
  sitting.released.push(fork.id)
  notePlace(sitting, fork.partId, fork.atMs)
  return way.target
}

/** Whether the stretch that answers a question was watched by now; where none is named, nobody can miss it. */
function hasSeenEvidence({ lesson, covered, persona }: Sitting, questionId: string): boolean {
  const { evidence } = lesson.questions[questionId]!
  if (!evidence) return !persona.skips
  return shareWatched(covered[evidence.partId] ?? [], evidence) >= SEEN_SHARE
}

/** What asks, and when in a film. */
interface Asked {
  id: string
  questionId: string
  atMs: number
}

function holdsUntilRight({ cues }: Lesson, cueId: string): boolean {
  const cue = Object.hasOwn(cues, cueId) ? cues[cueId]! : null
  return cue?.kind === 'question' && cue.hold === 'right'
}

function answer(sitting: Sitting, partId: string, cue: Asked): void {
  const { lesson, random, persona } = sitting
  const question = lesson.questions[cue.questionId]!
  const chance = chanceOfRight(question, persona.ability, hasSeenEvidence(sitting, question.id))
  const { countdownMs = Infinity } = askingOf(lesson, cue.id) ?? {}
  const isHeld = holdsUntilRight(lesson, cue.id)
  const most = question.tries || (isHeld ? MOST_TRIES : 1)
  for (let tryNumber = 1; tryNumber <= most; tryNumber += 1) {
    const waitedMs = Math.min(pass(sitting, THINKING_MS), countdownMs)
    const findsIt = random.chance(chance) || (isHeld && question.tries === 0 && tryNumber === most)
    const given = drawAnswer(question, findsIt, random)
    sitting.records.push({
      ...{ kind: 'response', id: random.id(), cueId: cue.id, questionId: question.id },
      ...{ answer: given, answeredAt: new Date(sitting.clockMs).toISOString(), waitedMs },
    })
    const { verdict, points } = markQuestion(question, given)
    const about = { cueId: cue.id, questionId: question.id, tryNumber }
    sitting.responses.push({ ...about, answer: given, verdict, points })
    if (isSettled(verdict)) break
    // Where playback holds until it is right, nobody goes on before, or before their tries are used up.
    if (!random.chance(TRIES_AGAIN) && !isHeld) break
  }
  sitting.released.push(cue.id)
  notePlace(sitting, partId, cue.atMs)
}
