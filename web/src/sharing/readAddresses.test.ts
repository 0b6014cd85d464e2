import { expect, test } from 'vitest'
import { readAddresses } from './readAddresses.ts'

test('addresses are found however a list was pasted, each once', () => {
  const pasted =
    'Perrin Askew <perrin@harrowmere.example>; WREN@harrowmere.example\n\n"Odile H." <o.h@harrowmere.example>, wren@harrowmere.example'
  expect(readAddresses(pasted)).toEqual({
    addresses: ['perrin@harrowmere.example', 'wren@harrowmere.example', 'o.h@harrowmere.example'],
    others: [],
  })
})

test('what is no address is told, and not lost', () => {
  expect(readAddresses('Perrin Askew\nwren@harrowmere.example\nodile@nowhere')).toEqual({
    addresses: ['wren@harrowmere.example'],
    others: ['Perrin Askew', 'odile@nowhere'],
  })
  expect(readAddresses(' \n, ;')).toEqual({ addresses: [], others: [] })
})
