import { expect, it } from 'vitest'
import { creditsFor } from './index.ts'

const medium = (id: string, title: string, credit = '', licence = '', source = '') => ({
  id,
  title,
  credit,
  licence,
  source,
})

it('names each that has something to say, in the order of the lesson, and once', () => {
  const media = [
    medium('a', 'Bell', 'Odile', 'CC BY 4.0'),
    medium('b', 'Sketch'),
    medium('c', 'Gate', '', 'CC0 1.0', 'https://room.example/gate'),
    medium('d', 'Gate', '', 'CC0 1.0', 'https://room.example/gate'),
    medium('e', 'Rain', ' ', '  '),
    medium('f', 'Only where from', '', '', 'https://room.example/f'),
  ]
  expect(
    creditsFor(['c', 'gone', 'a', 'd', 'b', 'e', 'f'], media).map(({ title }) => title),
  ).toEqual(['Gate', 'Bell', 'Only where from'])
  expect(creditsFor(['a'], media)).toEqual([
    { title: 'Bell', credit: 'Odile', licence: 'CC BY 4.0', source: '' },
  ])
  expect(creditsFor([], media)).toEqual([])
})
