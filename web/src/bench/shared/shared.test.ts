// What the parts of the bench share: where somebody is in a lesson, what is selected, and what comes of it.
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import {
  cuesInOrder,
  edits,
  runEdit,
  type Edit,
  type Lesson,
  type OverlayCue,
} from '@fernbrake/core/lesson'
import { CHRONICLE, edited, fullLesson, PART, STILL, withThings } from '@fernbrake/core/testing'
import type { Draft } from '../useDraft.ts'
import { createCueActs } from './cueActs.ts'
import { createPlaces } from './places.ts'
import { createPlayhead } from './playhead.ts'
import { createReading } from './reading.ts'
import { createRights } from './rights.ts'
import { createSelection } from './selection.ts'

const withQuiz = (lesson: Lesson) => {
  const quiz = edited(lesson, edits.addQuizPart, { id: 'quiz', title: 'Quiz', sectionId: 's' })
  const place = { partId: 'quiz', sectionId: 's', itemId: 'item', questionId: 'q-quiz' }
  return edited(quiz, edits.askInQuiz, { ...place, kind: 'choice', ids: ['x', 'y'] })
}

/** A bench without a screen: what is made on it is made. */
function bench(
  role: Draft['role'] = 'editor',
  lesson: Lesson = withQuiz(withThings(fullLesson())),
) {
  const document = ref(lesson)
  const made: string[] = []
  const draft = {
    role,
    lesson: document,
    make<A>(edit: Edit<A>, args: A) {
      const outcome = runEdit(document.value, edit, args)
      if (!outcome.ok) return false
      made.push(edit.name)
      document.value = outcome.lesson
      return true
    },
  } as unknown as Draft
  const left = vi.fn()
  const rights = createRights(draft)
  const playhead = createPlayhead(() => places.part.value)
  const places = createPlaces(document, left)
  const reading = createReading(document, places, playhead)
  const selection = createSelection(document, places, playhead)
  const around = { draft, places, playhead, reading, selection, rights }
  const acts = createCueActs(around, { bookmark: () => 'A bookmark', overlay: () => 'Words' })
  places.goToPart(PART)
  const cues = () => cuesInOrder(document.value, PART)
  return { ...around, acts, document, made, left, cues }
}

describe('where somebody is', () => {
  it('begins with the first part, and is told before it is left', () => {
    const { places, left } = bench()
    left.mockClear()
    places.goToPart(PART)
    expect(left).not.toHaveBeenCalled()
    places.goToPart(STILL)
    expect(left).toHaveBeenCalledTimes(1)
    expect([places.part.value, places.openPart.value?.id]).toEqual([null, STILL])
  })

  it('falls back to the first part where the one that was open is gone', () => {
    const { places, draft, document } = bench()
    places.goToPart(STILL)
    draft.make(edits.removePart, { partId: STILL })
    expect(document.value.parts).not.toHaveProperty(STILL)
    expect(places.openPart.value).not.toBeNull()
  })

  it('shows a thing on the sheet of its own kind, a question of a quiz on that of the quiz', () => {
    const { places } = bench()
    places.goToPart(STILL)
    places.showThing('pin')
    expect([places.thingId.value, places.quizPlace.value]).toEqual(['pin', { kind: 'quiz' }])
    places.goToPart('quiz')
    expect(places.thingId.value).toBeNull()
    places.showThing('item')
    expect(places.quizPlace.value).toEqual({ kind: 'item', id: 'item' })
    places.showThing('s')
    expect(places.quizPlace.value).toEqual({ kind: 'section', id: 's' })
    places.showThing(null)
    expect(places.quizPlace.value).toEqual({ kind: 'quiz' })
  })

  it('never takes a dated item of a chronicle for a question of a quiz', () => {
    const { places, document } = bench()
    places.goToPart(CHRONICLE)
    const chronicle = document.value.parts[CHRONICLE]!
    const [id] = Object.keys('items' in chronicle ? chronicle.items : {})
    places.showThing(id!)
    expect([places.thingId.value, places.quizPlace.value.kind]).toEqual([id, 'quiz'])
  })
})

