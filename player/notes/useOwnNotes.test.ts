// @vitest-environment happy-dom
// What a learner writes for themselves: kept at once, also what was still being typed when the page went away.
import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { h } from 'vue'
import { LONGEST_NOTE, LONGEST_QUOTE, type NotePlace, type OwnNote } from '@fernbrake/core/notes'
import { fullLesson, PAGE, PART, withThings } from '@fernbrake/core/testing'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { provideOwnNotes, useOwnNotes, type OwnNotes } from './useOwnNotes.ts'

const lesson = withThings(fullLesson())
beforeEach(() => localStorage.clear())

const MOMENT: NotePlace = { on: 'moment', atMs: 4000 }
const note = (id: string, more: Partial<OwnNote> = {}): OwnNote => ({
  id,
  partId: PART,
  place: MOMENT,
  words: 'Kept',
  at: '2026-03-02T10:00:00.000Z',
  ...more,
})

/** A learner's page with these notes in what is kept of them. */
function sitting(ownNotes: OwnNote[] = [], more: Partial<OpenedLesson> = {}) {
  let made = 0
  const record = vi.fn()
  const host = { newId: () => `n${(made += 1)}`, record } as unknown as Host
  let own!: OwnNotes
  const inside = {
    setup() {
      own = useOwnNotes()
      return () => null
    },
  }
  mount({
    setup() {
      const { takeUp } = provideOwnNotes(host, () => lesson)
      takeUp({ progress: { ownNotes }, seed: 'seed', ...more } as unknown as OpenedLesson)
      return () => h(inside)
    },
  })
  const last = () => record.mock.calls.at(-1)?.[0] as Record<string, unknown>
  return { own, record, last }
}

describe('a note', () => {
  it('is told as soon as it is begun, and again with each other wording', () => {
    const { own, record, last } = sitting()
    const id = own.begin(PART, MOMENT)
    expect(last()).toMatchObject({ kind: 'ownNote', noteId: id, words: '', isGone: false })
    own.write(id, 'Why here?')
    own.write(id, 'Why here?')
    expect(record).toHaveBeenCalledTimes(2)
    expect(own.of(PART)).toMatchObject([{ id, words: 'Why here?' }])
  })

  it('is cut where it is longer than one may be, and so are the words it is about', () => {
    const { own, last } = sitting()
    const quote = 'w'.repeat(LONGEST_QUOTE + 50)
    const id = own.begin(PAGE, { on: 'words', blockId: 'text', from: 0, to: 9, quote })
    expect((last().place as { quote: string }).quote.length).toBeLessThanOrEqual(LONGEST_QUOTE)
    own.write(id, 'x'.repeat(LONGEST_NOTE + 50))
    expect((last().words as string).length).toBeLessThanOrEqual(LONGEST_NOTE)
  })

  it('that is removed is told as gone, and can be put back as it was', () => {
    const { own, last } = sitting([note('old')])
    const [before] = own.of(PART)
    own.remove('old')
    expect(last()).toMatchObject({ noteId: 'old', isGone: true })
    expect(own.all.value).toEqual([])
    own.putBack(before!)
    expect(last()).toMatchObject({ noteId: 'old', words: 'Kept', isGone: false })
    expect(own.of(PART)).toHaveLength(1)
  })

  it('that nobody knows is neither written nor removed', () => {
    const { own, record } = sitting()
    own.write('nobody', 'Words')
    own.remove('nobody')
    own.typing('nobody', 'Words')
    expect(record).not.toHaveBeenCalled()
    expect(localStorage.length).toBe(0)
  })
})

describe('what was being typed', () => {
  it('when the page went away is there when it comes back, and is told', () => {
    sitting([note('old')]).own.typing('old', 'Half a thou')
    const { own, last } = sitting([note('old')])
    expect(own.of(PART)).toMatchObject([{ id: 'old', words: 'Half a thou' }])
    expect(last()).toMatchObject({ noteId: 'old', words: 'Half a thou' })
    // Once: what is told lies with the server.
    expect(sitting([note('old')]).record).not.toHaveBeenCalled()
  })

  it('is older than what another device wrote since, and then gives way to it', () => {
    sitting([note('old')]).own.typing('old', 'Half a thou')
    const newer = note('old', { words: 'From the phone', at: '2999-01-01T00:00:00.000Z' })
    const { own, record } = sitting([newer])
    expect(own.of(PART)).toMatchObject([{ words: 'From the phone' }])
    expect(record).not.toHaveBeenCalled()
  })

  it('is gone with a note that was removed', () => {
    const { own } = sitting([note('old')])
    own.typing('old', 'Half')
    own.remove('old')
    expect(sitting([]).own.all.value).toEqual([])
  })

  it('of a part that is no longer there, or that is no note at all, is let go of', () => {
    sitting([note('old', { partId: 'gone' })]).own.typing('old', 'Half')
    expect(sitting([]).record).not.toHaveBeenCalled()
    localStorage.setItem('fernbrake-note seed', '{"id":4}')
    expect(sitting([]).record).not.toHaveBeenCalled()
    localStorage.setItem('fernbrake-note seed', 'not json')
    expect(sitting([]).record).not.toHaveBeenCalled()
  })

  it('stays nowhere on a device that keeps nothing', () => {
    sitting([note('old')], { keepsDrafts: false }).own.typing('old', 'Half')
    expect(localStorage.length).toBe(0)
  })
})

it('all of them become one text, under the names of their parts', () => {
  const { own } = sitting([
    note('a', { words: 'First' }),
    note('b', { partId: PAGE, place: { on: 'part' }, words: 'Second' }),
  ])
  const text = own.asText()
  expect(text).toContain(lesson.parts[PART]!.title)
  expect(text.indexOf('First')).toBeGreaterThan(-1)
  expect(text).toContain('Second')
})
