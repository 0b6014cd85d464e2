// What is done with cues: placed, removed, copied, moved.
import { nanoid } from 'nanoid'
import { shallowRef } from 'vue'
import {
  boundedShift,
  clipOf,
  cueStartMs,
  edits,
  lineIndexAt,
  usualWayBackMs,
  type Clip,
  type Cue,
  type OverlayForm,
  type OverlayLook,
} from '@fernbrake/core/lesson'
import { stepFrames } from '@fernbrake/core/media'
import type { Draft } from '../useDraft.ts'
import type { Places } from './places.ts'
import type { Playhead } from './playhead.ts'
import type { Reading } from './reading.ts'
import type { Rights } from './rights.ts'
import type { Selection } from './selection.ts'

export type CueKind = Cue['kind']

/** What new cues say to begin with. */
export interface FirstWords {
  bookmark: () => string
  overlay: () => string
}

interface Around {
  draft: Draft
  places: Places
  playhead: Playhead
  reading: Reading
  selection: Selection
  rights: Rights
}

/** The evidence of a question that is placed without a script line is this long, in ms. */
const USUAL_EVIDENCE_MS = 8000
/** An overlay whose end is moved before its beginning stays this long, in ms. */
const SHORTEST_OVERLAY_MS = 40

/** What an overlay is placed with: when it goes, and what it is. */
interface PlacedWith {
  endMs?: number | undefined
  content?: OverlayForm | undefined
}

/** Places a cue at a moment; the script line there gives a question its evidence. */
function createPlacing(
  { draft, places, playhead, reading, selection, rights }: Around,
  words: FirstWords,
) {
  function placeQuestion(partId: string, cueId: string, atMs: number): boolean {
    const lines = reading.lines.value
    const line = lines[lineIndexAt(lines, Math.max(0, atMs - 1))]
    const fromMs = line ? line.fromMs : Math.max(0, atMs - USUAL_EVIDENCE_MS)
    const toMs = line ? Math.min(line.toMs, atMs) : atMs
    return draft.make(edits.addQuestion, {
      cueId,
      questionId: nanoid(),
      optionIds: [nanoid(), nanoid()],
      partId,
      atMs,
      evidence: toMs > fromMs ? { fromMs, toMs } : null,
    })
  }
  const MAKE: Record<
    CueKind,
    (partId: string, cueId: string, atMs: number, more: PlacedWith) => boolean
  > = {
    question: placeQuestion,
    overlay: (partId, cueId, fromMs, { endMs: toMs, content }) =>
      draft.make(edits.addOverlay, { cueId, partId, fromMs, toMs, text: words.overlay(), content }),
    fork: (partId, cueId, atMs) =>
      draft.make(edits.addFork, {
        cueId,
        partId,
        atMs,
        choiceIds: [nanoid(), nanoid()],
        backMs: usualWayBackMs(atMs),
      }),
    note: (partId, cueId, atMs) => draft.make(edits.addNote, { cueId, partId, atMs }),
    bookmark: (partId, cueId, atMs) =>
      draft.make(edits.addBookmark, { cueId, partId, atMs, title: words.bookmark() }),
  }
  return (kind: CueKind, atMs = playhead.mediaMs.value, more: PlacedWith = {}): void => {
    const partId = places.part.value?.id
    const mayPlace = kind === 'note' ? rights.canNote.value : rights.canEdit.value
    if (!partId || playhead.durationMs.value === 0 || !mayPlace) return
    const cueId = nanoid()
    playhead.film.value?.pause()
    if (!MAKE[kind](partId, cueId, atMs, more)) return
    selection.select(cueId)
    selection.placed.value = { id: cueId }
  }
}

export function createCueActs(around: Around, words: FirstWords) {
  const { draft, places, playhead, selection, rights } = around
  const { lesson } = draft
  const { selectedIds, selectedCues, selected } = selection
  const { mediaMs } = playhead
  /** A look on its way to other overlays. */
  const copiedLook = shallowRef<OverlayLook | null>(null)

  function remove(cueIds: readonly string[] = selectedIds.value): void {
    if (!rights.mayTouch(cueIds) || cueIds.length === 0) return
    draft.make(edits.removeCues, { cueIds })
    selectedIds.value = selectedIds.value.filter((id) => !cueIds.includes(id))
  }

  /** What is selected, to be put on the clipboard. */
  const copied = () => clipOf(lesson.value, selectedIds.value)

  /** Pastes a clip at the moment shown, and selects what came of it. */
  function paste(clip: Clip): void {
    const partId = places.part.value?.id
    if (!partId || playhead.durationMs.value === 0 || !rights.canEdit.value) return
    const ids = [...clip.cues.map(({ id }) => id), ...Object.keys(clip.questions)]
    const newIds = Object.fromEntries(ids.map((id) => [id, nanoid()]))
    if (draft.make(edits.pasteCues, { clip, partId, atMs: mediaMs.value, newIds }))
      selection.selectMany(clip.cues.map(({ id }) => newIds[id]!))
  }

  /** Copies what is selected to the moment shown. */
  function duplicate(): void {
    const clip = copied()
    if (clip) paste(clip)
  }

  /** Moves what is selected together; nothing leaves the film. */
  function moveSelection(byMs: number): void {
    const cueIds = selectedCues.value.map(({ id }) => id)
    if (!rights.mayTouch(cueIds) || boundedShift(lesson.value, selectedCues.value, byMs) === 0)
      return
    if (draft.make(edits.moveCues, { cueIds, byMs }) && selected.value)
      playhead.seek(cueStartMs(selected.value))
  }

  /** Moves what is selected by whole frames, counted from the last one selected. */
  function nudge(frames: number): void {
    if (!selected.value) return
    playhead.film.value?.pause()
    const startMs = cueStartMs(selected.value)
    moveSelection(stepFrames(startMs, frames, playhead.frameRate.value) - startMs)
  }

  /** Sets the selected overlay's beginning or end, or another cue's time, to the moment shown. */
  function setEdge(edge: 'in' | 'out'): void {
    const cue = selected.value
    if (!cue || !rights.mayTouch([cue.id])) return
    const [cueId, atMs] = [cue.id, mediaMs.value]
    if (cue.kind !== 'overlay') draft.make(edits.moveCue, { cueId, toMs: atMs })
    else if (edge === 'in') {
      const toMs = Math.max(cue.toMs, atMs + SHORTEST_OVERLAY_MS)
      draft.make(edits.setOverlaySpan, { cueId, fromMs: atMs, toMs })
    } else if (atMs > cue.fromMs)
      draft.make(edits.setOverlaySpan, { cueId, fromMs: cue.fromMs, toMs: atMs })
  }
  const place = createPlacing(around, words)
  return { place, remove, copied, paste, duplicate, moveSelection, nudge, setEdge, copiedLook }
}
