import { describe, expect, it } from 'vitest'
import { edits, type Lesson, type SeekRule } from '../lesson/index.ts'
import { edited, lessonWithFilm, PART, withQuestion, type QuestionWish } from '../testing/index.ts'
import {
  advance,
  buildSchedule,
  overlaysAt,
  seekRange,
  startPlayback,
  type PlaybackCommand,
  type PlaybackEvent,
  type PlaybackState,
  type Schedule,
} from './index.ts'

const END = 60_000

function scheduleOf(
  wishes: QuestionWish[],
  seekRule: SeekRule = 'free',
  more = (l: Lesson) => l,
): Schedule {
  let lesson = lessonWithFilm(END)
  for (const wish of wishes) lesson = withQuestion(lesson, wish)
  lesson = edited(lesson, edits.setSeekRule, { partId: PART, seekRule })
  return buildSchedule(more(lesson), PART, END)
}

/** Plays events through and gathers all commands. */
function run(schedule: Schedule, events: PlaybackEvent[], from: PlaybackState = startPlayback()) {
  let state = from
  const commands: PlaybackCommand[] = []
  for (const event of events) {
    const advanced = advance(schedule, state, event)
    state = advanced.state
    commands.push(...advanced.commands)
  }
  return { state, commands }
}

const tick = (mediaMs: number): PlaybackEvent => ({ kind: 'tick', mediaMs })
const seeked = (toMs: number): PlaybackEvent => ({ kind: 'seeked', fromMs: 0, toMs })
const answered = (cueId: string, right: boolean, final = right): PlaybackEvent => ({
  kind: 'answered',
  cueId,
  result: { right, final },
})
const dismissed = (cueId: string): PlaybackEvent => ({ kind: 'dismissed', cueId })
const played: PlaybackEvent = { kind: 'played' }

describe('holds', () => {
  const one = scheduleOf([{ id: 'a', atMs: 5000 }])

  it('holds at the cue however coarse the ticks are', () => {
    const { state, commands } = run(one, [played, tick(0), tick(9000)])
    expect(state.mode).toEqual({ kind: 'held', cueId: 'a' })
    expect(state.mediaMs).toBe(5000)
    expect(commands).toEqual([
      { kind: 'pause' },
      { kind: 'seek', ms: 5000 },
      { kind: 'show', cueId: 'a' },
    ])
  })

  it('fires when a tick lands exactly on the cue, and needs no seek then', () => {
    const { commands } = run(one, [played, tick(4999), tick(5000)])
    expect(commands).toEqual([{ kind: 'pause' }, { kind: 'show', cueId: 'a' }])
  })

  it('does not fire a moment before the cue', () => {
    expect(run(one, [played, tick(4999)]).state.mode.kind).toBe('free')
  })

  it('fires a cue at the very beginning', () => {
    const schedule = scheduleOf([{ id: 'a', atMs: 0 }])
    expect(run(schedule, [played, tick(0)]).state.mode.kind).toBe('held')
  })

  it('stays until answered, and goes on after it', () => {
    const held = run(one, [played, tick(6000), dismissed('a')])
    expect(held.state.mode.kind).toBe('held')
    const { state, commands } = run(one, [answered('a', false), dismissed('a')], held.state)
    expect(state.mode.kind).toBe('free')
    expect(commands).toEqual([{ kind: 'hide', cueId: 'a' }, { kind: 'play' }])
  })

  it('does not fire again when watched again, unless it asks to', () => {
    const events = [
      played,
      tick(6000),
      answered('a', true),
      dismissed('a'),
      seeked(1000),
      tick(8000),
    ]
    expect(run(one, events).state.mode.kind).toBe('free')
    const again = scheduleOf([{ id: 'a', atMs: 5000, again: true }])
    expect(run(again, events).state.mode).toEqual({ kind: 'held', cueId: 'a' })
  })

  it('a hold for the right answer opens only for it, or when no try is left', () => {
    const schedule = scheduleOf([{ id: 'a', atMs: 5000, hold: 'right' }])
    const held = run(schedule, [played, tick(5000), answered('a', false), dismissed('a')]).state
    expect(held.mode.kind).toBe('held')
    expect(run(schedule, [answered('a', true), dismissed('a')], held).state.mode.kind).toBe('free')
    expect(run(schedule, [answered('a', false, true), dismissed('a')], held).state.mode.kind).toBe(
      'free',
    )
  })

  it('takes two holds at one time in their order', () => {
    const schedule = scheduleOf([
      { id: 'a', atMs: 5000, hold: 'shown' },
      { id: 'b', atMs: 5000, hold: 'shown' },
    ])
    const first = run(schedule, [played, tick(7000)])
    expect(first.state.mode).toEqual({ kind: 'held', cueId: 'a' })
    const second = run(schedule, [dismissed('a')], first.state)
    expect(second.state.mode).toEqual({ kind: 'held', cueId: 'b' })
    expect(second.commands).not.toContainEqual({ kind: 'play' })
    expect(run(schedule, [dismissed('b')], second.state).commands).toContainEqual({ kind: 'play' })
  })

  it('pauses what plays while held, and sets back what drifts', () => {
    const { state } = run(one, [played, tick(5000)])
    expect(advance(one, state, played).commands).toEqual([{ kind: 'pause' }])
    expect(advance(one, state, tick(5600)).commands).toContainEqual({ kind: 'seek', ms: 5000 })
    expect(advance(one, state, tick(5040)).commands).toEqual([])
  })

  it('opens a question beside the film without stopping it', () => {
    const schedule = scheduleOf([{ id: 'a', atMs: 5000, hold: 'none' }])
    const { state, commands } = run(schedule, [played, tick(6000)])
    expect(state).toMatchObject({ mode: { kind: 'free' }, beside: ['a'], playing: true })
    expect(commands).toEqual([{ kind: 'show', cueId: 'a' }])
    expect(run(schedule, [dismissed('a')], state).state.beside).toEqual([])
  })
})

