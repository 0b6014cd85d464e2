// The cut face of a lesson: of every kind of question, wherever it is asked, nothing that tells what is right is left.
import { describe, expect, it } from 'vitest'
import {
  cutQuestion,
  isUnsaid,
  QUESTION_KINDS,
  toldQuestion,
  type Question,
} from '../questions/index.ts'
import { WHOLE } from '../questions/testing.ts'
import { fullLesson, withQuiz, withThings } from '../testing/index.ts'
import { askersOf, checkLesson, cutLesson, type Lesson, type Telling } from './index.ts'

const SECRET = 'between-us'
/** A lesson with parts of every kind; each of its questions in turn is one of every kind, with words after it. */
function lessonAsking(kind: Question['kind']): Lesson {
  const lesson = withQuiz(withThings(fullLesson()))
  const questions = Object.values(lesson.questions).map(({ id }) => {
    const words = {
      stem: 'What is it?',
      explanation: SECRET,
      feedback: { right: SECRET, partly: SECRET, wrong: SECRET },
    }
    return [id, { ...WHOLE[kind], ...words, id } as Question] as const
  })
  return { ...lesson, questions: Object.fromEntries(questions) }
}
const cutAs = (lesson: Lesson, tellingOf: (id: string) => Telling) =>
  cutLesson(lesson, { tellingOf, mixOf: (id) => `mix ${id}`, answersTo: () => [] })

describe.each(QUESTION_KINDS)('%s', (kind) => {
  const lesson = lessonAsking(kind)
  it('leaves nothing, wherever it is asked', () => {
    const cut = cutAs(lesson, () => 'silent')
    expect(askersOf(lesson).length).toBeGreaterThan(3)
    expect(JSON.stringify(cut)).not.toContain(SECRET)
    expect(JSON.stringify(cut)).not.toMatch(/"right":true/)
    expect(checkLesson(cut)).toMatchObject({
      ok: false,
      issues: [
        { code: 'question.cut' },
        ...Array(askersOf(lesson).length - 1).fill({ code: 'question.cut' }),
      ],
    })
    // All else of it is as it was.
    expect({ ...cut, questions: null }).toEqual({ ...lesson, questions: null })
  })
})

describe('each question by itself', () => {
  const lesson = lessonAsking('choice')
  const [first, ...rest] = Object.keys(lesson.questions)
  it('is told as it may be', () => {
    const cut = cutAs(lesson, (id) => (id === first ? 'whole' : 'silent'))
    expect(cut.questions[first!]).toEqual(toldQuestion(lesson.questions[first!]!, `mix ${first}`))
    for (const id of rest)
      expect(cut.questions[id]).toEqual(cutQuestion(lesson.questions[id]!, `mix ${id}`))
    expect(Object.values(cut.questions).filter(isUnsaid)).toHaveLength(rest.length)
  })
  it('is left alone where it is told from the beginning', () => {
    expect(cutAs(lesson, () => 'free')).toEqual(lesson)
  })
})
