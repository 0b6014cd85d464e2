import { describe, expect, it } from 'vitest'
import {
  CHRONICLE,
  edited,
  fullLesson,
  PAGE,
  PART,
  QUIZ,
  STILL,
  withQuiz,
  withRoutes,
  withThings,
} from '../testing/index.ts'
import {
  applyPatches,
  checkLesson,
  clipOf,
  edits,
  emptyLesson,
  idsOfPart,
  runEdit,
  upgradeLesson,
  type Edit,
  type Lesson,
} from './index.ts'

const NEW_ITEM = { partId: QUIZ, sectionId: 'first', itemId: 'n', questionId: 'nq' }
const QUIZ_COPY = Object.fromEntries(
  idsOfPart(withQuiz(fullLesson()), QUIZ).map((id) => [id, `${id}-copy`]),
)
const PASTED = { a: 'a2', 'q-a': 'q-a2', o: 'o2' }

/** Every edit with arguments that change the lesson below. */
const CASES: [Edit<never>, unknown][] = [
  [
    edits.addScript,
    { id: 's2', partId: PART, language: 'fr', from: { scriptId: 's', newIds: { l1: 'm1' } } },
  ],
  [edits.removeScript, { scriptId: 's' }],
  [edits.setLineText, { scriptId: 's', lineId: 'l1', text: 'Other words' }],
  [edits.setLineTimes, { scriptId: 's', lineId: 'l1', fromMs: 500, toMs: 900 }],
  [edits.addLine, { scriptId: 's', lineId: 'new', fromMs: 9000, toMs: 9500 }],
  [edits.removeLine, { scriptId: 's', lineId: 'l1' }],
  [edits.splitLine, { scriptId: 's', lineId: 'l1', newLineId: 'new', at: 6 }],
  [edits.joinLines, { scriptId: 's', lineId: 'l1' }],
  [edits.shiftLines, { scriptId: 's', fromMs: 0, byMs: 250 }],
  [edits.tapLine, { scriptId: 's', lineId: 'l2', atMs: 1500 }],
  [edits.beginFrom, { lesson: { ...emptyLesson('Made'), objectives: 'To wind a paddle' } }],
  [edits.restoreLesson, { lesson: { ...emptyLesson('Earlier'), summary: 'As it was' } }],
  [edits.setLessonText, { field: 'title', text: 'Another' }],
  [edits.setLanguage, { language: 'de' }],
  [edits.setTags, { tags: ['locks', 'water'] }],
  [edits.setCover, { cover: { mediaId: 'm-c', wash: '#163F2A', strength: 0.4, letters: 'paper' } }],
  [edits.setTheme, { theme: { accent: '#385873' } }],
  [edits.addFilmPart, { id: 'part-2', title: 'More' }],
  [edits.renamePart, { partId: PART, title: 'Renamed' }],
  [edits.attachFilm, { partId: PART, mediaId: 'other', durationMs: 70_000, frameRate: '30' }],
  [edits.setSeekRule, { partId: PART, seekRule: 'none' }],
  [edits.setTimecode, { partId: PART, timecode: 'nonDrop' }],
  [edits.movePart, { partId: QUIZ, by: -1 }],
  [edits.placePart, { partId: QUIZ, beforeId: PART }],
  [edits.hidePart, { partId: PART, hidden: true }],
  [edits.copyPart, { partId: QUIZ, title: 'Copy', newIds: QUIZ_COPY }],
  [edits.removePart, { partId: PART }],
  [edits.addPart, { id: 'page-2', kind: 'page', title: 'More' }],
  [edits.setPart, { partId: STILL, change: { alternative: 'words' } }],
  [
    edits.addThings,
    { partId: PAGE, map: 'blocks', things: [{ id: 'n', kind: 'text', text: 'words' }] },
  ],
  [edits.setThing, { partId: PAGE, thingId: 'words', change: { text: 'words' } }],
  [edits.setPinOpens, { partId: STILL, pinId: 'pin-ask', opens: { what: 'text', text: 'words' } }],
  [edits.moveThing, { partId: PAGE, thingId: 'words', by: 1 }],
  [edits.placeThing, { partId: PAGE, thingId: 'words', beforeId: null }],
  [edits.copyThing, { partId: PAGE, thingId: 'words', newIds: { words: 'n' } }],
  [edits.removeThing, { partId: CHRONICLE, thingId: 'works' }],
  [edits.addRoute, { id: 'n', fromId: PAGE, target: { to: 'part', partId: STILL } }],
  [edits.setRoute, { routeId: 'route', change: { words: 'words' } }],
  [edits.moveRoute, { routeId: 'route', by: 1 }],
  [edits.removeRoute, { routeId: 'route' }],
  [
    edits.setGate,
    { partId: PAGE, gate: { condition: { if: 'visited', partId: PART }, message: 'words' } },
  ],
  [edits.setTravelling, { navigation: 'inOrder' }],
  [edits.addQuizPart, { id: 'quiz-2', title: 'More', sectionId: 'other' }],
  [edits.setQuizRules, { partId: QUIZ, rules: { layout: 'oneAtATime' } }],
  [edits.setQuizInstructions, { partId: QUIZ, text: 'words' }],
  [edits.setQuizEnding, { partId: QUIZ, change: { message: 'words' } }],
  [
    edits.setQuizEnding,
    { partId: QUIZ, change: { band: { id: 'half', from: 0.5, message: 'w' } } },
  ],
  [edits.addQuizSection, { partId: QUIZ, sectionId: 'third', title: 'Third' }],
  [edits.setQuizSection, { partId: QUIZ, sectionId: 'first', change: { title: 'words' } }],
  [edits.moveQuizSection, { partId: QUIZ, sectionId: 'first', by: 1 }],
  [edits.removeQuizSection, { partId: QUIZ, sectionId: 'first' }],
  [edits.askInQuiz, { ...NEW_ITEM, kind: 'order', ids: ['x', 'y', 'z'] }],
  [edits.askKeptInQuiz, { ...NEW_ITEM, shelfId: 'kept', question: fullLesson().questions['q-a'] }],
  [edits.copyQuizItem, { partId: QUIZ, itemId: 'i1', newItemId: 'n', newQuestionId: 'nq' }],
  [edits.moveQuizItem, { partId: QUIZ, itemId: 'i1', by: 1 }],
  [edits.removeQuizItem, { partId: QUIZ, itemId: 'i1' }],
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
  [edits.setOverlayForm, { cueId: 'o', content: { form: 'label', to: { x: 0.5, y: 0.5 } } }],
  [edits.turnOverlay, { cueId: 'o', degrees: 30 }],
  [edits.setOverlayShown, { cueId: 'o', shown: { when: 'untilAnswered', cueId: 'a' } }],
  [
    edits.setTransition,
    { cueId: 'o', at: 'comes', transition: { way: 'slide', side: 'left', ms: 300 } },
  ],
  [edits.setOverlayAction, { cueId: 'o', action: { does: 'time', atMs: 5, pauses: false } }],
  [edits.lockOverlays, { cueIds: ['o'], locked: true }],
  [edits.groupOverlays, { cueIds: ['o'], groupId: 'g' }],
  [edits.stackOverlays, { cueIds: ['o'], to: 'front' }],
  [
    edits.applyLook,
    { cueIds: ['o'], look: { ink: '#000000', fill: null, size: 0.1, align: 'end' } },
  ],
  [
    edits.keepLook,
    { id: 'n', name: 'Loud', look: { ink: '#000000', fill: null, size: 0.1, align: 'end' } },
  ],
  [edits.removeLook, { id: 'look' }],
  [edits.setOverlayBoxes, { boxes: { o: { x: 0.2, y: 0.2, width: 0.2, height: 0.2 } } }],
  [
    edits.replaceMedia,
    { from: 'media-1', to: 'media-2', film: { durationMs: 50_000, frameRate: '25' } },
  ],
  [edits.nameOverlay, { cueId: 'o', name: 'words' }],
  [edits.addFork, { cueId: 'n', partId: PART, atMs: 9, choiceIds: ['x', 'y'] }],
  [edits.addFork, { cueId: 'n', partId: PART, atMs: 9, choiceIds: ['x', 'y'], backMs: 4 }],
  [edits.setForkPrompt, { cueId: 'f', prompt: 'words' }],
  [edits.setForkRules, { cueId: 'f', rules: { countdownMs: 10_000, defaultChoice: 'f1' } }],
  [edits.addChoice, { cueId: 'f', choiceId: 'n' }],
  [edits.setChoice, { cueId: 'f', choiceId: 'f1', change: { text: 'words' } }],
  [edits.removeChoice, { cueId: 'f', choiceId: 'f2' }],
  [edits.setBookmarkTitle, { cueId: 'b', title: 'words' }],
  [edits.setHold, { cueId: 'a', hold: 'right' }],
  [edits.noteShelf, { questionId: 'q-a', shelfId: 'kept' }],
  [
    edits.addKeptQuestion,
    {
      cueId: 'n',
      questionId: 'q-n',
      shelfId: 'kept',
      partId: PART,
      atMs: 9,
      question: fullLesson().questions['q-a'],
    },
  ],
  [edits.addMaterial, { materialId: 'm', questionId: 'q-a', title: 'Passage' }],
  [edits.setMaterial, { materialId: 'passage', change: { text: 'words' } }],
  [edits.tieMaterial, { questionId: 'q-a', materialId: null }],
  [edits.removeMaterial, { materialId: 'passage' }],
  [edits.removeCues, { cueIds: ['a'] }],
  [edits.moveCues, { cueIds: ['a', 'o'], byMs: 400 }],
  [
    edits.pasteCues,
    { clip: clipOf(fullLesson(), ['a', 'o']), partId: PART, atMs: 77, newIds: PASTED },
  ],
  [edits.addNote, { cueId: 'n', partId: PART, atMs: 9 }],
  [edits.setNoteText, { cueId: 'note', text: 'words' }],
  [edits.setEnding, { band: { id: 'half', from: 0.5 } }],
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
  [edits.changeQuestionKind, { questionId: 'q-a', kind: 'poll', ids: ['x', 'y'] }],
  [
    edits.addEntries,
    {
      questionId: 'q-a',
      path: ['options'],
      entries: [{ id: 'third', text: 'words', right: false, feedback: '' }],
    },
  ],
  [
    edits.setEntry,
    { questionId: 'q-a', path: ['options'], entryId: 'a-b', change: { text: 'words' } },
  ],
  [edits.removeEntry, { questionId: 'q-a', path: ['options'], entryId: 'a-b' }],
  [
    edits.replaceEntries,
    {
      questionId: 'q-a',
      path: ['options'],
      gone: ['a-b'],
      alone: 'right',
      entries: [{ id: 'c', text: 'words', right: true, feedback: '' }],
    },
  ],
  [edits.moveEntry, { questionId: 'q-a', path: ['options'], entryId: 'a-b', by: -1 }],
]

describe.each(CASES.map(([edit, args]) => [edit.name, edit, args] as const))(
  '%s',
  (_name, edit, args) => {
    const before = withRoutes(withThings(withQuiz(fullLesson())))
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
      expect(before).toEqual(withRoutes(withThings(withQuiz(fullLesson()))))
    })
  },
)

it('the list above leaves no edit out', () => {
  const names = Object.values(edits).flatMap((edit) =>
    typeof edit === 'object' ? [edit.name] : [],
  )
  expect(new Set(CASES.map(([edit]) => edit.name))).toEqual(new Set(names))
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

  it('a box stays on the stage while it is moved and made larger', () => {
    const box = { x: 0.7, y: 0.1, width: 0.2, height: 0.2 }
    expect(edits.movedBox(box, 0.3, -0.3)).toEqual({ ...box, x: 0.8, y: 0 })
    expect(edits.resizedBox(box, 0.3, 0.1)).toEqual({ ...box, width: 0.3, height: 0.3 })
    expect(edits.resizedBox(box, -1, -1)).toEqual({ ...box, width: 0.01, height: 0.01 })
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
