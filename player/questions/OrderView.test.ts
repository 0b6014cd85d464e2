// @vitest-environment happy-dom
// Putting things into order by buttons: where they go, what is said, and where the focus stays.
import { flushPromises, mount } from '@vue/test-utils'
import { beforeAll, expect, it } from 'vitest'
import {
  blankBase,
  blankQuestion,
  markQuestion,
  type OrderAnswer,
  type OrderQuestion,
} from '@fernbrake/core/questions'
import { addMessages, createPlayerI18n } from '../i18n.ts'
import further from '../locales/enFurther.ts'
import OrderView from './OrderView.vue'

let i18n: Awaited<ReturnType<typeof createPlayerI18n>>
beforeAll(async () => {
  i18n = await createPlayerI18n('en')
  addMessages(further)
})
const texts = ['shut', 'wind', 'open']
const question = {
  ...(blankQuestion('order', blankBase('q'), () => 'x') as OrderQuestion),
  items: Object.fromEntries(texts.map((text, at) => [text, { id: text, order: `a${at}`, text }])),
}
const begun: OrderAnswer = { kind: 'order', ids: ['wind', 'shut', 'open'] }

async function view(more: object = {}) {
  const given: (OrderAnswer | null)[] = []
  const wrapper = mount(OrderView, {
    attachTo: document.body,
    global: { plugins: [i18n] },
    props: {
      question,
      answered: false,
      revealed: false,
      mark: null,
      seed: 's',
      modelValue: begun,
      'onUpdate:modelValue': (answer: OrderAnswer | null) => given.push(answer),
      ...more,
    },
  })
  await flushPromises()
  return { wrapper, given }
}
const lines = (wrapper: Awaited<ReturnType<typeof view>>['wrapper']) =>
  wrapper.findAll('li[data-item]').map((line) => line.attributes('data-item'))

it('moves a thing by its buttons, says where it is, and the button keeps the focus', async () => {
  const { wrapper, given } = await view()
  await wrapper.find('[data-item=wind] [data-step=down]').trigger('click')
  await flushPromises()
  expect(given.at(-1)?.ids).toEqual(['shut', 'wind', 'open'])
  expect(lines(wrapper)).toEqual(['shut', 'wind', 'open'])
  expect(wrapper.find('[aria-live]').text()).toContain('wind')
  expect(document.activeElement?.closest('li')?.getAttribute('data-item')).toBe('wind')
  expect(document.activeElement?.getAttribute('data-step')).toBe('down')
})
it('leads nowhere beyond the ends', async () => {
  const { wrapper } = await view()
  expect(wrapper.find('[data-item=wind] [data-step=up]').attributes('disabled')).toBeDefined()
  expect(wrapper.find('[data-item=open] [data-step=down]').attributes('disabled')).toBeDefined()
})
it('is an answer as it lies there', async () => {
  const { given } = await view({ modelValue: null })
  expect([...given.at(-1)!.ids].sort()).toEqual([...texts].sort())
})
it('cannot be changed once it was given, and shows the right order only once no try is left', async () => {
  const mark = markQuestion(question, begun)
  const { wrapper } = await view({ answered: true, mark })
  expect(wrapper.find('[data-step]').exists()).toBe(false)
  expect(wrapper.find('.solution').exists()).toBe(false)
  const told = await view({ answered: true, revealed: true, mark })
  expect(told.wrapper.findAll('.solution li').map((line) => line.text())).toEqual(texts)
})
