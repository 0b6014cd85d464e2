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
  ['9:00', 60_000],
])('%s', async (words, ms) => {
  const { wrapper, type } = field()
  await type(words)
  expect(wrapper.emitted('change')).toEqual([[ms]])
})
it('goes no further than it may', async () => {
  const { wrapper, type } = field({ mostMs: 30_000 })
  await type('0:45')
  expect(wrapper.emitted('change')).toEqual([[30_000]])
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
