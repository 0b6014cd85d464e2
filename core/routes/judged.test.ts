// Conditions that a device cannot judge, because questions were cut for its learner.
import { describe, expect, it } from 'vitest'
import { cutLesson, type Lesson } from '../lesson/index.ts'
import {
  advance,
  buildSchedule,
  startPlayback,
  type PlaybackEvent,
  type PlaybackState,
} from '../playback/index.ts'
import { lessonWithFilm, PART, QUIZ, withFork, withQuestion, withQuiz } from '../testing/index.ts'
import {
  isShut,
  isWayUnknown,
  judgedFor,
  knownOf,
  openAt,
  routesOpen,
  type Progress,
} from './index.ts'

const isRight = { if: 'answer', cueId: 'a', is: 'right' } as const
const forked = withFork(
  withQuiz(withQuestion(lessonWithFilm(60_000), { id: 'a', atMs: 5000, hold: 'none' })),
  {
    id: 'f',
    atMs: 30_000,
    rules: { decides: true },
    ways: [
      { id: 'good', target: { to: 'time', atMs: 50_000 }, condition: isRight },
      {
        id: 'back',
        target: { to: 'time', atMs: 1000 },
        condition: { if: 'answer', cueId: 'a', is: 'wrong' },
      },
    ],
  },
)
const lesson: Lesson = {
  ...forked,
  parts: {
    ...forked.parts,
    [QUIZ]: {
      ...forked.parts[QUIZ]!,
      gate: { condition: { if: 'score', atLeast: 0.2 }, message: '' },
    },
  },
  routes: {
    r: {
      id: 'r',
      order: 'a0',
      fromId: PART,
      words: '',
      condition: isRight,
      target: { to: 'part', partId: QUIZ },
    },
  },
}
const cut = cutLesson(lesson, { tellingOf: () => 'silent', mixOf: (id) => id, answersTo: () => [] })
const progress = (verdict: 'right' | 'wrong' | 'unmarked'): Progress => ({
  responses: [
    {
      cueId: 'a',
      questionId: 'q-a',
      tryNumber: 1,
      verdict,
      points: verdict === 'right' ? 1 : 0,
      answer: { kind: 'choice', picked: [] },
    },
  ],
  covered: {},
  seen: {},
  released: ['a'],
})
const here = knownOf(cut, progress('unmarked'))

describe('what a device cannot judge', () => {
  it('is what goes by an answer that it cannot mark, and by the score', () => {
    expect(here.results).toEqual({ a: { right: false } })
    expect([...here.facts.hidden!.cues].sort()).toEqual(['a', 'i1', 'i2', 'i3'])
    expect(knownOf(lesson, progress('right')).facts.hidden).toBeUndefined()
  })

  it('is told: which gates are shut, and which ways are open where the learner stands', () => {
    const judged = (verdict: 'right' | 'wrong', places: string[] = []) =>
      judgedFor(lesson, here.facts, knownOf(lesson, progress(verdict)), [PART], places)
    expect(judged('right')).toEqual({ shut: [], open: { [PART]: ['r'] } })
    expect(judged('wrong', ['f'])).toEqual({ shut: [QUIZ], open: { [PART]: [], f: ['back'] } })
    expect(openAt(lesson, 'a', here)).toBeNull()
    expect(openAt(lesson, 'nowhere', here)).toBeNull()
  })

  it('is then as the server says', () => {
    const told = (shut: string[], open: Record<string, string[]>) =>
      knownOf(cut, { ...progress('unmarked'), judged: { shut, open } })
    const quiz = lesson.parts[QUIZ]!
    expect([isShut(quiz, told([QUIZ], {})), isShut(quiz, told([], {}))]).toEqual([true, false])
    expect(isWayUnknown(cut, PART, told([], {}))).toBe(true)
    expect(isWayUnknown(cut, PART, told([], { [PART]: [] }))).toBe(false)
    expect(isWayUnknown(cut, QUIZ, told([], {}))).toBe(false)
    expect(routesOpen(cut, PART, told([], { [PART]: ['r'] })).map(({ id }) => id)).toEqual(['r'])
    expect(routesOpen(cut, PART, told([QUIZ], { [PART]: ['r'] }))).toEqual([])
    expect(routesOpen(cut, PART, told([], { [PART]: [] }))).toEqual([])
  })
})

