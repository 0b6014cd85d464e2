import { describe, expect, it } from 'vitest'
import { DEEPEST, findBadKey } from './index.ts'

const nested = (depth: number): unknown =>
  Array.from({ length: depth }).reduce<unknown>((inner) => ({ in: inner }), 1)

describe('keys that no map may have', () => {
  it.each(['__proto__', 'constructor', 'prototype'])('%s is found at any depth', (key) => {
    const value: unknown = JSON.parse(`{"a":[1,{"b":{"${key}":{"c":1}}}]}`)
    expect(findBadKey(value)).toEqual(['a', 1, 'b', key])
    expect(findBadKey(JSON.parse(`{"${key}":1}`))).toEqual([key])
  })

  it('are not found where they are only said', () => {
    expect(findBadKey({ title: '__proto__', list: ['constructor'] })).toBeNull()
    expect([findBadKey(null), findBadKey('x'), findBadKey([])]).toEqual([null, null, null])
  })
})

it('what is nested too deeply is told, and exhausts nothing', () => {
  expect(findBadKey(nested(DEEPEST - 1))).toBeNull()
  expect(findBadKey(nested(DEEPEST + 5))).toHaveLength(DEEPEST)
  expect(findBadKey(JSON.parse('['.repeat(5000) + ']'.repeat(5000)))).toHaveLength(DEEPEST)
})
