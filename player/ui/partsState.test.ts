import { describe, expect, it } from 'vitest'
import { edits, type Gate, type Lesson } from '@fernbrake/core/lesson'
import type { Known } from '@fernbrake/core/routes'
import { edited, lessonWithFilm, PART, QUIZ, withQuiz } from '@fernbrake/core/testing'
import { partsState } from './partsState.ts'

const NOTHING: Known = { facts: { score: 0, watched: {}, visited: [] }, results: {} }
const state = (lesson: Lesson, finishedParts: string[], openId = PART, known = NOTHING) =>
  partsState(lesson, { finishedParts, chosen: {} }, known, openId, {
    gate: ({ title }) => `what opens ${title}`,
  })
const plain = withQuiz(lessonWithFilm())
const watched: Gate = { condition: { if: 'watched', partId: PART, atLeast: 0.8 }, message: '' }

describe('at the end of a part', () => {
  it('the order leads on, and the lesson is over once nothing is left', () => {
    expect(state(plain, [PART]).ways.map(({ toId }) => toId)).toEqual([QUIZ])
    expect(state(plain, [PART]).isOver).toBe(false)
    const end = state(plain, [PART, QUIZ], QUIZ)
    expect(end.ways).toEqual([])
    expect(end.isOver).toBe(true)
  })

  it('a route takes the place of the order', () => {
    const route = {
      id: 'r',
      fromId: PART,
      target: { to: 'ending', message: 'Well wound' },
    } as const
    const [way, ...others] = state(edited(plain, edits.addRoute, route), [PART]).ways
    expect(way).toMatchObject({ routeId: 'r', toId: null, title: null })
    expect(others).toEqual([])
  })

  it('a gate that is shut is told of, and the lesson is not over before it', () => {
    const gated = edited(plain, edits.setGate, { partId: QUIZ, gate: watched })
    const before = state(gated, [PART])
    expect(before.ways).toEqual([])
    expect(before.waits.map(({ shut }) => shut)).toEqual([`what opens ${before.all[1]!.title}`])
    expect(before.isOver).toBe(false)
    const known = { ...NOTHING, facts: { ...NOTHING.facts, watched: { [PART]: 0.9 } } }
    const after = state(gated, [PART], PART, known)
    expect(after.waits).toEqual([])
    expect(after.ways.map(({ toId }) => toId)).toEqual([QUIZ])
  })
})

it.each([
  ['numbers', ['1', '2']],
  ['letters', ['A', 'B']],
  ['none', ['', '']],
] as const)('parts are told apart by %s', (numbering, labels) => {
  expect(state({ ...plain, numbering }, []).all.map(({ label }) => label)).toEqual(labels)
})

it('after Z come two letters', () => {
  const many = Array.from({ length: 28 }).reduce<Lesson>(
    (lesson, _, index) =>
      edited(lesson, edits.addFilmPart, { id: `more-${index}`, title: `More ${index}` }),
    { ...plain, numbering: 'letters' },
  )
  const { all } = state(many, [])
  expect(all.slice(24, 29).map(({ label }) => label)).toEqual(['Y', 'Z', 'AA', 'AB', 'AC'])
})
