// What holds for every kind: marking is total, what people send is judged by the same rule, and answers that simulated
// learners give are answers.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  answerSchema,
  blankBase,
  blankQuestion,
  chosenIn,
  countablesOf,
  drawAnswer,
  findWhatCannotBeAsked,
  fitsQuestion,
  guessing,
  harderBy,
  isByPerson,
  isGraded,
  markQuestion,
  optionsOf,
  QUESTION_KINDS,
  questionSchema,
  readableAnswer,
  textsOf,
  type Question,
  type QuestionKindName,
} from './index.ts'
import { box, entries, lines, place, questionOf, WHOLE } from './testing.ts'

const withStem = (question: Question): Question => ({ ...question, stem: 'What is it?' })

describe.each(QUESTION_KINDS)('%s', (kind) => {
  const question = withStem(WHOLE[kind])
  let made = 0
  const blank = blankQuestion(kind, blankBase('new'), () => `id${made++}`)

  it('begins as something that can be kept, and cannot be asked yet', () => {
    expect(questionSchema.safeParse(blank).success).toBe(true)
    expect(findWhatCannotBeAsked(blank).map(({ code }) => code)).toContain('question.noStem')
  })

  it('can be kept and asked once it is whole', () => {
    expect(questionSchema.safeParse(question)).toMatchObject({ success: true })
    expect(findWhatCannotBeAsked(question)).toEqual([])
    expect(textsOf(question)).toContain('What is it?')
  })

  it('counts by things that it has, and says how it is guessed in a share', () => {
    const known = [...optionsOf(question), ...countablesOf(question)].map(({ id }) => id)
    fc.assert(
      fc.property(fc.boolean(), fc.double({ min: 0, max: 1, maxExcluded: true }), (right, at) => {
        const chosen = chosenIn(drawAnswer(question, right, { next: () => at }))
        if (known.length > 0) expect(chosen.length).toBeGreaterThan(0)
        for (const id of chosen) expect(known).toContain(id)
      }),
      { seed: 22, numRuns: 60 },
    )
    expect(optionsOf(question).every(({ label }) => label !== '')).toBe(true)
    expect(guessing(question)).toBeGreaterThanOrEqual(0)
    expect(guessing(question)).toBeLessThan(1)
    expect(harderBy(question)).toBeGreaterThanOrEqual(0)
  })

  it('refuses keys that nobody knows', () => {
    expect(questionSchema.safeParse({ ...question, surprise: 1 }).success).toBe(false)
  })

  it('gets answers from simulated learners that it takes, right ones that are right', () => {
    fc.assert(
      fc.property(fc.boolean(), fc.double({ min: 0, max: 1, maxExcluded: true }), (right, at) => {
        const answer = drawAnswer(question, right, { next: () => at })
        expect(answerSchema.safeParse(answer).success).toBe(true)
        expect(fitsQuestion(question, answer)).toBe(true)
        if (right) expect(readableAnswer(question, answer)).not.toBe('')
        const { verdict, points, max } = markQuestion(question, answer)
        if (!isGraded(question) || isByPerson(question)) expect(verdict).toBe('unmarked')
        else if (right) expect([verdict, points]).toEqual(['right', max])
        else expect(verdict).not.toBe('right')
      }),
      { seed: 21, numRuns: 60 },
    )
  })

  it('gives any value at all a verdict, and points within bounds', () => {
    const own = Object.keys(drawAnswer(question, true, { next: () => 0 }))
    const shaped = fc.record(
      Object.fromEntries(
        own.map((key) => [key, key === 'kind' ? fc.constant(kind) : fc.anything()]),
      ),
    )
    fc.assert(
      fc.property(fc.oneof(fc.anything(), shaped), (value) => {
        const { points, max, verdict } = markQuestion(question, value)
        expect(points).toBeGreaterThanOrEqual(0)
        expect(points).toBeLessThanOrEqual(max)
        expect(['right', 'partly', 'wrong', 'unmarked']).toContain(verdict)
      }),
      { seed: 22, numRuns: 300 },
    )
  })

  it('takes no answer of another kind', () => {
    for (const other of QUESTION_KINDS.filter((one) => one !== kind)) {
      const answer = drawAnswer(withStem(WHOLE[other]), true, { next: () => 0 })
      expect(fitsQuestion(question, answer)).toBe(false)
      expect(markQuestion(question, answer).points).toBe(0)
      expect(readableAnswer(question, answer)).toBe('')
    }
  })
})

