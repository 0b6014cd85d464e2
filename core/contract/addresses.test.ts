import { expect, it } from 'vitest'
import { ADDRESSES, contract } from './index.ts'

it('every route stands at the address of its own name, and every address is a route’s', () => {
  const described = Object.entries(contract).map(([name, { method, path }]) => [
    name,
    [method, path],
  ])
  expect(Object.fromEntries(described)).toEqual(ADDRESSES)
})

it('no two routes stand at one address', () => {
  const shapes = Object.values(ADDRESSES).map(
    ([method, path]) => `${method} ${path.replace(/:\w+/g, ':')}`,
  )
  expect(shapes.filter((one, at) => shapes.indexOf(one) !== at)).toEqual([])
})