describe('what is selected', () => {
  it('goes from cue to cue, and stays at the ends', () => {
    const { selection, playhead, cues } = bench()
    const order = cues().map(({ id }) => id)
    expect(order.length).toBeGreaterThan(1)
    playhead.mediaMs.value = 0
    const visited: (string | null)[] = []
    for (let step = 0; step < order.length + 2; step += 1) {
      selection.toCue(1)
      visited.push(selection.selectedId.value)
    }
    expect(new Set(visited).size).toBeGreaterThan(1)
    expect(visited.at(-1)).toBe(visited.at(-2))
    for (let step = 0; step < order.length + 2; step += 1) selection.toCue(-1)
    expect(selection.selectedId.value).toBe(order[0])
  })

  it('may be several, of which the last is on the sheet; pressed again one is let go of', () => {
    const { selection, cues } = bench()
    const [first, second] = cues().map(({ id }) => id)
    selection.select(first!)
    selection.select(second!, false, true)
    expect([selection.selectedIds.value, selection.selectedId.value]).toEqual([
      [first, second],
      second,
    ])
    selection.select(second!, false, true)
    expect(selection.selectedIds.value).toEqual([first])
    selection.select(null)
    expect([selection.selected.value, selection.sheetOpen.value]).toEqual([null, false])
  })

  it('is never a cue that is gone', () => {
    const { selection, draft, cues } = bench()
    const [first] = cues()
    selection.select(first!.id)
    draft.make(edits.removeCues, { cueIds: [first!.id] })
    expect([selection.selected.value, selection.selectedCues.value]).toEqual([null, []])
  })
})

describe('what is done with cues', () => {
  it.each(['question', 'overlay', 'fork', 'note', 'bookmark'] as const)(
    'a %s is placed at the moment shown, and is on the sheet',
    (kind) => {
      const { acts, selection, playhead, cues } = bench()
      const before = cues().length
      playhead.mediaMs.value = 20_000
      acts.place(kind)
      expect(cues()).toHaveLength(before + 1)
      expect(selection.selected.value).toMatchObject({ kind })
      expect(selection.sheetOpen.value).toBe(true)
    },
  )

  it.each([
    ['viewer', []],
    ['commenter', ['addNote']],
    ['editor', ['addNote', 'addBookmark']],
  ] as const)('%s', (role, allowed) => {
    const { acts, made, selection, cues } = bench(role)
    acts.place('note')
    acts.place('bookmark')
    expect(made).toEqual(allowed)
    made.length = 0
    const other = cues().find(({ kind }) => kind !== 'note')!
    selection.select(other.id)
    acts.remove()
    acts.nudge(1)
    acts.setEdge('in')
    if (role === 'editor') expect(made).toContain('removeCues')
    else expect(made).toEqual([])
  })

  it('takes out what is selected, and selects nothing that is gone', () => {
    const { acts, selection, cues } = bench()
    const [first, second] = cues().map(({ id }) => id)
    selection.selectMany([first!, second!])
    acts.remove([first!])
    expect(cues().map(({ id }) => id)).not.toContain(first)
    expect(selection.selectedIds.value).toEqual([second])
  })

  it('copies several to the moment shown, with ids and questions of their own', () => {
    const { acts, selection, playhead, cues, document } = bench()
    const question = cues().find(({ kind }) => kind === 'question')!
    const questions = Object.keys(document.value.questions).length
    selection.select(question.id)
    playhead.mediaMs.value = 30_000
    acts.duplicate()
    expect(selection.selectedIds.value).toHaveLength(1)
    expect(selection.selectedIds.value[0]).not.toBe(question.id)
    expect(Object.keys(document.value.questions)).toHaveLength(questions + 1)
    expect(selection.selected.value).toMatchObject({ atMs: 30_000 })
  })

  it('moves by whole frames, and never out of the film', () => {
    const { acts, selection, playhead, cues } = bench()
    const cue = cues().find(({ kind }) => kind === 'question')!
    const at = () => (selection.selected.value as { atMs: number }).atMs
    selection.select(cue.id)
    const before = at()
    acts.nudge(5)
    expect(at()).toBe(before + 200)
    expect(playhead.mediaMs.value).toBe(at())
    for (let step = 0; step < 5; step += 1) acts.moveSelection(-100_000)
    expect(at()).toBeGreaterThanOrEqual(0)
  })

  it('sets the beginning and the end of an overlay to the moment shown; never the one behind the other', () => {
    const { acts, selection, playhead } = bench()
    playhead.mediaMs.value = 10_000
    acts.place('overlay', 10_000, { endMs: 14_000 })
    const span = () => {
      const { fromMs, toMs } = selection.selected.value as OverlayCue
      return [fromMs, toMs]
    }
    playhead.mediaMs.value = 12_000
    acts.setEdge('out')
    expect(span()).toEqual([10_000, 12_000])
    playhead.mediaMs.value = 9_000
    acts.setEdge('out')
    expect(span()).toEqual([10_000, 12_000])
    playhead.mediaMs.value = 20_000
    acts.setEdge('in')
    const [fromMs, toMs] = span()
    expect(fromMs).toBe(20_000)
    expect(toMs).toBeGreaterThan(fromMs!)
  })
})
