import { describe, expect, it } from 'vitest'
import { edited, lessonWithFilm, PART, withQuestion } from '../testing/index.ts'
import {
  amendEdit,
  applyPatches,
  checkLesson,
  clipOf,
  cueStartMs,
  edits,
  emptyLesson,
  emptyUndo,
  endMessage,
  findWhatBlocksPublishing,
  noteEdit,
  readClip,
  redo,
  runEdit,
  undo,
  upgradeLesson,
  withoutNotes,
  type Edit,
  type Lesson,
} from './index.ts'

const PASTED = { a: 'a2', 'q-a': 'q-a2', o: 'o2' }

/** Every edit with arguments that change the lesson below. */
const CASES: [Edit<never>, unknown][] = [
  [edits.setLessonText, { field: 'title', text: 'Another' }],
  [edits.setLanguage, { language: 'de' }],
  [edits.addFilmPart, { id: 'part-2', title: 'More' }],
  [edits.renamePart, { partId: PART, title: 'Renamed' }],
  [edits.attachFilm, { partId: PART, mediaId: 'other', durationMs: 70_000, frameRate: '30' }],
  [edits.setSeekRule, { partId: PART, seekRule: 'none' }],
  [
    edits.importScript,
    { id: 's2', partId: PART, language: 'en', lines: [{ id: 'l', fromMs: 0, toMs: 9, text: 'x' }] },
  ],
  [
    edits.addQuestion,
    { cueId: 'n', questionId: 'nq', optionIds: ['x', 'y'], partId: PART, atMs: 9 },
  ],
  [edits.addOverlay, { cueId: 'n', partId: PART, fromMs: 9, text: 'x' }],
  [edits.addBookmark, { cueId: 'n', partId: PART, atMs: 9, title: 'x' }],
  [edits.moveCue, { cueId: 'o', toMs: 30_000 }],
  [edits.setOverlaySpan, { cueId: 'o', fromMs: 1, toMs: 2 }],
  [edits.setOverlayBox, { cueId: 'o', box: { x: 0.1, y: 0.1, width: 0.2, height: 0.2 } }],
  [edits.setOverlayText, { cueId: 'o', text: 'words' }],
  [edits.setOverlayLook, { cueId: 'o', look: { align: 'end' } }],
  [edits.setBookmarkTitle, { cueId: 'b', title: 'words' }],
  [edits.setHold, { cueId: 'a', hold: 'right' }],
  [edits.removeCues, { cueIds: ['a'] }],
  [edits.moveCues, { cueIds: ['a', 'o'], byMs: 400 }],
  [
    edits.pasteCues,
    { clip: clipOf(fullLesson(), ['a', 'o']), partId: PART, atMs: 77, newIds: PASTED },
  ],
  [edits.addNote, { cueId: 'n', partId: PART, atMs: 9 }],
  [edits.setNoteText, { cueId: 'note', text: 'words' }],
  [edits.setEnding, { message: 'Well done', pass: { share: 0.5, message: 'Passed' } }],
  [edits.setQuestionText, { questionId: 'q-a', field: 'hint', text: 'words' }],
  [edits.setFeedback, { questionId: 'q-a', outcome: 'wrong', text: 'words' }],
  [edits.setQuestionRules, { questionId: 'q-a', rules: { points: 3 } }],
  [edits.setSeveral, { questionId: 'q-a', several: true }],
  [edits.setEvidence, { questionId: 'q-a', evidence: { partId: PART, fromMs: 1, toMs: 2 } }],
  [edits.addOption, { questionId: 'q-a', optionId: 'third' }],
  [edits.setOptionText, { questionId: 'q-a', optionId: 'a-a', field: 'feedback', text: 'words' }],
  [edits.setOptionRight, { questionId: 'q-a', optionId: 'a-b', right: true }],
  [edits.removeOption, { questionId: 'q-a', optionId: 'a-b' }],
]

