// Every kind of part, by what all kinds must be able to do.
import { describe, expect, it } from 'vitest'
import { fullLesson, withThings } from '../../testing/index.ts'
import { mediaOfText } from '../../fields/index.ts'
import { checkLesson } from '../check.ts'
import * as edits from '../edits/index.ts'
import { runEdit } from '../runEdit.ts'
import { emptyLesson, type Lesson } from '../schema.ts'
import {
  asksIn,
  findUnreadyPart,
  forgetPartIn,
  handsIn,
  isPlayed,
  leadsOf,
  mapsOfPart,
  mediaOfPart,
  notedAt,
  PART_KINDS,
  partSchema,
  partsInOrder,
  pagesOfPart,
  playingMs,
  stretchesOfPart,
  textsOfPart,
  thingIdsOf,
  thingsToBeSeen,
  thingsToSee,
  type Part,
} from './index.ts'

const full = withThings(fullLesson())
const quizzed = edit(full, 'quiz')
const parts = partsInOrder(quizzed)
const ofKind = (kind: Part['kind']) => parts.find((part) => part.kind === kind)!

function edit(lesson: Lesson, kind: Part['kind']): Lesson {
  const outcome = runEdit(lesson, edits.addPart, { id: 'new', kind, title: 'New', thingId: 'one' })
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues))
  return outcome.lesson
}

/** All values under these names, however deep. */
function valuesUnder(names: readonly string[], value: unknown): unknown[] {
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([name, inner]: [string, unknown]) => [
    ...(names.includes(name) && typeof inner === 'string' ? [inner] : []),
    ...valuesUnder(names, inner),
  ])
}

it('all kinds are offered, and the lesson of these tests has all of them', () => {
  expect([...PART_KINDS].sort()).toEqual(
    partSchema.options.map((one) => one.shape.kind.value).sort(),
  )
  expect(new Set(parts.map(({ kind }) => kind))).toEqual(new Set(PART_KINDS))
})

describe.each(PART_KINDS)('a new %s', (kind) => {
  const lesson = edit(emptyLesson('Lesson', 'en'), kind)
  const part = lesson.parts.new!

  it('may stand in a lesson under its title', () => {
    expect(part).toMatchObject({ kind, title: 'New' })
    expect(checkLesson(JSON.parse(JSON.stringify(lesson))).ok).toBe(true)
  })

  it('shows and asks nothing yet', () => {
    expect([asksIn(part), mediaOfPart(part), leadsOf(part), stretchesOfPart(part)]).toEqual(
      Array(4).fill([]),
    )
  })

  it('cannot be published as it is, unless it is a film, of which others tell', () => {
    expect(findUnreadyPart(lesson, part).length > 0).toBe(!isPlayed(part))
  })
})

describe.each(parts.map((part) => [part.kind, part] as const))('a %s', (kind, part) => {
  it('names every medium that is written in it', () => {
    const named = [...mediaOfPart(part), ...textsOfPart(part).flatMap(mediaOfText)]
    const written = valuesUnder(['mediaId', 'offers'], part)
    // The film of a film part is told apart from what lies on it.
    expect(new Set(named)).toEqual(new Set(isPlayed(part) ? [] : written))
  })

  it('names every question and every other part that is written in it', () => {
    const asked = asksIn(part).map(({ questionId }) => questionId)
    expect(new Set(asked)).toEqual(new Set(valuesUnder(['questionId'], part)))
    const known = [...leadsOf(part), ...stretchesOfPart(part)].map(({ partId }) => partId)
    const inTexts = textsOfPart(part).flatMap((text) => valuesUnder(['partId'], text))
    const written = valuesUnder(['partId'], { ...part, gate: null })
    expect(new Set([...known, ...inTexts])).toEqual(new Set(written))
  })

  it('leads where its paths say', () => {
    for (const { path, partId } of [...leadsOf(part), ...stretchesOfPart(part)])
      expect(path.reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], part)).toBe(
        partId,
      )
  })

  it('has under an id each thing that can be seen, asked or noted', () => {
    const ids = thingIdsOf(part)
    for (const map of Object.values(mapsOfPart(part)))
      for (const [id, thing] of Object.entries(map)) expect(thing.id).toBe(id)
    expect(ids).toEqual(
      expect.arrayContaining([
        ...thingsToSee(part),
        ...asksIn(part).map(({ id }) => id),
        ...notedAt(part),
      ]),
    )
    expect(thingsToSee(part)).toEqual(expect.arrayContaining(thingsToBeSeen(part)))
  })

  it('forgets a part that is gone, and names it nowhere outside its texts', () => {
    const copy = JSON.parse(JSON.stringify(part)) as Part
    const named = [...leadsOf(copy), ...stretchesOfPart(copy)].map(({ partId }) => partId)
    for (const partId of named) forgetPartIn(copy, partId!)
    expect(stretchesOfPart(copy)).toEqual([])
    expect(leadsOf(copy).every(({ partId }) => partId === null)).toBe(true)
    expect(partSchema.safeParse(copy).success, kind).toBe(true)
  })
})

it('a film plays for as long as is known; a quiz is handed in; a deck must be seen whole and draws pages', () => {
  const film = ofKind('film')
  expect([isPlayed(film), playingMs(film)]).toEqual([true, 60_000])
  expect(parts.filter(handsIn).map(({ kind }) => kind)).toEqual(['quiz'])
  const deck = ofKind('deck')
  expect(thingsToBeSeen(deck)).toEqual(thingsToSee(deck))
  expect(pagesOfPart(deck)).not.toEqual([])
  expect(thingsToBeSeen(ofKind('still'))).toEqual([])
})