describe('part of it right', () => {
  const marks = (kind: QuestionKindName, answer: object, change: Partial<Question> = {}) => {
    const question = { ...WHOLE[kind], points: 12, ...change } as Question
    const { points, verdict } = markQuestion(question, { kind, ...answer })
    return [points, verdict]
  }

  it.each([
    [['a', 'b', 'c', 'd'], 12, 'right'],
    // b follows a, c follows b; d stands first and so follows nothing.
    [['d', 'a', 'b', 'c'], 8, 'partly'],
    [['a', 'b', 'd', 'c'], 4, 'partly'],
    [['b', 'a', 'd', 'c'], 0, 'wrong'],
    [['d', 'c', 'b', 'a'], 0, 'wrong'],
    [['a', 'b', 'c'], 0, 'wrong'],
    [['a', 'a', 'b', 'c'], 0, 'wrong'],
    [['a', 'b', 'c', 'z'], 0, 'wrong'],
  ])('order %j: share of neighbours that stayed together', (ids, points, verdict) => {
    expect(marks('order', { ids })).toEqual([points, verdict])
  })
  it('order, all or nothing', () => {
    expect(marks('order', { ids: ['d', 'a', 'b', 'c'] }, { credit: 'allOrNothing' })).toEqual([
      0,
      'wrong',
    ])
  })

  it.each([
    [{ a: 'a', b: 'b', c: 'c' }, 12, 'right'],
    [{ a: 'a', b: 'c', c: 'b' }, 4, 'partly'],
    [{ a: 'a', b: 'd' }, 4, 'partly'],
    [{ a: 'b', b: 'c', c: 'a' }, 0, 'wrong'],
    [{}, 0, 'wrong'],
    [{ z: 'a' }, 0, 'wrong'],
  ])('match %j', (matched, points, verdict) => {
    expect(marks('match', { matched })).toEqual([points, verdict])
  })
  it('match takes two sides that read the same for each other', () => {
    const pairs = entries([
      { left: 'upper gate', right: 'gate' },
      { left: 'lower gate', right: 'gate' },
    ])
    expect(marks('match', { matched: { a: 'b', b: 'a' } }, { pairs, extras: {} })[1]).toBe('right')
  })

  it.each([
    [{ 1: 'gate', 2: 'paddle' }, 12, 'right'],
    [{ 1: 'Gates', 2: 'padle' }, 12, 'right'],
    [{ 1: 'gate', 2: 'sill' }, 6, 'partly'],
    [{ 1: 'gate' }, 6, 'partly'],
    [{ 1: 'gate', 2: 7 }, 6, 'partly'],
    [{ 3: 'gate' }, 0, 'wrong'],
  ])('gaps %j: the mean over the gaps', (filled, points, verdict) => {
    expect(marks('gaps', { filled })).toEqual([points, verdict])
  })
  it('gaps that are picked from a list allow no slips', () => {
    const filled = { 1: 'gate', 2: 'padle' }
    expect(marks('gaps', { filled }, { filledBy: 'list' })).toEqual([6, 'partly'])
  })

  it.each([
    [{ a: ['s00'], b: ['s10'] }, 12, 'right'],
    [{ a: ['s00'], b: ['s11', 's10'] }, 9, 'partly'],
    [{ a: ['s00'], b: ['s11', 's12', 's10'] }, 6, 'partly'],
    [{ a: ['s01', 's00'], b: ['s11', 's10'] }, 6, 'partly'],
    [{ a: ['s01'] }, 0, 'wrong'],
    [{ a: ['s01', 's01', 's00'] }, 0, 'wrong'],
  ])('recap %j: full for the first pick, half for the second', (picks, points, verdict) => {
    expect(marks('recap', { picks })).toEqual([points, verdict])
  })

  it('a checklist is never wrong', () => {
    expect(marks('checklist', { ticked: [] })).toEqual([0, 'partly'])
    expect(marks('checklist', { ticked: ['a', 'b'] })).toEqual([8, 'partly'])
    expect(marks('checklist', { ticked: ['a', 'b', 'c'] })).toEqual([12, 'right'])
  })

  it.each([
    [[{ x: 0.5, y: 0.5 }], 12],
    [[{ x: 0.39, y: 0.5 }], 12],
    [[{ x: 0.37, y: 0.5 }], 0],
    [[{ x: 0.05, y: 0.5 }], 0],
    [
      [
        { x: 0.5, y: 0.5 },
        { x: 0.1, y: 0.1 },
      ],
      0,
    ],
    [[{ x: NaN, y: 0.5 }], 0],
    [[], 0],
  ])('area %j', (points, expected) => {
    expect(marks('area', { points })[0]).toBe(expected)
  })
  it('area where all right places are to be shown', () => {
    const places = entries([
      { ...place },
      { ...place, shape: { ...box, y: 0.8 } },
      { ...place, right: false, shape: { ...box, x: 0 } },
    ])
    const at = (...points: object[]) => marks('area', { points }, { places, all: true })
    expect(at({ x: 0.5, y: 0.5 }, { x: 0.5, y: 0.9 })).toEqual([12, 'right'])
    expect(at({ x: 0.5, y: 0.5 })).toEqual([6, 'partly'])
    expect(at({ x: 0.5, y: 0.5 }, { x: 0.5, y: 0.5 })).toEqual([6, 'partly'])
    expect(at({ x: 0.1, y: 0.5 }, { x: 0.5, y: 0.9 })).toEqual([6, 'partly'])
  })
})

