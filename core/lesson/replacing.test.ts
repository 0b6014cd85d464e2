import { describe, expect, it } from 'vitest'
import { edited, fullLesson, PART } from '../testing/index.ts'
import { beyondEndOf, edits, partOfKind } from './index.ts'

const full = fullLesson()
const film = partOfKind(full, PART, 'film')!
const NOTHING = { cues: 0, cutShort: 0, lines: 0, stretches: 0, firstMs: null }

describe('what would lie beyond the end of another film', () => {
  it('is nothing where the other is as long, or where another film is meant', () => {
    expect(beyondEndOf(full, film.mediaId!, Infinity)).toEqual(NOTHING)
    expect(beyondEndOf(full, 'another', 0)).toEqual(NOTHING)
  })

  it('counts cues after the end, and those that last beyond it', () => {
    const overlay = { cueId: 'over', partId: PART, fromMs: 20_000, text: 'x' }
    const timed = edited(edited(full, edits.addOverlay, overlay), edits.addBookmark, {
      cueId: 'mark',
      partId: PART,
      atMs: 40_000,
      title: 'Late',
    })
    const found = beyondEndOf(timed, film.mediaId!, 20_500)
    const before = beyondEndOf(full, film.mediaId!, 20_500)
    expect(found.cues - before.cues).toBe(1)
    expect(found.cutShort - before.cutShort).toBe(1)
    // At the very end, a moment can still be reached.
    expect(beyondEndOf(timed, film.mediaId!, 40_000).cues).toBe(
      beyondEndOf(full, film.mediaId!, 40_000).cues,
    )
  })

  it('counts lines of the script, evidence, and stretches in texts, and tells the first of all', () => {
    const stretch = { block: 'stretch', partId: PART, fromMs: 50_000, toMs: 61_000 } as const
    const texts = edited(full, edits.setMaterial, {
      materialId: 'passage',
      change: { text: { blocks: [stretch] } as never },
    })
    const shown = edited(texts, edits.setEvidence, {
      questionId: 'q-a',
      evidence: { partId: PART, fromMs: 45_000, toMs: 62_000 },
    })
    const found = beyondEndOf(shown, film.mediaId!, 60_000)
    expect(found).toMatchObject({ stretches: 2, firstMs: 45_000 })
    expect(beyondEndOf(shown, film.mediaId!, 62_000).stretches).toBe(0)
    const lines = Object.values(full.scripts).flatMap((script) => Object.values(script.lines))
    expect(beyondEndOf(full, film.mediaId!, 0).lines).toBe(lines.length)
    expect(lines.length).toBeGreaterThan(0)
  })
})
