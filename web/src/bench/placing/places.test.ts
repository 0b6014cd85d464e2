// Where media are put, and what is said of places that are not there any more.
import { afterEach, expect, it, vi } from 'vitest'
import { shallowRef } from 'vue'
import type { Media } from '@fernbrake/core/contract'
import { edits, partOfKind, runEdit, type Edit, type Lesson } from '@fernbrake/core/lesson'
import {
  CHRONICLE,
  DECK,
  edited,
  fullLesson,
  PAGE,
  PART,
  STILL,
  withThings,
} from '@fernbrake/core/testing'
import { placeMedium, type Place } from './places.ts'

const media = (change: Partial<Media> = {}) =>
  ({
    id: 'new',
    kind: 'picture',
    title: 'A gate',
    alternative: 'A wooden gate',
    credit: 'Odile',
    pageCount: null,
    durationMs: null,
    frameRate: null,
    ...change,
  }) as Media

function draftOf(lesson: Lesson) {
  const now = shallowRef(lesson)
  const make = <A>(edit: Edit<A>, args: A) => {
    const outcome = runEdit(now.value, edit, args)
    if (!outcome.ok) return false
    now.value = outcome.lesson
    return true
  }
  return { lesson: now, make, amend: make } as unknown as Parameters<typeof placeMedium>[0] & {
    lesson: typeof now
  }
}
const whole = withThings(fullLesson())
const put = async (place: Place, medium = media(), lesson = whole, id = 'placing') => {
  const draft = draftOf(lesson)
  const placed = await placeMedium(draft, id, place, medium)
  return { placed, lesson: draft.lesson.value, draft }
}
const pages = (words: string[], notes: string[] = []) =>
  vi.stubGlobal('fetch', () =>
    Promise.resolve(
      new Response(
        JSON.stringify({
          pages: words.map((one, index) => ({
            words: one,
            width: 100,
            height: 100,
            ...(notes[index] ? { notes: notes[index] } : {}),
          })),
        }),
      ),
    ),
  )
afterEach(() => vi.unstubAllGlobals())

it('a picture becomes a slide behind the one that was picked, once', async () => {
  const deck = partOfKind(whole, DECK, 'deck')!
  const first = Object.values(deck.slides).sort((a, b) => (a.order < b.order ? -1 : 1))[0]!
  const place = { at: 'slides', partId: DECK, afterId: first.id } as const
  const { placed, lesson } = await put(place)
  expect(placed).toEqual({ outcome: 'placed', thingId: 'placing' })
  const made = partOfKind(lesson, DECK, 'deck')!.slides.placing!
  expect(made).toMatchObject({ mediaId: 'new', title: 'A gate', alternative: 'A wooden gate' })
  expect(made.order > first.order).toBe(true)
  const again = await put(place, media(), lesson)
  expect([again.placed.outcome, again.lesson]).toEqual(['placed', lesson])
  // The one that was picked may be gone.
  const gone = await put({ ...place, afterId: 'gone' })
  expect(gone.placed.outcome).toBe('placed')
})

it('a document becomes a slide a page, with what is said on it, and its notes', async () => {
  pages(['One', 'Two'], ['Say it'])
  const document = media({ kind: 'document', pageCount: 2 })
  const { placed, lesson } = await put({ at: 'slides', partId: DECK, afterId: null }, document)
  expect(placed).toEqual({ outcome: 'placed', thingId: 'placing-1' })
  const { slides } = partOfKind(lesson, DECK, 'deck')!
  expect([slides['placing-1'], slides['placing-2']]).toMatchObject([
    { page: 1, alternative: 'One', title: '', notes: 'Say it' },
    { page: 2, alternative: 'Two', notes: '' },
  ])
  const many = await put(
    { at: 'slides', partId: DECK, afterId: null },
    media({ kind: 'document', pageCount: 5000 }),
  )
  expect(many.placed.outcome).toBe('cut')
  const none = media({ kind: 'document' })
  expect((await put({ at: 'slides', partId: DECK, afterId: null }, none)).placed.outcome).toBe(
    'notDrawn',
  )
})

