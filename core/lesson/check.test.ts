// A lesson that shares most of itself with one that was checked is checked as strictly as any other.
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { fullLesson } from '../testing/index.ts'
import { checkLesson, type Lesson } from './index.ts'

/** The same document as new JSON: nothing of it was ever checked. */
const anew = (lesson: Lesson) => JSON.parse(JSON.stringify(lesson)) as Lesson

type Spoil = (draft: Lesson & Record<string, never>) => void
const SPOILS: [string, Spoil][] = [
  ['a cue with an unknown key', (draft) => void Object.assign(draft.cues.o!, { colour: 'red' })],
  [
    'a box that leaves the stage',
    (draft) =>
      void Object.assign(draft.cues.o!, { box: { x: 0.9, y: 0, width: 0.5, height: 0.1 } }),
  ],
  ['a cue under another key', (draft) => void Object.assign(draft.cues, { other: draft.cues.b })],
  ['a cue that asks nothing', (draft) => void delete draft.questions['q-a']],
  ['a line that ends before it begins', (draft) => void (draft.scripts.s!.lines.l1!.toMs = 0)],
  [
    'a line under a forbidden key',
    (draft) => void Object.assign(draft.scripts.s!.lines, { 'a b': draft.scripts.s!.lines.l2 }),
  ],
  ['a line that is a number', (draft) => void Object.assign(draft.scripts.s!.lines, { l2: 7 })],
  ['a script of no language', (draft) => void (draft.scripts.s!.language = '!')],
  ['a map that is a list', (draft) => void Object.assign(draft, { cues: [] })],
  ['a part that is gone', (draft) => void delete draft.parts['part-1']],
  ['an unknown key at the top', (draft) => void Object.assign(draft, { more: 1 })],
  [
    'a way under another key',
    (draft) =>
      void Object.assign(draft.cues.f!, {
        choices: { x: { ...(draft.cues.f as { choices: Record<string, object> }).choices.f1 } },
      }),
  ],
]

describe.each(SPOILS)('%s', (_what, spoil) => {
  it('is found as in a lesson that nobody has seen', () => {
    const good = fullLesson()
    expect(checkLesson(good).ok).toBe(true)
    const spoiled = produce(good, spoil as (draft: Lesson) => void)
    const found = checkLesson(spoiled)
    expect(found.ok).toBe(false)
    expect(found).toEqual(checkLesson(anew(spoiled)))
    // Once refused it is not taken for good the second time.
    expect(checkLesson(spoiled)).toEqual(found)
  })
})

it('what could have been changed since is read again', () => {
  const open = anew(fullLesson())
  expect(checkLesson(open).ok).toBe(true)
  Object.assign(open.cues.o!, { colour: 'red' })
  expect(checkLesson(open).ok).toBe(false)
})
