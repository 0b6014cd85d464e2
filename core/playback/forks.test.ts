import { describe, expect, it } from 'vitest'
import { edits, type Lesson, type Shown } from '../lesson/index.ts'
import {
  edited,
  lessonWithFilm,
  PART,
  withFork,
  withQuestion,
  type WayWish,
} from '../testing/index.ts'
import {
  advance,
  buildSchedule,
  countdownOf,
  startPlayback,
  type PlaybackCommand,
  type PlaybackEvent,
  type PlaybackState,
} from './index.ts'

const END = 60_000
const JUMP: WayWish[] = [
  { id: 'on', target: { to: 'on' } },
  { id: 'far', target: { to: 'time', atMs: 30_000 } },
  { id: 'end', target: { to: 'ending', message: 'Stuck on the sill' } },
]

function run(lesson: Lesson, events: PlaybackEvent[], from: PlaybackState = startPlayback()) {
  const schedule = buildSchedule(lesson, PART, END)
  let state = from
  const commands: PlaybackCommand[] = []
  for (const event of events) {
    const advanced = advance(schedule, state, event)
    state = advanced.state
    commands.push(...advanced.commands)
  }
  return { schedule, state, commands }
}
const tick = (mediaMs: number): PlaybackEvent => ({ kind: 'tick', mediaMs })
const chose = (choiceId: string): PlaybackEvent => ({ kind: 'chose', cueId: 'f', choiceId })
const seeked = (toMs: number): PlaybackEvent => ({ kind: 'seeked', fromMs: 0, toMs })
const asking = withFork(lessonWithFilm(END), { id: 'f', atMs: 10_000, ways: JUMP })

describe('a fork that asks', () => {
  it('holds the film until a way is picked', () => {
    const { state, commands } = run(asking, [tick(0), tick(12_000)])
    expect(state).toMatchObject({ mode: { kind: 'held', cueId: 'f' }, mediaMs: 10_000 })
    expect(commands).toContainEqual({ kind: 'pause' })
    expect(
      run(asking, [{ kind: 'dismissed', cueId: 'f' }, { kind: 'played' }], state).state.mode.kind,
    ).toBe('held')
    expect(run(asking, [chose('nowhere')], state).state).toEqual(state)
  })

  it('goes on from where it stands', () => {
    const { state, commands } = run(asking, [tick(0), tick(10_000), chose('on'), tick(10_040)])
    expect(state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 10_040, chosen: { f: 'on' } })
    expect(commands).toContainEqual({ kind: 'took', cueId: 'f', choiceId: 'on' })
    expect(commands.at(-1)).toEqual({ kind: 'play' })
  })

  it('leads to a time and plays on there', () => {
    const { state, commands } = run(asking, [tick(0), tick(10_000), chose('far')])
    expect(commands).toContainEqual({ kind: 'seek', ms: 30_000 })
    expect(state).toMatchObject({ mode: { kind: 'free' }, playing: true, furthestMs: 10_000 })
    expect(run(asking, [tick(30_040)], state).state.mediaMs).toBe(30_040)
  })

  it('leads to an ending', () => {
    const { state, commands } = run(asking, [tick(0), tick(10_000), chose('end')])
    expect(state).toMatchObject({ mode: { kind: 'ended' }, finished: true })
    expect(commands.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['pause', 'finish']))
  })

  it('asks again whenever it is met', () => {
    const { state } = run(asking, [tick(0), tick(10_000), chose('on'), seeked(5000), tick(11_000)])
    expect(state.mode).toEqual({ kind: 'held', cueId: 'f' })
  })

  it('meets what lies exactly where it leads', () => {
    const lesson = withQuestion(asking, { id: 'a', atMs: 30_000 })
    const { state } = run(lesson, [tick(0), tick(10_000), chose('far')])
    expect(state.mode).toEqual({ kind: 'held', cueId: 'a' })
  })
})

