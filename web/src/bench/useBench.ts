// What the parts of the bench share. Each of it stands in `shared/`; whoever needs one asks for that one.
import { useLocalStorage } from '@vueuse/core'
import { inject, provide, ref, shallowRef, type InjectionKey } from 'vue'
import { mediaFileAddress, mediaPageAddress } from '@fernbrake/core/contract'
import { partOfKind } from '@fernbrake/core/lesson'
import { ADDRESSES } from '@fernbrake/player'
import { placingsOf } from './placing/placings.ts'
import { createCueActs, type FirstWords } from './shared/cueActs.ts'
import { createPlaces } from './shared/places.ts'
import { createPlayhead } from './shared/playhead.ts'
import { createReading } from './shared/reading.ts'
import { createRights } from './shared/rights.ts'
import { createSelection } from './shared/selection.ts'
import type { Draft } from './useDraft.ts'
import { useCalmSpot } from './useCalmSpot.ts'
import { useOthers } from './useOthers.ts'

export type Bench = ReturnType<typeof createBench>
export type { CueKind } from './shared/cueActs.ts'
export type { QuizPlace } from './shared/places.ts'

export function createBench(draft: Draft, words: FirstWords) {
  const { lesson } = draft
  /** How the film is seen while no sheet is open. */
  const desk = ref<'script' | 'list' | 'questions'>('script')
  /** Whether the question that is written is shown beside as learners see it. */
  const showsTrial = ref(false)
  /** Captions that were chosen along with a film, until its script can take them. */
  const captionsToCome = shallowRef<File | null>(null)
  /** Whether a grid lies over the stage, and holds what is moved there. */
  const showsGrid = useLocalStorage('fernbrake-grid', false)
  const rights = createRights(draft)
  const playhead = createPlayhead(() => places.part.value)
  const places = createPlaces(lesson, () => {
    playhead.film.value?.pause()
    selection.select(null)
    showsTrial.value = false
    playhead.mediaMs.value = 0
  })
  const reading = createReading(lesson, places, playhead)
  const selection = createSelection(lesson, places, playhead)
  const acts = createCueActs({ draft, places, playhead, reading, selection, rights }, words)
  const calm = useCalmSpot({ ...selection, ...playhead, lines: reading.lines })
  return {
    draft,
    lesson,
    placings: placingsOf(draft.lessonId),
    /** Who else has the lesson open, and what they have in hand. */
    others: useOthers(draft, selection.selectedIds),
    desk,
    showsTrial,
    captionsToCome,
    showsGrid,
    calm,
    rights,
    places,
    playhead,
    reading,
    selection,
    acts,
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
/** All of the bench; whoever needs one thing of it takes one of those below. */
export function useBench(): Bench {
  const bench = inject(KEY)
  if (!bench) throw new Error('No bench here')
  return bench
}
/** Which part is open, and which sheet of it. */
export const usePlaces = () => useBench().places
/** The film that is open, and the moment that is shown. */
export const usePlayhead = () => useBench().playhead
/** The script of the film that is open. */
export const useReading = () => useBench().reading
/** The cues of the film that is open, and which are selected. */
export const useSelection = () => useBench().selection
/** What may be done. */
export const useRights = () => useBench().rights
/** What is done with cues. */
export const useCueActs = () => useBench().acts
