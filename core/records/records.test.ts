// What a player says: what stands against each kind of record, what it brings on, and that the judge and the player agree.
import { describe, expect, it } from 'vitest'
import { createRandom } from '../chance/index.ts'
import type { Lesson } from '../lesson/index.ts'
import { drawPersona, simulateLesson } from '../rehearsal/index.ts'
import {
  fullLesson,
  lessonWithFilm,
  PART,
  STILL,
  withFork,
  withQuestion,
  withQuiz,
  withThings,
} from '../testing/index.ts'
import { freshClock, normalise } from '../watching/index.ts'
import { judgeAnswer, type AnswerFacts } from './answers.ts'
import {
  advance,
  faultIn,
  judgeBatch,
  learnerRecordSchema,
  noProgress,
  timeOf,
  timesIn,
  type LearnerRecord,
  type RecordRules,
  type Refusal,
} from './index.ts'

const START = Date.parse('2026-03-02T09:00:00Z')
const at = new Date(START).toISOString()
const later = (seconds: number) => new Date(START + seconds * 1000).toISOString()
const lesson = withFork(
  withQuestion(withThings(lessonWithFilm(60_000)), { id: 'q', atMs: 10_000 }),
  { id: 'fork', atMs: 20_000, ways: [{ id: 'on', target: { to: 'on' } }] },
)
const span = (more: object = {}): LearnerRecord => ({
  kind: 'span',
  id: 's1',
  partId: PART,
  fromMs: 0,
  toMs: 5000,
  rate: 1,
  beganAt: at,
  endedAt: later(5),
  muted: false,
  hidden: false,
  ...more,
})
const one = (kind: string, more: object): LearnerRecord =>
  ({ kind, id: `${kind}-1`, at, ...more }) as LearnerRecord
const place = (more: object = {}) =>
  one('place', { id: 'p1', partId: PART, atMs: 5000, released: [], ...more })
const WORDS = 'Ask about the gates'
const note = (more: object = {}) => {
  const about = { noteId: 'note', partId: PART, place: { on: 'part' } }
  return one('ownNote', { id: 'n1', ...about, words: WORDS, isGone: false, ...more })
}
const questionOf = (cueId: string) => {
  const cue = lesson.cues[cueId]!
  return cue.kind === 'question' ? cue.questionId : ''
}
type Response = Extract<LearnerRecord, { kind: 'response' }>
const answer = (more: object = {}): Response => ({
  kind: 'response',
  id: 'r1',
  cueId: 'q',
  questionId: questionOf('q'),
  answeredAt: at,
  answer: { kind: 'choice', picked: [] },
  ...more,
})

const time = (records: readonly LearnerRecord[], nowMs = START + 3_600_000) =>
  timeOf(freshClock(), records, {
    sentAt: new Date(nowMs).toISOString(),
    bounds: { openedMs: START - 1000, nowMs },
  })
const judge = (records: LearnerRecord[], rules: RecordRules | null = null, known: string[] = []) =>
  judgeBatch({ lesson, records, rules }, time(records), new Set(known))

