// The smallest valid lessons that tests need, built with the same edits as real ones.
import {
  edits,
  emptyLesson,
  partOfKind,
  runEdit,
  type Condition,
  type Edit,
  type FilmPart,
  type Hold,
  type Lesson,
  type NewQuestion,
  type NewThing,
  type QuizRules,
  type Target,
  type ThingMap,
} from '../lesson/index.ts'

export const PART = 'part-1'

/** Runs an edit and throws where it is refused. */
export function edited<A>(lesson: Lesson, edit: Edit<A>, args: A): Lesson {
  const outcome = runEdit(lesson, edit, args)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return outcome.lesson
}

/** A lesson with one film part of the given length. */
export function lessonWithFilm(durationMs = 60_000): Lesson {
  const lesson = edited(emptyLesson('A lesson'), edits.addFilmPart, { id: PART, title: 'A film' })
  return edited(lesson, edits.attachFilm, {
    partId: PART,
    mediaId: 'media-1',
    durationMs,
    frameRate: '25',
  })
}

/** The film part of these lessons. */
export const filmOf = (lesson: Lesson): FilmPart => partOfKind(lesson, PART, 'film')!

export interface QuestionWish {
  id: string
  atMs: number
  hold?: Hold
  sendBack?: boolean
  again?: boolean
  evidence?: { fromMs: number; toMs: number }
}

/** Adds a choice question that can be published: option `<id>-a` is right, `<id>-b` is wrong. */
export function withQuestion(lesson: Lesson, wish: QuestionWish): Lesson {
  const { id, atMs, hold = 'answered', sendBack = false, again = false } = wish
  const optionIds: [string, string] = [`${id}-a`, `${id}-b`]
  let next = edited(lesson, edits.addQuestion, {
    cueId: id,
    questionId: `q-${id}`,
    optionIds,
    partId: PART,
    atMs,
    evidence: wish.evidence ?? null,
  })
  next = writtenChoice(next, `q-${id}`, optionIds, `Stem of ${id}`)
  return edited(next, edits.setHold, { cueId: id, hold, sendBack, again })
}

function writtenChoice(
  lesson: Lesson,
  questionId: string,
  optionIds: readonly string[],
  stem: string,
): Lesson {
  let next = edited(lesson, edits.setQuestionText, { questionId, field: 'stem', text: stem })
  for (const optionId of optionIds) {
    const words = { questionId, optionId, field: 'text', text: optionId } as const
    next = edited(next, edits.setOptionText, words)
  }
  return next
}

export interface WayWish {
  id: string
  target: Target
  condition?: Condition
}

/** Adds a fork with these ways. */
export function withFork(
  lesson: Lesson,
  wish: {
    id: string
    atMs: number
    ways: WayWish[]
    rules?: { decides?: boolean; countdownMs?: number; defaultChoice?: string }
  },
): Lesson {
  const { id: cueId, atMs, ways, rules } = wish
  let next = edited(lesson, edits.addFork, {
    cueId,
    partId: PART,
    atMs,
    choiceIds: [ways[0]!.id, 'spare'],
  })
  if (ways.length !== 1 || ways[0]!.id !== 'spare')
    next = edited(next, edits.removeChoice, { cueId, choiceId: 'spare' })
  ways.forEach(({ id, target, condition = null }, index) => {
    if (index > 0) next = edited(next, edits.addChoice, { cueId, choiceId: id })
    next = edited(next, edits.setChoice, {
      cueId,
      choiceId: id,
      change: { text: `Way ${id}`, target, condition },
    })
  })
  return rules ? edited(next, edits.setForkRules, { cueId, rules }) : next
}

export const QUIZ = 'quiz-1'

/**
 * Adds a quiz that can be published: section `first` asks `i1` and `i2`, section `second` asks `i3`. Each item `i` asks
 * the choice question `q-i`, whose option `i-a` is right and `i-b` wrong.
 */
export function withQuiz(lesson: Lesson, rules: Partial<QuizRules> = {}): Lesson {
  const place = { partId: QUIZ }
  let next = edited(lesson, edits.addQuizPart, { id: QUIZ, title: 'A quiz', sectionId: 'first' })
  next = edited(next, edits.addQuizSection, { ...place, sectionId: 'second', title: 'Second' })
  for (const [itemId, sectionId] of [
    ['i1', 'first'],
    ['i2', 'first'],
    ['i3', 'second'],
  ] as const) {
    const [questionId, ids] = [`q-${itemId}`, [`${itemId}-a`, `${itemId}-b`]]
    const asked = { ...place, sectionId, itemId, questionId, kind: 'choice', ids } as const
    next = edited(next, edits.askInQuiz, asked)
    next = writtenChoice(next, questionId, ids, `Stem of ${itemId}`)
  }
  return edited(next, edits.setQuizRules, { ...place, rules })
}

