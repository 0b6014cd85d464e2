import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { LearnerRecord } from '../records/index.ts'
import { edits, filmLengthMs, partOfKind } from '../lesson/index.ts'
import { blankBase, blankQuestion, markQuestion, guessing } from '../questions/index.ts'
import { partsLeft } from '../routes/index.ts'
import {
  DECK,
  edited,
  fullLesson,
  lessonWithFilm,
  PART,
  withFork,
  withQuestion,
  withQuiz,
  withThings,
} from '../testing/index.ts'
import { freshClock, judgeSpans, type ReportedSpan } from '../watching/index.ts'
import { createRandom } from '../chance/index.ts'
import {
  chanceOfLeaving,
  chanceOfRight,
  drawPersona,
  simulateLearner,
  simulateLesson,
} from './index.ts'

const START = 1_700_000_000_000
const film = withQuestion(withQuestion(lessonWithFilm(10_000), { id: 'a', atMs: 2000 }), {
  id: 'b',
  atMs: 8000,
})
const make = (seed: number, lesson = film) => {
  const random = createRandom(seed)
  return simulateLearner(lesson, PART, drawPersona(random), random, START)
}
const makeWhole = (seed: number, lesson = withQuiz(fullLesson())) => {
  const random = createRandom(seed)
  return simulateLesson(lesson, drawPersona(random), random, START)
}
const ofKind = <K extends LearnerRecord['kind']>(records: readonly LearnerRecord[], kind: K) =>
  records.filter((one): one is Extract<LearnerRecord, { kind: K }> => one.kind === kind)

describe('simulated learners', () => {
  it('are the same for the same seed, and differ for another', () => {
    expect(make(5)).toEqual(make(5))
    expect(make(5)).not.toEqual(make(6))
    expect(makeWhole(5)).toEqual(makeWhole(5))
  })
  it('send what a player would: within the film, in time that goes on, no faster than it plays', () => {
    const lesson = withQuiz(fullLesson())
    for (let seed = 0; seed < 60; seed += 1) {
      let clock = START
      const reported: ReportedSpan[] = []
      for (const span of ofKind(makeWhole(seed, lesson), 'span')) {
        expect(span.toMs).toBeGreaterThan(span.fromMs)
        expect(span.toMs).toBeLessThanOrEqual(filmLengthMs(lesson, span.partId)!)
        const [beganAtMs, endedAtMs] = [Date.parse(span.beganAt), Date.parse(span.endedAt)]
        expect(beganAtMs).toBeGreaterThanOrEqual(clock)
        reported.push({ ...span, beganAtMs, endedAtMs })
        clock = endedAtMs
      }
      const { doubts } = judgeSpans(freshClock(), reported, { openedMs: START, nowMs: clock })
      expect(doubts.filter((doubt) => doubt !== null)).toEqual([])
    }
  })
  it('end a film only when they reach its end', () => {
    for (let seed = 0; seed < 40; seed += 1) {
      const records = make(seed)
      const reached = ofKind(records, 'span').some(({ toMs }) => toMs === 10_000)
      expect(ofKind(records, 'finish').length > 0).toBe(reached)
    }
  })
  it.each([0, 3])(
    'finish a film that holds until it is right only once it is, or no try is left (tries: %i)',
    (tries) => {
      const held = withQuestion(lessonWithFilm(10_000), { id: 'h', atMs: 5000, hold: 'right' })
      const questions = { 'q-h': { ...held.questions['q-h']!, tries } }
      const lesson = { ...held, questions } as typeof held
      let again = 0
      for (let seed = 0; seed < 60; seed += 1) {
        const records = make(seed, lesson)
        if (ofKind(records, 'finish').length === 0) continue
        const given = ofKind(records, 'response')
        const verdicts = given.map(({ answer }) => markQuestion(questions['q-h'], answer).verdict)
        expect(verdicts.at(-1) === 'right' || verdicts.length === tries).toBe(true)
        if (verdicts.length > 1) again += 1
      }
      expect(again).toBeGreaterThan(3)
    },
  )
  it('go through a lesson until nothing is left of it, or leave on the way', () => {
    const lesson = withQuiz(film)
    let done = 0
    for (let seed = 0; seed < 40; seed += 1) {
      const records = makeWhole(seed, lesson)
      const finishedParts = ofKind(records, 'finish').map(({ partId }) => partId)
      if (finishedParts.length < 2) continue
      expect(partsLeft(lesson, { finishedParts, chosen: {} })).toEqual([])
      done += 1
    }
    expect(done).toBeGreaterThan(20)
  })
  it('take ways at forks, each of them now and then, and never go round for ever', () => {
    const ways = [
      { id: 'back', target: { to: 'time' as const, atMs: 0 } },
      { id: 'out', target: { to: 'ending' as const, message: '' } },
    ]
    const lesson = withFork(film, { id: 'f', atMs: 9000, ways })
    const taken = Array.from({ length: 60 }, (_, seed) => make(seed, lesson)).flatMap((records) =>
      ofKind(records, 'choice').map(({ choiceId }) => choiceId),
    )
    expect(new Set(taken)).toEqual(new Set(['back', 'out']))
  })
})

