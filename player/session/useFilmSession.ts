// Ties media, playback machine and host together for one film part. Components show its state and ask it for things.
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { partOfKind, type OverlayAction } from '@fernbrake/core/lesson'
import { frameRateOf } from '@fernbrake/core/media'
import {
  advance,
  buildSchedule,
  countdownOf,
  momentToGoOn,
  nextHoldMs,
  seekRange,
  startPlayback,
  timesUp,
  wasComeTo,
  type PlaybackCommand,
  type PlaybackEvent,
} from '@fernbrake/core/playback'
import { furthestMs, normalise, type Span } from '@fernbrake/core/watching'
import { isoTime, nowMs } from '../clock.ts'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { type FilmMedia, type MediaSnapshot } from '../media/filmMedia.ts'
import { driveFilm, type FilmElement } from '../media/openFilm.ts'
import { createSpanWriter, type SpanWriter } from './useSpans.ts'
import { resultsOf } from './useAnswers.ts'
import { keepWaited, readWaited } from './waitedTimes.ts'

/** Where the learner is is told this often while playing, in ms. */
const PLACE_EVERY_MS = 10_000

export type FilmSession = ReturnType<typeof useFilmSession>

/** How often the time for a choice is counted down, in ms. */
const COUNT_EVERY_MS = 100

