// A simulated learner watches a film. What holds them, where ways lead and when they are sent back is decided by the very
// machine that a real learner's player has.
import { cuesInOrder, filmLengthMs, inOrder, type ForkCue } from '../lesson/index.ts'
import {
  advance,
  buildSchedule,
  startPlayback,
  type PlaybackEvent,
  type PlaybackState,
  type Schedule,
} from '../playback/index.ts'
import { knownOf } from '../routes/index.ts'
import { answer, THINKING_MS } from './answer.ts'
import { chanceOfLeaving } from './persona.ts'
import {
  recordChoice,
  recordFinish,
  recordPlace,
  recordSpan,
  pass,
  type Sitting,
} from './sitting.ts'

/** What became of a part: left for good, gone on from by a fork, or ended. */
export type Outcome = { left: true } | { left: false; toPart: string | null; ended: boolean }

/** A film is played in stretches of this length between two decisions, in ms. */
const STRETCH_MS = [12_000, 30_000] as const
const AGAIN = 0.05
const AGAIN_MS = 9000
/** Who skips plays the last few seconds before each question only. */
const GLANCE_MS = 3000
/** Nobody goes through more of one film than this: who is led round and round gives up. */
const MOST_STEPS = 300

interface Playing {
  sitting: Sitting
  partId: string
  schedule: Schedule
  state: PlaybackState
  toPart: string | null
  ended: boolean
}

/** Watches from one thing to do to the next, until the end, a way out, or the end of patience. */
export function watch(sitting: Sitting, partId: string): Outcome {
  const { lesson } = sitting
  const schedule = buildSchedule(lesson, partId, filmLengthMs(lesson, partId) ?? 0)
  const { released, chosen } = sitting
  const state = startPlayback({ released, chosen, results: resultsOf(sitting) })
  const playing: Playing = { sitting, partId, schedule, state, toPart: null, ended: false }
  for (let step = 0; step < MOST_STEPS; step += 1) {
    if (playing.toPart !== null) return { left: false, toPart: playing.toPart, ended: false }
    if (playing.state.mode.kind === 'ended')
      return { left: false, toPart: null, ended: playing.ended }
    if (!goOn(playing)) break
  }
  recordPlace(sitting, partId, Math.max(0, playing.state.mediaMs))
  return { left: true }
}

/** Earlier answers, as playback knows them. */
function resultsOf({ lesson, responses }: Sitting) {
  const { results } = knownOf(lesson, { responses, covered: {}, seen: {}, released: [] })
  return Object.fromEntries(
    Object.entries(results).map(([cueId, { right }]) => {
      const given = responses.filter((one) => one.cueId === cueId)
      const { tries } = lesson.questions[given[0]!.questionId]!
      const final = right || (tries > 0 && given.length >= tries)
      return [cueId, { right, final, tries: given.length }]
    }),
  )
}

/** One step on; false where patience ends. */
function goOn(playing: Playing): boolean {
  const { sitting, partId, schedule, state } = playing
  const { mode } = state
  if (mode.kind === 'held') meet(playing, mode.cueId)
  else if (mode.kind === 'reviewing') {
    recordSpan(sitting, partId, { fromMs: state.mediaMs, toMs: mode.toMs })
    send(playing, { kind: 'tick', mediaMs: mode.toMs })
  } else if (state.beside.length > 0) meet(playing, state.beside[0]!)
  else {
    const next = schedule.moments.find(({ atMs }) => atMs > state.mediaMs)
    const toMs = next?.atMs ?? schedule.durationMs
    const leftAtMs = watchTo(playing, Math.max(0, state.mediaMs), toMs)
    if (leftAtMs !== null) {
      send(playing, { kind: 'tick', mediaMs: leftAtMs })
      return false
    }
    const { facts } = knownOf(sitting.lesson, sitting)
    send(playing, { kind: 'known', facts })
    send(playing, next ? { kind: 'tick', mediaMs: toMs } : { kind: 'ended' })
  }
  return true
}

/** Tells the machine what happens, and records what comes of it. */
function send(playing: Playing, event: PlaybackEvent): void {
  const { sitting, partId, schedule } = playing
  const { state, commands } = advance(schedule, playing.state, event)
  playing.state = state
  for (const cueId of Object.keys(state.released))
    if (!sitting.released.includes(cueId)) sitting.released.push(cueId)
  for (const command of commands) {
    if (command.kind === 'took') {
      recordChoice(sitting, command.cueId, command.choiceId)
      const fork = sitting.lesson.cues[command.cueId] as ForkCue
      playing.ended = fork.choices[command.choiceId]?.target.to === 'ending'
    }
    if (command.kind === 'finish') recordFinish(sitting, partId, Math.max(0, state.mediaMs))
    if (command.kind === 'goTo') playing.toPart = command.partId
  }
}

/** Answers the question, or takes a way of the fork, that holds the film or stands beside it. */
function meet(playing: Playing, cueId: string): void {
  const { sitting, partId } = playing
  const cue = cuesInOrder(sitting.lesson, partId).find(({ id }) => id === cueId)!
  if (cue.kind === 'fork') {
    const choiceId = choose(sitting, cue)
    send(playing, { kind: 'chose', cueId, choiceId })
    return recordPlace(sitting, partId, cue.atMs)
  }
  if (cue.kind !== 'question') return
  answer(sitting, cue, (result) => {
    send(playing, { kind: 'answered', cueId, result })
    // Sent back to the stretch that answers it, before the next try.
    while (playing.state.mode.kind === 'reviewing') goOn(playing)
  })
  send(playing, { kind: 'dismissed', cueId })
  recordPlace(sitting, partId, cue.atMs)
}

function choose(sitting: Sitting, fork: ForkCue): string {
  const ways = inOrder(Object.values(fork.choices))
  // The first way stands for going on as most do.
  const way = sitting.random.chance(0.5)
    ? ways[0]!
    : ways[Math.floor(sitting.random.next() * ways.length)]!
  pass(sitting, THINKING_MS)
  return way.id
}

/** Plays on; now and then a stretch twice. Tells where patience ended, if it did. */
function watchTo(
  { sitting, partId, schedule }: Playing,
  fromMs: number,
  toMs: number,
): number | null {
  const { persona, random } = sitting
  const maySkip = schedule.seekRule === 'free'
  if (persona.skips && maySkip) {
    recordSpan(sitting, partId, { fromMs: Math.max(fromMs, toMs - GLANCE_MS), toMs })
    return null
  }
  let atMs = fromMs
  while (atMs < toMs) {
    const step = STRETCH_MS[0] + random.next() * (STRETCH_MS[1] - STRETCH_MS[0])
    const endMs = Math.min(toMs, Math.round(atMs + step))
    if (random.chance(chanceOfLeaving(persona, atMs - fromMs, endMs - fromMs))) {
      const leftMs = Math.round(atMs + (endMs - atMs) * random.next())
      recordSpan(sitting, partId, { fromMs: atMs, toMs: leftMs })
      return leftMs
    }
    recordSpan(sitting, partId, { fromMs: atMs, toMs: endMs })
    if (random.chance(AGAIN) && schedule.seekRule !== 'none')
      recordSpan(sitting, partId, { fromMs: Math.max(0, endMs - AGAIN_MS), toMs: endMs })
    atMs = endMs
  }
  return null
}
