import { describe, expect, it } from 'vitest'
import {
  edited,
  fullLesson,
  PAGE,
  PART,
  QUIZ,
  withQuestion,
  withQuiz,
  withRoutes,
  withThings,
} from '../testing/index.ts'
import { differsInNotesOnly, edits, whatChanged, type Edit, type Lesson } from './index.ts'

const before = withRoutes(withThings(withQuiz(fullLesson())))
const after = <A>(edit: Edit<A>, args: A) => whatChanged(before, edited(before, edit, args))
const nameOf = (partId: string) => before.parts[partId]!.title

describe('what changed', () => {
  it('is nothing between two that are the same, in whatever order their keys stand', () => {
    const turned = Object.fromEntries(Object.entries(before).reverse()) as Lesson
    expect(whatChanged(before, turned)).toEqual([])
  })

  it('is nothing where only designers’ notes did', () => {
    expect(after(edits.addNote, { cueId: 'n-new', partId: PART, atMs: 10 })).toEqual([])
  })

  it.each<[string, ReturnType<typeof after>, unknown]>([
    [
      'the title',
      after(edits.setLessonText, { field: 'title', text: 'New' }),
      [{ what: 'title', name: 'New' }],
    ],
    ['what it says of itself', after(edits.setTags, { tags: ['water'] }), [{ what: 'about' }]],
    ['its look', after(edits.setTheme, { theme: { accent: '#385873' } }), [{ what: 'look' }]],
    [
      'the words at the end',
      after(edits.setEnding, { message: 'Other words' }),
      [{ what: 'ending' }],
    ],
    [
      'a name',
      after(edits.renamePart, { partId: PAGE, title: 'Other' }),
      [{ what: 'partRenamed', name: 'Other' }],
    ],
    ['the order', after(edits.movePart, { partId: PAGE, by: -1 }), [{ what: 'partsMoved' }]],
    [
      'a part that came',
      after(edits.addPart, { id: 'new', kind: 'page', title: 'Notes' }),
      [{ what: 'partAdded', name: 'Notes' }],
    ],
    [
      'how learners move through a film',
      after(edits.setSeekRule, { partId: PART, seekRule: 'none' }),
      [{ what: 'partChanged', name: nameOf(PART) }],
    ],
  ])('%s', (_what, changes, expected) => expect(changes).toEqual(expected))

  it('tells a part that went with the questions that went with it', () => {
    const gone = after(edits.removePart, { partId: QUIZ })
    expect(gone).toContainEqual({ what: 'partRemoved', name: nameOf(QUIZ) })
    expect(gone.find(({ what }) => what === 'questionsRemoved')?.count).toBeGreaterThan(0)
  })

  it('counts questions and cues together', () => {
    const two = withQuestion(withQuestion(before, { id: 'x', atMs: 100 }), { id: 'y', atMs: 200 })
    expect(whatChanged(before, two)).toEqual([
      { what: 'cuesChanged', name: nameOf(PART), count: 2 },
      { what: 'questionsAdded', count: 2 },
    ])
    expect(whatChanged(two, before).at(-1)).toEqual({ what: 'questionsRemoved', count: 2 })
  })

  it('tells another film as just that', () => {
    const film = { partId: PART, mediaId: 'other', durationMs: 60_000, frameRate: '25' as const }
    expect(after(edits.attachFilm, film as never)[0]).toEqual({
      what: 'filmReplaced',
      name: nameOf(PART),
    })
  })
})

describe('a commenter', () => {
  it('may change notes and nothing else', () => {
    const noted = edited(before, edits.addNote, { cueId: 'mine', partId: PART, atMs: 10 })
    expect(differsInNotesOnly(before, noted)).toBe(true)
    expect(differsInNotesOnly(noted, before)).toBe(true)
    const titled = edited(noted, edits.setLessonText, { field: 'title', text: 'Other' })
    expect(differsInNotesOnly(before, titled)).toBe(false)
    expect(differsInNotesOnly(before, withQuestion(before, { id: 'x', atMs: 100 }))).toBe(false)
  })
})
