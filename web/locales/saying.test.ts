// Our texts are said as vue-i18n itself would say them.
import { expect, it, vi } from 'vitest'
import { compile } from '@intlify/core-base'
import { createI18n } from 'vue-i18n'
import { compileMessage, inMadeUp, pluralRule } from '@fernbrake/core/words'
import texts from './enWithPlayer.ts'

// It says of every compiler that is not its own that this may change.
vi.spyOn(console, 'warn').mockImplementation(() => undefined)

const NAMES = [
  'name',
  'n',
  'count',
  'title',
  'when',
  'number',
  'from',
  'to',
  'of',
  'at',
  'all',
  'max',
  'points',
]
const values = { ...Object.fromEntries(NAMES.map((name, at) => [name, `${name}-${at}`])) }

function keysIn(node: object, path = ''): string[] {
  return Object.entries(node).flatMap(([key, value]) =>
    typeof value === 'string' ? [path + key] : keysIn(value as object, `${path}${key}.`),
  )
}
const speaker = (messages: object, own: boolean) =>
  createI18n({
    legacy: false,
    locale: 'en',
    messages: { en: messages } as never,
    pluralRules: { en: pluralRule('en') },
    messageCompiler: (own ? compileMessage : compile) as never,
  }).global as unknown as { t(key: string, ...given: unknown[]): string }

it.each([
  ['English', texts],
  ['the made-up language', inMadeUp(texts)],
])('in %s', (_, messages) => {
  const [ours, theirs] = [speaker(messages, true), speaker(messages, false)]
  const keys = keysIn(messages)
  expect(keys.length).toBeGreaterThan(2500)
  for (const key of keys) {
    expect(ours.t(key, values)).toBe(theirs.t(key, values))
    for (const n of [0, 1, 2, 7])
      expect(ours.t(key, { ...values, n }, n)).toBe(theirs.t(key, { ...values, n }, n))
  }
})

it.each([
  ["a {'|'} b | {n} c", { n: 4 }, 4],
  ["{'{'}name{'}'}", {}, 1],
  ['{0} of {1}', ['x', 'y'], undefined],
  ['none | one | {n} of them', { n: 1234 }, 0],
  ['  spaces stay  ', {}, undefined],
  ['a|b', {}, 2],
])('%s', (message, given, n) => {
  // A copy each time: it writes the number into what it is given.
  const say = (own: boolean) =>
    speaker({ key: message }, own).t('key', structuredClone(given), ...(n === undefined ? [] : [n]))
  expect(say(true)).toBe(say(false))
})

it('a brace that opens nothing is told', () => {
  expect(() => compileMessage('a { b')).toThrow('opens nothing')
})
