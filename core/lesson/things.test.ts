// Pages, stills, decks and chronicles: what their edits come to, what is refused, what keeps them from learners.
import { describe, expect, it } from 'vitest'
import {
  CHRONICLE,
  DECK,
  edited,
  fullLesson,
  lessonWithFilm,
  PAGE,
  PART,
  STILL,
  withRoutes,
  withThings,
} from '../testing/index.ts'
import { questionsMet } from '../analysis/index.ts'
import {
  askingOf,
  asksIn,
  blocksInOrder,
  checkLesson,
  edits,
  findWhatBlocksPublishing,
  idsOfPart,
  idsOfThing,
  inOrder,
  mediaIdsOf,
  partOfKind,
  runEdit,
  stagedAddresses,
  thingsToSee,
  withoutHidden,
  type Lesson,
  type Part,
} from './index.ts'

const lesson = withThings(fullLesson())
const page = (of: Lesson) => partOfKind(of, PAGE, 'page')!
const still = (of: Lesson) => partOfKind(of, STILL, 'still')!
const chronicle = (of: Lesson) => partOfKind(of, CHRONICLE, 'chronicle')!
const read = (of: Lesson) => blocksInOrder(page(of)).map(({ id }) => id)
const blocked = (of: Lesson) => findWhatBlocksPublishing(of).map(({ code }) => code)
const at = (partId: string, thingId: string) => ({ partId, thingId })

describe('a lesson with every kind of part', () => {
  it('can be kept and published', () => {
    expect(checkLesson(JSON.parse(JSON.stringify(lesson))).ok).toBe(true)
    expect(blocked(lesson)).toEqual([])
  })

  it('asks its questions part by part, in the order in which they are read', () => {
    expect(questionsMet(lesson).map(({ id }) => id)).toEqual(['q-a', 'q-ask', 'q-pin'])
    expect(askingOf(lesson, 'pin-ask')).toMatchObject({ partId: STILL, questionId: 'q-pin' })
    expect(askingOf(lesson, 'ask')).toMatchObject({ partId: PAGE, questionId: 'q-ask' })
    expect(askingOf(lesson, 'pin')).toBeNull()
  })

  it('names all the media that it shows, and where each is', () => {
    expect(mediaIdsOf(lesson)).toEqual(expect.arrayContaining(['picture', 'pdf', 'still-picture']))
    const staged = stagedAddresses(
      lesson,
      (id) => `m:${id}`,
      (id, number) => `p:${id}:${number}`,
    )
    expect(staged).toMatchObject({ picture: 'm:picture', pdf: 'm:pdf', 'pdf/3': 'p:pdf:3' })
  })

  it('says what of it can be seen one by one', () => {
    expect(thingsToSee(still(lesson))).toEqual(['pin', 'pin-ask', 'pin-way'])
    expect(thingsToSee(lesson.parts[DECK]!)).toEqual(['slide-1', 'slide-2'])
    expect(thingsToSee(lesson.parts[PART]!)).toEqual([])
  })
})

