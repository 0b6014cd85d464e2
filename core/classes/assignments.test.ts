import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { filmsInOrder } from '../lesson/index.ts'
import { fullLesson, lessonWithFilm, PART, withFork, withQuestion } from '../testing/index.ts'
import {
  attemptThatCounts,
  fromWallClock,
  isComplete,
  isInTime,
  jumpedOverMs,
  phaseAt,
  positionBefore,
  presenceAt,
  stateOfAttempts,
  tellsAt,
  timesFault,
  toWallClock,
  underRules,
  usualRules,
  type AttemptFigures,
} from './index.ts'

const figures = (more: Partial<AttemptFigures> = {}): AttemptFigures => ({
  finished: false,
  confirmed: false,
  watched: 0,
  answered: 0,
  questions: 4,
  points: 0,
  max: 8,
  ...more,
})

describe('an assignment is complete', () => {
  it.each([
    ['finished', { finished: true }, { watched: 1, answered: 4, points: 8 }],
    ['hand', { confirmed: true }, { finished: true }],
    ['watched', { watched: 0.796 }, { watched: 0.794 }],
    ['answered', { answered: 4 }, { answered: 3 }],
    ['score', { points: 6.4 }, { points: 6.3 }],
  ] as const)('by what it asks for: %s', (by, enough, little) => {
    const rules = { ...usualRules(), completion: { by, share: 0.8 } }
    expect(isComplete(rules, figures(enough))).toBe(true)
    expect(isComplete(rules, figures(little))).toBe(false)
  })
  it.each([
    ['score', { max: 0 }],
    ['watched', { watched: null }],
  ] as const)('once it is finished where there is nothing of the kind: %s', (by, none) => {
    const rules = { ...usualRules(), completion: { by, share: 0 } }
    expect(isComplete(rules, figures(none))).toBe(false)
    expect(isComplete(rules, figures({ ...none, finished: true }))).toBe(true)
  })
})

describe('of several attempts', () => {
  const attempt = (id: string, isComplete: boolean, points: number, watched = 0) => ({
    id,
    isComplete,
    points,
    watched,
  })
  it.each([
    [
      'a complete one goes before a better one',
      [attempt('a', true, 1), attempt('b', false, 9)],
      'a',
    ],
    ['the better one counts', [attempt('a', true, 2), attempt('b', true, 1)], 'a'],
    [
      'more watched decides between equals',
      [attempt('a', true, 1, 0.9), attempt('b', true, 1, 0.2)],
      'a',
    ],
    ['of equals the latest counts', [attempt('a', true, 1), attempt('b', true, 1)], 'b'],
  ])('%s', (_what, attempts, id) => expect(attemptThatCounts(attempts)!.id).toBe(id))
  it('of none there is none', () => expect(attemptThatCounts([])).toBeNull())
})

