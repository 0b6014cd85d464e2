// What is said to be finished counts once what was done bears it out.
import { describe, expect, it } from 'vitest'
import { edits, type Lesson } from '../lesson/index.ts'
import { knownOf } from '../routes/index.ts'
import { edited, lessonWithFilm, PART, QUIZ, withFork, withQuiz } from '../testing/index.ts'
import { judgeClaims, type Claims, type DoneInParts } from './index.ts'

const film = () => lessonWithFilm(60_000)
const strict = (lesson: Lesson) =>
  edited(lesson, edits.setSeekRule, { partId: PART, seekRule: 'none' })
const said = (...partIds: string[]) => partIds.map((partId) => ({ partId, proven: false }))
const WATCHED = { played: { [PART]: [{ fromMs: 0, toMs: 60_000 }] } }

function judge(lesson: Lesson, claims: Partial<Claims>, what: Partial<DoneInParts> = {}) {
  const did = { played: {}, seen: {}, responses: [], released: [], ...what }
  const known = knownOf(lesson, { ...did, covered: {} })
  return judgeClaims(lesson, { parts: [], ways: [], ...claims }, did, known)
}

describe('parts that are said to be finished', () => {
  const lesson = withQuiz(strict(film()))
  const both = { parts: said(PART, QUIZ) }
  it('count as far as they are borne out, and the lesson once all of them are', () => {
    expect(judge(lesson, both)).toEqual({ fresh: [], isDone: false })
    expect(judge(lesson, both, WATCHED)).toEqual({ fresh: [PART], isDone: false })
    const seen = { [QUIZ]: [QUIZ] }
    expect(judge(lesson, both, { ...WATCHED, seen })).toEqual({ fresh: [PART, QUIZ], isDone: true })
    expect(judge(lesson, { parts: said(PART) }, { ...WATCHED, seen }).isDone).toBe(false)
  })
  it('stay finished once they were, whatever is known by now', () => {
    const parts = [{ partId: PART, proven: true }, ...said(QUIZ)]
    expect(judge(lesson, { parts })).toEqual({ fresh: [], isDone: false })
    const seen = { [QUIZ]: [QUIZ] }
    expect(judge(lesson, { parts }, { seen })).toEqual({ fresh: [QUIZ], isDone: true })
  })
  it('are none where the lesson has no such part', () =>
    expect(judge(lesson, { parts: said('gone', 'constructor', '__proto__') }, WATCHED)).toEqual({
      fresh: [],
      isDone: false,
    }))
  it('are none behind a gate that is shut', () => {
    const gate = { condition: { if: 'visited' as const, partId: PART }, message: '' }
    const gated = edited(lesson, edits.setGate, { partId: QUIZ, gate })
    const seen = { [QUIZ]: [QUIZ] }
    expect(judge(gated, { parts: said(QUIZ) }, { seen }).fresh).toEqual([])
    const came = { [PART]: [PART], ...seen }
    expect(judge(gated, both, { seen: came, ...WATCHED }).fresh).toEqual([PART, QUIZ])
  })
})

describe('ways that are said to be taken', () => {
  const ways = [{ id: 'out', target: { to: 'ending' as const, message: '' } }]
  const lesson = withQuiz(strict(withFork(film(), { id: 'f', atMs: 30_000, ways })))
  const out = { ways: [{ cueId: 'f', choiceId: 'out' }] }
  it('lead out of the lesson only from a fork that was come to', () => {
    expect(judge(lesson, out).isDone).toBe(false)
    const near = { played: { [PART]: [{ fromMs: 0, toMs: 29_000 }] } }
    expect(judge(lesson, out, near).isDone).toBe(true)
    const jumped = { played: { [PART]: [{ fromMs: 25_000, toMs: 60_000 }] } }
    expect(judge(lesson, out, jumped).isDone).toBe(false)
  })
  it('may be taken from anywhere in a film that may be jumped through', () =>
    expect(judge(withQuiz(withFork(film(), { id: 'f', atMs: 30_000, ways })), out).isDone).toBe(
      true,
    ))
  it('lead nowhere from a part that is not finished, or from a place that is none', () =>
    expect(
      judge(lesson, {
        ways: [
          { cueId: PART, choiceId: 'r' },
          { cueId: 'constructor', choiceId: 'out' },
        ],
      }).isDone,
    ).toBe(false))
})