describe('blocks', () => {
  it('are read in order, those in columns after them, the first side first', () =>
    expect(read(lesson)).toEqual(['words', 'pair', 'shown', 'ask']))

  it('come after another one, or at the end', () => {
    const heading = { id: 'h', kind: 'heading', words: 'Why', level: 2 } as const
    const add = (afterId?: string) =>
      edited(lesson, edits.addThings, {
        partId: PAGE,
        map: 'blocks',
        things: [heading],
        ...(afterId ? { afterId } : {}),
      })
    expect(read(add('words'))).toEqual(['words', 'h', 'pair', 'shown', 'ask'])
    expect(read(add())).toEqual(['words', 'pair', 'shown', 'ask', 'h'])
  })

  it('move among those that stand beside them, and into columns and out of them', () => {
    const moved = edited(lesson, edits.moveThing, { ...at(PAGE, 'pair'), by: -1 })
    expect(read(moved)).toEqual(['pair', 'shown', 'ask', 'words'])
    const alone = runEdit(lesson, edits.moveThing, { ...at(PAGE, 'shown'), by: 1 })
    expect(alone).toMatchObject({ ok: true, made: { patches: [] } })
    const inside = { columnsId: 'pair', side: 'second' } as const
    const put = edited(lesson, edits.placeThing, { ...at(PAGE, 'words'), beforeId: 'ask', inside })
    expect(read(put)).toEqual(['pair', 'shown', 'words', 'ask'])
    const out = edited(put, edits.placeThing, {
      ...at(PAGE, 'words'),
      beforeId: null,
      inside: null,
    })
    expect(read(out)).toEqual(['pair', 'shown', 'ask', 'words'])
  })

  it('are copied with what stands in them and what they ask', () => {
    const { things, questions } = idsOfThing(page(lesson), 'pair')
    expect([things, questions]).toEqual([['pair', 'shown', 'ask'], ['q-ask']])
    const newIds = Object.fromEntries([...things, ...questions].map((id) => [id, `${id}-2`]))
    const copied = edited(lesson, edits.copyThing, { ...at(PAGE, 'pair'), newIds })
    expect(read(copied)).toEqual(['words', 'pair', 'shown', 'ask', 'pair-2', 'shown-2', 'ask-2'])
    expect(copied.questions['q-ask-2']).toEqual({ ...copied.questions['q-ask'], id: 'q-ask-2' })
  })

  it('go with what stands in them, and leave no question behind', () => {
    const left = edited(lesson, edits.removeThing, at(PAGE, 'pair'))
    expect(read(left)).toEqual(['words'])
    expect(left.questions['q-ask']).toBeUndefined()
  })

  it('lose a property that is taken away, and keep the rest', () => {
    const toned = edited(lesson, edits.setThing, { ...at(PAGE, 'words'), change: { tone: 'fern' } })
    expect(page(toned).blocks.words).toMatchObject({ tone: 'fern', text: 'Water lies flat.' })
    const plain = edited(toned, edits.setThing, {
      ...at(PAGE, 'words'),
      change: { tone: undefined },
    })
    expect(page(plain)).toEqual(page(lesson))
  })
})

describe('pins', () => {
  it('that open something else let go of the question that they asked', () => {
    const opens = { what: 'text', text: 'words' } as const
    const told = edited(lesson, edits.setPinOpens, { partId: STILL, pinId: 'pin-ask', opens })
    expect(told.questions['q-pin']).toBeUndefined()
    const asks = { questionId: 'q-new', kind: 'poll', ids: ['x', 'y'] } as const
    const asking = edited(told, edits.setPinOpens, {
      partId: STILL,
      pinId: 'pin',
      asks,
      opens: { what: 'question', questionId: 'q-new' },
    })
    expect(asksIn(still(asking)).map(({ questionId }) => questionId)).toEqual(['q-new'])
  })

  it('that led to a part which is gone lead nowhere, and say so before publishing', () => {
    const left = edited(lesson, edits.removePart, { partId: DECK })
    expect(still(left).pins['pin-way']!.opens).toEqual({ what: 'part', partId: null })
    expect(blocked(left)).toEqual(['still.emptyPin'])
  })
})

it('a film that goes takes its stretches from pages; the block stays, to be given another', () => {
  const left = edited(withThings(lessonWithFilm()), edits.removePart, { partId: PART })
  expect(page(left).blocks.shown).toMatchObject({ stretch: null })
  expect(blocked(left)).toEqual(['page.unfinished'])
})

it('columns in which nothing stands are told before publishing, and no others', () => {
  const lesson = withThings(lessonWithFilm())
  expect(blocked(lesson)).toEqual([])
  const inside = Object.values(page(lesson).blocks).filter((block) => block.inside)
  expect(inside.length).toBeGreaterThan(1)
  const [first, ...rest] = inside.map(({ id: thingId }) => ({ partId: PAGE, thingId }))
  const oneLeft = rest.reduce((now, args) => edited(now, edits.removeThing, args), lesson)
  expect(blocked(oneLeft)).toEqual([])
  expect(blocked(edited(oneLeft, edits.removeThing, first!))).toEqual(['page.emptyColumns'])
})

