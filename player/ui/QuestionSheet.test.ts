// @vitest-environment happy-dom
// A question on its sheet: when it may be given, what is told afterwards, and when another try may be made.
import { flushPromises, mount } from '@vue/test-utils'
import { beforeAll, describe, expect, it } from 'vitest'
import {
  blankBase,
  blankQuestion,
  markQuestion,
  type Answer,
  type Question,
} from '@fernbrake/core/questions'
import { createPlayerI18n } from '../i18n.ts'
import type { QuestionStanding } from '../session/useAnswers.ts'
import QuestionSheet from './QuestionSheet.vue'

let i18n: Awaited<ReturnType<typeof createPlayerI18n>>
beforeAll(async () => (i18n = await createPlayerI18n('en')))

const question: Question = {
  ...blankQuestion('trueFalse', blankBase('q'), () => 'x'),
  stem: 'A lock needs no water.',
  explanation: 'Each filling takes a chamber full.',
  tries: 2,
  feedback: { right: 'So it is.', partly: '', wrong: 'Look at the chamber.' },
  right: false,
} as Question
const open: QuestionStanding = {
  triesUsed: 0,
  triesLeft: 2,
  lastAnswer: null,
  lastMark: null,
  right: false,
  final: false,
  pending: false,
} as QuestionStanding
const after = (answer: Answer, more: Partial<QuestionStanding> = {}): QuestionStanding => {
  const lastMark = markQuestion(question, answer)
  const right = lastMark.verdict === 'right'
  return { ...open, triesUsed: 1, triesLeft: 1, lastAnswer: answer, lastMark, right, ...more }
}
const said = (value: boolean): Answer => ({ kind: 'trueFalse', value })

async function shown(standing: QuestionStanding, more: object = {}) {
  const wrapper = mount(QuestionSheet, {
    attachTo: document.body,
    global: { plugins: [i18n] },
    props: {
      question,
      material: null,
      standing,
      number: 1,
      count: 3,
      seed: 's',
      keepsDrafts: false,
      ...more,
    },
  })
  await flushPromises()
  const button = (word: string) => wrapper.findAll('button').find((one) => one.text() === word)
  return { wrapper, button, text: () => wrapper.text() }
}

describe('before it is answered', () => {
  it('takes the focus, and cannot be given until something is chosen', async () => {
    const { wrapper, button } = await shown(open)
    expect(document.activeElement?.textContent).toContain('A lock needs no water.')
    expect(button('Give this answer')?.attributes('disabled')).toBeDefined()
    await wrapper.findAll('input')[1]!.setValue()
    expect(button('Give this answer')?.attributes('disabled')).toBeUndefined()
    await wrapper.find('form').trigger('submit')
    expect(wrapper.emitted('give')).toEqual([[said(false)]])
  })
  it('leaves the focus where somebody is at work beside it', async () => {
    ;(document.activeElement as HTMLElement | null)?.blur()
    await shown(open, { takesFocus: false })
    expect(document.activeElement).toBe(document.body)
  })
})

describe('once it is answered', () => {
  it('wrong, with a try left: says so, keeps the explanation back, offers another try', async () => {
    const { wrapper, button, text } = await shown(after(said(true)))
    expect(text()).toContain('Look at the chamber.')
    expect(text()).not.toContain('Each filling')
    await button('Try again')!.trigger('click')
    expect(wrapper.find('form input:checked').exists()).toBe(false)
    expect(button('Give this answer')).toBeDefined()
  })
  it('right: says so and why, and no further try is offered', async () => {
    const { button, text } = await shown(after(said(false), { final: true, triesLeft: null }))
    expect(text()).toContain('So it is.')
    expect(text()).toContain('Each filling takes a chamber full.')
    expect(button('Try again')).toBeUndefined()
  })
  it('where a class is told later: what was given is shown in words, and nothing of what came of it', async () => {
    const { wrapper, text } = await shown(after(said(true)), { told: false })
    expect(wrapper.find('.given').text()).toContain('True')
    for (const word of ['Look at the chamber.', 'So it is.', 'Each filling'])
      expect(text()).not.toContain(word)
    expect(wrapper.find('input').exists()).toBe(false)
  })
  it('goes on only where it may be left', async () => {
    const held = await shown(after(said(true)))
    expect(held.button('Go on watching')).toBeUndefined()
    const { wrapper, button } = await shown(after(said(false), { final: true }), { canGoOn: true })
    await button('Go on watching')!.trigger('click')
    expect(wrapper.emitted('goOn')).toHaveLength(1)
  })
})

describe('where time runs out', () => {
  it('gives what was chosen by then', async () => {
    const { wrapper } = await shown(open)
    await wrapper.findAll('input')[0]!.setValue()
    await wrapper.setProps({ timeUp: true })
    expect(wrapper.emitted('give')).toEqual([[said(true)]])
  })
  it('gives nothing where nothing was chosen, and closes it', async () => {
    const { wrapper, button } = await shown(open)
    await wrapper.setProps({ timeUp: true })
    expect(wrapper.emitted('give')).toBeUndefined()
    expect(button('Give this answer')).toBeUndefined()
    expect(button('Try again')).toBeUndefined()
  })
})
