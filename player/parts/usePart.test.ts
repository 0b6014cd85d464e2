// @vitest-environment happy-dom
// A part that does not play: what is told of somebody in it, and when they are done.
import { mount } from '@vue/test-utils'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { DECK, fullLesson, PAGE, STILL, withThings } from '@fernbrake/core/testing'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { createPlayerI18n } from '../i18n.ts'
import { usePart, type PartSitting } from './usePart.ts'

const lesson = withThings(fullLesson())
let i18n: Awaited<ReturnType<typeof createPlayerI18n>>
beforeAll(async () => (i18n = await createPlayerI18n('en')))
const EMPTY = {
  responses: [],
  finishedParts: [],
  seen: {},
  released: [],
  covered: {},
  ownNotes: [],
  partId: null,
  atMs: 0,
}

function sitting(partId: string, progress: object = {}) {
  let made = 0
  const record = vi.fn()
  const flush = vi.fn(() => Promise.resolve())
  const host = {
    newId: () => `n${(made += 1)}`,
    record,
    flush,
    onTold: () => () => undefined,
    onLeave: () => () => undefined,
  } as unknown as Host
  const opened = {
    lesson,
    progress: { ...EMPTY, ...progress },
    learnerName: 'Tam Oakshott',
    seed: 'seed',
    media: [],
    staged: {},
    assignment: null,
  } as unknown as OpenedLesson
  let part!: PartSitting
  const page = {
    setup() {
      part = usePart(host, opened, lesson.parts[partId]!)
      return () => null
    },
  }
  mount(page, { global: { plugins: [i18n] } })
  const told = () => record.mock.calls.map(([one]) => one as { kind: string; thingId?: string })
  return { part, told, flush, kinds: () => told().map(({ kind }) => kind) }
}

describe('somebody who opens a part', () => {
  it('is told to be there', () => {
    expect(sitting(PAGE).kinds()).toEqual(['place'])
  })
  it('and sees a thing of it is told once, however often they look', () => {
    const { part, told } = sitting(STILL)
    part.see('pin')
    part.see('pin')
    expect(told().filter(({ kind }) => kind === 'seen')).toMatchObject([{ thingId: 'pin' }])
  })
  it('and had seen it before is not told to see it again', () => {
    const { part, kinds } = sitting(STILL, { seen: { [STILL]: [STILL, 'pin'] } })
    part.see('pin')
    expect(kinds()).toEqual(['place'])
    expect([...part.seen]).toEqual(['pin'])
  })
})

describe('somebody is done', () => {
  it('with a page as soon as they say so, once, and it is sent at once', () => {
    const { part, kinds, flush } = sitting(PAGE)
    part.finish()
    part.finish()
    expect(kinds()).toEqual(['place', 'finish', 'place'])
    expect(part.done.value).toBe(true)
    expect(flush).toHaveBeenCalledTimes(1)
  })
  it('with a deck only once they saw every picture of it', () => {
    const { part, kinds } = sitting(DECK)
    part.finish()
    expect(kinds()).not.toContain('finish')
    for (const id of ['slide-1', 'slide-2']) {
      expect(part.toSee.value.left).toBeGreaterThan(0)
      part.see(id)
    }
    expect(part.toSee.value).toEqual({ all: 2, left: 0 })
    part.finish()
    expect(kinds()).toContain('finish')
  })
  it('with a still whether or not they pressed its pins', () => {
    const { part, kinds } = sitting(STILL)
    part.finish()
    expect(kinds()).toContain('finish')
  })
  it('already, where they were before', () => {
    const { part, kinds } = sitting(PAGE, { finishedParts: [PAGE] })
    expect(part.done.value).toBe(true)
    part.finish()
    expect(kinds()).toEqual(['place'])
  })
  it('and leaves its questions behind: where they go on, none of them holds', () => {
    const { part, told } = sitting(PAGE)
    part.finish()
    const asked = part.asks.map(({ id }) => id)
    expect(asked.length).toBeGreaterThan(0)
    expect(told().at(-1)).toMatchObject({ kind: 'place', released: asked })
  })
})
