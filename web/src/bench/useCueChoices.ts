// The cues of the film as choices of a field: by their time and words.
import { computed } from 'vue'
import { cueStartMs, type Cue } from '@fernbrake/core/lesson'
import { clockTime } from '@fernbrake/core/media'
import { cueWords } from './cueWords.ts'
import { useSelection, useBench } from './useBench.ts'

/** The cues that `isOffered`, in film time. */
export function useCueChoices(isOffered: (cue: Cue) => boolean) {
  const bench = useBench()
  const selection = useSelection()
  return computed(() =>
    selection.cues.value
      .filter(isOffered)
      .map((cue) => ({
        value: cue.id,
        label: `${clockTime(cueStartMs(cue))} ${cueWords(bench.lesson.value, cue)}`,
      })),
  )
}