describe('a film is watched by the rules of playback', () => {
  const evidence = { fromMs: 500, toMs: 1500 }
  it('a wrong answer sends back to its stretch before the next try', () => {
    const lesson = withQuestion(lessonWithFilm(10_000), {
      id: 'h',
      atMs: 5000,
      hold: 'right',
      sendBack: true,
      evidence,
    })
    let sent = 0
    for (let seed = 0; seed < 40; seed += 1) {
      const records = make(seed, lesson)
      const kinds = records.filter(({ kind }) => kind === 'span' || kind === 'response')
      kinds.forEach((record, at) => {
        if (record.kind !== 'response' || kinds[at + 1]?.kind !== 'response') return
        throw new Error('nobody was sent back')
      })
      sent += ofKind(records, 'span').filter(
        ({ fromMs, toMs }) => fromMs === evidence.fromMs && toMs === evidence.toMs,
      ).length
    }
    expect(sent).toBeGreaterThan(5)
  })
  it('forks that decide are obeyed, and lead nobody round for ever', () => {
    const back = withFork(film, {
      id: 'f',
      atMs: 9000,
      rules: { decides: true },
      ways: [
        {
          id: 'back',
          target: { to: 'time', atMs: 1000 },
          condition: { if: 'answer', cueId: 'a', is: 'wrong' },
        },
      ],
    })
    for (let seed = 0; seed < 60; seed += 1) {
      const records = make(seed, back)
      const given = ofKind(records, 'response').filter(({ cueId }) => cueId === 'a')
      const question = back.questions['q-a']!
      const right = given.some(({ answer }) => markQuestion(question, answer).verdict === 'right')
      const taken = ofKind(records, 'choice').length
      if (ofKind(records, 'finish').length === 0) continue
      expect(taken).toBeLessThanOrEqual(question.tries)
      if (!right) expect(taken).toBeGreaterThan(0)
    }
  })
  it('jumps are made only where they are allowed', () => {
    for (const seekRule of ['none', 'backOnly'] as const) {
      const ruled = edited(film, edits.setSeekRule, { partId: PART, seekRule })
      for (let seed = 0; seed < 60; seed += 1) {
        let furthest = 0
        for (const { fromMs, toMs } of ofKind(make(seed, ruled), 'span')) {
          if (seekRule === 'none') expect(fromMs).toBe(furthest)
          else expect(fromMs).toBeLessThanOrEqual(furthest)
          furthest = Math.max(furthest, toMs)
        }
      }
    }
  })
  it('a deck is finished only by those who saw all of it', () => {
    const lesson = withThings(film)
    const slides = Object.keys(partOfKind(lesson, DECK, 'deck')!.slides)
    for (let seed = 0; seed < 60; seed += 1) {
      const records = makeWhole(seed, lesson)
      const at = records.findIndex((one) => one.kind === 'finish' && one.partId === DECK)
      if (at < 0) continue
      const seen = ofKind(records.slice(0, at), 'seen').map(({ thingId }) => thingId)
      for (const slide of slides) expect(seen).toContain(slide)
    }
  })
})

describe('what they are like', () => {
  it('patience runs out the longer nothing is asked, however the time is cut', () => {
    const persona = drawPersona(createRandom(1))
    fc.assert(
      fc.property(fc.nat(300_000), fc.nat(300_000), fc.nat(300_000), (a, b, c) => {
        const [from, middle, to] = [a, b, c].sort((x, y) => x - y) as [number, number, number]
        const stays = (one: number, other: number) => 1 - chanceOfLeaving(persona, one, other)
        expect(stays(from, middle) * stays(middle, to)).toBeCloseTo(stays(from, to), 9)
      }),
    )
    expect(chanceOfLeaving(persona, 60_000, 90_000)).toBeGreaterThan(
      chanceOfLeaving(persona, 0, 30_000),
    )
  })
  it('the able are right more often, who saw the answer too, and nobody falls below guessing', () => {
    const choice = { ...blankQuestion('choice', blankBase('q'), idsFrom('a', 'b', 'c', 'd')) }
    const floor = guessing(choice)
    fc.assert(
      fc.property(fc.double({ min: -3, max: 3, noNaN: true }), fc.boolean(), (ability, seen) => {
        const chance = chanceOfRight(choice, ability, seen)
        expect(chance).toBeGreaterThanOrEqual(floor)
        expect(chance).toBeLessThan(1)
        expect(chanceOfRight(choice, ability + 0.5, seen)).toBeGreaterThan(chance)
        expect(chanceOfRight(choice, ability, true)).toBeGreaterThanOrEqual(chance)
      }),
    )
    expect(guessing(blankQuestion('trueFalse', blankBase('q'), () => 'x'))).toBe(0.5)
    expect(guessing(blankQuestion('shortText', blankBase('q'), () => 'x'))).toBe(0)
  })
  it('a question that was long to read is harder', () => {
    const read = (stem: string) =>
      chanceOfRight(
        edited(film, edits.setQuestionText, { questionId: 'q-a', field: 'stem', text: stem })
          .questions['q-a']!,
        ...([0, true] as const),
      )
    expect(read('word '.repeat(120))).toBeLessThan(read('A short one?'))
  })
})

function idsFrom(...ids: string[]): () => string {
  let at = 0
  return () => ids[at++] ?? `more-${at}`
}

describe('random numbers', () => {
  it('are even and normal enough', () => {
    const random = createRandom(42)
    const numbers = Array.from({ length: 20_000 }, () => random.next())
    expect(numbers.reduce((a, b) => a + b, 0) / numbers.length).toBeCloseTo(0.5, 1)
    const normals = Array.from({ length: 20_000 }, () => random.normal())
    const variance = normals.reduce((sum, value) => sum + value * value, 0) / normals.length
    expect(variance).toBeGreaterThan(0.95)
    expect(variance).toBeLessThan(1.05)
  })
})