function fullLesson(): Lesson {
  let lesson = withQuestion(lessonWithFilm(), { id: 'a', atMs: 5000 })
  lesson = edited(lesson, edits.addOverlay, {
    cueId: 'o',
    partId: PART,
    fromMs: 1000,
    toMs: 4000,
    text: '',
  })
  lesson = edited(lesson, edits.addBookmark, { cueId: 'b', partId: PART, atMs: 0, title: '' })
  lesson = edited(lesson, edits.addNote, { cueId: 'note', partId: PART, atMs: 8000 })
  return edited(lesson, edits.importScript, { id: 's', partId: PART, language: 'en', lines: [] })
}

describe.each(CASES.map(([edit, args]) => [edit.name, edit, args] as const))(
  '%s',
  (_name, edit, args) => {
    const before = fullLesson()
    const outcome = runEdit(before, edit, args as never)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
    const { lesson: after, made } = outcome

    it('changes the lesson, and its patches say the same', () => {
      expect(after).not.toEqual(before)
      expect(applyPatches(before, made.patches)).toEqual({ ok: true, value: after })
    })

    it('is taken back by its inverse', () => {
      expect(applyPatches(after, made.inverse)).toEqual({ ok: true, value: before })
    })

    it('leaves the lesson valid and the one before untouched', () => {
      expect(checkLesson(after).ok).toBe(true)
      expect(before).toEqual(fullLesson())
    })
  },
)

it('the list above leaves no edit out', () => {
  const names = Object.values(edits).flatMap((edit) =>
    typeof edit === 'object' ? [edit.name] : [],
  )
  expect(new Set(CASES.map(([edit]) => edit.name))).toEqual(new Set(names))
})

describe('several cues', () => {
  it('move together as far as the first of them can', () => {
    const starts = (lesson: Lesson) => ['a', 'o', 'b'].map((id) => cueStartMs(lesson.cues[id]!))
    const moved = (byMs: number) =>
      starts(edited(fullLesson(), edits.moveCues, { cueIds: ['a', 'o', 'gone'], byMs }))
    expect(moved(400)).toEqual([5400, 1400, 0])
    expect(moved(-9000)).toEqual([4000, 0, 0])
    expect(moved(1e6)).toEqual([60_000, 56_000, 0])
  })

  it('beyond the end of a shorter film stay there, and go no further', () => {
    const shorter = edited(fullLesson(), edits.attachFilm, {
      ...{ partId: PART, mediaId: 'm2', durationMs: 3000, frameRate: '25' },
    })
    expect(shorter.cues.a).toMatchObject({ atMs: 5000 })
    const move = (byMs: number) => edited(shorter, edits.moveCues, { cueIds: ['a'], byMs }).cues.a
    expect(move(500)).toMatchObject({ atMs: 5000 })
    expect(move(-2500)).toMatchObject({ atMs: 2500 })
  })

  it('go through the clipboard to another lesson, with their questions', () => {
    const text = JSON.stringify(clipOf(fullLesson(), ['a', 'o', 'gone']))
    const clip = readClip(text)!
    const other = edited(lessonWithFilm(), edits.addFilmPart, { id: 'p2', title: '' })
    const pasted = edited(other, edits.pasteCues, {
      ...{ clip, partId: 'p2', atMs: 10_000, newIds: PASTED },
    })
    expect(pasted.cues.o2).toMatchObject({ partId: 'p2', fromMs: 10_000, toMs: 13_000 })
    expect(pasted.cues.a2).toMatchObject({ atMs: 14_000, questionId: 'q-a2' })
    expect(pasted.questions['q-a2']).toMatchObject({ stem: 'Stem of a' })
  })

  it('lose evidence in a film that is not there', () => {
    const lesson = withQuestion(lessonWithFilm(), {
      ...{ id: 'a', atMs: 5000, evidence: { fromMs: 1000, toMs: 2000 } },
    })
    const clip = clipOf(lesson, ['a'])!
    const paste = { clip, atMs: 0, newIds: PASTED }
    expect(
      edited(lesson, edits.pasteCues, { ...paste, partId: PART }).questions['q-a2']!.evidence,
    ).toEqual({ partId: PART, fromMs: 1000, toMs: 2000 })
    const empty = edited(emptyLesson('Other'), edits.addFilmPart, { id: 'p2', title: '' })
    const pasted = edited(empty, edits.pasteCues, { ...paste, partId: 'p2' })
    expect(pasted.questions['q-a2']!.evidence).toBe(null)
  })

  it('are not read from a clipboard that holds something else, or a broken clip', () => {
    expect(clipOf(fullLesson(), ['gone'])).toBe(null)
    const clip = clipOf(fullLesson(), ['a'])!
    const others = ['', 'words', '{}', '{"kind":"fernbrake-cues"}', '{"kind":"fernbrake-cues"']
    for (const text of others) expect(readClip(text)).toBe(null)
    expect(readClip(JSON.stringify({ ...clip, questions: {} }))).toBe(null)
    expect(readClip(JSON.stringify({ ...clip, extra: 1 }))).toBe(null)
  })
})