describe('jumps and forks', () => {
  const between = withQuestion(asking, { id: 'a', atMs: 20_000 })

  it('an undecided fork is not passed', () => {
    const { state } = run(asking, [tick(0), seeked(40_000)])
    expect(state).toMatchObject({ mode: { kind: 'held', cueId: 'f' }, mediaMs: 10_000 })
  })

  it('what a fork led round pulls nobody back', () => {
    const { state } = run(between, [tick(0), tick(10_000), chose('far'), seeked(40_000)])
    expect(state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 40_000 })
  })

  it('neither does it in a later sitting', () => {
    const later = startPlayback({ chosen: { f: 'far' } })
    expect(run(between, [seeked(40_000)], later).state.mode.kind).toBe('free')
    expect(
      run(between, [seeked(40_000)], startPlayback({ chosen: { f: 'on' } })).state.mode,
    ).toEqual({ kind: 'held', cueId: 'a' })
  })

  it('where only going back is allowed, the way a fork led is open', () => {
    const rule = edited(asking, edits.setSeekRule, { partId: PART, seekRule: 'backOnly' })
    const { state } = run(rule, [tick(0), tick(10_000), chose('far'), seeked(2000), seeked(30_000)])
    expect(state.mediaMs).toBe(30_000)
  })
})

describe('a countdown', () => {
  const timed = (defaultChoice?: string) =>
    withFork(lessonWithFilm(END), {
      id: 'f',
      atMs: 10_000,
      ways: JUMP,
      rules: { countdownMs: 5000, ...(defaultChoice ? { defaultChoice } : {}) },
    })
  const clock = (ms: number): PlaybackEvent => ({ kind: 'clock', ms })

  it('takes the default when time runs out', () => {
    const half = run(timed('far'), [tick(0), tick(10_000), clock(2500)])
    expect(countdownOf(half.schedule, half.state)).toEqual({ cueId: 'f', share: 0.5, leftMs: 2500 })
    const over = run(timed('far'), [clock(2500)], half.state)
    expect(over.state).toMatchObject({ chosen: { f: 'far' }, mediaMs: 30_000, waitedMs: 0 })
  })

  it('goes straight on where no default is named', () => {
    const { state, commands } = run(timed(), [tick(0), tick(10_000), clock(6000)])
    expect(state).toMatchObject({ mode: { kind: 'free' }, chosen: {}, mediaMs: 10_000 })
    expect(commands.at(-1)).toEqual({ kind: 'play' })
  })

  it('a fork that time ran out on pulls nobody back, in this sitting or a later one', () => {
    const over = run(timed(), [tick(0), tick(10_000), clock(6000), seeked(2000), seeked(40_000)])
    expect(over.state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 40_000 })
    const later = startPlayback({ released: Object.keys(over.state.released) })
    expect(run(timed(), [seeked(40_000)], later).state.mode.kind).toBe('free')
    // Whoever plays up to it is asked again.
    expect(run(timed(), [seeked(9000), tick(10_040)], over.state).state.mode.kind).toBe('held')
  })

  it('does not run while the film plays', () => {
    expect(run(timed('far'), [tick(0), clock(9000)]).state.waitedMs).toBe(0)
  })
})