describe('the times of an assignment', () => {
  const [nine, ten, eleven] = ['09', '10', '11'].map((hour) => `2026-11-26T${hour}:00:00.000Z`) as [
    string,
    string,
    string,
  ]
  const times = { opensAt: nine, dueAt: ten, closesAt: eleven }
  it.each([
    ['08:59', 'early'],
    ['09:00', 'open'],
    ['10:00', 'late'],
    ['11:00', 'closed'],
  ])('at %s it is %s', (clock, phase) =>
    expect(phaseAt(times, new Date(`2026-11-26T${clock}:00Z`))).toBe(phase),
  )
  it('may be missing, all or some', () => {
    const none = { opensAt: null, dueAt: null, closesAt: null }
    expect(phaseAt(none, new Date())).toBe('open')
    expect(timesFault(none)).toBeNull()
    expect(timesFault({ ...none, closesAt: nine })).toBeNull()
  })
  it('what was done before closing is in time, a minute of difference between clocks included', () => {
    const at = (clock: string) => isInTime(Date.parse(`2026-11-26T${clock}Z`), eleven)
    expect(['10:59:00', '11:00:59', '11:01:01'].map(at)).toEqual([true, true, false])
    expect(isInTime(Date.now(), null)).toBe(true)
  })
  it('follow one another', () => {
    expect(timesFault(times)).toBeNull()
    expect(timesFault({ ...times, closesAt: ten })).toBeNull()
    expect(timesFault({ ...times, dueAt: nine })).toBe('dueBeforeOpens')
    expect(timesFault({ opensAt: ten, dueAt: null, closesAt: nine })).toBe('closesBeforeOpens')
    expect(timesFault({ opensAt: nine, dueAt: eleven, closesAt: ten })).toBe('closesBeforeDue')
  })

  it.each([
    ['2026-11-26T09:30', 'Europe/London', '2026-11-26T09:30:00.000Z'],
    ['2026-07-01T09:30', 'Europe/London', '2026-07-01T08:30:00.000Z'],
    ['2026-01-15T23:00', 'America/New_York', '2026-01-16T04:00:00.000Z'],
    ['2026-01-15T00:15', 'Asia/Kathmandu', '2026-01-14T18:30:00.000Z'],
  ])('%s in %s', (wall, zone, iso) => {
    expect(fromWallClock(wall, zone)).toBe(iso)
    expect(toWallClock(iso, zone)).toBe(wall)
  })
  it('an hour that a time zone leaves out is the one after it', () => {
    const iso = fromWallClock('2026-03-29T01:30', 'Europe/London')!
    expect(toWallClock(iso, 'Europe/London')).toBe('2026-03-29T02:30')
    expect(fromWallClock('soon', 'Europe/London')).toBeNull()
  })
  it('go there and back in any zone', () => {
    const zones = fc.constantFrom('Europe/London', 'America/St_Johns', 'Pacific/Apia', 'UTC')
    const minutes = fc.integer({ min: 0, max: 60 * 24 * 365 * 40 })
    fc.assert(
      fc.property(minutes, zones, (minute, zone) => {
        const wall = toWallClock(new Date(minute * 60_000).toISOString(), zone)
        expect(toWallClock(fromWallClock(wall, zone)!, zone)).toBe(wall)
      }),
    )
  })
})

describe('who is there', () => {
  const now = new Date('2026-11-26T10:00:00Z')
  it.each([
    ['2026-11-26T09:59:30Z', 'here'],
    ['2026-11-26T10:00:20Z', 'here'],
    ['2026-11-26T09:55:00Z', 'quiet'],
    ['2026-11-26T09:49:00Z', 'away'],
    [null, 'away'],
  ])('heard of at %s: %s', (at, presence) => expect(presenceAt(at, now)).toBe(presence))
})

describe('rules', () => {
  it('of jumping go before the lesson’s own', () => {
    const lesson = fullLesson()
    expect(underRules(lesson, usualRules())).toBe(lesson)
    const strict = underRules(lesson, { ...usualRules(), seek: 'none' })
    expect(filmsInOrder(strict).map(({ seekRule }) => seekRule)).toEqual(
      filmsInOrder(lesson).map(() => 'none'),
    )
  })
  it('of order: before another, or at the end', () => {
    const first = positionBefore([], null)
    const second = positionBefore([{ id: 'a', position: first }], null)
    const list = [
      { id: 'a', position: first },
      { id: 'b', position: second },
    ]
    const between = positionBefore(list, 'b')
    expect([first, between, second]).toEqual([first, between, second].sort())
    expect(positionBefore(list, 'a') < first).toBe(true)
    expect(positionBefore(list, 'gone') > second).toBe(true)
  })
})

it('somebody stands by the attempt that counts, and was last heard of in any', () => {
  const one = (isComplete: boolean, points: number, lastSeenAt: string) => ({
    isComplete,
    points,
    watched: 0,
    lastSeenAt,
  })
  const attempts = [one(true, 1, '2026-03-02'), one(false, 9, '2026-03-04')]
  expect(stateOfAttempts(attempts)).toEqual({
    best: attempts[0],
    state: 'complete',
    lastSeenAt: '2026-03-04',
  })
  expect(stateOfAttempts(attempts.slice(1))).toMatchObject({ state: 'begun' })
  expect(stateOfAttempts([])).toEqual({ best: null, state: 'notBegun', lastSeenAt: null })
})

