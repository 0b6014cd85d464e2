// @vitest-environment happy-dom
// A time that is typed: what counts as one, and when it takes effect.
import { expect, it } from 'vitest'
import { benchFor, mounted } from '../testing/mounted.ts'
import TimeField from './TimeField.vue'

function field(more: object = {}, role: 'editor' | 'viewer' = 'editor') {
  const { inside } = benchFor(role)
  const { wrapper } = mounted(TimeField, { label: 'From', ms: 10_000, ...more }, inside)
  const input = wrapper.find('input')
  return {
    wrapper,
    input,
    shown: () => (input.element as HTMLInputElement).value,
    async type(words: string) {
      await input.setValue(words)
      await input.trigger('keydown', { key: 'Enter' })
    },
  }
}

it.each([
  ['0:20', 20_000],
  ['12.4', 12_400],
  ['+5', 15_000],
  ['1:00', 60_000],
])('%s', async (words, ms) => {
  const { wrapper, type } = field()
  await type(words)
  expect(wrapper.emitted('change')).toEqual([[ms]])
})
it.each([
  ['the end of the film', {}, '9:00', /at the latest/],
  ['what it may not pass', { mostMs: 30_000 }, '0:45', /00:00:30/],
  ['what it has to come after', { afterMs: 8000 }, '0:08', /later than 00:00:08/],
])('a time beyond %s is told, and bent to nothing else', async (_what, more, words, says) => {
  const { wrapper, shown, type, input } = field(more)
  await type(words)
  expect(wrapper.emitted('change')).toBeUndefined()
  expect(shown()).toBe(words)
  expect(wrapper.find('[role=alert]').text()).toMatch(says)
  await input.trigger('keydown', { key: 'Escape' })
  expect(shown()).toContain('10')
  expect(wrapper.find('[role=alert]').exists()).toBe(false)
})
it('that is none stays to be mended, and changes nothing', async () => {
  const { wrapper, input, shown, type } = field()
  await type('soon')
  expect(wrapper.emitted('change')).toBeUndefined()
  expect([shown(), input.classes('p-invalid')]).toEqual(['soon', true])
  await type('0:20')
  expect(input.classes('p-invalid')).toBe(false)
})
it('is not told again when the field is left as it was', async () => {
  const { wrapper, input } = field()
  await input.trigger('blur')
  expect(wrapper.emitted('change')).toBeUndefined()
})
it('cannot be typed by those who only look', () => {
  expect(field({}, 'viewer').input.attributes('disabled')).toBeDefined()
})
