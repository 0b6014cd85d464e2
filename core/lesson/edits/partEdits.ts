// Edits of the parts of a lesson: what they are called, their order, and the film of a film part.
import { cleanText, withoutStretches } from '../../fields/index.ts'
import {
  asksIn,
  blankPart,
  forgetPartIn,
  type FrameRateName,
  partOfKind,
  type PartKindName,
  type SeekRule,
} from '../parts/index.ts'
import { forgetAskers, forgetPart, forgetPartOnRoutes } from '../references.ts'
import type { Edit } from '../runEdit.ts'
import type { Lesson } from '../schema.ts'
import { moveAmong, orderAfterAll, orderBefore } from './placing.ts'
import { removeCues } from './severalEdits.ts'

/** A new part of any kind with nothing in it yet; `thingId` names the first thing of a kind that begins with one. */
export const addPart: Edit<{ id: string; kind: PartKindName; title: string; thingId?: string }> = {
  name: 'addPart',
  change: (draft, { id, kind, title, thingId = '' }) => {
    const order = orderAfterAll(Object.values(draft.parts))
    const first = () => ({ id: thingId, order: orderAfterAll([]) })
    draft.parts[id] = blankPart(kind, { id, title: cleanText(title), order }, first)
  },
}

/** `addPart` as undo and history know it where a kind has a name of its own there. */
export const addPartOf = (kind: PartKindName): typeof addPart => ({
  ...addPart,
  name: ADDED_AS[kind] ?? addPart.name,
})
const ADDED_AS: Partial<Record<PartKindName, string>> = { film: 'addFilmPart', quiz: 'addQuizPart' }

export const addFilmPart: Edit<{ id: string; title: string }> = {
  name: 'addFilmPart',
  change: (draft, { id, title }) => addPart.change(draft, { id, kind: 'film', title }),
}

export const renamePart: Edit<{ partId: string; title: string }> = {
  name: 'renamePart',
  change: (draft, { partId, title }) => {
    const part = draft.parts[partId]
    if (part) part.title = cleanText(title)
  },
}

/** Gives a part its film; a length or frame rate that is not known yet is null. */
export const attachFilm: Edit<{
  partId: string
  mediaId: string
  durationMs: number | null
  frameRate: FrameRateName | null
}> = {
  name: 'attachFilm',
  change: (draft, { partId, ...film }) => {
    const part = partOfKind(draft, partId, 'film')
    if (part) Object.assign(part, film)
  },
}

/** How the frames of a film of 29.97 or 59.94 a second are counted; null for dropping numbers, as is usual. */
export const setTimecode: Edit<{ partId: string; timecode: 'nonDrop' | null }> = {
  name: 'setTimecode',
  change: (draft, { partId, timecode }) => {
    const part = partOfKind(draft, partId, 'film')
    if (!part) return
    if (timecode === null) delete part.timecode
    else part.timecode = timecode
  },
}

export const setSeekRule: Edit<{ partId: string; seekRule: SeekRule }> = {
  name: 'setSeekRule',
  change: (draft, { partId, seekRule }) => {
    const part = partOfKind(draft, partId, 'film')
    if (part) part.seekRule = seekRule
  },
}

/** A new quiz with one section and no question yet. */
export const addQuizPart: Edit<{ id: string; title: string; sectionId: string }> = {
  name: 'addQuizPart',
  change: (draft, { id, title, sectionId: thingId }) =>
    addPart.change(draft, { id, kind: 'quiz', title, thingId }),
}

/** Keeps a part from learners, or lets them have it. */
export const hidePart: Edit<{ partId: string; hidden: boolean }> = {
  name: 'hidePart',
  change: (draft, { partId, hidden }) => {
    const part = draft.parts[partId]
    if (!part) return
    if (hidden) part.hidden = true
    else delete part.hidden
  },
}

/** Puts a part before another one, or at the end. */
export const placePart: Edit<{ partId: string; beforeId: string | null }> = {
  name: 'placePart',
  change: (draft, { partId, beforeId }) => {
    const part = draft.parts[partId]
    if (!part || partId === beforeId) return
    part.order = orderBefore(Object.values(draft.parts), partId, beforeId)
  },
}

/** Moves a part before the one before it, or after the one after it. */
export const movePart: Edit<{ partId: string; by: 1 | -1 }> = {
  name: 'movePart',
  change: (draft, { partId, by }) => moveAmong(Object.values(draft.parts), partId, by),
}

/** Removes a part with all that is in it: its cues, its scripts, its questions. What named it stays without it. */
export const removePart: Edit<{ partId: string }> = {
  name: 'removePart',
  change: (draft, { partId }) => {
    const part = draft.parts[partId]
    if (!part) return
    const asks = asksIn(part)
    for (const { questionId } of asks) delete draft.questions[questionId]
    const mine = Object.values(draft.cues).filter((cue) => cue.partId === partId)
    removeCues.change(draft, { cueIds: mine.map(({ id }) => id) })
    for (const script of Object.values(draft.scripts))
      if (script.partId === partId) delete draft.scripts[script.id]
    delete draft.parts[partId]
    for (const cue of Object.values(draft.cues)) forgetPart(cue, partId)
    for (const other of Object.values(draft.parts)) forgetPartIn(other, partId)
    forgetPartOnRoutes(draft, partId)
    forgetAskers(draft, (id) => asks.some((one) => one.id === id))
    forgetStretches(draft, partId)
  },
}

/** Takes the stretches of a film that is gone out of every text, and out of evidence. */
function forgetStretches(draft: Lesson, partId: string): void {
  const isLost = (id: string) => id === partId
  for (const map of [draft.parts, draft.questions, draft.materials ?? {}] as const)
    for (const [id, thing] of Object.entries(map)) {
      const kept: unknown = withoutStretches(thing as never, isLost)
      if (JSON.stringify(kept) !== JSON.stringify(thing)) Object.assign(map, { [id]: kept })
    }
  for (const question of Object.values(draft.questions))
    if (question.evidence?.partId === partId) question.evidence = null
}
