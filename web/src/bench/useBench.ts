// What the parts of the bench share: the film part, the moment that stage, script and frond show, and the selection.
import { nanoid } from 'nanoid'
import { computed, inject, provide, ref, shallowRef, type InjectionKey } from 'vue'
import type { Media } from '@fernbrake/core/contract'
import {
  cuesInOrder,
  cueStartMs,
  edits,
  lineIndexAt,
  linesInOrder,
  partsInOrder,
  scriptOfPart,
} from '@fernbrake/core/lesson'
import { frameAt, frameRateOf, msOfFrame, stepFrames } from '@fernbrake/core/media'
import type { FilmMedia, MediaSnapshot } from '@fernbrake/player'
import type { Draft } from './useDraft.ts'

export type Bench = ReturnType<typeof createBench>
export type CueKind = 'question' | 'overlay' | 'bookmark'

/** The evidence of a question that is placed without a script line is this long, in ms. */
const USUAL_EVIDENCE_MS = 8000

export function createBench(
  draft: Draft,
  words: { bookmark: () => string; overlay: () => string },
) {
  const { lesson } = draft
  const media = shallowRef<Media | null>(null)
  const film = shallowRef<FilmMedia | null>(null)
  const snapshot = shallowRef<MediaSnapshot | null>(null)
  const mediaMs = ref(0)
  const selectedId = ref<string | null>(null)
  const part = computed(() => partsInOrder(lesson.value)[0] ?? null)
  const durationMs = computed(() => part.value?.durationMs ?? media.value?.durationMs ?? 0)
  const frameRate = computed(() => frameRateOf(part.value?.frameRate ?? '25'))
  const cues = computed(() => (part.value ? cuesInOrder(lesson.value, part.value.id) : []))
  const script = computed(() =>
    part.value ? (scriptOfPart(lesson.value, part.value.id, lesson.value.language) ?? null) : null,
  )
  const lines = computed(() => (script.value ? linesInOrder(script.value) : []))
  const lineIndex = computed(() => lineIndexAt(lines.value, mediaMs.value))
  const selected = computed(() =>
    selectedId.value ? (lesson.value.cues[selectedId.value] ?? null) : null,
  )
  const canEdit = computed(() => draft.role !== 'viewer')

  function seek(ms: number): void {
    const onFrame = msOfFrame(frameAt(Math.max(0, ms), frameRate.value), frameRate.value)
    mediaMs.value = Math.min(onFrame, durationMs.value)
    film.value?.seekTo(mediaMs.value)
  }

  function toggle(): void {
    if (!film.value) return
    if (film.value.snapshot().paused) {
      if (mediaMs.value >= durationMs.value - 50) seek(0)
      void film.value.play()
    } else film.value.pause()
  }

  function step(frames: number): void {
    film.value?.pause()
    seek(stepFrames(mediaMs.value, frames, frameRate.value))
  }

  /** Goes to the cue before or after the moment shown, and selects it. */
  function toCue(direction: 1 | -1): void {
    const at = mediaMs.value
    const isSelected = (id: string) => id === selectedId.value
    const list = cues.value
    const here = list.findIndex((cue) => isSelected(cue.id) && Math.abs(cueStartMs(cue) - at) < 60)
    const next =
      here >= 0
        ? list[here + direction]
        : direction > 0
          ? list.find((cue) => cueStartMs(cue) > at)
          : list.findLast((cue) => cueStartMs(cue) < at)
    if (next) select(next.id, true)
  }

  function select(id: string | null, goThere = false): void {
    selectedId.value = id
    const cue = id ? lesson.value.cues[id] : undefined
    if (!cue || !goThere) return
    // Whoever goes to an overlay wants to see it: inside its time the playhead stays.
    const inside = cue.kind === 'overlay' && mediaMs.value >= cue.fromMs && mediaMs.value < cue.toMs
    if (!inside) {
      film.value?.pause()
      seek(cueStartMs(cue))
    }
  }

  /** Places a cue at a moment; the script line there gives a question its evidence. */
  function place(kind: CueKind, atMs = mediaMs.value, endMs?: number): void {
    const partId = part.value?.id
    if (!partId || durationMs.value === 0 || !canEdit.value) return
    const cueId = nanoid()
    film.value?.pause()
    const done =
      kind === 'question'
        ? placeQuestion(partId, cueId, atMs)
        : kind === 'overlay'
          ? draft.make(edits.addOverlay, {
              cueId,
              partId,
              fromMs: atMs,
              toMs: endMs,
              text: words.overlay(),
            })
          : draft.make(edits.addBookmark, { cueId, partId, atMs, title: words.bookmark() })
    if (done) select(cueId)
  }

  function placeQuestion(partId: string, cueId: string, atMs: number): boolean {
    const line = lines.value[lineIndexAt(lines.value, Math.max(0, atMs - 1))]
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

  function remove(id: string): void {
    if (!canEdit.value) return
    draft.make(edits.removeCue, { cueId: id })
    if (selectedId.value === id) selectedId.value = null
  }

  /** Copies a cue to the moment shown. */
  function duplicate(id: string): void {
    if (!canEdit.value) return
    const newCueId = nanoid()
    if (
      draft.make(edits.duplicateCue, {
        cueId: id,
        newCueId,
        newQuestionId: nanoid(),
        atMs: mediaMs.value,
      })
    )
      select(newCueId)
  }

  /** Sets the selected overlay's beginning or end, or another cue's time, to the moment shown. */
  function setEdge(edge: 'in' | 'out'): void {
    const cue = selected.value
    if (!cue || !canEdit.value) return
    if (cue.kind !== 'overlay') draft.make(edits.moveCue, { cueId: cue.id, toMs: mediaMs.value })
    else if (edge === 'in')
      draft.make(edits.setOverlaySpan, {
        cueId: cue.id,
        fromMs: mediaMs.value,
        toMs: Math.max(cue.toMs, mediaMs.value + 40),
      })
    else if (mediaMs.value > cue.fromMs)
      draft.make(edits.setOverlaySpan, { cueId: cue.id, fromMs: cue.fromMs, toMs: mediaMs.value })
  }

  return {
    draft,
    lesson,
    part,
    media,
    film,
    snapshot,
    mediaMs,
    durationMs,
    frameRate,
    cues,
    script,
    lines,
    lineIndex,
    selectedId,
    selected,
    canEdit,
    seek,
    toggle,
    step,
    toCue,
    select,
    place,
    remove,
    duplicate,
    setEdge,
  }
}

const KEY: InjectionKey<Bench> = Symbol('bench')
export const provideBench = (bench: Bench) => provide(KEY, bench)
export function useBench(): Bench {
  const bench = inject(KEY)
  if (!bench) throw new Error('No bench here')
  return bench
}
