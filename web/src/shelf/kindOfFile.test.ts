import { expect, it } from 'vitest'
import { kindOfFile } from './kindOfFile.ts'

it.each([
  ['video/mp4', 'a', 'film'],
  ['', 'Lock.MKV', 'film'],
  ['audio/mpeg', 'x.mp4', 'sound'],
  ['', 'bell.opus', 'sound'],
  ['image/png', '', 'picture'],
  ['', 'gate.JPEG', 'picture'],
  ['application/pdf', 'plan.pdf', 'document'],
  ['', 'png', 'document'],
  ['', '', 'document'],
] as const)('“%s” named “%s” is a %s', (type, name, kind) => {
  expect(kindOfFile({ type, name })).toBe(kind)
})