it('whatever hung on coming to a part that is gone never holds, and a gate on it is taken away', () => {
  const visited = { if: 'visited', partId: DECK } as const
  const choice = { cueId: 'f', choiceId: 'f1', change: { condition: visited } }
  let hung = edited(lesson, edits.setChoice, choice)
  hung = edited(hung, edits.addRoute, {
    id: 'on',
    fromId: PAGE,
    target: { to: 'part', partId: STILL },
  })
  hung = edited(hung, edits.setRoute, { routeId: 'on', change: { condition: visited } })
  hung = edited(hung, edits.setGate, { partId: STILL, gate: { condition: visited, message: '' } })
  const left = edited(hung, edits.removePart, { partId: DECK })
  const never = { if: 'answer', cueId: null, is: 'right' }
  expect(left.routes!.on!.condition).toEqual(never)
  expect(left.cues.f).toMatchObject({ choices: { f1: { condition: never } } })
  expect(left.parts[STILL]!.gate).toBeUndefined()
  expect(blocked(left)).toContain('route.noQuestion')
})

it('the words of an end are cleaned, whoever leads to it', () => {
  const target = { to: 'ending', message: 'The\u0000 end' } as const
  const made = edited(lesson, edits.addRoute, { id: 'end', fromId: PAGE, target })
  expect(made.routes!.end!.target).toEqual({ to: 'ending', message: 'The end' })
  const changed = edited(made, edits.setRoute, { routeId: 'end', change: { target } })
  expect(changed.routes!.end!.target).toEqual({ to: 'ending', message: 'The end' })
})

it('a category that goes leaves its items without one', () => {
  const left = edited(lesson, edits.removeThing, at(CHRONICLE, 'works'))
  expect(Object.values(chronicle(left).items).map(({ categoryId }) => categoryId)).toEqual([
    null,
    null,
    null,
  ])
})

it('a copy of a part has the same ways on, as its own', () => {
  const lesson = withRoutes(withThings(fullLesson()))
  const newIds = Object.fromEntries(idsOfPart(lesson, PAGE).map((id) => [id, `${id}-2`]))
  const copied = edited(lesson, edits.copyPart, { partId: PAGE, title: 'Copy', newIds })
  expect(copied.routes).toEqual({
    ...lesson.routes,
    'route-2': { ...lesson.routes!.route, id: 'route-2', fromId: `${PAGE}-2` },
    'out-2': { ...lesson.routes!.out, id: 'out-2', fromId: `${PAGE}-2` },
  })
})

it('a copy of a part speaks of its own things', () => {
  for (const partId of [PAGE, STILL, DECK, CHRONICLE]) {
    const ids = idsOfPart(lesson, partId)
    const newIds = Object.fromEntries(ids.map((id) => [id, `${id}-2`]))
    const copied = edited(lesson, edits.copyPart, { partId, title: 'Copy', newIds })
    const text = JSON.stringify(copied.parts[`${partId}-2`])
    // The film and the deck are other parts; everything else of the copy is new.
    for (const id of ids) expect(text).not.toContain(`"${id}"`)
  }
})

it('hidden parts leave no way to them', () => {
  const hidden = edited(lesson, edits.hidePart, { partId: DECK, hidden: true })
  const shown = withoutHidden(hidden)
  expect(still(shown).pins['pin-way']!.opens).toEqual({ what: 'part', partId: null })
})

it('another medium takes the place of one wherever a part names it', () => {
  const offered = edited(lesson, edits.setPart, { partId: DECK, change: { offers: 'pdf' } })
  const swapped = edited(offered, edits.replaceMedia, { from: 'pdf', to: 'other', film: null })
  expect(mediaIdsOf(swapped)).not.toContain('pdf')
  expect(partOfKind(swapped, DECK, 'deck')).toMatchObject({ offers: 'other' })
})

