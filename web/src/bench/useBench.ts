// What the parts of the bench share: the film part, the moment that stage, script and frond show, and the selection.
import { useLocalStorage } from '@vueuse/core'
import { nanoid } from 'nanoid'
import { computed, inject, provide, ref, shallowRef, type InjectionKey } from 'vue'
import { mediaFileAddress, mediaPageAddress, type Media } from '@fernbrake/core/contract'
import {
  boundedShift,
  clipOf,
  cueEndMs,
  cuesInOrder,
  cueStartMs,
  isShownAt,
  edits,
  lineIndexAt,
  linesInOrder,
  partOfKind,
  partsInOrder,
  scriptOfPart,
  type Clip,
  type Cue,
  type OverlayLook,
} from '@fernbrake/core/lesson'
import { frameAt, frameRateOf, msOfFrame, stepFrames } from '@fernbrake/core/media'
import { ADDRESSES, type FilmMedia, type MediaSnapshot } from '@fernbrake/player'
import { placingsOf } from './placing/placings.ts'
import type { Draft } from './useDraft.ts'
import { useCalmSpot } from './useCalmSpot.ts'
import { useFilmTimes } from './useFilmTimes.ts'
import { useOthers } from './useOthers.ts'

export type Bench = ReturnType<typeof createBench>
export type CueKind = Cue['kind']

/** The quiz itself, one of its sections or questions, or the question shelf for a section. */
export type QuizPlace = { kind: 'quiz' } | { kind: 'section' | 'item' | 'shelf'; id: string }

/** The evidence of a question that is placed without a script line is this long, in ms. */
const USUAL_EVIDENCE_MS = 8000