it('a still, the ground of a chronicle, and the length of a film', async () => {
  const still = await put({ at: 'still', partId: STILL })
  expect(partOfKind(still.lesson, STILL, 'still')).toMatchObject({ mediaId: 'new' })
  const ground = await put({ at: 'background', partId: CHRONICLE })
  expect(partOfKind(ground.lesson, CHRONICLE, 'chronicle')!.background).toEqual({ mediaId: 'new' })
  const attached = edited(whole, edits.attachFilm, {
    partId: PART,
    mediaId: 'new',
    durationMs: null,
    frameRate: null,
  })
  const film = media({ kind: 'film', durationMs: 61_000, frameRate: '25' })
  const length = await put({ at: 'filmLength', partId: PART }, film, attached)
  expect(partOfKind(length.lesson, PART, 'film')).toMatchObject({
    durationMs: 61_000,
    frameRate: '25',
  })
  // Another film has taken its place meanwhile.
  const other = await put({ at: 'filmLength', partId: PART }, film)
  expect([other.placed.outcome, other.lesson]).toEqual(['placed', whole])
})

it('a block and an entry keep what they say already', async () => {
  const picture = { id: 'shown', kind: 'picture', mediaId: null, alternative: 'Mine', caption: '' }
  const lesson = edited(whole, edits.addThings, {
    partId: PAGE,
    map: 'blocks',
    things: [picture as never],
  })
  const block = await put({ at: 'block', partId: PAGE, thingId: 'shown' }, media(), lesson)
  expect(partOfKind(block.lesson, PAGE, 'page')!.blocks.shown).toMatchObject({
    mediaId: 'new',
    alternative: 'Mine',
  })
  const item = Object.keys(partOfKind(whole, CHRONICLE, 'chronicle')!.items)[0]!
  const entry = await put({ at: 'item', partId: CHRONICLE, thingId: item, kind: 'picture' })
  expect(partOfKind(entry.lesson, CHRONICLE, 'chronicle')!.items[item]!.medium).toMatchObject({
    mediaId: 'new',
    kind: 'picture',
    credit: 'Odile',
  })
})

it('an overlay shows it, as long as it is one that would', async () => {
  const showing = (content: object) => ({
    ...whole,
    cues: { ...whole.cues, o: { ...whole.cues.o!, content } as never },
  })
  const place = { at: 'overlay', cueId: 'o' } as const
  const picture = await put(
    place,
    media(),
    showing({ form: 'picture', mediaId: null, fit: 'whole' }),
  )
  expect(picture.lesson.cues.o).toMatchObject({ content: { mediaId: 'new', fit: 'whole' } })
  const film = showing({ form: 'film', mediaId: 'old', startMs: 900, sound: false, fit: 'fill' })
  expect((await put(place, media({ kind: 'film' }), film)).lesson.cues.o).toMatchObject({
    content: { mediaId: 'new', startMs: 0 },
  })
  expect((await put(place, media(), film)).placed.outcome).toBe('gone')
  const sound = showing({ form: 'sound', mediaId: null, begins: 'withFilm', quiets: true })
  const heard = await put(place, media({ kind: 'sound', durationMs: 4000 }), sound)
  const { fromMs } = whole.cues.o as { fromMs: number }
  expect(heard.lesson.cues.o).toMatchObject({
    fromMs,
    toMs: fromMs + 4000,
    content: { mediaId: 'new', said: 'A wooden gate' },
  })
})

it.each<Place>([
  { at: 'slides', partId: 'gone', afterId: null },
  { at: 'still', partId: PAGE },
  { at: 'background', partId: 'gone' },
  { at: 'block', partId: PAGE, thingId: 'gone' },
  { at: 'item', partId: 'gone', thingId: 'gone', kind: 'picture' },
  { at: 'overlay', cueId: 'a' },
  { at: 'area', questionId: 'q-a' },
  { at: 'text', padId: 'closed' },
])('says so where the place is gone: $at', async (place) => {
  const { placed, lesson } = await put(place)
  expect([placed.outcome, lesson]).toEqual(['gone', whole])
})
