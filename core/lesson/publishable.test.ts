import { describe, expect, it } from 'vitest'
import { edited, fullLesson, PART, withFork } from '../testing/index.ts'
import { edits, findWhatBlocksPublishing, type Lesson } from './index.ts'

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
  it('a way or a gate that hangs on an answer which nobody is asked for', () => {
    const page = { id: 'page', kind: 'page', title: 'Page' } as const
    const things = [{ id: 'text', kind: 'text', text: 'words' }] as const
    let lesson = edited(fullLesson(), edits.addPart, page)
    lesson = edited(lesson, edits.addThings, { partId: 'page', map: 'blocks', things })
    const condition = { if: 'answer', cueId: 'a', is: 'right' } as const
    lesson = edited(lesson, edits.setGate, { partId: 'page', gate: { condition, message: '' } })
    const target = { to: 'part', partId: 'page' } as const
    lesson = edited(lesson, edits.addRoute, { id: 'route', fromId: PART, target })
    lesson = edited(lesson, edits.setRoute, { routeId: 'route', change: { condition } })
    expect(codes(lesson)).toEqual([])
    const unasked = edited(lesson, edits.removeCues, { cueIds: ['a'] })
    expect(codes(unasked)).toEqual(['route.noQuestion', 'gate.noQuestion'])
  })
  it('a place on a frame, once the film stays with its host', () => {
    const onFrame = edited(fullLesson(), edits.changeQuestionKind, {
      questionId: 'q-a',
      kind: 'area',
      ids: ['one'],
    })
    const film = { partId: PART, mediaId: 'm', durationMs: 60_000, frameRate: '25' as const }
    expect(codes(edited(onFrame, edits.attachFilm, film))).not.toContain('cue.noFrame')
    const hosted = edited(onFrame, edits.attachFilm, { ...film, frameRate: null })
    expect(findWhatBlocksPublishing(hosted)).toContainEqual(
      expect.objectContaining({ code: 'cue.noFrame', path: ['cues', 'a', 'mediaId'] }),
    )
    const onPicture = edited(hosted, edits.setQuestionRules, {
      questionId: 'q-a',
      rules: { mediaId: 'picture' },
    })
    expect(codes(onPicture)).not.toContain('cue.noFrame')
    const unknown = { ...film, durationMs: null, frameRate: null }
    expect(codes(edited(onFrame, edits.attachFilm, unknown))).not.toContain('cue.noFrame')
  })
  it('a fork that leads to its own time', () => {
    const to = (atMs: number) =>
      codes(
        withFork(fullLesson(), {
          id: 'own',
          atMs: 9000,
          ways: [{ id: 'w', target: { to: 'time', atMs } }],
        }),
      )
    expect(to(8000)).toEqual([])
    expect(to(9000)).toEqual(['fork.ownTime'])
    const length = { partId: PART, mediaId: 'm', durationMs: 9000, frameRate: '25' as const }
    const short = edited(fullLesson(), edits.attachFilm, length)
    const beyond = withFork(short, {
      id: 'own',
      atMs: 9000,
      ways: [{ id: 'w', target: { to: 'time', atMs: 9500 } }],
    })
    expect(codes(beyond)).toContain('fork.ownTime')
  })
  it('a cue beyond the end', () => {
    const film = { partId: PART, mediaId: 'm', durationMs: 1000, frameRate: '25' as const }
    expect(codes(edited(fullLesson(), edits.attachFilm, film))).toContain('cue.beyondEnd')
  })
})
