// What opens a gate, in words.
import { beforeAll, expect, it } from 'vitest'
import type { Condition, Part } from '@fernbrake/core/lesson'
import { fullLesson, PART, withThings } from '@fernbrake/core/testing'
import { createPlayerI18n } from '../i18n.ts'
import { gateWords } from './gateWords.ts'

const lesson = withThings(fullLesson())
let i18n: Awaited<ReturnType<typeof createPlayerI18n>>
beforeAll(async () => (i18n = await createPlayerI18n('en')))

const said = (condition: Condition, message = '') => {
  const gate = { condition, message } as Part['gate']
  const { t, n } = i18n.global as unknown as {
    t: (key: string, values?: Record<string, unknown>) => string
    n: (value: number, options: Intl.NumberFormatOptions) => string
  }
  return gateWords(lesson, { ...lesson.parts[PART]!, gate }, t, n)
}

it('are the designer’s own, where there are any', () => {
  expect(said({ if: 'score', atLeast: 0.5 } as Condition, 'Come back on Friday')).toBe(
    'Come back on Friday',
  )
})
it.each<[what: string, condition: object, says: string[]]>([
  ['a share of the marks', { if: 'score', atLeast: 0.755 }, ['76%']],
  [
    'a share of a film',
    { if: 'watched', partId: PART, atLeast: 0.9 },
    ['90%', lesson.parts[PART]!.title],
  ],
  ['another part', { if: 'visited', partId: PART }, [lesson.parts[PART]!.title]],
  ['an answer', { if: 'answer', cueId: 'ask', is: 'right' }, ['']],
])('name %s', (_what, condition, says) => {
  const words = said(condition as Condition)
  expect(words.length).toBeGreaterThan(5)
  expect(words).not.toMatch(/[{}]|player\.part/)
  for (const one of says) expect(words).toContain(one)
})
it('say that nothing opens it, where it hangs on a question that is gone', () => {
  const never = said({ if: 'answer', cueId: null, is: 'right' } as Condition)
  expect(never).toBe(said({ if: 'answer', cueId: 'gone', is: 'wrong' } as Condition))
  expect(never).not.toBe(said({ if: 'answer', cueId: 'ask', is: 'right' } as Condition))
})
it('are none where there is no gate', () => {
  expect(gateWords(lesson, { ...lesson.parts[PART]!, gate: undefined }, String, String)).toBe('')
})