/** A lesson with one of everything: question `a`, overlay `o`, bookmark `b`, note `note`, fork `f`, script `s`. */
export function fullLesson(): Lesson {
  let lesson = withQuestion(lessonWithFilm(), { id: 'a', atMs: 5000 })
  const passage = { materialId: 'passage', questionId: 'q-a', title: 'Passage' }
  lesson = edited(lesson, edits.addMaterial, passage)
  lesson = edited(lesson, edits.addOverlay, {
    cueId: 'o',
    partId: PART,
    fromMs: 1000,
    toMs: 4000,
    text: '',
  })
  lesson = edited(lesson, edits.addBookmark, { cueId: 'b', partId: PART, atMs: 0, title: '' })
  lesson = edited(lesson, edits.addNote, { cueId: 'note', partId: PART, atMs: 8000 })
  lesson = withFork(lesson, {
    id: 'f',
    atMs: 9000,
    ways: [
      { id: 'f1', target: { to: 'on' } },
      { id: 'f2', target: { to: 'time', atMs: 20_000 } },
    ],
  })
  const look = { ink: '#FFFDF8', fill: null, size: 0.05, align: 'start' } as const
  lesson = edited(lesson, edits.keepLook, { id: 'look', name: 'Bare', look })
  return edited(lesson, edits.importScript, {
    id: 's',
    partId: PART,
    language: 'en',
    lines: [
      { id: 'l1', fromMs: 1000, toMs: 3000, text: 'Water climbs hills' },
      { id: 'l2', fromMs: 3000, toMs: 4000, text: 'by steps.' },
      { id: 'l3', fromMs: 6000, toMs: 8000, text: 'Each is a lock.' },
    ],
  })
}

export const PAGE = 'page-1'
export const STILL = 'still-1'
export const DECK = 'deck-1'
export const CHRONICLE = 'chronicle-1'

/**
 * Adds one part of each kind that is made of things, ready to be published: a page with a text, columns around a stretch
 * of the film, and a question (`ask`, which asks `q-ask`); a still with a pin that opens a text (`pin`), one that asks
 * (`pin-ask`, `q-pin`) and one that leads to the deck (`pin-way`); a deck of two slides, the second a page of a document; a
 * chronicle of three items, two of them in the category `works`.
 */
export function withThings(lesson: Lesson): Lesson {
  let next = lesson
  const add = (id: string, kind: 'page' | 'still' | 'deck' | 'chronicle') => {
    next = edited(next, edits.addPart, { id, kind, title: `A ${kind}` })
  }
  const put = (partId: string, map: ThingMap, things: NewThing[], asks?: NewQuestion) => {
    next = edited(next, edits.addThings, { partId, map, things, ...(asks ? { asks } : {}) })
  }
  const blank = (questionId: string, ids: string[]): NewQuestion => ({
    questionId,
    kind: 'choice',
    ids,
  })
  add(PAGE, 'page')
  put(PAGE, 'blocks', [
    { id: 'words', kind: 'text', text: 'Water lies flat.' },
    { id: 'pair', kind: 'columns', split: 'halves', stays: false },
    {
      id: 'shown',
      kind: 'stretch',
      stretch: { partId: PART, fromMs: 1000, toMs: 5000 },
      inside: { columnsId: 'pair', side: 'first' },
    },
  ])
  put(
    PAGE,
    'blocks',
    [
      {
        id: 'ask',
        kind: 'question',
        questionId: 'q-ask',
        inside: { columnsId: 'pair', side: 'second' },
      },
    ],
    blank('q-ask', ['ask-a', 'ask-b']),
  )
  next = writtenChoice(next, 'q-ask', ['ask-a', 'ask-b'], 'Stem of ask')
  add(DECK, 'deck')
  put(DECK, 'slides', [
    { id: 'slide-1', mediaId: 'picture', title: 'First', alternative: '', notes: '' },
    { id: 'slide-2', mediaId: 'pdf', page: 3, title: '', alternative: '', notes: 'A note' },
  ])
  add(STILL, 'still')
  next = edited(next, edits.setPart, { partId: STILL, change: { mediaId: 'still-picture' } })
  const look = { shape: 'round', colour: '#24603F', symbol: '' } as const
  put(STILL, 'pins', [
    { id: 'pin', x: 0.2, y: 0.3, name: 'Gate', ...look, opens: { what: 'text', text: 'A gate' } },
  ])
  put(
    STILL,
    'pins',
    [
      {
        id: 'pin-ask',
        x: 0.5,
        y: 0.5,
        name: 'Sill',
        ...look,
        opens: { what: 'question', questionId: 'q-pin' },
      },
      { id: 'pin-way', x: 0.9, y: 0.1, name: '', ...look, opens: { what: 'part', partId: DECK } },
    ],
    blank('q-pin', ['pin-a', 'pin-b']),
  )
  next = writtenChoice(next, 'q-pin', ['pin-a', 'pin-b'], 'Stem of pin')
  add(CHRONICLE, 'chronicle')
  put(CHRONICLE, 'categories', [{ id: 'works', name: 'Works', colour: '#385873' }])
  const plain = { until: null, text: '', medium: null }
  put(CHRONICLE, 'items', [
    { id: 'dug', title: 'Dug', from: { year: 1793 }, ...plain, categoryId: 'works' },
    { id: 'dry', title: 'Dry', from: { year: 1938 }, ...plain, categoryId: null },
    { id: 'old', title: 'Old', from: { year: -300 }, ...plain, categoryId: 'works' },
  ])
  return next
}

/** Adds two routes to a lesson `withThings`: from the page to the chronicle (`route`) and out of the lesson (`out`). */
export function withRoutes(lesson: Lesson): Lesson {
  const to = { to: 'part', partId: CHRONICLE } as const
  const next = edited(lesson, edits.addRoute, { id: 'route', fromId: PAGE, target: to })
  const out = { to: 'ending', message: '' } as const
  return edited(next, edits.addRoute, { id: 'out', fromId: PAGE, target: out })
}
