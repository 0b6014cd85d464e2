// A simulated learner works through one part and yields the very records that a real learner's player sends.
import type { LearnerRecord } from '../contract/index.ts'
import {
  asksIn,
  cuesInOrder,
  filmLengthMs,
  thingsToSee,
  type Lesson,
  type Part,
} from '../lesson/index.ts'
import {
  drawAnswer,
  isSettled,
  markQuestion,
  type Answer,
  type Question,
} from '../questions/index.ts'
import type { Random } from './random.ts'

/** What a simulated learner is like. */
export interface Persona {
  /** θ of the item response model, about −2 to 2. */
  ability: number
  /** The longest share of the film that they stay for, 0 to 1. */
  patience: number
  /** Jumps ahead instead of watching. */
  skips: boolean
}

/** How sharply ability tells right from wrong. */
const DISCRIMINATION = 1.3
/** Difficulty of a choice question whose evidence was watched, and what skipping it adds. */
const DIFFICULTY = -0.9
const DIFFICULTY_UNSEEN = 1.2
/** Looking at one thing, in ms. */
const LOOKING_MS = [3000, 25_000] as const
/** Reading and thinking before an answer, in ms. */
const THINKING_MS = [4000, 22_000] as const

export function drawPersona(random: Random): Persona {
  const stays = random.chance(0.72)
  return {
    ability: random.normal(),
    patience: stays ? 1 : 0.25 + 0.6 * random.next(),
    skips: false,
  }
}

interface Sitting {
  lesson: Lesson
  partId: string
  random: Random
  persona: Persona
  /** Clock time, ms since the epoch; moves on as they watch and think. */
  clockMs: number
  records: LearnerRecord[]
  released: string[]
}

/** The records of one sitting that begins at `startMs` (ms since the epoch). */
export function simulateLearner(
  lesson: Lesson,
  partId: string,
  persona: Persona,
  random: Random,
  startMs: number,
): LearnerRecord[] {
  const sitting: Sitting = {
    lesson,
    partId,
    random,
    persona,
    clockMs: startMs,
    records: [],
    released: [],
  }
  const part = lesson.parts[partId]
  addSeen(sitting, partId)
  if (part && part.kind !== 'film') workThrough(sitting, part)
  else workThroughFilm(sitting)
  return sitting.records
}

/** Looks at what there is, more of it with more patience, answers what is asked, and goes on. */
function workThrough(sitting: Sitting, part: Part): void {
  const { random, persona } = sitting
  const looks = persona.skips ? 0.25 : 0.55 + 0.45 * persona.patience
  for (const thingId of thingsToSee(part))
    if (random.chance(looks)) {
      sitting.clockMs += Math.round(LOOKING_MS[0] + random.next() * (LOOKING_MS[1] - LOOKING_MS[0]))
      addSeen(sitting, thingId)
    }
  for (const asks of asksIn(part)) answerQuestion(sitting, { ...asks, atMs: 0 })
  addFinish(sitting)
}

function addSeen(sitting: Sitting, thingId: string): void {
  const { partId, random, clockMs } = sitting
  sitting.records.push({ kind: 'seen', id: random.id(), partId, thingId, at: isoTime(clockMs) })
}

/** Watches up to where patience ends, and answers what holds on the way. */
function workThroughFilm(sitting: Sitting): void {
  const { lesson, partId, persona } = sitting
  const leaveAtMs = Math.round((filmLengthMs(lesson, partId) ?? 0) * persona.patience)
  const questions = cuesInOrder(lesson, partId).filter((cue) => cue.kind === 'question')
  let atMs = 0
  for (const cue of questions) {
    if (cue.atMs > leaveAtMs) break
    watchTo(sitting, atMs, cue.atMs)
    answerQuestion(sitting, cue)
    atMs = cue.atMs
  }
  watchTo(sitting, atMs, leaveAtMs)
  if (persona.patience >= 1) addFinish(sitting)
  else addPlace(sitting, leaveAtMs)
}

const isoTime = (ms: number) => new Date(ms).toISOString()

/** Watches on in spans of up to half a minute; now and then a stretch is played twice. */
function watchTo(sitting: Sitting, fromMs: number, toMs: number): void {
  const { persona, random } = sitting
  // Who skips plays the last few seconds before each question only.
  let atMs = persona.skips ? Math.max(fromMs, toMs - 3000) : fromMs
  while (atMs < toMs) {
    const endMs = Math.min(toMs, atMs + 12_000 + Math.round(random.next() * 18_000))
    addSpan(sitting, atMs, endMs)
    if (!persona.skips && random.chance(0.05)) addSpan(sitting, Math.max(0, endMs - 9000), endMs)
    atMs = endMs
  }
}

function addSpan(sitting: Sitting, fromMs: number, toMs: number): void {
  if (toMs <= fromMs) return
  const beganAt = isoTime(sitting.clockMs)
  sitting.clockMs += toMs - fromMs
  sitting.records.push({
    kind: 'span',
    id: sitting.random.id(),
    partId: sitting.partId,
    ...{
      fromMs,
      toMs,
      rate: 1,
      beganAt,
      endedAt: isoTime(sitting.clockMs),
      muted: false,
      hidden: false,
    },
  })
}

/** What asks, and when in a film. */
interface Asked {
  id: string
  questionId: string
  atMs: number
}

function answerQuestion(sitting: Sitting, cue: Asked): void {
  const { lesson, random } = sitting
  const question = lesson.questions[cue.questionId]!
  for (let tryNumber = 1; tryNumber <= Math.max(1, question.tries); tryNumber += 1) {
    sitting.clockMs += Math.round(
      THINKING_MS[0] + random.next() * (THINKING_MS[1] - THINKING_MS[0]),
    )
    const answer = giveAnswer(sitting, question)
    sitting.records.push({
      kind: 'response',
      id: random.id(),
      cueId: cue.id,
      questionId: question.id,
      answer,
      answeredAt: isoTime(sitting.clockMs),
    })
    if (isSettled(markQuestion(question, answer).verdict) || !random.chance(0.75)) break
  }
  sitting.released.push(cue.id)
  addPlace(sitting, cue.atMs)
}

/** Harder where more has to be right at once. */
const HARDER: Partial<Record<Question['kind'], number>> = {
  shortText: 0.6,
  number: 0.8,
  gaps: 0.6,
  order: 0.4,
  match: 0.4,
  recap: 0.3,
}

function giveAnswer({ persona, random }: Sitting, question: Question): Answer {
  const several = question.kind === 'choice' && question.several ? 0.8 : 0
  const difficulty =
    DIFFICULTY + (persona.skips ? DIFFICULTY_UNSEEN : 0) + several + (HARDER[question.kind] ?? 0)
  const chance = 1 / (1 + Math.exp(-DISCRIMINATION * (persona.ability - difficulty)))
  return drawAnswer(question, random.chance(chance), random)
}

function addPlace(sitting: Sitting, atMs: number): void {
  sitting.records.push({
    kind: 'place',
    id: sitting.random.id(),
    partId: sitting.partId,
    atMs,
    released: [...sitting.released],
    at: isoTime(sitting.clockMs),
  })
}

function addFinish(sitting: Sitting): void {
  addPlace(sitting, filmLengthMs(sitting.lesson, sitting.partId) ?? 0)
  sitting.records.push({
    kind: 'finish',
    id: sitting.random.id(),
    partId: sitting.partId,
    at: isoTime(sitting.clockMs),
  })
}
