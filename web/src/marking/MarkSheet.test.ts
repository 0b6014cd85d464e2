// @vitest-environment happy-dom
// The mark of an answer: which numbers are one, what Enter and digits do, and that nothing written is lost.
import { flushPromises } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import type { PileAnswer } from '@fernbrake/core/contract'
import { blankBase, blankQuestion, type Question } from '@fernbrake/core/questions'
import { mounted } from '../testing/mounted.ts'
import MarkSheet from './MarkSheet.vue'

const asked = (change: object): Question =>
  ({ ...blankQuestion('longText', blankBase('q'), () => 'n'), points: 4, ...change }) as Question
const comments = [
  { id: 'one', words: 'Say which gate.' },
  { id: 'two', words: 'Well seen.' },
]

function sheet({ question = asked({}), mark = null as object | null, draft = {} } = {}) {
  const desk = {
    saving: ref(false),
    fault: ref(null),
    pile: ref({ comments }),
    draftOf: () => ({ points: '', levels: null, comment: '', revision: 0, ...draft }),
    keepDraft: vi.fn(),
    save: vi.fn(() => Promise.resolve(true)),
    goOn: vi.fn(),
    step: vi.fn(),
    comments: vi.fn(),
  }
  const answer = { attemptId: 'a', responseId: 'r', mark } as unknown as PileAnswer
  const { wrapper, button } = mounted(MarkSheet, { desk, answer, question })
  const points = () => wrapper.find('input[inputmode=decimal]')
  return { desk, wrapper, button, points, give: () => wrapper.find('form').trigger('submit') }
}

describe('points', () => {
  it.each([
    ['3', 3],
    [' 2.5 ', 2.5],
    ['2,5', 2.5],
    ['0', 0],
    ['4', 4],
  ])('“%s” are given, and the next answer comes', async (typed, points) => {
    const { desk, points: field, give } = sheet()
    await field().setValue(typed)
    await give()
    await flushPromises()
    expect(desk.save).toHaveBeenCalledWith({ points, comment: '', levels: null })
    expect(desk.goOn).toHaveBeenCalledTimes(1)
  })

  it.each([
    ['', ''],
    ['5', 'between 0 and 4'],
    ['-1', 'between 0 and 4'],
    ['two', 'number'],
    ['1e999', 'number'],
  ])('“%s” are not, and it is said why', async (typed, why) => {
    const { desk, wrapper, points: field, give } = sheet()
    await field().setValue(typed)
    await give()
    expect(desk.save).not.toHaveBeenCalled()
    expect(wrapper.find('[role=alert]').exists()).toBe(why !== '')
    if (why) expect(wrapper.find('[role=alert]').text()).toContain(why)
    expect(document.activeElement).toBe(field().element)
  })

  it('that could not be stored stay where they are', async () => {
    const { desk, points: field, give } = sheet()
    desk.save.mockResolvedValueOnce(false)
    await field().setValue('3')
    await give()
    await flushPromises()
    expect(desk.goOn).not.toHaveBeenCalled()
    expect((field().element as HTMLInputElement).value).toBe('3')
    expect(desk.keepDraft).toHaveBeenLastCalledWith(
      expect.anything(),
      expect.objectContaining({ points: '3' }),
    )
  })
})

describe('a rubric', () => {
  const rubric = asked({
    rubric: 'Names the gate: 0 nothing / 1 a part / 2 all\nSays why: 0 no / 2 yes',
  })

  it('adds up once each of its lines was judged', async () => {
    const { desk, wrapper, give } = sheet({ question: rubric })
    const [first, second] = wrapper.findAll('fieldset')
    await first!.findAll('input')[2]!.setValue(true)
    await give()
    expect(desk.save).not.toHaveBeenCalled()
    await second!.findAll('input')[0]!.setValue(true)
    await give()
    expect(desk.save).toHaveBeenCalledWith({ points: 2, comment: '', levels: [2, 0] })
  })

  it('is filled by digits, line after line; a digit that no level has does nothing', async () => {
    const { desk, wrapper, give } = sheet({ question: rubric })
    const [first, second] = wrapper.findAll('fieldset')
    await first!.trigger('keydown', { key: '7' })
    await first!.trigger('keydown', { key: '1' })
    expect(second!.element.contains(document.activeElement)).toBe(true)
    await second!.trigger('keydown', { key: '2' })
    await give()
    expect(desk.save).toHaveBeenCalledWith({ points: 3, comment: '', levels: [1, 1] })
  })
})

describe('words to the learner', () => {
  it('take in a kept comment by Alt and its number, behind what stands there', async () => {
    const { wrapper } = sheet({ draft: { comment: 'Nearly. ' } })
    const words = wrapper.find('textarea')
    await words.trigger('keydown', { key: '2', code: 'Digit2', altKey: true })
    expect((words.element as HTMLTextAreaElement).value).toBe('Nearly.\nWell seen.')
    await words.trigger('keydown', { key: '9', code: 'Digit9', altKey: true })
    expect((words.element as HTMLTextAreaElement).value).toBe('Nearly.\nWell seen.')
  })

  it('give the mark by Ctrl and Enter, and make a new line by Enter alone', async () => {
    const { desk, wrapper } = sheet({ draft: { points: '1' } })
    await wrapper.find('textarea').trigger('keydown', { key: 'Enter' })
    expect(desk.save).not.toHaveBeenCalled()
    await wrapper.find('textarea').trigger('keydown', { key: 'Enter', ctrlKey: true })
    expect(desk.save).toHaveBeenCalledTimes(1)
  })

  it('are kept for later only where they are not kept already', async () => {
    const { wrapper, button } = sheet()
    expect(button('Keep this comment')).toBeUndefined()
    await wrapper.find('textarea').setValue('Say which gate.')
    expect(wrapper.text()).not.toContain('Keep this comment')
  })
})

it('a mark that somebody else gave meanwhile is told, and what was written stays beside it', () => {
  const mark = {
    points: 3,
    comment: 'Good',
    by: 'Wren Tallis',
    at: new Date().toISOString(),
    revision: 2,
    releasedAt: null,
  }
  const { wrapper, points } = sheet({ mark, draft: { points: '1', revision: 1 } })
  expect(wrapper.find('[role=alert]').text()).toContain('Wren Tallis')
  expect((points().element as HTMLInputElement).value).toBe('1')
  expect(
    sheet({ mark, draft: { points: '3', revision: 2 } })
      .wrapper.find('[role=alert]')
      .exists(),
  ).toBe(false)
})
