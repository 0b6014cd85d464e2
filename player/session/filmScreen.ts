// The film of one part as it is on screen: the element that plays it, what it says of itself, and what of it is watched.
import { ref, shallowRef, type Ref } from 'vue'
import type { FrameRate } from '@fernbrake/core/media'
import type { Span } from '@fernbrake/core/watching'
import type { Host } from '../hosts/Host.ts'
import type { FilmMedia, MediaSnapshot } from '../media/filmMedia.ts'
import { driveFilm, type FilmElement } from '../media/openFilm.ts'
import { createSpanWriter, type SpanWriter } from './useSpans.ts'

/** What comes of the film by itself, for whoever decides what it means. */
export interface ScreenEvents {
  onTick(ms: number): void
  onPlayed(): void
  onPaused(): void
  onEnded(): void
  /** Somebody moved it by other means than ours. */
  onForeignSeek(ms: number): void
  /** A stretch was watched. */
  onWatched(span: Span): void
}

const BEFORE_ANY_FILM: MediaSnapshot = {
  paused: true,
  waiting: true,
  failed: false,
  muted: false,
  volume: 1,
  rate: 1,
  hasOneRate: false,
}

export function createFilmScreen(
  host: Host,
  { partId, durationMs, frameRate }: { partId: string; durationMs: number; frameRate: FrameRate },
  events: ScreenEvents,
) {
  const mediaMs = ref(0)
  const snapshot: Ref<MediaSnapshot> = shallowRef(BEFORE_ANY_FILM)
  const needsGesture = ref(false)
  /** Grows whenever a jump has come on screen. */
  const settled = ref(0)
  let media: FilmMedia | null = null
  let spans: SpanWriter | null = null
  const look = () => void (snapshot.value = media!.snapshot())

  function attach(element: FilmElement): void {
    media = driveFilm(element, frameRate, {
      onTick: (ms) => events.onTick(ms),
      onPlay() {
        needsGesture.value = false
        look()
        events.onPlayed()
      },
      onPause() {
        look()
        spans?.close()
        events.onPaused()
      },
      onEnded() {
        look()
        watched(durationMs)
        spans?.close()
        mediaMs.value = durationMs
        events.onEnded()
      },
      onForeignSeek: (ms) => events.onForeignSeek(ms),
      onSettled: () => (settled.value += 1),
      onState: look,
    })
    look()
    const isMuted = () => ({ muted: media?.snapshot().muted ?? false })
    spans = createSpanWriter(host, partId, isMuted, (span) => events.onWatched(span))
  }

  /** Notes that it was played up to here. */
  const watched = (ms: number) => spans?.tick(ms, snapshot.value.rate)

  /** Shows another moment; what was watched ends here. */
  function show(ms: number): void {
    spans?.close()
    mediaMs.value = ms
    media?.seekTo(ms)
  }

  async function play(): Promise<void> {
    if (media && !(await media.play())) needsGesture.value = true
  }

  /** Asks for a tick at this very moment, where it comes so soon that the usual one may be late. */
  function tickAt(ms: number, fromMs: number): void {
    if (media && (ms - fromMs) / snapshot.value.rate < media.predictWithinMs) media.tickAt(ms)
  }
  return {
    mediaMs,
    snapshot,
    needsGesture,
    settled,
    attach,
    isAttached: () => media !== null,
    isPaused: () => media?.snapshot().paused ?? false,
    watched,
    show,
    play,
    pause: () => media?.pause(),
    tickAt,
    setRate: (rate: number) => media?.setRate(rate),
    setQuiet: (quiet: boolean) => media?.setQuiet(quiet),
    setMuted: (muted: boolean) => media?.setMuted(muted),
    retry: () => media?.retry(),
    drawFrame: (canvas: HTMLCanvasElement) => media?.drawTo(canvas) ?? false,
    /** What was watched is recorded; the element is let go of by `destroy`. */
    endSpans: () => spans?.destroy(),
    destroy: () => media?.destroy(),
  }
}
export type FilmScreen = ReturnType<typeof createFilmScreen>
