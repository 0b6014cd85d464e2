// The fork that holds the film, and the words of the ending that one led to.
import { computed } from 'vue'
import type { Lesson } from '@fernbrake/core/lesson'
import type { FilmSession } from './useFilmSession.ts'

export function useFork(lesson: Lesson, { state, mediaMs, durationMs }: FilmSession) {
  const fork = computed(() => {
    const { mode } = state.value
    const cue = mode.kind === 'held' ? lesson.cues[mode.cueId] : undefined
    return cue?.kind === 'fork' ? cue : null
  })

  /** '' where no fork led here, or its ending has no words. */
  const forkEnding = computed(() => {
    if (state.value.mode.kind !== 'ended' || mediaMs.value >= durationMs) return ''
    // The film stands where the fork that ended it does.
    const words = Object.entries(state.value.chosen).flatMap(([cueId, choiceId]) => {
      const cue = lesson.cues[cueId]
      if (cue?.kind !== 'fork' || cue.atMs > mediaMs.value) return []
      const target = cue.choices[choiceId]?.target
      return target?.to === 'ending' ? [{ atMs: cue.atMs, message: target.message }] : []
    })
    return words.sort((a, b) => a.atMs - b.atMs).at(-1)?.message ?? ''
  })

  return { fork, forkEnding }
}