describe('older lessons', () => {
  const { ending, ...rest } = fullLesson()
  it('get what they lack, and are then valid', () => {
    expect(upgradeLesson({ ...rest, schemaVersion: 1 })).toEqual({ ...rest, ending })
    expect(checkLesson(upgradeLesson({ ...rest, schemaVersion: 1 })).ok).toBe(true)
  })
  it('that are none come back as they are', () => {
    for (const value of [null, 7, 'x', {}, { schemaVersion: 99 }, { schemaVersion: 0 }])
      expect(upgradeLesson(value)).toEqual(value)
  })
})

it('learners never get a designer’s notes', () => {
  const lesson = edited(fullLesson(), edits.setNoteText, { cueId: 'note', text: 'Between us' })
  expect(JSON.stringify(withoutNotes(lesson))).not.toContain('Between us')
  expect(Object.keys(withoutNotes(lesson).cues).sort()).toEqual(['a', 'b', 'o'])
})

it('the words at the end follow the marks', () => {
  const ending = { message: 'Thank you', pass: { share: 0.6, message: 'Passed' } }
  const said = (points: number, max: number) => endMessage(ending, { points, max })
  expect([said(6, 10), said(5, 10), said(0, 0)]).toEqual(['Passed', 'Thank you', 'Thank you'])
  const unsaid = { ...ending, pass: { share: 0, message: '' } }
  expect(endMessage(unsaid, { points: 1, max: 1 })).toBe('Thank you')
  expect(endMessage({ message: '', pass: null }, { points: 1, max: 1 })).toBe('')
})

describe('keeping inside the film', () => {
  it('a moved overlay keeps its length at both ends', () => {
    const cueAfter = (toMs: number) =>
      edited(fullLesson(), edits.moveCue, { cueId: 'o', toMs }).cues.o
    expect(cueAfter(-500)).toMatchObject({ fromMs: 0, toMs: 3000 })
    expect(cueAfter(59_500)).toMatchObject({ fromMs: 57_000, toMs: 60_000 })
  })

  it('an overlay never ends before it begins', () => {
    const lesson = edited(fullLesson(), edits.setOverlaySpan, {
      cueId: 'o',
      fromMs: 9000,
      toMs: 2000,
    })
    expect(lesson.cues.o).toMatchObject({ fromMs: 9000, toMs: 9001 })
  })

  it('a box is moved onto the stage', () => {
    expect(edits.boxOnStage({ x: 0.9, y: -1, width: 0.5, height: 3 })).toEqual({
      x: 0.5,
      y: 0,
      width: 0.5,
      height: 1,
    })
  })
})