describe('what stands against a record, by the lesson alone', () => {
  const cases: [what: string, record: LearnerRecord, fault: Refusal | null][] = [
    ['a stretch of the film', span(), null],
    ['a stretch that ends a little past the end', span({ fromMs: 59_000, toMs: 60_400 }), null],
    ['a stretch far past the end', span({ toMs: 60_501 }), 'beyondEnd'],
    ['a stretch that begins at the end', span({ fromMs: 60_000, toMs: 60_400 }), 'beyondEnd'],
    ['a stretch of no part', span({ partId: 'gone' }), 'unknownPart'],
    ['a stretch of what every object has', span({ partId: 'toString' }), 'unknownPart'],
    ['a place', place(), null],
    ['a place in a part that does not play', place({ partId: STILL, atMs: 0 }), null],
    ['a place past the end', place({ atMs: 61_000 }), 'beyondEnd'],
    ['a part that is finished', one('finish', { partId: PART }), null],
    ['another that is not there', one('finish', { partId: 'gone' }), 'unknownPart'],
    ['a part that was opened', one('seen', { partId: STILL, thingId: STILL }), null],
    ['a thing of no part', one('seen', { partId: STILL, thingId: 'gone' }), 'unknownThing'],
    ['a way of no fork', one('choice', { cueId: 'q', choiceId: 'x' }), 'unknownChoice'],
    ['a way that a fork has not', one('choice', { cueId: 'fork', choiceId: 'x' }), 'unknownChoice'],
    ['a note', note(), null],
    ['a note on no part', note({ partId: 'gone' }), 'unknownPart'],
    ['an answer', answer(), null],
    ['an answer to another question', answer({ questionId: 'x' }), 'unknownQuestion'],
    ['an answer to what asks nothing', answer({ cueId: 'fork' }), 'unknownQuestion'],
  ]
  it.each(cases)('%s', (_what, record, fault) => expect(faultIn(lesson, record)).toBe(fault))

  it('takes every way that a fork has', () => {
    const fork = lesson.cues.fork!
    if (fork.kind !== 'fork') throw new Error('no fork')
    for (const choiceId of Object.keys(fork.choices))
      expect(faultIn(lesson, one('choice', { cueId: 'fork', choiceId }))).toBeNull()
  })
})

describe('what a record brings on', () => {
  const after = (...records: LearnerRecord[]) => {
    const progress = noProgress()
    for (const record of records) advance(lesson, progress, record)
    return progress
  }
  it('is where they are, and what lies behind them, once each', () => {
    const { partId, atMs, released } = after(
      place({ released: ['q'] }),
      place({ atMs: 9000, released: ['q', 'fork'] }),
    )
    expect({ partId, atMs, released }).toEqual({
      partId: PART,
      atMs: 9000,
      released: ['q', 'fork'],
    })
  })
  it('is nothing where it was played unseen, or said to others', () => {
    expect(after(span({ hidden: true }), one('say', {}))).toEqual(noProgress())
  })
  it('counts the tries of a question', () => {
    const { responses } = after(answer(), answer({ id: 'r2' }))
    expect(responses.map(({ tryNumber }) => tryNumber)).toEqual([1, 2])
  })
  it('is the latest word on a note', () => {
    const said = (words: string, seconds: number, more = {}) =>
      note({ words, at: later(seconds), ...more })
    expect(after(said('new', 9), said('old', 3)).ownNotes).toMatchObject([{ words: 'new' }])
    expect(after(said('new', 9), said('', 10, { isGone: true })).ownNotes).toEqual([])
  })
})