describe('what is refused', () => {
  const changed = (partId: string, change: (part: Part) => void): Lesson => {
    const next = JSON.parse(JSON.stringify(lesson)) as Lesson
    change(next.parts[partId]!)
    return next
  }
  const blocksOf = (part: Part) => (part as ReturnType<typeof page>).blocks
  it.each<[string, Lesson]>([
    [
      'columns in columns',
      changed(PAGE, (part) => {
        blocksOf(part).nested = {
          id: 'nested',
          order: 'z',
          kind: 'columns',
          split: 'halves',
          stays: false,
          inside: { columnsId: 'pair', side: 'first' },
        }
      }),
    ],
    [
      'a block in columns that are not there',
      changed(PAGE, (part) => {
        delete blocksOf(part).pair
      }),
    ],
    [
      'a block under another key',
      changed(PAGE, (part) => {
        blocksOf(part).other = blocksOf(part).words!
      }),
    ],
    [
      'a stretch of a part that is no film',
      changed(PAGE, (part) => {
        Object.assign(blocksOf(part).shown!, { stretch: { partId: DECK, fromMs: 0, toMs: 9 } })
      }),
    ],
    [
      'a pin off the picture',
      changed(STILL, (part) => {
        ;(part as ReturnType<typeof still>).pins.pin!.x = 1.2
      }),
    ],
    [
      'a pin that leads to a part that is not there',
      changed(STILL, (part) => {
        ;(part as ReturnType<typeof still>).pins['pin-way']!.opens = {
          what: 'part',
          partId: 'gone',
        }
      }),
    ],
    [
      'an item of a category that is not there',
      changed(CHRONICLE, (part) => {
        ;(part as ReturnType<typeof chronicle>).items.dry!.categoryId = 'gone'
      }),
    ],
    [
      'a day that its month does not have',
      changed(CHRONICLE, (part) => {
        ;(part as ReturnType<typeof chronicle>).items.dry!.from = { year: 1900, month: 2, day: 30 }
      }),
    ],
    [
      'the same question asked in two places',
      changed(STILL, (part) => {
        ;(part as ReturnType<typeof still>).pins['pin-ask']!.opens = {
          what: 'question',
          questionId: 'q-ask',
        }
      }),
    ],
    [
      'an address that a script could run from',
      changed(STILL, (part) => {
        ;(part as ReturnType<typeof still>).pins.pin!.opens = {
          what: 'link',
          address: 'javascript:alert(1)',
          title: '',
          opens: 'inside',
        }
      }),
    ],
  ])('%s', (_name, wrong) => expect(checkLesson(wrong).ok).toBe(false))
})

describe('what keeps a part from learners', () => {
  const empty = (kind: 'page' | 'still' | 'deck' | 'chronicle') =>
    blocked(edited(lessonWithFilm(), edits.addPart, { id: 'new', kind, title: 'New' }))
  it('nothing in it', () => {
    expect([empty('page'), empty('still'), empty('deck'), empty('chronicle')]).toEqual([
      ['page.empty'],
      ['still.noPicture'],
      ['deck.empty'],
      ['chronicle.empty'],
    ])
  })

  it('something that ends before it begins, or has no name; the draft keeps it', () => {
    const until = { year: 1790 }
    const wrong = edited(lesson, edits.setThing, {
      ...at(CHRONICLE, 'dug'),
      change: { until, title: '' },
    })
    expect(chronicle(wrong).items.dug!.until).toEqual(until)
    expect(blocked(wrong)).toEqual(['chronicle.noTitle', 'chronicle.endsTooSoon'])
  })

  it('a question that cannot be asked, named with its place', () => {
    const wrong = edited(lesson, edits.setQuestionText, {
      questionId: 'q-pin',
      field: 'stem',
      text: '',
    })
    expect(findWhatBlocksPublishing(wrong)[0]!.path.slice(0, 4)).toEqual([
      'parts',
      STILL,
      'pins',
      'pin-ask',
    ])
  })
})

it('two things that were added at once can have one put between them', () => {
  const twin = JSON.parse(JSON.stringify(lesson)) as Lesson
  const { items } = chronicle(twin)
  items.dry!.order = items.dug!.order
  const placed = edited(twin, edits.placeThing, { ...at(CHRONICLE, 'old'), beforeId: 'dug' })
  expect(inOrder(Object.values(chronicle(placed).items)).map(({ id }) => id)[0]).not.toBe('')
})
