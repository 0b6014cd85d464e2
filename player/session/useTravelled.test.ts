// Going from part to part: each finds what the others have recorded, and films are gone on with where they were left.
import { beforeEach, describe, expect, it } from 'vitest'
import { shallowRef } from 'vue'
import { advance, noProgress, type LearnerRecord } from '@fernbrake/core/records'
import { edits, type Lesson } from '@fernbrake/core/lesson'
import {
  edited,
  lessonWithFilm,
  PART,
  QUIZ,
  withFork,
  withQuestion,
  withQuiz,
} from '@fernbrake/core/testing'
import type { Known } from '@fernbrake/core/routes'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { partsState } from '../ui/partsState.ts'
import { useTravelled } from './useTravelled.ts'

const at = '2026-03-02T10:00:00.000Z'
const other = edited(withQuiz(lessonWithFilm(60_000)), edits.addFilmPart, {
  id: 'p2',
  title: 'Two',
})
const lesson = withFork(other, {
  id: 'f',
  atMs: 9000,
  ways: [
    { id: 'on', target: { to: 'on' } },
    { id: 'off', target: { to: 'part', partId: 'p2' } },
  ],
})
const place = (partId: string, atMs: number, released: string[] = []): LearnerRecord => ({
  kind: 'place',
  id: `${partId}-${atMs}`,
  partId,
  atMs,
  released,
  at,
})
const span = (hidden: boolean): LearnerRecord => ({
  kind: 'span',
  id: `s-${hidden}`,
  partId: PART,
  fromMs: 0,
  toMs: 4000,
  rate: 1,
  beganAt: at,
  endedAt: at,
  muted: false,
  hidden,
})
const answer = (which: string): LearnerRecord => ({
  kind: 'response',
  id: which,
  cueId: 'i1',
  questionId: 'q-i1',
  answeredAt: at,
  answer: { kind: 'choice', picked: [which] },
})
const finish = (partId: string): LearnerRecord => ({ kind: 'finish', id: partId, partId, at })
const chose = (choiceId: string): LearnerRecord => ({
  kind: 'choice',
  id: choiceId,
  cueId: 'f',
  choiceId,
  at,
})

describe('a record brings progress up to date', () => {
  const after = (...records: LearnerRecord[]) => {
    const progress = noProgress()
    for (const record of records) advance(lesson, progress, record)
    return progress
  }
  it('a place, and what lies behind from then on', () => {
    const progress = after(place(PART, 5000, ['a']), place(QUIZ, 0, ['a', 'i1']))
    expect(progress).toMatchObject({ partId: QUIZ, atMs: 0, released: ['a', 'i1'] })
  })
  it('what was watched, but not what ran in a hidden tab', () =>
    expect(after(span(false), span(true)).covered).toEqual({ [PART]: [{ fromMs: 0, toMs: 4000 }] }))
  it('answers, marked and counted', () =>
    expect(after(answer('i1-b'), answer('i1-a')).responses).toMatchObject([
      { tryNumber: 1, verdict: 'wrong', points: 0 },
      { tryNumber: 2, verdict: 'right', points: 1 },
    ]))
  it('parts that were finished, and the way taken last', () => {
    const progress = after(finish(QUIZ), finish(QUIZ), chose('on'), chose('off'))
    expect(progress).toMatchObject({ finishedParts: [QUIZ], chosen: { f: 'off' } })
  })
  it('nothing, where the question is not there any more', () =>
    expect(after({ ...answer('x'), questionId: 'gone' } as LearnerRecord)).toEqual(noProgress()))
})

type ToldListener = Parameters<Host['onTold']>[0]
const hearers = new Set<ToldListener>()