describe('the judge', () => {
  it('reports what a batch says, by the clock of the server, and the newest place', () => {
    const { outcomes, report } = judge([
      place({ id: 'new', atMs: 9000, at: later(9), released: ['q', 'nothing'] }),
      place({ id: 'old', atMs: 3000, at: later(3) }),
      one('finish', { partId: PART }),
      one('seen', { partId: STILL, thingId: STILL }),
      note(),
    ])
    expect(report.place).toMatchObject({ partId: PART, atMs: 9000 })
    expect(report.released).toEqual(['q'])
    expect([...report.finished.keys()]).toEqual([PART])
    expect(report.seen).toMatchObject([{ partId: STILL, thingId: STILL }])
    expect(report.notes).toMatchObject([{ noteId: 'note', words: 'Ask about the gates' }])
    // Whether there is room for the note is known where notes are stored.
    expect(outcomes.map(([id, refusal]) => [id, refusal])).toEqual([
      ['new', null],
      ['old', null],
      ['finish-1', null],
      ['seen-1', null],
    ])
  })
  it('leaves out what it refuses, what is stored already, and repeats', () => {
    const { outcomes, watched, report } = judge(
      [
        span(),
        span(),
        span({ id: 'known' }),
        span({ id: 'far', toMs: 90_000 }),
        place({ atMs: 90_000 }),
      ],
      null,
      ['known'],
    )
    expect(watched.spans.map(({ id }) => id)).toEqual(['s1'])
    expect(report.place).toBeNull()
    expect(outcomes.filter(([, refusal]) => refusal)).toEqual([
      ['far', 'beyondEnd'],
      ['p1', 'beyondEnd'],
    ])
  })
  it('keeps what breaks the rules of a class, and counts it as nothing', () => {
    const rules = { topRate: 1, closesAt: new Date(START + 60_000) }
    const { watched } = judge(
      [
        span(),
        span({
          id: 'fast',
          fromMs: 5000,
          toMs: 10_000,
          rate: 2,
          beganAt: later(6),
          endedAt: later(8.5),
        }),
        span({
          id: 'late',
          fromMs: 10_000,
          toMs: 12_000,
          beganAt: later(900),
          endedAt: later(902),
        }),
        span({
          id: 'unseen',
          fromMs: 12_000,
          toMs: 14_000,
          beganAt: later(20),
          endedAt: later(22),
          hidden: true,
        }),
      ],
      rules,
    )
    expect(watched.spans.filter(({ counts }) => counts).map(({ id }) => id)).toEqual(['s1'])
    expect(watched.parts).toMatchObject([
      { partId: PART, covered: [{ fromMs: 0, toMs: 5000 }], leftOut: 3 },
    ])
  })
  it('agrees with the player on whatever simulated learners do', () => {
    const lessons: Lesson[] = [withQuiz(fullLesson()), lesson]
    for (let seed = 0; seed < 40; seed += 1) {
      const whole = lessons[seed % 2]!
      const random = createRandom(seed)
      const records = simulateLesson(whole, drawPersona(random), random, START)
      const progress = noProgress()
      for (const record of records) {
        expect(learnerRecordSchema.safeParse(record).success).toBe(true)
        advance(whole, progress, record)
      }
      const nowMs = Math.max(...records.flatMap(timesIn).map((when) => Date.parse(when))) + 1000
      const batch = { lesson: whole, records, rules: null }
      const { outcomes, watched, report } = judgeBatch(batch, time(records, nowMs), new Set())
      expect(outcomes.filter(([, refusal]) => refusal)).toEqual([])
      for (const { partId, covered } of watched.parts)
        expect(covered).toEqual(normalise(progress.covered[partId]!))
      expect(new Set(report.finished.keys())).toEqual(new Set(progress.finishedParts))
      expect(report.place?.partId ?? null).toBe(progress.partId)
    }
  })
})

describe('an answer', () => {
  const asked: Lesson = {
    ...lesson,
    questions: { ...lesson.questions, 'q-q': { ...lesson.questions['q-q']!, tries: 2 } },
  }
  const facts = (more: Partial<AnswerFacts> = {}): AnswerFacts => ({
    time: time([answer()]),
    closesAt: null,
    given: [],
    handed: new Map(),
    wereTold: new Set(),
    isHeldBack: () => false,
    inIds: (_questionId, given) => given,
    ...more,
  })
  const outcome = (more: Partial<AnswerFacts> = {}, sent: object = {}) =>
    judgeAnswer(asked, facts(more), answer(sent))
  const earlier = (...ids: string[]) => ids.map((id) => ({ id, questionId: questionOf('q') }))

  it('is marked, and numbered by those before it', () => {
    expect(outcome({ given: earlier('r0') })).toMatchObject({
      is: 'accepted',
      marked: { tryNumber: 2, verdict: expect.any(String), isDoubtful: false },
    })
  })
  it('that was sent before changes nothing, whatever has become of its tries', () => {
    expect(outcome({ given: earlier('r1', 'r2') })).toEqual({ is: 'known' })
  })
  it.each([
    ['no try is left', { given: earlier('a', 'b') }, {}, 'noTriesLeft'],
    ['it had closed', { closesAt: new Date(START - 3_600_000) }, {}, 'closed'],
    ['it is of another kind', {}, { answer: { kind: 'number', text: '4' } }, 'wrongAnswerKind'],
    ['nothing asks it', {}, { cueId: 'fork' }, 'unknownQuestion'],
  ] as const)('is refused where %s', (_why, more, sent, why) => {
    expect(outcome(more as Partial<AnswerFacts>, sent)).toEqual({ is: 'refused', why })
  })
  it('that came after the right one was told is kept apart', () => {
    expect(outcome({ wereTold: new Set([questionOf('q')]) })).toMatchObject({ is: 'afterTelling' })
  })
})
