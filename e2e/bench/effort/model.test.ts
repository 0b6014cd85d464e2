import { expect, it } from 'vitest'
import { noEffort, secondsOf } from './model.ts'

it('what hands and head do takes as long as the model says', () => {
  expect(secondsOf(noEffort())).toBe(0)
  // A choice, a way of the hand to the mouse, a way of the pointer, and a press.
  const press = { ...noEffort(), choices: 1, homings: 1, moves: 1, keys: 1 }
  expect(secondsOf(press)).toBeCloseTo(1.35 + 0.4 + 1.1 + 0.2)
  expect(secondsOf({ ...noEffort(), scrolls: 2, keys: 3 })).toBeCloseTo(2.8)
})
