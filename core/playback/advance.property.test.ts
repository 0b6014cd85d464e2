// Random plays and jumps against the promises of the machine, and against a slow and obvious version of playing.
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { lessonWithFilm, PART, withQuestion, type QuestionWish } from '../testing/index.ts'
import {
  advance,
  buildSchedule,
  holdsHere,
  isRequired,
  startPlayback,
  type PlaybackEvent,
  type PlaybackState,
  type Schedule,
} from './index.ts'

const END = 10_000

const wishes = fc.uniqueArray(
  fc.record({
    id: fc.constantFrom('a', 'b', 'c', 'd'),
    atMs: fc.integer({ min: 0, max: END }),
    hold: fc.constantFrom('none' as const, 'shown' as const, 'answered' as const, 'right' as const),
    sendBack: fc.boolean(),
    again: fc.boolean(),
    evidence: fc.option(fc.constant({ fromMs: 100, toMs: 900 }), { nil: undefined }),
  }),
  { selector: (wish) => wish.id, maxLength: 4 },
)
const rules = fc.constantFrom('free' as const, 'backOnly' as const, 'none' as const)

const ids = fc.constantFrom('a', 'b', 'c', 'd')
const event: fc.Arbitrary<PlaybackEvent> = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.record({
      kind: fc.constant('tick' as const),
      mediaMs: fc.integer({ min: 0, max: END }),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant('seeked' as const),
      fromMs: fc.constant(0),
      toMs: fc.integer({ min: 0, max: END }),
    }),
  },
  fc.constantFrom(
    { kind: 'played' as const },
    { kind: 'paused' as const },
    { kind: 'ended' as const },
  ),
  fc.record({ kind: fc.constant('dismissed' as const), cueId: ids }),
  fc.record({ kind: fc.constant('rewatch' as const), cueId: ids }),
  fc.record({
    kind: fc.constant('answered' as const),
    cueId: ids,
    result: fc.record({ right: fc.boolean(), final: fc.boolean() }),
  }),
)

function scheduleOf(list: QuestionWish[], seekRule: Schedule['seekRule']): Schedule {
  const lesson = list.reduce(withQuestion, lessonWithFilm(END))
  return { ...buildSchedule(lesson, PART, END), seekRule }
}

const play = (schedule: Schedule, events: PlaybackEvent[]) =>
  events.reduce<PlaybackState[]>(
    (states, next) => [...states, advance(schedule, states.at(-1)!, next).state],
    [startPlayback()],
  )

it('passes no required question, whatever happens', () => {
  fc.assert(
    fc.property(wishes, rules, fc.array(event, { maxLength: 40 }), (list, rule, events) => {
      const schedule = scheduleOf(list, rule)
      for (const state of play(schedule, events)) {
        const passed = schedule.moments.filter(
          (m) => isRequired(m) && !state.released[m.cueId] && m.atMs < state.mediaMs,
        )
        if (passed.length > 0) expect(passed).toEqual([])
      }
    }),
    { seed: 1791, numRuns: 400 },
  )
})

it('the same events give the same states and commands', () => {
  fc.assert(
    fc.property(wishes, rules, fc.array(event, { maxLength: 25 }), (list, rule, events) => {
      const schedule = scheduleOf(list, rule)
      expect(play(schedule, events)).toEqual(play(schedule, events))
    }),
    { seed: 1792, numRuns: 100 },
  )
})

it('a repeated tick changes nothing and asks for nothing', () => {
  fc.assert(
    fc.property(
      wishes,
      fc.array(event, { maxLength: 25 }),
      fc.integer({ min: 0, max: END }),
      (list, events, ms) => {
        const schedule = scheduleOf(list, 'free')
        const before = play(schedule, events).at(-1)!
        const once = advance(schedule, before, { kind: 'tick', mediaMs: ms }).state
        const twice = advance(schedule, once, { kind: 'tick', mediaMs: ms })
        expect(twice.state).toEqual(once)
        // While held, a far-off tick may be answered with the same wish to stand still.
        if (once.mode.kind !== 'held') expect(twice.commands).toEqual([])
      },
    ),
    { seed: 1793, numRuns: 300 },
  )
})

/** Playing ms by ms: the first hold at or after the start, or none. */
function firstHoldSlowly(schedule: Schedule, toMs: number): { cueId: string; atMs: number } | null {
  for (let ms = 0; ms <= toMs; ms += 1)
    for (const moment of schedule.moments)
      if (moment.atMs === ms && holdsHere(moment, {})) return { cueId: moment.cueId, atMs: ms }
  return null
}

it('coarse ticks stop where playing ms by ms stops', () => {
  fc.assert(
    fc.property(
      wishes,
      fc.array(fc.integer({ min: 1, max: 3000 }), { minLength: 1, maxLength: 12 }),
      (list, steps) => {
        const schedule = scheduleOf(list, 'free')
        let state = startPlayback()
        let ms = 0
        for (const step of [0, ...steps]) {
          ms = Math.min(END, ms + step)
          if (state.mode.kind === 'free')
            state = advance(schedule, state, { kind: 'tick', mediaMs: ms }).state
        }
        const expected = firstHoldSlowly(schedule, ms)
        if (expected)
          expect(state).toMatchObject({
            mode: { kind: 'held', cueId: expected.cueId },
            mediaMs: expected.atMs,
          })
        else expect(state.mode.kind).toBe('free')
      },
    ),
    { seed: 1794, numRuns: 150 },
  )
})