describe('a fork that decides by itself', () => {
  const lesson = withFork(withQuestion(lessonWithFilm(END), { id: 'a', atMs: 5000 }), {
    id: 'f',
    atMs: 10_000,
    rules: { decides: true, defaultChoice: 'on' },
    ways: [
      {
        id: 'wrong',
        target: { to: 'time', atMs: 30_000 },
        condition: { if: 'answer', cueId: 'a', is: 'wrong' },
      },
      {
        id: 'good',
        target: { to: 'time', atMs: 40_000 },
        condition: { if: 'score', atLeast: 0.8 },
      },
      { id: 'on', target: { to: 'on' }, condition: { if: 'watched', partId: PART, atLeast: 1 } },
    ],
  })
  const answer = (right: boolean): PlaybackEvent[] => [
    tick(0),
    tick(5000),
    { kind: 'answered', cueId: 'a', result: { right, final: true } },
    { kind: 'dismissed', cueId: 'a' },
  ]
  const known = (score: number): PlaybackEvent => ({
    kind: 'known',
    facts: { score, watched: {}, visited: [] },
  })

  it('takes the first way whose condition holds, without a halt', () => {
    const { state, commands } = run(lesson, [...answer(false), known(1), tick(10_040)])
    expect(state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 30_000, chosen: { f: 'wrong' } })
    expect(commands).toContainEqual({ kind: 'seek', ms: 30_000 })
    expect(run(lesson, [...answer(true), known(0.8), tick(10_040)]).state.mediaMs).toBe(40_000)
  })

  it('falls back on its default', () => {
    const { state } = run(lesson, [...answer(true), known(0.5), tick(10_040)])
    expect(state).toMatchObject({ mediaMs: 10_040, chosen: { f: 'on' } })
  })

  it('at the film’s end leads back, and the film is not over', () => {
    const back = withFork(lessonWithFilm(END), {
      id: 'f',
      atMs: END,
      rules: { decides: true },
      ways: [{ id: 'w', target: { to: 'time', atMs: 20_000 } }],
    })
    const { state, commands } = run(back, [tick(0), tick(END - 40), { kind: 'ended' }])
    expect(state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 20_000, finished: false })
    expect(commands.map(({ kind }) => kind)).not.toContain('finish')
  })

  it('forks that lead to each other do not hang', () => {
    const to = (atMs: number): WayWish[] => [{ id: 'w', target: { to: 'time', atMs } }]
    const rules = { decides: true }
    let loop = withFork(lessonWithFilm(END), { id: 'f', atMs: 10_000, ways: to(20_000), rules })
    loop = withFork(loop, { id: 'g', atMs: 20_000, ways: to(10_000), rules })
    expect(run(loop, [tick(0), tick(10_000)]).state.mode.kind).toBe('free')
  })
})

describe('overlays that hang on more than the time', () => {
  const withShown = (lesson: Lesson, shown: Shown) =>
    edited(
      edited(lesson, edits.addOverlay, {
        cueId: 'o',
        partId: PART,
        fromMs: 2000,
        toMs: 50_000,
        text: 'x',
      }),
      edits.setOverlayShown,
      { cueId: 'o', shown },
    )
  const asked = withQuestion(lessonWithFilm(END), { id: 'a', atMs: 5000 })
  const held = [tick(0), tick(5000)]
  const answered: PlaybackEvent = {
    kind: 'answered',
    cueId: 'a',
    result: { right: true, final: true },
  }

  it('until a question is answered, and only afterwards', () => {
    const until = withShown(asked, { when: 'untilAnswered', cueId: 'a' })
    const after = withShown(asked, { when: 'afterAnswered', cueId: 'a' })
    expect(run(until, held).state.overlays).toEqual(['o'])
    expect(run(until, [...held, answered]).state.overlays).toEqual([])
    expect(run(after, held).state.overlays).toEqual([])
    const shown = run(after, [...held, answered])
    expect(shown.state.overlays).toEqual(['o'])
    expect(shown.commands).toContainEqual({ kind: 'show', cueId: 'o' })
  })

  it('always', () => {
    const always = withShown(asked, { when: 'always' })
    expect(run(always, [tick(0)]).state.overlays).toEqual(['o'])
  })

  it('for a share of a countdown', () => {
    const rules = { countdownMs: 4000 }
    const forked = withFork(lessonWithFilm(END), { id: 'f', atMs: 10_000, ways: JUMP, rules })
    const late = withShown(forked, { when: 'countdown', cueId: 'f', fromShare: 0.5, toShare: 1 })
    const wait = (ms: number): PlaybackEvent => ({ kind: 'clock', ms })
    expect(run(late, [tick(0), tick(10_000), wait(1900)]).state.overlays).toEqual([])
    expect(run(late, [tick(0), tick(10_000), wait(2000)]).state.overlays).toEqual(['o'])
    expect(run(late, [tick(0), tick(10_000), wait(2000), chose('on')]).state.overlays).toEqual([])
  })
})

it('a question can be opened before its time', () => {
  const lesson = withQuestion(lessonWithFilm(END), { id: 'a', atMs: 5000 })
  const open: PlaybackEvent = { kind: 'opened', cueId: 'a' }
  expect(run(lesson, [tick(0), open, open]).state.beside).toEqual(['a'])
  // When the film comes to it, it is asked as ever.
  const held = run(lesson, [tick(0), open, tick(5000)]).state
  expect(held).toMatchObject({ mode: { kind: 'held', cueId: 'a' }, beside: [] })
})