describe('going from part to part', () => {
  let sent: LearnerRecord[]
  let travel: ReturnType<typeof useTravelled>
  beforeEach(() => {
    sent = []
    const opened = shallowRef<OpenedLesson | null>({
      lesson,
      media: [],
      learnerName: 'Odile Harcastle',
      seed: 'seed',
      progress: { ...noProgress(), partId: PART, atMs: 3000 },
    })
    const host = {
      record: (record: LearnerRecord) => void sent.push(record),
      onTold(listener: ToldListener) {
        hearers.add(listener)
        return () => hearers.delete(listener)
      },
    } as unknown as Host
    travel = useTravelled(host, opened)
    travel.begin()
  })

  it('hands every record on', () => {
    travel.host.record(finish(PART))
    expect(sent).toEqual([finish(PART)])
  })
  it('a film goes on where it was left, unless a way led to its beginning', () => {
    expect(travel.openedAt(PART, false).progress).toMatchObject({ partId: PART, atMs: 3000 })
    travel.host.record(place(PART, 8000))
    travel.host.record(place(QUIZ, 0))
    expect(travel.openedAt(PART, false).progress.atMs).toBe(8000)
    expect(travel.openedAt(PART, true).progress.atMs).toBe(0)
    expect(travel.openedAt('p2', false).progress.atMs).toBe(0)
  })
  it('a film that a way led to asks again what can still be answered, and nothing else does', () => {
    const asked = ['x', 'y'].reduce(
      (so, id, at) => withQuestion(so, { id, atMs: 1000 * (at + 1) }),
      lesson,
    )
    const right = { kind: 'choice' as const, picked: ['y-a'] }
    const given = { cueId: 'y', questionId: 'q-y', tryNumber: 1, answer: right, points: 1 }
    const opened = shallowRef<OpenedLesson | null>({
      lesson: asked,
      media: [],
      learnerName: 'Odile Harcastle',
      seed: 'seed',
      progress: {
        ...noProgress(),
        partId: PART,
        atMs: 3000,
        released: ['x', 'y', 'i1'],
        responses: [{ ...given, verdict: 'right' as const }],
      },
    })
    const host = { onTold: () => () => undefined } as unknown as Host
    const other = useTravelled(host, opened)
    other.begin()
    expect(other.openedAt(PART, true).progress.released).toEqual(['y', 'i1'])
    expect(other.openedAt(PART, false).progress.released).toEqual(['x', 'y', 'i1'])
  })
  it('a part finds the answers of the others', () => {
    travel.host.record(answer('i1-a'))
    expect(travel.openedAt(PART, false).progress.responses).toHaveLength(1)
  })
  it('what is finished is known at once', () => {
    travel.host.record(finish(QUIZ))
    travel.host.record(chose('off'))
    expect(travel.travelled.value).toEqual({ finishedParts: [QUIZ], chosen: { f: 'off' } })
  })
})

const NOTHING: Known = { facts: { score: 0, watched: {}, visited: [] }, results: {} }
const WORDS = { gate: () => 'later' }

describe('the parts as a learner sees them', () => {
  const shown = (finishedParts: string[], chosen: Record<string, string>, open = PART) => {
    const { all, ways } = partsState(lesson, { finishedParts, chosen }, NOTHING, open, WORDS)
    const names = all.map(({ id, isDone }) => (isDone ? `${id}*` : id)).join(' ')
    return [names, ways[0]?.toId ?? null]
  }
  it('a part that only a fork leads to comes with the way to it', () => {
    expect(shown([], {})).toEqual([`${PART} ${QUIZ}`, QUIZ])
    expect(shown([], { f: 'off' })).toEqual([`${PART} ${QUIZ} p2`, QUIZ])
  })
  it('what is done stays, and what comes next is never what is open', () => {
    expect(shown([PART], {}, QUIZ)).toEqual([`${PART}* ${QUIZ}`, null])
    expect(shown([PART, QUIZ], {}, QUIZ)).toEqual([`${PART}* ${QUIZ}*`, null])
  })

  const gated = edited(lesson, edits.setGate, {
    partId: QUIZ,
    gate: { condition: { if: 'visited', partId: 'p2' }, message: '' },
  })
  const stateOf = (of: Lesson, known = NOTHING, finishedParts = [PART]) =>
    partsState(of, { finishedParts, chosen: { f: 'on' } }, known, PART, WORDS)
  it('a part behind a gate that is shut waits, and says what opens it', () => {
    const shut = stateOf(gated)
    expect(shut.all.find(({ id }) => id === QUIZ)).toMatchObject({ shut: 'later', isOpen: false })
    expect([shut.ways, shut.waits.map(({ id }) => id)]).toEqual([[], [QUIZ]])
    const been = { ...NOTHING, facts: { ...NOTHING.facts, visited: ['p2'] } }
    expect(stateOf(gated, been).ways).toMatchObject([{ toId: QUIZ, routeId: null }])
  })
  it('one after the other, where the designer wants it so', () => {
    const inOrder = edited(lesson, edits.setTravelling, { navigation: 'inOrder' })
    const open = (finishedParts: string[]) =>
      stateOf(inOrder, NOTHING, finishedParts).all.map(({ isOpen }) => isOpen)
    expect(open([])).toEqual([true, false])
    expect(open([PART])).toEqual([true, true])
    expect(stateOf(lesson, NOTHING, []).all.map(({ isOpen }) => isOpen)).toEqual([true, true])
  })
  it('numbered, lettered, or neither', () => {
    const labels = (numbering: 'letters' | 'none' | 'numbers') =>
      stateOf(edited(lesson, edits.setTravelling, { numbering })).all.map(({ label }) => label)
    expect([labels('numbers'), labels('letters'), labels('none')]).toEqual([
      ['1', '2'],
      ['A', 'B'],
      ['', ''],
    ])
  })
  it('routes that are open lead on instead of the order', () => {
    const to = { to: 'part', partId: 'p2' } as const
    const routed = edited(lesson, edits.addRoute, { id: 'r', fromId: PART, target: to })
    const said = edited(routed, edits.setRoute, { routeId: 'r', change: { words: 'Look aside' } })
    expect(stateOf(said).ways).toEqual([
      { routeId: 'r', words: 'Look aside', toId: 'p2', title: 'Two' },
    ])
  })
})