describe('questions', () => {
  it('one right option takes the place of another where one may be picked', () => {
    const lesson = edited(fullLesson(), edits.setOptionRight, {
      questionId: 'q-a',
      optionId: 'a-b',
      right: true,
    })
    expect(Object.values(lesson.questions['q-a']!.options).filter((o) => o.right)).toHaveLength(1)
  })

  it('deleting a cue deletes the question that only it asks', () => {
    expect(edited(fullLesson(), edits.removeCues, { cueIds: ['a'] }).questions).toEqual({})
  })

  it('control characters never get in', () => {
    const lesson = edited(fullLesson(), edits.setLessonText, {
      field: 'title',
      text: 'a\u0000b\r\nc',
    })
    expect(lesson.title).toBe('ab\nc')
  })

  it('an edit that would break the schema is refused', () => {
    const outcome = runEdit(fullLesson(), edits.setQuestionRules, {
      questionId: 'q-a',
      rules: { points: -1 },
    })
    expect(outcome.ok).toBe(false)
  })
})

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
    const state = noteEdit(emptyUndo, mine.made)
    expect(undo(state, theirs.lesson)).toMatchObject({ ok: false, name: 'setLessonText' })
    const back = undo(state, mine.lesson)
    if (!back?.ok) throw new Error('not undone')
    const meanwhile = change(back.lesson, 'Theirs')
    expect(redo(back.state, meanwhile.lesson)).toMatchObject({ ok: false })
    expect(redo(back.state, back.lesson)).toMatchObject({ ok: true, lesson: { title: 'Mine' } })
  })

  const first = runEdit(fullLesson(), edits.setLessonText, { field: 'title', text: 'First' })
  if (!first.ok) throw new Error('not made')

  it('goes back and forth', () => {
    const state = noteEdit(emptyUndo, first.made)
    const back = undo(state, first.lesson)
    if (!back?.ok) throw new Error('not undone')
    expect(back.lesson).toEqual(fullLesson())
    const forth = redo(back.state, back.lesson)
    expect(forth?.ok && forth.lesson).toEqual(first.lesson)
  })

  it('what follows by itself from an edit is undone and done again with it', () => {
    const film = (mediaId: string, durationMs: number | null) => ({
      ...{ partId: PART, mediaId, durationMs, frameRate: null },
    })
    const chosen = runEdit(fullLesson(), edits.attachFilm, film('other', null))
    if (!chosen.ok) throw new Error('not made')
    const titled = runEdit(chosen.lesson, edits.setLanguage, { language: 'de' })
    if (!titled.ok) throw new Error('not made')
    const measured = runEdit(titled.lesson, edits.attachFilm, film('other', 9000))
    if (!measured.ok) throw new Error('not made')
    const two = noteEdit(noteEdit(emptyUndo, chosen.made), titled.made)
    const state = amendEdit(two, measured.made)
    expect(state.past).toHaveLength(2)
    const once = undo(state, measured.lesson)
    if (!once?.ok) throw new Error('not undone')
    const back = undo(once.state, once.lesson)
    expect(back?.ok && back.lesson).toEqual(fullLesson())
    const again = back?.ok && redo(back.state, back.lesson)
    expect(again && again.ok && again.lesson.parts[PART]).toMatchObject({
      mediaId: 'other',
      durationMs: 9000,
    })
    expect(amendEdit(emptyUndo, measured.made)).toBe(emptyUndo)
  })

  it('letters typed in a row are one step', () => {
    const second = runEdit(first.lesson, edits.setLessonText, { field: 'title', text: 'First!' })
    if (!second.ok) throw new Error('not made')
    const state = noteEdit(noteEdit(emptyUndo, first.made), second.made, true)
    expect(state.past).toHaveLength(1)
    const back = undo(state, second.lesson)
    expect(back?.ok && back.lesson.title).toBe('A lesson')
  })

  it('gives up a step that somebody else has made impossible, and says which', () => {
    const moved = runEdit(fullLesson(), edits.setOverlayText, { cueId: 'o', text: 'mine' })
    if (!moved.ok) throw new Error('not made')
    const withoutIt = edited(moved.lesson, edits.removeCues, { cueIds: ['o'] })
    const outcome = undo(noteEdit(emptyUndo, moved.made), withoutIt)
    expect(outcome).toMatchObject({ ok: false, name: 'setOverlayText', state: { past: [] } })
  })

  it('has nothing to do at the beginning', () => {
    expect(undo(emptyUndo, fullLesson())).toBeNull()
    expect(redo(emptyUndo, fullLesson())).toBeNull()
  })
})

