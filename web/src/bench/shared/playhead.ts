// The film of the open part, and the moment of it that stage, script and frond show.
import { computed, ref, shallowRef } from 'vue'
import type { Media } from '@fernbrake/core/contract'
import { frameAt, frameRateOf, msOfFrame, stepFrames } from '@fernbrake/core/media'
import type { FilmMedia, MediaSnapshot } from '@fernbrake/player'
import { useFilmTimes } from '../useFilmTimes.ts'
import type { Places } from './places.ts'

/** So near to the end, in ms, playing begins anew. */
const AT_END_MS = 50

/** `part` may be asked later than this is made: what is open depends on what was shown. */
export function createPlayhead(part: () => Places['part']['value']) {
  const media = shallowRef<Media | null>(null)
  const film = shallowRef<FilmMedia | null>(null)
  /** The element on the stage; for taking its picture, never for playing. */
  const video = shallowRef<HTMLVideoElement | null>(null)
  const snapshot = shallowRef<MediaSnapshot | null>(null)
  const mediaMs = ref(0)
  const times = useFilmTimes(media)
  const durationMs = computed(() => part()?.durationMs ?? media.value?.durationMs ?? 0)
  const frameRate = computed(() => frameRateOf(part()?.frameRate ?? '25', part()?.timecode))

  function seek(ms: number): void {
    const onFrame = msOfFrame(frameAt(Math.max(0, ms), frameRate.value), frameRate.value)
    mediaMs.value = Math.min(onFrame, durationMs.value)
    film.value?.seekTo(mediaMs.value)
  }

  function toggle(): void {
    if (!film.value) return
    if (film.value.snapshot().paused) {
      if (mediaMs.value >= durationMs.value - AT_END_MS) seek(0)
      void film.value.play()
    } else film.value.pause()
  }

  function step(frames: number): void {
    film.value?.pause()
    seek(stepFrames(mediaMs.value, frames, frameRate.value))
  }
  return { media, times, film, video, snapshot, mediaMs, durationMs, frameRate, seek, toggle, step }
}
export type Playhead = ReturnType<typeof createPlayhead>
