// Nothing of a question that was cut tells what is right: neither its words, nor its ids, nor any order; and what is
// answered in its names means what it would mean in the question itself.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  answerAsFound,
  answerInIds,
  answerSchema,
  cutQuestion,
  drawAnswer,
  fitsQuestion,
  isByPerson,
  isGraded,
  isSelfJudged,
  itemsMixed,
  markAsFound,
  markQuestion,
  optionsFor,
  pointsAsked,
  QUESTION_KINDS,
  questionSchema,
  readableAnswer,
  rightsMixed,
  toldQuestion,
  wordBank,
  type Answer,
  type Question,
  type QuestionOf,
} from './index.ts'
import { entries, questionOf, WHOLE } from './testing.ts'

const SECRET = 'do-not-tell'
/** With everything that is said afterwards. */
const spoken = (question: Question): Question =>
  ({
    ...question,
    stem: 'What is it?',
    hint: 'Look again',
    feedback: { right: SECRET, partly: SECRET, wrong: SECRET },
    explanation: SECRET,
    shelfId: SECRET,
    ...('model' in question ? { model: SECRET } : {}),
    ...('rubric' in question || isByPerson(question) ? { rubric: `${SECRET}: 0 no / 1 yes` } : {}),
  }) as Question
const picksOf = (answer: Answer) => JSON.stringify(answer)
const chance = (at: number) => ({ next: () => at })

/** The same question with something else right in it. */
const OTHERWISE: { [K in Question['kind']]?: (question: QuestionOf<K>) => Question } = {
  choice: (question) => ({
    ...question,
    options: Object.fromEntries(
      Object.entries(question.options).map(([id, option]) => [
        id,
        { ...option, right: id === 'c', feedback: `${SECRET} ${id}` },
      ]),
    ),
  }),
  trueFalse: (question) => ({ ...question, right: !question.right }),
  shortText: (question) => ({
    ...question,
    listed: entries([{ text: SECRET, as: 'words' as const, share: 1, feedback: SECRET }]),
  }),
  number: (question) => ({
    ...question,
    value: 5,
    unit: 'kJ',
    wrongUnitShare: 1,
    tolerance: { by: 'relative', share: 0.5 },
  }),
  gaps: (question) => ({
    ...question,
    passage: question.passage.replace(/\[[^\]]*\]/g, `[${SECRET}|other]`),
  }),
  area: (question) => ({
    ...question,
    places: Object.fromEntries(
      Object.entries(question.places).map(([id, place]) => [
        id,
        {
          ...place,
          right: !place.right,
          feedback: SECRET,
          shape: { shape: 'ellipse' as const, x: 0.1, y: 0.1, width: 0.3, height: 0.1 },
        },
      ]),
    ),
  }),
  recap: (question) => ({
    ...question,
    sets: Object.fromEntries(
      Object.entries(question.sets).map(([id, set]) => [
        id,
        {
          ...set,
          statements: Object.fromEntries(
            Object.entries(set.statements).map(([key, one]) => [
              key,
              { ...one, right: key.endsWith('2') },
            ]),
          ),
        },
      ]),
    ),
  }),
}