describe('patches', () => {
  const lesson = fullLesson()
  it.each([
    ['a target that is gone', '/cues/nobody', 'replace'],
    ['a parent that is gone', '/cues/nobody/atMs', 'add'],
    ['a way through a text', '/title/length', 'replace'],
    ['the prototype', '/__proto__/polluted', 'add'],
    ['a constructor', '/constructor/prototype', 'add'],
  ])('refuses %s', (_name, path, op) => {
    expect(applyPatches(lesson, [{ op, path, value: 1 } as never]).ok).toBe(false)
    expect(({} as Record<string, unknown>).polluted).toBeUndefined()
  })

  it('applies all or nothing', () => {
    const result = applyPatches(lesson, [
      { op: 'replace', path: '/title', value: 'half' },
      { op: 'remove', path: '/cues/nobody' },
    ])
    expect(result).toMatchObject({ ok: false, issues: [{ path: ['patches', 1] }] })
    expect(lesson.title).toBe('A lesson')
  })
})

describe('what a lesson may hold', () => {
  const lesson = fullLesson()
  it.each<[string, Partial<Lesson> | Record<string, unknown>]>([
    ['an unknown key', { surprise: 1 }],
    ['a cue under another key', { cues: { other: lesson.cues.b } }],
    ['a cue of a part that is not there', { parts: {} }],
    ['a question cue without its question', { questions: {} }],
    ['a title that is too long', { title: 'x'.repeat(201) }],
    ['a time that is not whole', { cues: { b: { ...lesson.cues.b, atMs: 1.5 } } }],
  ])('refuses %s', (_name, change) => {
    expect(checkLesson({ ...lesson, ...change }).ok).toBe(false)
  })

  it('two cues may not ask the same question', () => {
    const cues = { ...lesson.cues, twin: { ...lesson.cues.a, id: 'twin' } }
    expect(checkLesson({ ...lesson, cues })).toMatchObject({
      issues: [{ code: 'reference.shared' }],
    })
  })
})

describe('what keeps a lesson from being published', () => {
  const codes = (lesson: Lesson) => findWhatBlocksPublishing(lesson).map((issue) => issue.code)

  it('nothing, when all is there', () => expect(codes(fullLesson())).toEqual([]))
  it('no film', () =>
    expect(codes({ ...fullLesson(), parts: {}, cues: {} })).toEqual(['lesson.noParts']))
  it('a question without words, options or a right answer', () => {
    let lesson = edited(fullLesson(), edits.setQuestionText, {
      questionId: 'q-a',
      field: 'stem',
      text: ' ',
    })
    lesson = edited(lesson, edits.setOptionRight, {
      questionId: 'q-a',
      optionId: 'a-a',
      right: false,
    })
    lesson = edited(lesson, edits.setOptionText, {
      questionId: 'q-a',
      optionId: 'a-b',
      field: 'text',
      text: 'A-A',
    })
    expect(codes(lesson)).toEqual(['question.noStem', 'question.sameOptions', 'question.noRight'])
  })
  it('a cue beyond the end', () => {
    const film = { partId: PART, mediaId: 'm', durationMs: 1000, frameRate: '25' as const }
    expect(codes(edited(fullLesson(), edits.attachFilm, film))).toContain('cue.beyondEnd')
  })
})