describe('jumps', () => {
  const two = [
    { id: 'a', atMs: 5000 },
    { id: 'b', atMs: 20_000 },
  ]

  it('free: skipped questions that must be answered pull back to the first of them', () => {
    const { state, commands } = run(scheduleOf(two), [tick(0), seeked(40_000)])
    expect(state.mode).toEqual({ kind: 'held', cueId: 'a' })
    expect(commands).toContainEqual({ kind: 'seek', ms: 5000 })
  })

  it('free: questions that may be passed over are passed over', () => {
    const schedule = scheduleOf([{ id: 'a', atMs: 5000, hold: 'shown' }])
    expect(run(schedule, [tick(0), seeked(40_000)]).state).toMatchObject({ mode: { kind: 'free' } })
  })

  it('a jump exactly onto a question meets it', () => {
    const schedule = scheduleOf([{ id: 'a', atMs: 5000, hold: 'shown' }])
    expect(run(schedule, [tick(0), seeked(5000)]).state.mode).toEqual({ kind: 'held', cueId: 'a' })
  })

  it('a jump back from a hold leaves it, and it is met again', () => {
    const schedule = scheduleOf(two)
    const { state, commands } = run(schedule, [played, tick(5000), seeked(2000)])
    expect(state.mode.kind).toBe('free')
    expect(commands).toContainEqual({ kind: 'hide', cueId: 'a' })
    expect(run(schedule, [played, tick(6000)], state).state.mode).toEqual({
      kind: 'held',
      cueId: 'a',
    })
  })

  it('back only: the furthest point played bounds a jump', () => {
    const schedule = scheduleOf([], 'backOnly')
    const { state, commands } = run(schedule, [played, tick(0), tick(8000), seeked(30_000)])
    expect(commands).toContainEqual({ kind: 'seek', ms: 8000 })
    expect(run(schedule, [seeked(2000), seeked(7000)], state).commands).toEqual([])
  })

  it('none: every jump is set back, and breaks off neither hold nor review', () => {
    const schedule = scheduleOf(
      [{ id: 'a', atMs: 5000, evidence: { fromMs: 1000, toMs: 3000 } }],
      'none',
    )
    const held = run(schedule, [played, tick(5000)]).state
    const tried = advance(schedule, held, seeked(0))
    expect(tried.commands).toEqual([{ kind: 'seek', ms: 5000 }])
    expect(tried.state).toEqual(held)
  })

  it('none at all lets whoever has come to the end begin again', () => {
    const schedule = scheduleOf([], 'none')
    const { state } = run(schedule, [tick(59_990), { kind: 'ended' }])
    expect(seekRange(schedule, state)).toEqual({ fromMs: 0, toMs: 0 })
    const again = run(schedule, [{ kind: 'seeked', fromMs: END, toMs: 0 }], state)
    expect(again.state).toMatchObject({ mediaMs: 0, mode: { kind: 'free' } })
    expect(seekRange(schedule, again.state)).toBeNull()
  })

  it('tells how far a learner may jump', () => {
    const reached = (rule: SeekRule) => run(scheduleOf([], rule), [tick(0), tick(9000)]).state
    expect(seekRange(scheduleOf([]), reached('free'))).toEqual({ fromMs: 0, toMs: END })
    const back = scheduleOf([], 'backOnly')
    expect(seekRange(back, reached('backOnly'))).toEqual({ fromMs: 0, toMs: 9000 })
    expect(seekRange(scheduleOf([], 'none'), reached('none'))).toBeNull()
  })

  it('none: where one left off is still taken up', () => {
    const schedule = scheduleOf([], 'none')
    expect(run(schedule, [seeked(9000)]).state.mediaMs).toBe(9000)
  })

  it('a jump is not watching: it does not move the furthest point', () => {
    expect(run(scheduleOf([]), [tick(0), tick(1000), seeked(30_000)]).state.furthestMs).toBe(1000)
  })

  it('stays within the film', () => {
    expect(run(scheduleOf([]), [seeked(999_999)]).commands).toContainEqual({
      kind: 'seek',
      ms: END,
    })
  })
})

