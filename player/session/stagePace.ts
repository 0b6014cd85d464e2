// What lies on the stage and runs or sounds itself follows the film by this; whoever shows a stage provides it.
import {
  inject,
  onScopeDispose,
  ref,
  watch,
  type InjectionKey,
  type Ref,
  type ShallowRef,
} from 'vue'
import { isOutOfStep, placeInStep, type StepPlace } from '@fernbrake/core/playback'

export interface Heard {
  quiets: boolean
  said: string
}

export interface StagePace {
  mediaMs: Readonly<Ref<number>>
  playing: Readonly<Ref<boolean>>
  rate: Readonly<Ref<number>>
  muted: Readonly<Ref<boolean>>
  /** The film waits for something that was pressed, and goes on as it did before. */
  pause(): void
  play(): void
  /** Tells what of an overlay is heard, so that the film can be quieter and its words can be read; null for nothing. */
  hear(cueId: string, heard: Heard | null): void
}

export const STAGE_PACE: InjectionKey<StagePace> = Symbol('the pace of the stage')

export function useStagePace(): StagePace {
  const pace = inject(STAGE_PACE)
  if (!pace) throw new Error('An overlay that runs needs a stage that provides its pace')
  return pace
}

/** Makes a film quieter while something heard asks for it, and keeps the words of what was heard last. */
export function createHearing(setQuiet: (quiet: boolean) => void) {
  const all = new Map<string, Heard>()
  const said = ref('')
  const hear: StagePace['hear'] = (cueId, heard) => {
    all.delete(cueId)
    if (heard) all.set(cueId, heard)
    const now = [...all.values()]
    setQuiet(now.some(({ quiets }) => quiets))
    said.value = now.findLast((one) => one.said !== '')?.said ?? ''
  }
  return { said, hear }
}

/**
 * Keeps an audio or video element in step with the film while `follows` is true. `blocked` tells that the browser
 * wants a press first; `failed` that the file cannot be played.
 */
export function useInStep(
  element: Readonly<ShallowRef<HTMLMediaElement | null>>,
  place: () => Omit<StepPlace, 'lengthMs'>,
  follows: () => boolean = () => true,
) {
  const pace = useStagePace()
  const [blocked, failed, isOn, lengthMs] = [ref(false), ref(false), ref(false), ref(0)]

  function follow(): void {
    const media = element.value
    if (!media || !follows()) return
    const where = { ...place(), lengthMs: lengthMs.value || Infinity }
    const film = { mediaMs: pace.mediaMs.value, playing: pace.playing.value }
    const wanted = placeInStep(film, where)
    if (media.playbackRate !== pace.rate.value) media.playbackRate = pace.rate.value
    // What still waits for its data would only wait longer if it were sent somewhere else again and again.
    const waits = wanted.playing && !media.paused && media.readyState < 3
    if (!media.seeking && !waits && isOutOfStep(media.currentTime * 1000, wanted, where))
      media.currentTime = wanted.atMs / 1000
    if (wanted.playing && media.paused && !blocked.value) void start(media)
    if (!wanted.playing && !media.paused) media.pause()
  }

  async function start(media: HTMLMediaElement): Promise<void> {
    try {
      await media.play()
      blocked.value = false
    } catch (error) {
      if ((error as DOMException).name === 'NotAllowedError') blocked.value = true
    }
  }

  watch([pace.mediaMs, pace.playing, pace.rate, element, lengthMs], follow, { flush: 'post' })
  onScopeDispose(() => element.value?.pause())
  return {
    blocked,
    failed,
    isOn,
    lengthMs,
    follow,
    start,
    /** Listeners for the element. */
    listeners: {
      loadedmetadata: (event: Event) => {
        lengthMs.value = (event.target as HTMLMediaElement).duration * 1000
      },
      playing: () => (isOn.value = true),
      pause: () => (isOn.value = false),
      ended: () => (isOn.value = false),
      error: () => (failed.value = true),
    },
  }
}