describe.each(QUESTION_KINDS)('%s', (kind) => {
  const question = spoken(WHOLE[kind])
  const cut = cutQuestion(question, 'a mix')

  it('is still a question, and asks the same', () => {
    expect(questionSchema.safeParse(cut)).toMatchObject({ success: true })
    expect(cut).toMatchObject({
      id: 'q',
      kind,
      stem: 'What is it?',
      hint: 'Look again',
      points: 1 * question.points,
    })
    expect(JSON.stringify(cut)).not.toContain(SECRET)
  })

  it('is the same whatever is right', () => {
    const other = OTHERWISE[kind] as ((question: Question) => Question) | undefined
    if (other) expect(cutQuestion(other(question), 'a mix')).toEqual(cut)
    else
      expect(
        ['order', 'match'].includes(kind) ||
          !isGraded(question) ||
          isByPerson(question) ||
          isSelfJudged(question),
      ).toBe(true)
  })

  it('says nothing of any answer', () => {
    fc.assert(
      fc.property(fc.boolean(), fc.double({ min: 0, max: 1, maxExcluded: true }), (right, at) => {
        const mark = markQuestion(
          cut,
          answerAsFound(question, 'a mix', drawAnswer(question, right, chance(at))),
        )
        if (isSelfJudged(question)) return
        expect(mark).toMatchObject({ points: 0, verdict: 'unmarked', perPart: [] })
      }),
      { seed: 4, numRuns: 20 },
    )
  })

  it('takes answers in its own names, which mean the same in the question itself', () => {
    fc.assert(
      fc.property(
        fc.boolean(),
        fc.double({ min: 0, max: 1, maxExcluded: true }),
        fc.string({ maxLength: 20 }),
        (right, at, mix) => {
          const given = drawAnswer(question, right, chance(at))
          const found = answerAsFound(question, mix, given)
          const mine = cutQuestion(question, mix)
          expect(answerSchema.safeParse(found).success).toBe(true)
          const back = answerInIds(question, mix, found)
          expect(markQuestion(question, back)).toEqual(markQuestion(question, given))
          if (kind === 'recap' && !right) return
          expect(fitsQuestion(mine, found)).toBe(true)
          expect(fitsQuestion({ ...question, cut: true }, back)).toBe(true)
          // Of a place that was pointed at, the cut question cannot tell the name.
          if (kind !== 'area')
            expect(readableAnswer(mine, found).split('; ').sort()).toEqual(
              readableAnswer(question, given).split('; ').sort(),
            )
        },
      ),
      { seed: 5, numRuns: 40 },
    )
  })

  it('takes answers in the ids of the question as they are', () => {
    const given = drawAnswer(question, true, chance(0.3))
    expect(picksOf(answerInIds(question, 'a mix', given))).toBe(picksOf(given))
  })
})

describe('ids and orders', () => {
  const order = questionOf('order', {
    items: entries(['shut', 'wind', 'wait', 'open'].map((text) => ({ text }))),
  })
  it('tell nothing of the right order', () => {
    const cut = cutQuestion(order, 'm') as QuestionOf<'order'>
    expect(itemsMixed(cut, 'whoever').map(({ text }) => text)).toEqual(
      itemsMixed(toldQuestion(order, 'm') as QuestionOf<'order'>, 'whoever').map(
        ({ text }) => text,
      ),
    )
    expect(Object.keys(cut.items)).toEqual(['as-found-1', 'as-found-2', 'as-found-3', 'as-found-4'])
    const right = itemsMixed(cut, '').every(
      ({ text }, at) => text === ['shut', 'wind', 'wait', 'open'][at],
    )
    expect(right).toBe(false)
  })

  it('tell nothing of which belongs to which', () => {
    const match = WHOLE.match as QuestionOf<'match'>
    const cut = cutQuestion(match, 'm') as QuestionOf<'match'>
    expect(Object.values(cut.pairs).map(({ right }) => right)).toEqual(['', '', ''])
    expect(rightsMixed(cut, 'x').map(({ id }) => id)).toEqual(
      [1, 2, 3, 4].map((n) => `as-found-${n}`),
    )
    expect(rightsMixed(cut, 'x').map(({ text }) => text)).toEqual(
      rightsMixed(toldQuestion(match, 'm') as QuestionOf<'match'>, 'y').map(({ text }) => text),
    )
  })

  it('are those of one learner, mixed where the designer wants it mixed', () => {
    const choice = { ...(WHOLE.choice as QuestionOf<'choice'>), shuffle: true }
    const seen = new Set<string>()
    for (let at = 0; at < 40; at += 1) {
      const cut = cutQuestion(choice, `m${at}`) as QuestionOf<'choice'>
      seen.add(
        optionsFor(cut, '')
          .map(({ text }) => String(text))
          .join(),
      )
      expect(cut.shuffle).toBeUndefined()
    }
    expect(seen.size).toBe(6)
  })

  it('stand for the same thing where two read the same', () => {
    const twins = questionOf('match', {
      pairs: entries([
        { left: 'gate', right: 'holds' },
        { left: 'sill', right: 'holds' },
      ]),
      extras: {},
    })
    const cut = cutQuestion(twins, 'm') as QuestionOf<'match'>
    expect(Object.keys(cut.extras)).toHaveLength(1)
    const found = answerAsFound(twins, 'm', { kind: 'match', matched: { a: 'b', b: 'a' } })
    expect(found).toEqual({ kind: 'match', matched: { a: 'as-found-1', b: 'as-found-1' } })
    expect(markQuestion(twins, answerInIds(twins, 'm', found)).verdict).toBe('right')
  })
})