describe('a fork that only the server can decide', () => {
  const schedule = buildSchedule(cut, PART, 60_000)
  const run = (...events: PlaybackEvent[]) => {
    let state: PlaybackState = startPlayback({ released: ['a'] })
    const commands: string[] = []
    for (const event of [
      { kind: 'known', facts: here.facts } as const,
      { kind: 'seeked', fromMs: 0, toMs: 29_000 } as const,
      { kind: 'played' } as const,
      { kind: 'tick', mediaMs: 30_040 } as const,
      ...events,
    ]) {
      const next = advance(schedule, state, event)
      state = next.state
      commands.push(...next.commands.map(({ kind }) => kind))
    }
    return { state, commands }
  }

  it('holds the film until the way is told', () => {
    const { state } = run()
    expect(state).toMatchObject({
      mode: { kind: 'held', cueId: 'f' },
      mediaMs: 30_000,
      playing: false,
    })
    expect(run({ kind: 'played' }).state.mode).toEqual({ kind: 'held', cueId: 'f' })
  })

  it('takes the way that is told, the first of those that are open', () => {
    const { state, commands } = run({ kind: 'decided', cueId: 'f', open: ['back', 'good'] })
    expect(state).toMatchObject({ mode: { kind: 'free' }, mediaMs: 50_000, chosen: { f: 'good' } })
    expect(commands.slice(-4)).toEqual(['hide', 'took', 'seek', 'play'])
  })

  it('goes straight on where none is open, and asks anew when it is met again', () => {
    const { state } = run({ kind: 'decided', cueId: 'f', open: [] })
    expect(state).toMatchObject({ mode: { kind: 'free' }, playing: true, chosen: {} })
    const again = run(
      { kind: 'decided', cueId: 'f', open: [] },
      { kind: 'seeked', fromMs: 30_000, toMs: 29_000 },
      { kind: 'tick', mediaMs: 30_040 },
    )
    expect(again.state.mode).toEqual({ kind: 'held', cueId: 'f' })
  })

  it('is decided by nothing that is said of another fork, or when it holds nothing', () => {
    expect(run({ kind: 'decided', cueId: 'g', open: ['good'] }).state.mode.kind).toBe('held')
    const gone = run(
      { kind: 'decided', cueId: 'f', open: ['good'] },
      { kind: 'decided', cueId: 'f', open: ['back'] },
    )
    expect(gone.state.chosen).toEqual({ f: 'good' })
  })

  it('is never left by choosing', () => {
    expect(run({ kind: 'dismissed', cueId: 'f' }).state.mode.kind).toBe('held')
  })
})

it('an answer whose verdict is not known sends nobody back to the evidence', () => {
  const asked = withQuestion(lessonWithFilm(60_000), {
    id: 'q',
    atMs: 20_000,
    hold: 'right',
    sendBack: true,
    evidence: { fromMs: 1000, toMs: 5000 },
  })
  const schedule = buildSchedule(asked, PART, 60_000)
  let state = startPlayback()
  for (const event of [
    { kind: 'tick', mediaMs: 10 },
    { kind: 'tick', mediaMs: 20_000 },
    { kind: 'answered', cueId: 'q', result: { right: false, final: false, pending: true } },
  ] as const)
    state = advance(schedule, state, event).state
  expect(state.mode).toEqual({ kind: 'held', cueId: 'q' })
  const told = advance(schedule, state, {
    kind: 'answered',
    cueId: 'q',
    result: { right: false, final: false },
  })
  expect(told.state.mode).toMatchObject({ kind: 'reviewing', cueId: 'q' })
})
