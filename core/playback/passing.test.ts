// Passing over releases the hold, and nothing more; ways that decide by themselves, where something else stands at their time.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Condition, Lesson, Target } from '../lesson/index.ts'
import {
  edited,
  lessonWithFilm,
  PART,
  withFork,
  withQuestion,
  type QuestionWish,
} from '../testing/index.ts'
import { edits } from '../lesson/index.ts'
import {
  advance,
  buildSchedule,
  startPlayback,
  wasComeTo,
  type PlaybackCommand,
  type PlaybackEvent,
  type PlaybackState,
} from './index.ts'

const END = 60_000
const tick = (mediaMs: number): PlaybackEvent => ({ kind: 'tick', mediaMs })
const seeked = (toMs: number): PlaybackEvent => ({ kind: 'seeked', fromMs: 0, toMs })
const dismissed: PlaybackEvent = { kind: 'dismissed', cueId: 'a' }
const opened: PlaybackEvent = { kind: 'opened', cueId: 'a' }
const rewatch: PlaybackEvent = { kind: 'rewatch', cueId: 'a' }
const ended: PlaybackEvent = { kind: 'ended' }
const answered = (right: boolean, tries = 1, most = 2): PlaybackEvent => ({
  kind: 'answered',
  cueId: 'a',
  result: { right, final: right || tries === most, tries },
})

function run(lesson: Lesson, events: readonly PlaybackEvent[], from = startPlayback()) {
  const schedule = buildSchedule(lesson, PART, END)
  let state: PlaybackState = from
  const commands: PlaybackCommand[] = []
  for (const event of events) {
    const advanced = advance(schedule, state, event)
    state = advanced.state
    commands.push(...advanced.commands)
  }
  return { schedule, state, commands, did: commands.map(({ kind }) => kind) }
}

const asking = (wish: Partial<QuestionWish> = {}) =>
  withQuestion(lessonWithFilm(END), { id: 'a', atMs: 5000, hold: 'shown', ...wish })
const deciding = (
  lesson: Lesson,
  atMs: number,
  target: Target,
  condition?: Condition,
  id = 'f',
): Lesson =>
  withFork(lesson, {
    id,
    atMs,
    rules: { decides: true },
    ways: [{ id: `${id}-way`, target, ...(condition ? { condition } : {}) }],
  })
const wrong: Condition = { if: 'answer', cueId: 'a', is: 'wrong' }

describe('a question that was passed over', () => {
  const passedOver = [tick(0), tick(5000), dismissed, tick(9000)]

  it('is offered beside the film when it is played over again', () => {
    const { state } = run(asking(), [...passedOver, seeked(1000), tick(6000)])
    expect(state).toMatchObject({ mode: { kind: 'free' }, beside: ['a'], playing: true })
  })
  it('is offered after a reload as well', () => {
    const later = startPlayback({ released: ['a'] })
    expect(run(asking(), [seeked(1000), tick(6000)], later).state.beside).toEqual(['a'])
  })
  it('opens from its leaf at any time, and stands first', () => {
    const two = withQuestion(asking(), { id: 'b', atMs: 7000, hold: 'none' })
    const { state, schedule } = run(two, [...passedOver, opened])
    expect(state.beside).toEqual(['a', 'b'])
    expect(wasComeTo(schedule, state, 'a')).toBe(true)
    expect(wasComeTo(schedule, run(two, [tick(0)]).state, 'a')).toBe(false)
  })
  it('opens after the end as well, and closes to it', () => {
    const over = run(asking(), [...passedOver, tick(END - 40), ended, opened])
    expect(over.state).toMatchObject({ mode: { kind: 'ended' }, beside: ['a'] })
    expect(run(asking(), [answered(true), dismissed], over.state).state).toMatchObject({
      mode: { kind: 'ended' },
      beside: [],
    })
  })
  it('keeps its tries until they are used', () => {
    const once = run(asking(), [tick(0), tick(5000), answered(false), dismissed, tick(9000)])
    const again = run(asking(), [seeked(1000), tick(6000)], once.state)
    expect(again.state.beside).toEqual(['a'])
    const used = run(
      asking(),
      [answered(false, 2), dismissed, seeked(1000), tick(6000)],
      again.state,
    )
    expect(used.state.beside).toEqual([])
  })
  it('lets its evidence be played beside the film, and brings back to where that was', () => {
    const lesson = asking({ evidence: { fromMs: 1000, toMs: 3000 } })
    const away = run(lesson, [...passedOver, opened, rewatch])
    expect(away.state.mode).toMatchObject({ kind: 'reviewing', cueId: 'a' })
    const back = run(lesson, [tick(2000), tick(3040)], away.state)
    expect(back.state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 9000, beside: ['a'] })
    expect(back.commands).toEqual([{ kind: 'pause' }, { kind: 'seek', ms: 9000 }])
    const closed = run(lesson, [tick(2000), dismissed], away.state)
    expect(closed.state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 9000, beside: [] })
  })
  it('closes beside the film before it may be passed, and then holds when it is come to', () => {
    const lesson = asking({ hold: 'answered' })
    const closed = run(lesson, [tick(0), opened, dismissed])
    expect(closed.state).toMatchObject({ beside: [], released: {} })
    expect(run(lesson, [tick(6000)], closed.state).state.mode.kind).toBe('held')
  })
})