describe('gaps', () => {
  const passage = 'A [[bracket]] and the [gate|gates] hold, the [paddle ~ sill] lets through.'
  it.each(['typing', 'list', 'dragging'] as const)('filled by %s', (filledBy) => {
    const gaps = questionOf('gaps', {
      passage,
      filledBy,
      extras: filledBy === 'typing' ? '' : 'weir',
    })
    const cut = cutQuestion(gaps, 'm') as QuestionOf<'gaps'>
    expect(cut.passage).toContain('A [[bracket]] and the [')
    if (filledBy === 'typing') expect(`${cut.passage}${cut.extras}`).not.toMatch(/gate|paddle|sill/)
    else expect(wordBank(cut, '').sort()).toEqual(wordBank(gaps, '').sort())
    expect(cut.passage).not.toContain('gate')
  })
})

describe('places', () => {
  const area = WHOLE.area as QuestionOf<'area'>
  it('are asked for in the same number, and lie nowhere', () => {
    const both = {
      ...area,
      all: true,
      places: { ...area.places, b: { ...area.places.b!, right: true } },
    }
    expect(pointsAsked(cutQuestion(both, 'm') as QuestionOf<'area'>)).toBe(2)
  })
  it('can be named by whoever has their names alone', () => {
    const cut = cutQuestion(area, 'm') as QuestionOf<'area'>
    const sill = Object.values(cut.places).find(({ label }) => label === 'The sill')!
    const answer: Answer = { kind: 'area', points: [], named: [sill.id] }
    expect(fitsQuestion(cut, answer)).toBe(true)
    const back = answerInIds(area, 'm', answer)
    expect(markQuestion(area, back)).toMatchObject({ verdict: 'right' })
    expect(readableAnswer(area, back)).toBe('The sill')
    expect(fitsQuestion(area, { ...back, points: [{ x: 0.5, y: 0.5 }] } as Answer)).toBe(false)
    expect(fitsQuestion(area, { kind: 'area', points: [], named: ['nowhere'] })).toBe(false)
  })
})

describe('what is told while a try is left', () => {
  it('is what was said of what was picked, and nothing of the rest', () => {
    const choice = questionOf('choice', {
      several: true,
      feedback: { right: 'Yes', partly: 'Half', wrong: 'No' },
      options: entries([
        { text: 'paddle', right: true, feedback: 'It lets water through' },
        { text: 'gate', right: true, feedback: 'It holds' },
        { text: 'sill', right: false, feedback: 'It catches' },
      ]),
    })
    const given: Answer = { kind: 'choice', picked: ['a', 'c'] }
    const cut = cutQuestion(choice, 'm', [given]) as QuestionOf<'choice'>
    const said = Object.values(cut.options).map(({ text, right, feedback }) => [
      text,
      right,
      feedback,
    ])
    expect(said).toEqual([
      ['paddle', true, 'It lets water through'],
      ['gate', false, ''],
      ['sill', false, 'It catches'],
    ])
    expect(cut.feedback).toEqual({ right: '', partly: '', wrong: 'No' })
    const mark = markAsFound(choice, 'm', markQuestion(choice, given))
    expect(mark.perPart).toEqual([
      { id: 'as-found-1', picked: true, right: true },
      { id: 'as-found-3', picked: true, right: false },
    ])
  })

  it('is what was said to a short answer, in the learner’s own words', () => {
    const short = questionOf('shortText', {
      listed: entries([
        { text: 'windlass', as: 'words' as const, share: 1, feedback: 'Yes' },
        { text: 'handle', as: 'words' as const, share: 0, feedback: 'Which one?' },
      ]),
    })
    const cut = cutQuestion(short, 'm', [{ kind: 'shortText', text: 'Handle' }])
    expect(Object.values((cut as QuestionOf<'shortText'>).listed)).toEqual([
      { id: 'told-0', order: 'a1', text: 'Handle', as: 'words', share: 0, feedback: 'Which one?' },
    ])
  })
})
