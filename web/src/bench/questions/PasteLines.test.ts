// @vitest-environment happy-dom
// A pasted list: how much of it has room, what makes room, and that it is one edit.
import { expect, it, vi } from 'vitest'
import { benchFor, mounted } from '../../testing/mounted.ts'
import PasteLines from './PasteLines.vue'

async function pasted(text: string, more: object = {}) {
  const { bench, inside } = benchFor()
  const { wrapper, button } = mounted(
    PasteLines,
    {
      questionId: 'q',
      path: ['options'],
      entries: {},
      textsOf: ({ text }: { text: string }) => [text],
      most: 3,
      read: (words: string) => words.split('\n').filter((line) => line.trim() !== ''),
      entryOf: (line: string) => ({ text: line }),
      help: 'One a line.',
      ...more,
    },
    inside,
  )
  await button('Paste a list')!.trigger('click')
  await wrapper.find('textarea').setValue(text)
  const [accept] = wrapper.findAll('button').slice(1)
  return { accept: accept!, make: vi.mocked(bench.draft.make), wrapper }
}

it('as much as has room becomes lines of the question, in one edit', async () => {
  const { accept, make, wrapper } = await pasted('A gate\n\nA paddle\nA sill\nA boat')
  expect(accept.text()).toContain('3')
  await accept.trigger('click')
  expect(make).toHaveBeenCalledTimes(1)
  const [, { entries, gone }] = make.mock.calls[0] as unknown as [
    unknown,
    { entries: { text: string }[]; gone: string[] },
  ]
  expect(entries.map(({ text }) => text)).toEqual(['A gate', 'A paddle', 'A sill'])
  expect(gone).toEqual([])
  expect(wrapper.find('textarea').exists()).toBe(false)
})
it('lines that are still empty make room', async () => {
  const entries = {
    a: { id: 'a', text: '' },
    b: { id: 'b', text: 'Kept' },
    c: { id: 'c', text: '' },
  }
  const { accept, make } = await pasted('One\nTwo\nThree', { entries })
  await accept.trigger('click')
  expect(make.mock.calls[0]![1]).toMatchObject({ gone: ['a', 'c'] })
  expect((make.mock.calls[0]![1] as unknown as { entries: unknown[] }).entries).toHaveLength(2)
})
it('nothing can be pasted where there is nothing, or no room', async () => {
  expect((await pasted('')).accept.attributes('disabled')).toBeDefined()
  const entries = Object.fromEntries(['a', 'b', 'c'].map((id) => [id, { id, text: 'Kept' }]))
  expect((await pasted('One', { entries })).accept.attributes('disabled')).toBeDefined()
})
it('what is left out is told: lines of one side, and lines without room', async () => {
  const read = (words: string) => words.split('\n').filter((line) => line.includes(':'))
  const leavesOut = (words: string) => words.split('\n').length - read(words).length
  const { wrapper } = await pasted('a: b\nc\nd: e\nf\ng: h\ni: j', { read, leavesOut })
  const told = wrapper.findAll('[role=status]').map((line) => line.text())
  expect(told).toEqual([expect.stringMatching(/^2 lines/), expect.stringMatching(/^One more/)])
})