describe('a condition that leads back', () => {
  const lesson = deciding(asking({ hold: 'answered' }), 10_000, { to: 'time', atMs: 2000 }, wrong)
  const first = run(lesson, [tick(0), tick(5000), answered(false), dismissed, tick(10_000)])

  it('asks again what can still be answered', () => {
    expect(first.state).toMatchObject({ mediaMs: 2000, playing: true, released: {} })
    expect(run(lesson, [tick(6000)], first.state).state.mode).toEqual({ kind: 'held', cueId: 'a' })
  })
  it('goes on once the answer is right', () => {
    const { state } = run(
      lesson,
      [tick(6000), answered(true), dismissed, tick(11_000)],
      first.state,
    )
    expect(state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 11_000 })
  })
  it('leads back once for what was answered, and not for ever', () => {
    const second = run(
      lesson,
      [tick(6000), answered(false, 2), dismissed, tick(10_000)],
      first.state,
    )
    expect(second.state.mediaMs).toBe(2000)
    const third = run(lesson, [tick(11_000)], second.state)
    expect(third.state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 11_000, beside: [] })
  })
  it('leads back once where nothing on the way is asked', () => {
    const ring = deciding(lessonWithFilm(END), 10_000, { to: 'time', atMs: 2000 })
    const { state } = run(ring, [tick(0), tick(10_000), tick(11_000)])
    expect(state.mediaMs).toBe(11_000)
  })
  it('leads nobody round for ever, whatever the ways', () => {
    const times = fc.integer({ min: 1, max: 11 }).map((s) => s * 5000)
    const is = fc.constantFrom('right' as const, 'wrong' as const, 'given' as const)
    fc.assert(
      fc.property(
        fc.array(fc.tuple(times, times, is), { maxLength: 4 }),
        fc.boolean(),
        (forks, right) => {
          const film = forks.reduce(
            (all, [atMs, toMs, when], index) =>
              deciding(all, atMs, { to: 'time', atMs: toMs }, { ...wrong, is: when }, `f${index}`),
            asking({ hold: 'answered' }),
          )
          const schedule = buildSchedule(film, PART, END)
          let state = startPlayback()
          let tries = 0
          for (let steps = 0; state.mode.kind !== 'ended'; steps += 1) {
            if (steps > 400) throw new Error(`still at ${state.mediaMs}`)
            const next: PlaybackEvent[] =
              state.mode.kind !== 'held'
                ? [state.mediaMs >= END ? ended : tick(Math.min(END, state.mediaMs + 2500))]
                : tries < 3
                  ? [answered(right, (tries += 1), 3), dismissed]
                  : [dismissed]
            for (const event of next) state = advance(schedule, state, event).state
          }
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('a question and a fork that decides at one time', () => {
  const done = [tick(0), tick(5000), answered(true), dismissed]
  it('to an ending: the film is over, and does not begin again', () => {
    const { state, did } = run(deciding(asking(), 5000, { to: 'ending', message: '' }), done)
    expect(state).toMatchObject({ mode: { kind: 'ended' }, playing: false, mediaMs: 5000 })
    expect(did).not.toContain('play')
    expect(did.filter((kind) => kind === 'finish')).toHaveLength(1)
  })
  it('to a part: the old film does not play on', () => {
    const lesson = edited(asking(), edits.addFilmPart, { id: 'other', title: 'Other' })
    const { state, did } = run(deciding(lesson, 5000, { to: 'part', partId: 'other' }), done)
    expect(did.slice(-2)).toEqual(['pause', 'goTo'])
    expect(state.playing).toBe(false)
  })
  it('at the end of the film, back: nothing is finished', () => {
    const lesson = deciding(asking({ atMs: END }), END, { to: 'time', atMs: 2000 })
    const { state, did } = run(lesson, [tick(0), tick(END), answered(true), dismissed])
    expect(state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 2000, playing: true })
    expect(did).not.toContain('finish')
  })
  it('two forks at one time: the first that leads away does', () => {
    const one = deciding(lessonWithFilm(END), 5000, { to: 'time', atMs: 8000 }, undefined, 'f')
    const two = deciding(one, 5000, { to: 'ending', message: '' }, undefined, 'g')
    const { state, did } = run(two, [tick(0), tick(5010)])
    expect(state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 8000 })
    expect(did.filter((kind) => kind === 'took')).toHaveLength(1)
    const chain = deciding(one, 8000, { to: 'ending', message: '' }, undefined, 'g')
    const over = run(chain, [tick(0), tick(5010)])
    expect(over.state.mode.kind).toBe('ended')
    expect(over.did).not.toContain('play')
  })
})

describe('how far somebody came', () => {
  it('does not hang on the spacing of ticks where a fork leads away', () => {
    const lesson = deciding(lessonWithFilm(END), 5000, { to: 'time', atMs: 30_000 })
    const states = [40, 250, 1000, 1700].map((spacing) => {
      const ticks = Array.from({ length: Math.ceil(5000 / spacing) + 1 }, (_, i) =>
        tick(i * spacing),
      )
      return run(lesson, ticks.slice(0, 1 + Math.ceil(5000 / spacing))).state
    })
    for (const state of states) expect(state).toEqual(states[0])
    expect(states[0]).toMatchObject({ furthestMs: 5000, openMs: 30_000, mediaMs: 30_000 })
  })
  it('is not moved by a hold that was jumped to, nor by leaving it', () => {
    const lesson = asking({ atMs: 30_000 })
    const { state } = run(lesson, [tick(0), tick(1000), seeked(30_000), dismissed])
    expect(state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 30_000, furthestMs: 1000 })
  })
})

describe('a fork to its own time', () => {
  it('leads on, and what is required there still holds', () => {
    const fork = deciding(lessonWithFilm(END), 5000, { to: 'time', atMs: 5000 })
    const lesson = withQuestion(fork, { id: 'a', atMs: 5000, hold: 'answered' })
    const held = run(lesson, [tick(0), tick(5040)])
    expect(held.state.mode).toEqual({ kind: 'held', cueId: 'a' })
    expect(run(lesson, [tick(9000), seeked(20_000)], held.state).state.mediaMs).toBe(5000)
  })
})

describe('jumping over a fork that decides', () => {
  it('lets it decide first: it leads away, or the jump goes on', () => {
    const away = deciding(lessonWithFilm(END), 5000, { to: 'time', atMs: 30_000 })
    expect(run(away, [tick(0), seeked(20_000)]).state.mediaMs).toBe(30_000)
    const on = run(deciding(lessonWithFilm(END), 5000, { to: 'on' }), [tick(0), seeked(20_000)])
    expect(on.state).toMatchObject({ mediaMs: 20_000, chosen: { f: 'f-way' } })
    expect(on.did.filter((kind) => kind === 'took')).toHaveLength(1)
    const none = deciding(asking({ atMs: 50_000 }), 5000, { to: 'on' }, wrong)
    expect(run(none, [tick(0), seeked(20_000)]).state.mediaMs).toBe(20_000)
  })
  it('comes past it in no way before it has decided, as the survey takes for granted', () => {
    const lesson = deciding(asking({ atMs: 9000 }), 20_000, { to: 'ending', message: '' })
    const schedule = buildSchedule(lesson, PART, END)
    const event = fc.oneof(
      fc.integer({ min: 0, max: END }).map(seeked),
      fc.integer({ min: 0, max: END }).map(tick),
      fc.constantFrom(dismissed, opened, answered(true), ended),
    )
    fc.assert(
      fc.property(fc.array(event, { maxLength: 20 }), (events) => {
        let state = startPlayback()
        for (const next of events) {
          state = advance(schedule, state, next).state
          if (state.chosen.f === undefined) expect(state.mediaMs).toBeLessThanOrEqual(20_000)
        }
      }),
    )
  })
  it('is free once it has decided, unless it leads back', () => {
    const away = deciding(lessonWithFilm(END), 5000, { to: 'time', atMs: 30_000 })
    const twice = run(away, [tick(0), tick(5000), seeked(0), seeked(40_000)])
    expect(twice.state.mediaMs).toBe(40_000)
    const back = deciding(asking({ hold: 'answered' }), 10_000, { to: 'time', atMs: 2000 }, wrong)
    const later = startPlayback({
      released: ['a'],
      chosen: { f: 'f-way' },
      results: { a: { right: false, final: true, tries: 2 } },
    })
    expect(run(back, [seeked(20_000)], later).state.mediaMs).toBe(2000)
    expect(run(back, [seeked(20_000), seeked(20_000)], later).state.mediaMs).toBe(20_000)
  })
})
