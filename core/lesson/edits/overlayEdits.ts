// Edits of overlays beyond their words and time: what they are, how they are turned, locked, grouped, stacked, styled.
import { cleanText } from '../../fields/index.ts'
import type {
  Box,
  NamedLook,
  OverlayAction,
  OverlayForm,
  OverlayLook,
  Shown,
  Transition,
} from '../overlaySchema.ts'
import type { Edit } from '../runEdit.ts'
import type { Lesson, OverlayCue } from '../schema.ts'
import { clampToFilm, orderBetween } from './placing.ts'
import { boxOnStage } from './cueEdits.ts'
import { showsWords } from '../overlay.ts'
import { becomeUsual } from './usualOverlay.ts'

function overlayIn(draft: Lesson, cueId: string): OverlayCue | null {
  const cue = draft.cues[cueId]
  return cue?.kind === 'overlay' ? cue : null
}

/**
 * Makes an overlay another kind of overlay; its time stays, and so do place and look that were chosen, and its words. `unwritten` are
 * those that a new one begins with: they describe no picture, and go where words are not shown.
 */
export const setOverlayForm: Edit<{ cueId: string; content: OverlayForm; unwritten?: string }> = {
  name: 'setOverlayForm',
  change: (draft, { cueId, content, unwritten }) => {
    const cue = overlayIn(draft, cueId)
    if (!cue) return
    if (!showsWords(content.form) && cue.text === unwritten) cue.text = ''
    becomeUsual(cue, cue.content?.form ?? 'text', content.form)
    if (content.form === 'text') delete cue.content
    else cue.content = cleanForm(content)
  },
}

function cleanForm(content: OverlayForm): OverlayForm {
  if (content.form === 'panel') return { ...content, title: cleanText(content.title) }
  if (content.form === 'sound' && content.said !== undefined)
    return { ...content, said: cleanText(content.said) }
  return content
}

/** Turns an overlay to so many degrees, clockwise, between −180 and 180. */
export const turnOverlay: Edit<{ cueId: string; degrees: number }> = {
  name: 'turnOverlay',
  change: (draft, { cueId, degrees }) => {
    const cue = overlayIn(draft, cueId)
    if (!cue) return
    const turned = ((((Math.round(degrees * 10) / 10 + 180) % 360) + 360) % 360) - 180
    if (turned === 0) delete cue.rotation
    else cue.rotation = turned
  },
}

/** What designers call an overlay among others; '' takes the name away. */
export const nameOverlay: Edit<{ cueId: string; name: string }> = {
  name: 'nameOverlay',
  change: (draft, { cueId, name }) => {
    const cue = overlayIn(draft, cueId)
    const words = cleanText(name).trim()
    if (cue && words !== '') cue.name = words
    else if (cue) delete cue.name
  },
}

export const setOverlayShown: Edit<{ cueId: string; shown: Shown | null }> = {
  name: 'setOverlayShown',
  change: (draft, { cueId, shown }) => {
    const cue = overlayIn(draft, cueId)
    if (cue) cue.shown = shown
  },
}

export const setTransition: Edit<{
  cueId: string
  at: 'comes' | 'goes'
  transition: Transition | null
}> = {
  name: 'setTransition',
  change: (draft, { cueId, at, transition }) => {
    const cue = overlayIn(draft, cueId)
    if (cue) cue[at] = transition
  },
}

export const setOverlayAction: Edit<{ cueId: string; action: OverlayAction | null }> = {
  name: 'setOverlayAction',
  change: (draft, { cueId, action }) => {
    const cue = overlayIn(draft, cueId)
    if (!cue) return
    if (action?.does === 'time')
      cue.action = { ...action, atMs: clampToFilm(draft, cue.partId, action.atMs) }
    else if (action?.does === 'text') cue.action = { ...action, text: cleanText(action.text) }
    else cue.action = action
  },
}

/** Places several overlays at once, as aligning, distributing or moving together does. */
export const setOverlayBoxes: Edit<{ boxes: Readonly<Record<string, Box>> }> = {
  name: 'setOverlayBoxes',
  change: (draft, { boxes }) => {
    for (const [cueId, box] of Object.entries(boxes)) {
      const cue = overlayIn(draft, cueId)
      if (cue) Object.assign(cue.box, boxOnStage(box))
    }
  },
}

export const lockOverlays: Edit<{ cueIds: readonly string[]; locked: boolean }> = {
  name: 'lockOverlays',
  change: (draft, { cueIds, locked }) => {
    for (const cueId of cueIds) {
      const cue = overlayIn(draft, cueId)
      if (cue) cue.locked = locked
    }
  },
}

/** Joins overlays into a group; with null they leave the one they are in. */
export const groupOverlays: Edit<{ cueIds: readonly string[]; groupId: string | null }> = {
  name: 'groupOverlays',
  change: (draft, { cueIds, groupId }) => {
    for (const cueId of cueIds) {
      const cue = overlayIn(draft, cueId)
      if (cue) cue.groupId = groupId
    }
  },
}

/** Brings overlays to the front of everything that can share the stage with them, or behind it all. */
export const stackOverlays: Edit<{ cueIds: readonly string[]; to: 'front' | 'back' }> = {
  name: 'stackOverlays',
  change: (draft, { cueIds, to }) => {
    const moved = cueIds.flatMap((id) => overlayIn(draft, id) ?? []).sort(byOrder)
    const orders = Object.values(draft.cues)
      .filter((cue) => !cueIds.includes(cue.id))
      .map(({ order }) => order)
      .sort()
    if (to === 'back') moved.reverse()
    let edge = to === 'front' ? (orders.at(-1) ?? null) : (orders[0] ?? null)
    for (const cue of moved) {
      cue.order = to === 'front' ? orderBetween(edge, null) : orderBetween(null, edge)
      edge = cue.order
    }
  },
}

const byOrder = (a: { order: string }, b: { order: string }) => (a.order < b.order ? -1 : 1)

/** Gives overlays the look of another, all of it. */
export const applyLook: Edit<{ cueIds: readonly string[]; look: OverlayLook }> = {
  name: 'applyLook',
  change: (draft, { cueIds, look }) => {
    for (const cueId of cueIds) {
      const cue = overlayIn(draft, cueId)
      if (cue) cue.look = { ...look }
    }
  },
}

/** Keeps a look in the lesson under a name, or changes the one with this id. */
export const keepLook: Edit<NamedLook> = {
  name: 'keepLook',
  change: (draft, { id, name, look }) => {
    draft.looks ??= {}
    draft.looks[id] = { id, name: cleanText(name), look: { ...look } }
  },
}

export const removeLook: Edit<{ id: string }> = {
  name: 'removeLook',
  change: (draft, { id }) => {
    delete draft.looks?.[id]
  },
}