export function useFilmSession(
  host: Host,
  opened: OpenedLesson,
  partId: string,
  leads: { toPart(partId: string): void } = { toPart: () => undefined },
) {
  const { lesson, progress, seed, keepsDrafts = true } = opened
  const isTold = opened.assignment?.tells ?? true
  const part = partOfKind(lesson, partId, 'film')!
  const film = opened.media.find((media) => media.id === part.mediaId)
  const durationMs = film?.durationMs ?? part.durationMs ?? 0
  const frameRate = frameRateOf(part.frameRate ?? '25')
  const schedule = buildSchedule(lesson, partId, durationMs)
  const covered = shallowRef<Span[]>(normalise(progress.covered[partId] ?? []))
  const waited = keepsDrafts ? readWaited(seed) : {}
  const results = resultsOf(lesson, progress.responses, isTold)
  const state = shallowRef(
    startPlayback({
      furthestMs: furthestMs(covered.value),
      released: progress.released,
      results,
      finished: progress.finishedParts.includes(partId),
      chosen: progress.chosen,
      waited,
      timeUp: timesUp(schedule, waited, progress.released).filter((id) => !results[id]?.final),
    }),
  )
  /** How the time for a choice runs out; null where no time is set. */
  const countdown = computed(() => countdownOf(schedule, state.value))
  /** Where jumps may land under the lesson's rule; null where there are none. */
  const range = computed(() => seekRange(schedule, state.value))
  const isHeld = computed(() => state.value.mode.kind === 'held')
  const mediaMs = ref(0)
  const snapshot: Ref<MediaSnapshot> = shallowRef({
    paused: true,
    waiting: true,
    failed: false,
    muted: false,
    volume: 1,
    rate: 1,
    hasOneRate: false,
  })
  const needsGesture = ref(false)
  /** Grows whenever a jump has come on screen. */
  const settled = ref(0)
  let media: FilmMedia | null = null
  let spans: SpanWriter | null = null
  let lastPlaceMs = 0

  function carryOut(command: PlaybackCommand): void {
    switch (command.kind) {
      case 'play':
        void play()
        return
      case 'pause':
        media?.pause()
        return
      case 'seek':
        seekMedia(command.ms)
        return
      case 'finish':
        host.record({ kind: 'finish', id: host.newId(), partId, at: isoTime(nowMs()) })
        return
      case 'took': {
        const { cueId, choiceId } = command
        const at = isoTime(nowMs())
        host.record({ kind: 'choice', id: host.newId(), cueId, choiceId, at })
        return
      }
      case 'goTo':
        leads.toPart(command.partId)
        return
      case 'show':
      case 'hide':
        // What is on screen follows from the state itself.
        return
    }
  }

  function dispatch(event: PlaybackEvent): PlaybackCommand[] {
    const before = state.value
    const { state: next, commands } = advance(schedule, before, event)
    state.value = next
    if (keepsDrafts && next.waited !== before.waited) keepWaited(seed, next.waited)
    for (const command of commands) carryOut(command)
    if (next.mode.kind === 'held' && before.mode.kind !== 'held') standAt(next.mediaMs)
    return commands
  }

  /** However late the pause took effect, what is on screen while held is the cue's own frame. */
  function standAt(ms: number): void {
    media?.pause()
    seekMedia(ms)
    notePlace()
  }

  function seekMedia(ms: number): void {
    spans?.close()
    mediaMs.value = ms
    media?.seekTo(ms)
  }

  function notePlace(): void {
    lastPlaceMs = nowMs()
    const atMs = Math.max(0, Math.min(durationMs, Math.round(mediaMs.value)))
    const released = Object.keys(state.value.released)
    host.record({
      kind: 'place',
      id: host.newId(),
      partId,
      atMs,
      released,
      at: isoTime(lastPlaceMs),
    })
  }

  function onTick(toldMs: number): void {
    if (isHeld.value) return
    // A host's player may run on after what it said was the end.
    const ms = Math.min(toldMs, durationMs)
    const { rate } = snapshot.value
    const holdMs = nextHoldMs(schedule, state.value.released, mediaMs.value)
    // Seen is what was played up to the hold, not what a late tick overshot.
    spans?.tick(holdMs !== null && holdMs < ms ? holdMs : ms, rate)
    mediaMs.value = ms
    dispatch({ kind: 'tick', mediaMs: ms })
    if (isHeld.value) return
    if (holdMs !== null && media && (holdMs - ms) / rate < media.predictWithinMs)
      media.tickAt(holdMs)
    if (nowMs() - lastPlaceMs > PLACE_EVERY_MS) notePlace()
  }

  function onPause(): void {
    snapshot.value = media!.snapshot()
    spans?.close()
    const wasPlaying = state.value.playing
    dispatch({ kind: 'paused' })
    if (wasPlaying) notePlace()
  }

  function attach(element: FilmElement): void {
    media = driveFilm(element, frameRate, {
      onTick,
      onPlay: () => {
        needsGesture.value = false
        dispatch({ kind: 'played' })
        snapshot.value = media!.snapshot()
        // The frame that stood still is the first one watched; the browser reports the one after it.
        if (!isHeld.value) spans?.tick(mediaMs.value, snapshot.value.rate)
      },
      onPause,
      onEnded: () => {
        snapshot.value = media!.snapshot()
        spans?.tick(durationMs, snapshot.value.rate)
        spans?.close()
        mediaMs.value = durationMs
        dispatch({ kind: 'ended' })
        notePlace()
      },
      onForeignSeek: (ms) => seek(ms),
      onSettled: () => (settled.value += 1),
      onState: () => (snapshot.value = media!.snapshot()),
    })
    snapshot.value = media.snapshot()
    spans = createSpanWriter(
      host,
      partId,
      () => ({ muted: media?.snapshot().muted ?? false }),
      (span) => (covered.value = normalise([...covered.value, span])),
    )
    seek(momentToGoOn(progress, { id: partId, durationMs }))
  }

  async function play(): Promise<void> {
    if (!media) return
    if (state.value.mode.kind === 'ended') seek(0)
    const allowed = await media.play()
    if (!allowed) needsGesture.value = true
  }

  function pause(): void {
    media?.pause()
  }

  /** A wish to jump; the seek rule and required questions decide where it lands. */
  function seek(ms: number): void {
    const toMs = Math.round(Math.min(Math.max(0, ms), durationMs))
    const commands = dispatch({ kind: 'seeked', fromMs: mediaMs.value, toMs })
    if (!commands.some((command) => command.kind === 'seek')) seekMedia(toMs)
    notePlace()
  }

  function toggle(): void {
    if (media?.snapshot().paused) void play()
    else pause()
  }

  // Time to choose in runs only while somebody can see it run.
  let countedMs = 0
  let counting: ReturnType<typeof setInterval> | undefined
  const count = () => {
    const now = nowMs()
    const passed = now - countedMs
    countedMs = now
    if (document.visibilityState === 'visible')
      dispatch({ kind: 'clock', ms: Math.min(passed, 2 * COUNT_EVERY_MS) })
  }
  watch(
    () => countdown.value !== null,
    (counts) => {
      clearInterval(counting)
      countedMs = nowMs()
      if (counts) counting = setInterval(count, COUNT_EVERY_MS)
    },
    { immediate: true, flush: 'sync' },
  )

  /** Goes to where a question is asked, and opens it once the learner has come to it; the film waits for them there. */
  function openQuestion(cueId: string, atMs: number): void {
    seek(atMs)
    if (!wasComeTo(schedule, state.value, cueId)) return
    dispatch({ kind: 'opened', cueId })
    pause()
  }

  /** Does what a click on an overlay asks of the film; words and addresses are the stage's own affair. */
  function act(action: OverlayAction): void {
    if (action.pauses) pause()
    if (action.does === 'part') return leads.toPart(action.partId)
    if (action.does === 'time') {
      seek(action.atMs)
      if (!action.pauses) void play()
    } else if (action.does === 'question') dispatch({ kind: 'opened', cueId: action.cueId })
  }

  const stopLeaving = host.onLeave(() => media && notePlace())
  // What the server marked is known to playback like any other answer.
  const stopTold = host.onTold(({ responses }) => {
    const results = resultsOf(lesson, responses, isTold)
    for (const [cueId, result] of Object.entries(results))
      if (lesson.cues[cueId]) dispatch({ kind: 'answered', cueId, result })
  })

  onScopeDispose(() => {
    stopLeaving()
    stopTold()
    clearInterval(counting)
    spans?.destroy()
    if (media) notePlace()
    media?.destroy()
  })

  return {
    part,
    film,
    durationMs,
    schedule,
    state,
    mediaMs,
    covered,
    snapshot,
    needsGesture,
    isHeld,
    countdown,
    act,
    openQuestion,
    range,
    attach,
    dispatch,
    play,
    pause,
    toggle,
    seek,
    setRate: (rate: number) => media?.setRate(rate),
    setQuiet: (quiet: boolean) => media?.setQuiet(quiet),
    setMuted: (muted: boolean) => media?.setMuted(muted),
    retry: () => media?.retry(),
    settled,
    drawFrame: (canvas: HTMLCanvasElement) => media?.drawTo(canvas) ?? false,
    notePlace,
  }
}
