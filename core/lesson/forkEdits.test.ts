import { expect, it } from 'vitest'
import { edited, lessonWithFilm, PART } from '../testing/index.ts'
import { edits, type ForkCue } from './index.ts'

const waysOf = (atMs: number, backMs?: number) => {
  const args = { cueId: 'f', partId: PART, atMs, choiceIds: ['a', 'b'] as [string, string] }
  const given = backMs === undefined ? args : { ...args, backMs }
  const fork = edited(lessonWithFilm(), edits.addFork, given).cues.f as ForkCue
  return [fork.choices.a!.target, fork.choices.b!.target]
}

it('the second way of a new fork leads back, where there is something to go back to', () => {
  expect(waysOf(30_000, 20_000)).toEqual([{ to: 'on' }, { to: 'time', atMs: 20_000 }])
  // At the very beginning it would lead to its own time, and so nowhere.
  expect(waysOf(0, 0)).toEqual([{ to: 'on' }, { to: 'on' }])
  expect(waysOf(30_000)).toEqual([{ to: 'on' }, { to: 'on' }])
})
