import { describe, expect, it } from 'vitest'
import { edited, fullLesson, PART } from '../testing/index.ts'
import { amendEdit, emptyUndo, recordEdit, undoOf } from '../drafts/index.ts'
import { checkLesson, edits, runEdit, type Lesson } from './index.ts'

const { undo, redo } = undoOf<Lesson>(checkLesson)

describe('undo and redo', () => {
  it('take nothing from somebody who has changed the same place since', () => {
    const before = fullLesson()
    const words = (text: string) => ({ field: 'title' as const, text })
    const change = (lesson: Lesson, text: string) => {
      const outcome = runEdit(lesson, edits.setLessonText, words(text))
      if (!outcome.ok) throw new Error('not made')
      return outcome
    }
    const mine = change(before, 'Mine')
    const theirs = change(mine.lesson, 'Theirs')
    const state = recordEdit(emptyUndo, mine.made)
    expect(undo(state, theirs.lesson)).toMatchObject({ ok: false, name: 'setLessonText' })
    const back = undo(state, mine.lesson)
    if (!back?.ok) throw new Error('not undone')
    const meanwhile = change(back.document, 'Theirs')
    expect(redo(back.state, meanwhile.lesson)).toMatchObject({ ok: false })
    expect(redo(back.state, back.document)).toMatchObject({ ok: true, document: { title: 'Mine' } })
  })

  const first = runEdit(fullLesson(), edits.setLessonText, { field: 'title', text: 'First' })
  if (!first.ok) throw new Error('not made')

  it('goes back and forth', () => {
    const state = recordEdit(emptyUndo, first.made)
    const back = undo(state, first.lesson)
    if (!back?.ok) throw new Error('not undone')
    expect(back.document).toEqual(fullLesson())
    const forth = redo(back.state, back.document)
    expect(forth?.ok && forth.document).toEqual(first.lesson)
  })

  it('what follows by itself from an edit is undone and done again with it', () => {
    const film = (mediaId: string, durationMs: number | null) => ({
      partId: PART,
      mediaId,
      durationMs,
      frameRate: null,
    })
    const chosen = runEdit(fullLesson(), edits.attachFilm, film('other', null))
    if (!chosen.ok) throw new Error('not made')
    const titled = runEdit(chosen.lesson, edits.setLanguage, { language: 'de' })
    if (!titled.ok) throw new Error('not made')
    const measured = runEdit(titled.lesson, edits.attachFilm, film('other', 9000))
    if (!measured.ok) throw new Error('not made')
    const two = recordEdit(recordEdit(emptyUndo, chosen.made), titled.made)
    const state = amendEdit(two, measured.made)
    expect(state.past).toHaveLength(2)
    const once = undo(state, measured.lesson)
    if (!once?.ok) throw new Error('not undone')
    const back = undo(once.state, once.document)
    expect(back?.ok && back.document).toEqual(fullLesson())
    const again = back?.ok && redo(back.state, back.document)
    expect(again && again.ok && again.document.parts[PART]).toMatchObject({
      mediaId: 'other',
      durationMs: 9000,
    })
    expect(amendEdit(emptyUndo, measured.made)).toBe(emptyUndo)
  })

  it('letters typed in a row are one step', () => {
    const second = runEdit(first.lesson, edits.setLessonText, { field: 'title', text: 'First!' })
    if (!second.ok) throw new Error('not made')
    const state = recordEdit(recordEdit(emptyUndo, first.made), second.made, true)
    expect(state.past).toHaveLength(1)
    const back = undo(state, second.lesson)
    expect(back?.ok && back.document.title).toBe('A lesson')
  })

  it('gives up a step that somebody else has made impossible, and says which', () => {
    const moved = runEdit(fullLesson(), edits.setOverlayText, { cueId: 'o', text: 'mine' })
    if (!moved.ok) throw new Error('not made')
    const withoutIt = edited(moved.lesson, edits.removeCues, { cueIds: ['o'] })
    const outcome = undo(recordEdit(emptyUndo, moved.made), withoutIt)
    expect(outcome).toMatchObject({ ok: false, name: 'setOverlayText', state: { past: [] } })
  })

  it('has nothing to do at the beginning', () => {
    expect(undo(emptyUndo, fullLesson())).toBeNull()
    expect(redo(emptyUndo, fullLesson())).toBeNull()
  })
})
