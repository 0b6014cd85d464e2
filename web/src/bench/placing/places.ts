// Where in a lesson a medium is to be put, as plain data: so that it is known what was meant when the medium is there at
// last, whatever is open on the bench by then.
import type { Media } from '@fernbrake/core/contract'
import { washedContrast } from '@fernbrake/core/colour'
import { mediaFileAddress } from '@fernbrake/core/contract'
import { edits, partOfKind, type Lesson, type NewThing, type Slide } from '@fernbrake/core/lesson'
import type { Draft } from '../useDraft.ts'
import { readPixels } from '../lesson/usePixels.ts'
import { wordsOfPages } from '../parts/deck/wordsOfPages.ts'

export type Place =
  /** As slides of a deck, after one of them or at the end. */
  | { at: 'slides'; partId: string; afterId: string | null }
  /** As the picture of a still. */
  | { at: 'still'; partId: string }
  /** Behind a chronicle. */
  | { at: 'background'; partId: string }
  | { at: 'block'; partId: string; thingId: string }
  | { at: 'item'; partId: string; thingId: string; kind: 'picture' | 'sound' | 'film' }
  | { at: 'overlay'; cueId: string }
  /** As the picture that an area question asks about. */
  | { at: 'area'; questionId: string }
  | { at: 'cover' }
  /** The film of a film part, which is there already, and how long it is. */
  | { at: 'filmLength'; partId: string }
  /** Into a text that is being written; only while it is. */
  | { at: 'text'; padId: string }

/** The same place, said the same way. */
export const keyOf = (place: Place): string => JSON.stringify(place)

/**
 * `gone`: the place is not there any more. `cut`: a document has more pages than were taken; `notDrawn`: its pages cannot
 * be shown. `thingId` is what came of it, where that is a thing of its own.
 */
export type Placed =
  { outcome: 'placed' | 'cut'; thingId?: string } | { outcome: 'gone' | 'notDrawn' | 'refused' }

const GONE: Placed = { outcome: 'gone' }
type Drafting = Pick<Draft, 'lesson' | 'make' | 'amend'>

/** Makes the edit that puts a medium in its place. `id` is of the placing: done twice, nothing comes of the second. */
export async function placeMedium(
  draft: Drafting,
  id: string,
  place: Place,
  media: Media,
): Promise<Placed> {
  switch (place.at) {
    case 'slides':
      return placeSlides(draft, id, place, media)
    case 'cover':
      return placeCover(draft, media)
    case 'still':
    case 'background':
    case 'filmLength':
      return placeInPart(draft, place, media)
    case 'block':
    case 'item':
      return placeInThing(draft, place, media)
    case 'overlay':
      return placeOnFilm(draft, place.cueId, media)
    case 'area': {
      const { questionId } = place
      if (draft.lesson.value.questions[questionId]?.kind !== 'area') return GONE
      const rules = { mediaId: media.id } as never
      return said(draft.make(edits.setQuestionRules, { questionId, rules }))
    }
    case 'text':
      return GONE
  }
}

const said = (isMade: boolean, thingId?: string): Placed =>
  isMade ? { outcome: 'placed', ...(thingId ? { thingId } : {}) } : { outcome: 'refused' }

async function placeSlides(
  draft: Drafting,
  id: string,
  { partId, afterId }: Extract<Place, { at: 'slides' }>,
  { id: mediaId, kind, title, alternative, pageCount }: Media,
): Promise<Placed> {
  if (kind === 'document' && pageCount === null) return { outcome: 'notDrawn' }
  const words =
    kind === 'document' ? await wordsOfPages(mediaId) : [{ words: alternative, notes: '' }]
  const part = partOfKind(draft.lesson.value, partId, 'deck')
  if (!part) return GONE
  const isDocument = kind === 'document'
  const things = words.map(({ words: alternative, notes }, index): NewThing<Slide> => {
    const page = isDocument ? { page: index + 1 } : {}
    const slideId = isDocument ? `${id}-${index + 1}` : id
    return { id: slideId, mediaId, ...page, title: isDocument ? '' : title, alternative, notes }
  })
  const isThere = things.some((thing) => Object.hasOwn(part.slides, thing.id))
  const after = afterId !== null && Object.hasOwn(part.slides, afterId) ? afterId : null
  const made =
    isThere || draft.make(edits.addThings, { partId, map: 'slides', things, afterId: after })
  if (!made) return { outcome: 'refused' }
  // It may have been drawn when fewer were.
  const isCut = isDocument && (pageCount ?? 0) > things.length
  return { outcome: isCut ? 'cut' : 'placed', thingId: things[0]!.id }
}