describe('what cannot be asked', () => {
  const codes = (question: Question) =>
    findWhatCannotBeAsked(withStem(question)).map(({ code }) => code)
  it.each<[string, Question]>([
    ['question.fewOptions', questionOf('poll', { options: {} })],
    [
      'question.sameOptions',
      questionOf('poll', {
        options: entries([
          { text: 'Yes', colour: null },
          { text: 'yes ', colour: null },
        ]),
      }),
    ],
    ['question.noRight', questionOf('shortText', { listed: {} })],
    ['question.emptyListed', questionOf('shortText')],
    [
      'question.badPattern',
      questionOf('shortText', {
        listed: entries([{ text: '(a', as: 'pattern' as const, share: 1, feedback: '' }]),
      }),
    ],
    ['question.unitUnreadable', questionOf('number', { unit: '12' })],
    ['question.noGaps', questionOf('gaps', { passage: 'No gap here, [[not]] even one.' })],
    ['question.openBracket', questionOf('gaps', { passage: 'A [gap' })],
    ['question.emptyGap', questionOf('gaps', { passage: 'A [ ~ b] gap' })],
    ['question.strayBracket', questionOf('gaps', { passage: 'A gap]' })],
    ['question.gapBoth', questionOf('gaps', { passage: 'A [gap ~ Gap]' })],
    ['question.emptyItem', questionOf('order')],
    ['question.fewItems', questionOf('order', { items: {} })],
    ['question.sameItems', questionOf('order', { items: lines('a', 'a') })],
    ['question.emptyPair', questionOf('match')],
    ['question.fewPairs', questionOf('match', { pairs: {} })],
    ['question.noRightPlace', questionOf('area')],
    [
      'question.placeWithoutWords',
      questionOf('area', { places: entries([{ ...place, label: ' ' }]) }),
    ],
    ['question.wordsReversed', questionOf('longText', { wordsFrom: 50, wordsTo: 10 })],
    ['question.fewStatements', questionOf('recap', { sets: {} })],
    ['question.emptyStatement', questionOf('recap')],
  ])('%s', (code, question) => expect(codes(question)).toContain(code))

  it('a match whose spare side fits a pair', () => {
    const extras = lines('holds')
    expect(codes({ ...WHOLE.match, extras } as Question)).toEqual(['question.extraIsRight'])
  })
})
