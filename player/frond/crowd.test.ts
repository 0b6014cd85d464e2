// @vitest-environment node
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { crowdPaths, cueAt, cuesIn, MOST_TOLD_APART, partCrowd } from './crowd.ts'
import type { FrondCue } from './model.ts'

const places = { x: (ms: number) => ms / 10, laneY: () => 60, stemY: 40 }
const KINDS = ['overlay', 'question', 'note', 'bookmark', 'fork', 'recap'] as const
const cue = (id: string, kind: FrondCue['kind'], fromMs: number, toMs = fromMs): FrondCue => ({
  id,
  kind,
  fromMs,
  toMs,
  label: id,
})
const many = (count: number) =>
  Array.from({ length: count }, (_, at) => cue(`c${at}`, KINDS[at % KINDS.length]!, at * 10))
const ids = (cues: readonly FrondCue[]) => cues.map(({ id }) => id)

describe('a crowd of cues', () => {
  it('begins where cues can no longer be told apart', () => {
    expect(partCrowd(many(MOST_TOLD_APART), new Set()).crowd).toEqual([])
    expect(partCrowd(many(MOST_TOLD_APART + 1), new Set()).crowd.length).toBeGreaterThan(0)
  })

  it('loses nobody: each cue is drawn for itself or in the crowd, never both', () => {
    fc.assert(
      fc.property(fc.nat(600), fc.array(fc.nat(599)), (count, chosen) => {
        const cues = many(count)
        const { told, crowd } = partCrowd(cues, new Set(chosen.map((at) => `c${at}`)))
        expect([...ids(told), ...ids(crowd)].sort()).toEqual(ids(cues).sort())
        expect(Object.keys(crowdPaths(crowd, places)).sort()).toEqual(
          [...new Set(crowd.map(({ kind }) => kind))].sort(),
        )
      }),
    )
  })

  it('lets selected cues, forks and recaps stand out', () => {
    const { told } = partCrowd(many(300), new Set(['c3']))
    expect(ids(told)).toContain('c3')
    expect(ids(told)).toEqual(expect.arrayContaining(['c4', 'c5']))
    expect(ids(told)).not.toContain('c0')
  })

  it('draws what falls on the same pixels once', () => {
    const cues = [cue('a', 'note', 100), cue('b', 'note', 102), cue('c', 'note', 400)]
    expect(crowdPaths(cues, places).note?.match(/M/g)).toHaveLength(2)
  })
})

describe('pointing at a crowd', () => {
  const cues = [
    cue('leaf', 'question', 1000),
    cue('blade', 'overlay', 900, 1400),
    cue('near', 'note', 1030),
  ]

  it('finds the one that begins nearest, on its own height', () => {
    expect(cueAt({ x: 101, y: 20 }, cues, places)?.id).toBe('leaf')
    expect(cueAt({ x: 103, y: 20 }, cues, places)?.id).toBe('near')
    expect(cueAt({ x: 130, y: 60 }, cues, places)?.id).toBe('blade')
  })

  it('finds none beside them', () => {
    expect(cueAt({ x: 160, y: 20 }, cues, places)).toBeNull()
    expect(cueAt({ x: 101, y: 90 }, cues, places)).toBeNull()
  })

  it('catches with a rectangle whatever it touches', () => {
    expect(cuesIn({ left: 90, right: 101, top: 0, bottom: 100 }, cues, places)).toEqual([
      'leaf',
      'blade',
    ])
    expect(cuesIn({ left: 90, right: 101, top: 50, bottom: 100 }, cues, places)).toEqual(['blade'])
  })
})