export function createBench(
  draft: Draft,
  words: { bookmark: () => string; overlay: () => string },
) {
  const { lesson } = draft
  const placings = placingsOf(draft.lessonId)
  const media = shallowRef<Media | null>(null)
  const film = shallowRef<FilmMedia | null>(null)
  /** The element on the stage; for taking its picture, never for playing. */
  const video = shallowRef<HTMLVideoElement | null>(null)
  const snapshot = shallowRef<MediaSnapshot | null>(null)
  const mediaMs = ref(0)
  /** What is selected, in the order in which it was; the sheet shows the last. */
  const selectedIds = shallowRef<readonly string[]>([])
  /** How the film is seen while no sheet is open; and whether a selected cue's sheet is. */
  const desk = ref<'script' | 'list' | 'questions'>('script')
  const sheetOpen = ref(false)
  /** A look on its way to other overlays. */
  const copiedLook = shallowRef<OverlayLook | null>(null)
  /** Whether a grid lies over the stage, and holds what is moved there. */
  /** Whether the question that is written is shown beside as learners see it. */
  const showsTrial = ref(false)
  const showsGrid = useLocalStorage('fernbrake-grid', false)
  const times = useFilmTimes(media)
  /** The part that is open: the one chosen, or the first. */
  const openPartId = ref<string | null>(null)
  const openPart = computed(
    () => lesson.value.parts[openPartId.value ?? ''] ?? partsInOrder(lesson.value)[0] ?? null,
  )
  /** What of an open quiz the sheet beside it shows. */
  const quizPlace = ref<QuizPlace>({ kind: 'quiz' })
  /** The block, pin, slide or dated item whose sheet is shown; null for that of the part itself. */
  const thingId = ref<string | null>(null)
  /** The open part as a film; null while another kind is open. */
  const part = computed(() => (openPart.value?.kind === 'film' ? openPart.value : null))
  const quiz = computed(() => (openPart.value?.kind === 'quiz' ? openPart.value : null))
  const durationMs = computed(() => part.value?.durationMs ?? media.value?.durationMs ?? 0)
  const frameRate = computed(() => frameRateOf(part.value?.frameRate ?? '25', part.value?.timecode))
  const cues = computed(() => (part.value ? cuesInOrder(lesson.value, part.value.id) : []))
  const scripts = computed(() =>
    Object.values(lesson.value.scripts).filter(({ partId }) => partId === part.value?.id),
  )
  const chosenLanguage = ref<string | null>(null)
  /** The language in which the script is read and written: the lesson's own, or the only one, until another is chosen. */
  const scriptLanguage = computed({
    get: () => {
      const own = lesson.value.language
      const found = part.value && scriptOfPart(lesson.value, part.value.id, own)
      return chosenLanguage.value ?? found?.language ?? own
    },
    set: (language) => (chosenLanguage.value = language),
  })
  const script = computed(
    () => scripts.value.find(({ language }) => language === scriptLanguage.value) ?? null,
  )
  const lines = computed(() => (script.value ? linesInOrder(script.value) : []))
  const lineIndex = computed(() => lineIndexAt(lines.value, mediaMs.value))
  const others = useOthers(draft, selectedIds)
  const selectedCues = computed(() =>
    selectedIds.value.flatMap((id) => lesson.value.cues[id] ?? []),
  )
  const selected = computed(() => selectedCues.value.at(-1) ?? null)
  const selectedId = computed(() => selected.value?.id ?? null)
  /** Whether a cue lies past the film's end, as after a shorter film took the place of the first. */
  const isBeyondEnd = (cue: Cue) => durationMs.value > 0 && cueEndMs(cue) > durationMs.value
  const calm = useCalmSpot({ selected, cues, lines, media, durationMs, times })
  const canEdit = computed(() => draft.role === 'owner' || draft.role === 'editor')
  /** Commenters leave notes, and nothing else. */
  const canNote = computed(() => canEdit.value || draft.role === 'commenter')
  const isNote = (cueId: string) => lesson.value.cues[cueId]?.kind === 'note'
  const mayTouch = (cueIds: readonly string[]) =>
    canEdit.value || (canNote.value && cueIds.every(isNote))

  /** Opens another part; what was selected and shown belonged to the one before. */
  function goToPart(partId: string): void {
    if (partId === openPart.value?.id) return
    film.value?.pause()
    select(null)
    showsTrial.value = false
    mediaMs.value = 0
    openPartId.value = partId
    quizPlace.value = { kind: 'quiz' }
    thingId.value = null
  }

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

  /** Selects one cue, or none; `extend` adds it to the others, or takes it from among them. */
  function select(id: string | null, goThere = false, extend = false): void {
    const others = selectedIds.value.filter((other) => other !== id)
    const isTaken = extend && others.length < selectedIds.value.length
    selectedIds.value = id === null ? [] : isTaken ? others : extend ? [...others, id] : [id]
    sheetOpen.value = selectedIds.value.length > 0
    if (isTaken) return
    const cue = id ? lesson.value.cues[id] : undefined
    if (!cue || !goThere) return
    // Whoever goes to an overlay wants to see it: inside its time the playhead stays.
    const inside = cue.kind === 'overlay' && isShownAt(cue, mediaMs.value)
    if (!inside) {
      film.value?.pause()
      seek(cueStartMs(cue))
    }
  }

  /** Places a cue at a moment; the script line there gives a question its evidence. */
  function place(kind: CueKind, atMs = mediaMs.value, endMs?: number): void {
    const partId = part.value?.id
    const mayPlace = kind === 'note' ? canNote.value : canEdit.value
    if (!partId || durationMs.value === 0 || !mayPlace) return
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
          : kind === 'fork'
            ? draft.make(edits.addFork, { cueId, partId, atMs, choiceIds: [nanoid(), nanoid()] })
            : kind === 'note'
              ? draft.make(edits.addNote, { cueId, partId, atMs })
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

  /** Several at once, as a marquee or “all” selects them. */
  function selectMany(ids: readonly string[]): void {
    selectedIds.value = ids
  }

  function remove(cueIds: readonly string[] = selectedIds.value): void {
    if (!mayTouch(cueIds) || cueIds.length === 0) return
    draft.make(edits.removeCues, { cueIds })
    selectedIds.value = selectedIds.value.filter((id) => !cueIds.includes(id))
  }

  /** What is selected, to be put on the clipboard. */
  const copied = () => clipOf(lesson.value, selectedIds.value)

  /** Pastes a clip at the moment shown, and selects what came of it. */
  function paste(clip: Clip): void {
    const partId = part.value?.id
    if (!partId || durationMs.value === 0 || !canEdit.value) return
    const ids = [...clip.cues.map(({ id }) => id), ...Object.keys(clip.questions)]
    const newIds = Object.fromEntries(ids.map((id) => [id, nanoid()]))
    if (draft.make(edits.pasteCues, { clip, partId, atMs: mediaMs.value, newIds }))
      selectMany(clip.cues.map(({ id }) => newIds[id]!))
  }

  /** Copies what is selected to the moment shown. */
  function duplicate(): void {
    const clip = copied()
    if (clip) paste(clip)
  }

  /** Moves what is selected together; nothing leaves the film. */
  function moveSelection(byMs: number): void {
    const cueIds = selectedCues.value.map(({ id }) => id)
    if (!mayTouch(cueIds) || boundedShift(lesson.value, selectedCues.value, byMs) === 0) return
    if (draft.make(edits.moveCues, { cueIds, byMs }) && selected.value)
      seek(cueStartMs(selected.value))
  }

  /** Moves what is selected by whole frames, counted from the last one selected. */
  function nudge(frames: number): void {
    if (!selected.value) return
    film.value?.pause()
    const startMs = cueStartMs(selected.value)
    moveSelection(stepFrames(startMs, frames, frameRate.value) - startMs)
  }

  /** Sets the selected overlay's beginning or end, or another cue's time, to the moment shown. */
  function setEdge(edge: 'in' | 'out'): void {
    const cue = selected.value
    if (!cue || !mayTouch([cue.id])) return
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
    placings,
    draft,
    lesson,
    openPart,
    part,
    quiz,
    goToPart,
    quizPlace,
    thingId,
    desk,
    sheetOpen,
    media,
    times,
    film,
    video,
    snapshot,
    mediaMs,
    durationMs,
    frameRate,
    cues,
    scripts,
    scriptLanguage,
    script,
    lines,
    lineIndex,
    others,
    selectedIds,
    selectedCues,
    selectedId,
    selected,
    calm,
    copiedLook,
    showsGrid,
    showsTrial,
    canEdit,
    canNote,
    mayTouch,
    isBeyondEnd,
    seek,
    toggle,
    step,
    toCue,
    select,
    selectMany,
    place,
    remove,
    copied,
    paste,
    duplicate,
    moveSelection,
    nudge,
    setEdge,
  }
}

const KEY: InjectionKey<Bench> = Symbol('bench')
/** Hands the bench to all that lies in it, and tells its texts where their media are. */
export function provideBench(bench: Bench): void {
  provide(KEY, bench)
  provide(ADDRESSES, {
    medium: (mediaId) => mediaFileAddress(mediaId, 'playable'),
    page: mediaPageAddress,
    film(partId) {
      const mediaId = partOfKind(bench.lesson.value, partId, 'film')?.mediaId
      // Where it stays with a host there is none, and its still stands in.
      return mediaId ? mediaFileAddress(mediaId, 'playable') : null
    },
    still(partId) {
      const mediaId = partOfKind(bench.lesson.value, partId, 'film')?.mediaId
      return mediaId ? mediaFileAddress(mediaId, 'poster') : null
    },
  })
}
export function useBench(): Bench {
  const bench = inject(KEY)
  if (!bench) throw new Error('No bench here')
  return bench
}