describe('evidence', () => {
  const evidence = { fromMs: 1000, toMs: 3000 }

  it('rewatch plays just the stretch and comes back to the question', () => {
    const schedule = scheduleOf([{ id: 'a', atMs: 5000, evidence }])
    const held = run(schedule, [played, tick(5000)]).state
    const away = run(schedule, [{ kind: 'rewatch', cueId: 'a' }], held)
    expect(away.commands).toEqual([{ kind: 'seek', ms: 1000 }, { kind: 'play' }])
    const back = run(schedule, [played, tick(2000), tick(3040)], away.state)
    expect(back.state.mode).toEqual({ kind: 'held', cueId: 'a' })
    expect(back.commands).toEqual([{ kind: 'pause' }, { kind: 'seek', ms: 5000 }])
  })

  it('sends back after a wrong answer, once a try', () => {
    const schedule = scheduleOf([{ id: 'a', atMs: 5000, hold: 'right', sendBack: true, evidence }])
    const held = run(schedule, [played, tick(5000)]).state
    const sent = run(schedule, [answered('a', false)], held)
    expect(sent.state.mode).toMatchObject({ kind: 'reviewing', cueId: 'a', toMs: 3000 })
    const back = run(schedule, [tick(3000)], sent.state)
    expect(back.state.mode.kind).toBe('held')
    expect(run(schedule, [answered('a', false)], back.state).state.mode.kind).toBe('reviewing')
  })

  it('does not send back after a right answer, nor without evidence', () => {
    const without = scheduleOf([{ id: 'a', atMs: 5000, sendBack: true }])
    expect(run(without, [tick(0), tick(5000), answered('a', false)]).state.mode.kind).toBe('held')
    const schedule = scheduleOf([{ id: 'a', atMs: 5000, sendBack: true, evidence }])
    expect(run(schedule, [tick(0), tick(5000), answered('a', true)]).state.mode.kind).toBe('held')
  })

  it('never plays past the question it belongs to', () => {
    const late = scheduleOf([{ id: 'a', atMs: 5000, evidence: { fromMs: 4000, toMs: 9000 } }])
    expect(late.moments[0]).toMatchObject({ evidence: { fromMs: 4000, toMs: 5000 } })
    const after = scheduleOf([{ id: 'a', atMs: 5000, evidence: { fromMs: 6000, toMs: 9000 } }])
    expect(after.moments[0]).toMatchObject({ evidence: null })
  })
})

const nothingKnown = { isAnswered: () => false, countdown: null }

describe('overlays', () => {
  const schedule = scheduleOf([], 'free', (lesson) =>
    edited(lesson, edits.addOverlay, {
      cueId: 'o',
      partId: PART,
      fromMs: 1000,
      toMs: 2000,
      text: '',
    }),
  )

  it('shows from its beginning up to, but not at, its end', () => {
    expect([999, 1000, 1999, 2000].map((ms) => overlaysAt(schedule, ms, nothingKnown))).toEqual([
      [],
      ['o'],
      ['o'],
      [],
    ])
  })

  it('tells when to show and hide it, once', () => {
    const { commands } = run(schedule, [played, tick(500), tick(1500), tick(1600), tick(2500)])
    expect(commands).toEqual([
      { kind: 'show', cueId: 'o' },
      { kind: 'hide', cueId: 'o' },
    ])
  })

  it('follows jumps both ways', () => {
    expect(run(schedule, [seeked(1500)]).state.overlays).toEqual(['o'])
    expect(run(schedule, [seeked(1500), seeked(0)]).state.overlays).toEqual([])
  })
})

describe('the end', () => {
  it('finishes once', () => {
    const schedule = scheduleOf([])
    const { state, commands } = run(schedule, [
      played,
      tick(59_000),
      { kind: 'ended' },
      { kind: 'ended' },
    ])
    expect(state).toMatchObject({ mode: { kind: 'ended' }, finished: true })
    expect(commands).toEqual([{ kind: 'finish' }])
    const later = run(
      schedule,
      [seeked(0), played, tick(0), tick(59_000), { kind: 'ended' }],
      state,
    )
    expect(later.commands).not.toContainEqual({ kind: 'finish' })
  })

  it('meets a question at the very end before it finishes', () => {
    const schedule = scheduleOf([{ id: 'a', atMs: END }])
    const { state } = run(schedule, [played, tick(59_000), { kind: 'ended' }])
    expect(state.mode).toEqual({ kind: 'held', cueId: 'a' })
    const { commands } = run(schedule, [answered('a', true), dismissed('a')], state)
    expect(commands).toEqual([{ kind: 'hide', cueId: 'a' }, { kind: 'finish' }])
  })

  it('pulls a cue beyond the end onto it', () => {
    let lesson = withQuestion(lessonWithFilm(END), { id: 'a', atMs: 59_000 })
    lesson = edited(lesson, edits.attachFilm, {
      partId: PART,
      mediaId: 'm',
      durationMs: 30_000,
      frameRate: '25',
    })
    expect(buildSchedule(lesson, PART, 30_000).moments[0]!.atMs).toBe(30_000)
  })
})
