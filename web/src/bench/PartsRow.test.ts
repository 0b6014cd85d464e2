// @vitest-environment happy-dom
// The parts of a lesson in a row: which can be added, and which is open once one was added, copied, moved or taken out.
import { describe, expect, it } from 'vitest'
import { nextTick, type Ref } from 'vue'
import { PART_KINDS, partsInOrder, runEdit, type Edit, type Lesson } from '@fernbrake/core/lesson'
import { PART } from '@fernbrake/core/testing'
import { benchFor, mounted } from '../testing/mounted.ts'
import type { Draft } from './useDraft.ts'
import PartsRow from './PartsRow.vue'

interface Entry {
  label: string
  disabled?: boolean
  command: () => void
}

/** The row of a lesson with one film, on which edits are carried out. */
function row(role: Draft['role'] = 'editor') {
  const { bench, inside } = benchFor(role)
  const document = bench.draft.lesson as Ref<Lesson>
  const made: string[] = []
  bench.draft.make = (<A>(edit: Edit<A>, args: A) => {
    made.push(edit.name)
    const outcome = runEdit(document.value, edit, args)
    if (outcome.ok) document.value = outcome.lesson
    return outcome.ok
  }) as Draft['make']
  const { wrapper } = mounted(PartsRow, {}, inside)
  const entries = (at: number) =>
    (wrapper.findAllComponents({ name: 'Menu' })[at]?.props('model') ?? []) as Entry[]
  const press = async (at: number, entry: number) => {
    entries(at)[entry]!.command()
    await nextTick()
  }
  return {
    wrapper,
    bench,
    made,
    add: (entry: number) => press(0, entry),
    act: (entry: number) => press(1, entry),
    offered: () => entries(0),
    acts: () => entries(1),
    kinds: () => partsInOrder(document.value).map(({ kind }) => kind),
    titles: () => wrapper.findAll('.title').map((one) => one.text()),
    openId: () => bench.places.openPart.value?.id,
  }
}
const [EARLIER, LATER, COPY, HIDE, REMOVE] = [0, 1, 2, 3, 4]

describe('a part of each kind', () => {
  it.each(PART_KINDS.map((kind, at) => [kind, at] as const))('%s', async (kind, at) => {
    const { add, kinds, openId, offered } = row()
    expect(offered()).toHaveLength(PART_KINDS.length)
    await add(at)
    expect(kinds()).toEqual(['film', kind])
    expect(openId()).not.toBe(PART)
  })

  it.each([
    ['film', 'addFilmPart'],
    ['quiz', 'addQuizPart'],
    ['deck', 'addPart'],
  ] as const)('%s is undone by its name', async (kind, name) => {
    const { add, made } = row()
    await add(PART_KINDS.indexOf(kind))
    expect(made).toEqual([name])
  })

  it('has a name of its own, by how many there are', async () => {
    const { add, titles } = row()
    const page = PART_KINDS.indexOf('page')
    await add(page)
    await add(page)
    const [, first, second] = titles()
    expect(first).not.toBe(second)
    expect(second).toContain('2')
  })
})

describe('the part that is open', () => {
  it('moves one place, and no further than the ends', async () => {
    const { add, act, acts, kinds } = row()
    await add(PART_KINDS.indexOf('quiz'))
    expect([acts()[EARLIER]!.disabled, acts()[LATER]!.disabled]).toEqual([false, true])
    await act(EARLIER)
    expect(kinds()).toEqual(['quiz', 'film'])
    expect([acts()[EARLIER]!.disabled, acts()[LATER]!.disabled]).toEqual([true, false])
  })

  it('is copied behind itself, and the copy is open', async () => {
    const { act, titles, openId } = row()
    await act(COPY)
    expect(titles()).toHaveLength(2)
    expect(titles()[1]).toContain(titles()[0])
    expect(openId()).not.toBe(PART)
  })

  it('is kept from learners, says so, and is given back', async () => {
    const { act, wrapper, acts } = row()
    const before = acts()[HIDE]!.label
    await act(HIDE)
    expect(wrapper.find('li').classes()).toContain('hidden')
    expect(acts()[HIDE]!.label).not.toBe(before)
    await act(HIDE)
    expect(wrapper.find('li').classes()).not.toContain('hidden')
  })

  it('makes way, where it is taken out, for what comes after it, or what came before', async () => {
    const { add, act, bench, kinds, openId } = row()
    await add(PART_KINDS.indexOf('page'))
    const pageId = openId()
    bench.places.goToPart(PART)
    await act(REMOVE)
    expect([kinds(), openId()]).toEqual([['page'], pageId])
  })
})

it('whoever only looks can go from part to part, and change none', () => {
  const { wrapper, offered, acts } = row('viewer')
  expect([offered(), acts()]).toEqual([[], []])
  expect(wrapper.findAll('button')).toHaveLength(1)
  expect(wrapper.find('li').attributes('draggable')).toBe('false')
})