describe('when learners are told', () => {
  const rules = (feedback?: 'atOnce' | 'afterDue' | 'afterClosing') => ({
    ...usualRules(),
    feedback,
  })
  const times = { dueAt: '2026-03-02T09:00:00.000Z', closesAt: '2026-03-05T09:00:00.000Z' }
  const tells = (
    feedback: Parameters<typeof rules>[0],
    at: string,
    given: typeof times | object = times,
  ) => tellsAt(rules(feedback), { dueAt: null, closesAt: null, ...given }, new Date(at))
  it('is at once, once it is due, or once it has closed', () => {
    const [before, between, after] = ['2026-03-01T00:00Z', '2026-03-03T00:00Z', '2026-03-06T00:00Z']
    expect([before, between, after].map((at) => tells('atOnce', at))).toEqual([true, true, true])
    expect([before, between, after].map((at) => tells(undefined, at))).toEqual([true, true, true])
    expect([before, between, after].map((at) => tells('afterDue', at))).toEqual([false, true, true])
    expect([before, between, after].map((at) => tells('afterClosing', at))).toEqual([
      false,
      false,
      true,
    ])
  })
  it('is at once where the time is not set, and by the closing where it is never due', () => {
    expect(tells('afterDue', '2026-03-01T00:00Z', {})).toBe(true)
    const { closesAt } = times
    expect(tells('afterDue', '2026-03-03T00:00Z', { closesAt })).toBe(false)
  })
  it('until then nothing holds until it is right, nor leads back', () => {
    const lesson = withQuestion(lessonWithFilm(), {
      id: 'a',
      atMs: 5000,
      hold: 'right',
      sendBack: true,
      evidence: { fromMs: 1000, toMs: 2000 },
    })
    const held = underRules(lesson, usualRules(), false).cues.a
    expect(held).toMatchObject({ hold: 'answered', sendBack: false })
    expect(underRules(lesson, usualRules()).cues.a).toMatchObject({ hold: 'right', sendBack: true })
  })
})

describe('film that was jumped over', () => {
  const seconds = (...stretches: [number, number][]) => ({
    [PART]: stretches.map(([from, to]) => ({ fromMs: from * 1000, toMs: to * 1000 })),
  })
  const lesson = lessonWithFilm(60_000)
  const jumped = (seek: 'free' | 'backOnly' | 'none', covered: ReturnType<typeof seconds>) =>
    jumpedOverMs(lesson, { ...usualRules(), seek }, covered)
  it('is what is missing before the furthest point, in whatever order it came', () => {
    const covered = seconds([40, 45], [0, 10], [12, 20])
    expect(jumped('none', covered)).toBe(20_000)
    expect(jumped('backOnly', covered)).toBe(20_000)
    expect(jumped('free', covered)).toBe(0)
    expect(jumped('none', seconds([0, 30]))).toBe(0)
    expect(jumped('none', seconds())).toBe(0)
  })
  it('is nobody’s doing where the film itself leads ahead', () => {
    const ways = [{ id: 'on', target: { to: 'time' as const, atMs: 40_000 } }]
    const forked = withFork(lesson, { id: 'f', atMs: 10_000, ways })
    const rules = { ...usualRules(), seek: 'none' as const }
    expect(jumpedOverMs(forked, rules, seconds([0, 10], [40, 60]))).toBe(0)
    // Not where they jumped before they came to it, nor further than it leads.
    expect(jumpedOverMs(forked, rules, seconds([0, 2], [40, 60]))).toBe(38_000)
    expect(jumpedOverMs(forked, rules, seconds([0, 10], [25, 30], [55, 60]))).toBe(40_000)
  })
})
