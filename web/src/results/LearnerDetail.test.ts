// @vitest-environment happy-dom
// One learner's line, opened: what they watched, saw and answered, part by part, and the ways they took.
import { describe, expect, it } from 'vitest'
import type { LearnerResult } from '@fernbrake/core/contract'
import { edits, partsInOrder, type Lesson } from '@fernbrake/core/lesson'
import { DECK, edited, fullLesson, PAGE, PART, STILL, withThings } from '@fernbrake/core/testing'
import { mounted } from '../testing/mounted.ts'
import LearnerDetail from './LearnerDetail.vue'

const lesson = edited(withThings(fullLesson()), edits.addRoute, {
  id: 'route',
  fromId: PAGE,
  target: { to: 'part', partId: DECK },
})
const answer = (questionId: string, more: object = {}) => ({
  questionId,
  tryNumber: 1,
  verdict: 'right',
  points: 1,
  text: 'A paddle',
  files: [],
  isDoubtful: false,
  ...more,
})

function detail(more: object = {}, of: Lesson = lesson) {
  const learner = {
    attemptId: 'attempt',
    name: 'Tam Oakshott',
    stretches: {},
    seen: {},
    answers: [],
    ways: [],
    tooFast: 0,
    leftOut: 0,
    ...more,
  } as unknown as LearnerResult
  const { wrapper } = mounted(LearnerDetail, { lessonId: 'l', lesson: of, learner })
  const at = (partId: string) => {
    const index = partsInOrder(of).findIndex(({ id }) => id === partId)
    return wrapper.findAll('section')[index]!.text()
  }
  return { wrapper, at, words: wrapper.text() }
}

describe('a film', () => {
  it('says which stretches were watched, or that none was', () => {
    expect(detail().at(PART)).not.toContain('0:05–0:12')
    const { at } = detail({ stretches: { [PART]: [{ fromMs: 5000, toMs: 12_000 }] } })
    expect(at(PART)).toContain('0:05–0:12')
  })
})

describe('another part', () => {
  it('says whether it was opened, and how much of it was seen', () => {
    const never = detail().at(STILL)
    const { at } = detail({
      seen: { [STILL]: [STILL, 'pin'], [PAGE]: [PAGE], [DECK]: [DECK, 'slide-1', 'slide-2'] },
    })
    expect(at(STILL)).not.toBe(never)
    expect(at(STILL)).toMatch(/1 of \d/)
    expect(at(DECK)).toContain('2 of 2')
    // A page is seen as a whole.
    expect(at(PAGE)).not.toMatch(/\d of \d/)
  })
})

describe('an answer', () => {
  it('stands at its question, try by try', () => {
    const { at } = detail({
      answers: [
        answer('q-ask', { verdict: 'wrong', points: 0, text: 'A sill' }),
        answer('q-ask', { tryNumber: 2 }),
      ],
    })
    expect(at(PAGE)).toMatch(/A sill[\s\S]*A paddle/)
    expect(at(STILL)).not.toContain('A paddle')
  })
  it('that was not given says so', () => {
    const given = detail({ answers: [answer('q-ask')] }).at(PAGE)
    expect(detail().at(PAGE)).not.toBe(given)
    expect(detail().at(PAGE)).toMatch(/not answered/i)
  })
  it('that came faster than time, or at a doubtful moment, is told of', () => {
    const usual = detail({ answers: [answer('q-ask')] }).at(PAGE)
    const doubtful = detail({ answers: [answer('q-ask', { isDoubtful: true })] }).at(PAGE)
    expect(doubtful.length).toBeGreaterThan(usual.length)
    expect(detail({ tooFast: 2, leftOut: 2 }).wrapper.findAll('p.muted').length).toBe(
      detail().wrapper.findAll('p.muted').length + 1,
    )
    expect(detail({ tooFast: 2, leftOut: 5 }).words).toMatch(/3/)
  })
})

describe('a way', () => {
  it('that left a part is named by where it led', () => {
    const { wrapper } = detail({
      ways: [{ cueId: PAGE, choiceId: 'route', takenAt: '2026-03-02T10:00:00.000Z' }],
    })
    expect(wrapper.find('ul').text()).toContain(lesson.parts[DECK]!.title)
  })
  it('that nobody knows any more is left out', () => {
    const none = detail().wrapper.findAll('ul').length
    const { wrapper } = detail({
      ways: [{ cueId: 'gone', choiceId: 'gone', takenAt: '2026-03-02T10:00:00.000Z' }],
    })
    expect(wrapper.findAll('ul')).toHaveLength(none)
  })
})
