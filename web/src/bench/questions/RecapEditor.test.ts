// @vitest-environment happy-dom
// Sets of a recap, pasted as lists.
import { expect, it, vi } from 'vitest'
import type { RecapQuestion, RecapSet } from '@fernbrake/core/questions'
import { blankBase, blankQuestion } from '@fernbrake/core/questions'
import { benchFor, mounted } from '../../testing/mounted.ts'
import RecapEditor from './RecapEditor.vue'

it('are parted by empty lines; a star marks what is true, and sets that are still empty make room', async () => {
  const { bench, inside } = benchFor()
  let made = 0
  const question = blankQuestion(
    'recap',
    blankBase('q'),
    () => `id-${(made += 1)}`,
  ) as RecapQuestion
  const { wrapper, button } = mounted(RecapEditor, { question }, inside)
  await button('Paste a list')!.trigger('click')
  const field = wrapper.findAll('textarea').at(-1)!
  expect(document.activeElement).toBe(field.element)
  await field.setValue('False one\n* True one\n\nFirst is true\nSecond is not\n\nAlone')
  expect(wrapper.text()).toContain('Take in 2 sets')
  await field.trigger('keydown', { key: 'Enter', ctrlKey: true })
  const [, { entries, gone, path }] = vi.mocked(bench.draft.make).mock.calls[0] as unknown as [
    unknown,
    { entries: RecapSet[]; gone: string[]; path: string[] },
  ]
  expect(path).toEqual(['sets'])
  expect(gone).toEqual(Object.keys(question.sets))
  expect(
    entries.map(({ statements }) =>
      Object.values(statements).map(({ text, right }) => (right ? `* ${text}` : text)),
    ),
  ).toEqual([
    ['False one', '* True one'],
    ['* First is true', 'Second is not'],
  ])
})