function placeInPart(
  draft: Drafting,
  place: Extract<Place, { at: 'still' | 'background' | 'filmLength' }>,
  media: Media,
): Placed {
  const { partId } = place
  const { id: mediaId, alternative, durationMs, frameRate } = media
  const lesson = draft.lesson.value
  if (place.at === 'filmLength') {
    const film = partOfKind(lesson, partId, 'film')
    if (film?.mediaId !== mediaId) return { outcome: 'placed' }
    if (film.durationMs !== durationMs || film.frameRate !== frameRate)
      draft.amend(edits.attachFilm, { partId, mediaId, durationMs, frameRate })
    return { outcome: 'placed' }
  }
  if (place.at === 'background') {
    if (!partOfKind(lesson, partId, 'chronicle')) return GONE
    return said(draft.make(edits.setPart, { partId, change: { background: { mediaId } } }))
  }
  const still = partOfKind(lesson, partId, 'still')
  if (!still) return GONE
  const change = { mediaId, ...(still.alternative ? {} : { alternative }) }
  return said(draft.make(edits.setPart, { partId, change }))
}

function placeInThing(
  draft: Drafting,
  place: Extract<Place, { at: 'block' | 'item' }>,
  media: Media,
): Placed {
  const { partId, thingId } = place
  const change =
    place.at === 'block'
      ? inBlock(draft.lesson.value, place, media)
      : inItem(draft.lesson.value, place, media)
  if (!change) return GONE
  return said(draft.make(edits.setThing, { partId, thingId, change }), thingId)
}

/** What a block says already stays. */
function inBlock(
  lesson: Lesson,
  { partId, thingId }: Extract<Place, { at: 'block' }>,
  { id: mediaId, title, alternative }: Media,
) {
  const block = partOfKind(lesson, partId, 'page')?.blocks[thingId]
  if (block?.kind === 'picture') return { mediaId, alternative: block.alternative || alternative }
  if (block && 'mediaId' in block && 'title' in block)
    return { mediaId, title: block.title || title }
  return null
}

function inItem(
  lesson: Lesson,
  { partId, thingId, kind }: Extract<Place, { at: 'item' }>,
  { id: mediaId, alternative, credit }: Media,
) {
  const item = partOfKind(lesson, partId, 'chronicle')?.items[thingId]
  if (!item) return null
  const now = item.medium
  return {
    medium: {
      mediaId,
      kind,
      caption: now?.caption ?? '',
      alternative: alternative || (now?.alternative ?? ''),
      credit: credit || (now?.credit ?? ''),
    },
  }
}

function placeOnFilm(draft: Drafting, cueId: string, media: Media): Placed {
  const cue = Object.hasOwn(draft.lesson.value.cues, cueId) ? draft.lesson.value.cues[cueId] : null
  if (cue?.kind !== 'overlay') return GONE
  const { content, fromMs } = cue
  const { id: mediaId, durationMs, alternative } = media
  const show = (next: typeof content) =>
    next ? said(draft.make(edits.setOverlayForm, { cueId, content: next })) : GONE
  // What the overlay was meant to show may be something else by now.
  if (content?.form !== media.kind) return GONE
  if (content.form === 'picture') return show({ ...content, mediaId })
  if (content.form === 'film') return show({ ...content, mediaId, startMs: 0 })
  if (content.form !== 'sound') return GONE
  const heard = alternative || content.said
  const placed = show({ ...content, mediaId, ...(heard === undefined ? {} : { said: heard }) })
  // A sound that comes with the film stays for as long as it is heard.
  if (content.begins === 'withFilm' && durationMs)
    draft.make(edits.setOverlaySpan, { cueId, fromMs, toMs: fromMs + durationMs })
  return placed
}

/** A cover begins with these. */
export const USUAL_WASH = '#163F2A'
const USUAL_STRENGTH = 0.5

async function placeCover(draft: Drafting, { id: mediaId }: Media): Promise<Placed> {
  const cover = draft.lesson.value.cover ?? null
  const { wash, strength } = cover ?? { wash: USUAL_WASH, strength: USUAL_STRENGTH }
  const seen = await readPixels(mediaFileAddress(mediaId, 'poster')).catch(() => null)
  const letters = seen ? washedContrast(seen, wash, strength).letters : 'paper'
  return said(draft.make(edits.setCover, { cover: { mediaId, wash, strength, letters } }))
}
