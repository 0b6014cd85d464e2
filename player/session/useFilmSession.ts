// Ties the film on screen, the playback machine and the host together for one film part. Components show its state and ask it for
// things.
import { computed, onScopeDispose, shallowRef } from 'vue'
import { partOfKind, type OverlayAction } from '@fernbrake/core/lesson'
import { frameRateOf } from '@fernbrake/core/media'
import {
  advance,
  countdownOf,
  momentToGoOn,
  nextHoldMs,
  seekRange,
  wasComeTo,
  type PlaybackCommand,
  type PlaybackEvent,
} from '@fernbrake/core/playback'
import { normalise, type Span } from '@fernbrake/core/watching'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import type { FilmElement } from '../media/openFilm.ts'
import { createFilmRecords } from './filmRecords.ts'
import { createFilmScreen } from './filmScreen.ts'
import { beginFilm } from './beginFilm.ts'
import { resultsOf } from './useAnswers.ts'
import { countWhile } from './visibleClock.ts'
import { keepWaited } from './waitedTimes.ts'

export type FilmSession = ReturnType<typeof useFilmSession>

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
  const { schedule, began } = beginFilm(opened, partId, durationMs)
  const covered = shallowRef<Span[]>(normalise(progress.covered[partId] ?? []))
  const state = shallowRef(began)
  /** How the time for a choice runs out; null where no time is set. */
  const countdown = computed(() => countdownOf(schedule, state.value))
  /** Where jumps may land under the lesson's rule; null where there are none. */
  const range = computed(() => seekRange(schedule, state.value))
  const isHeld = computed(() => state.value.mode.kind === 'held')
  const records = createFilmRecords(host, partId)
  const frameRate = frameRateOf(part.frameRate ?? '25')
  const screen = createFilmScreen(
    host,
    { partId, durationMs, frameRate },
    {
      onTick,
      onPlayed() {
        dispatch({ kind: 'played' })
        // The frame that stood still is the first one watched; the browser reports the one after it.
        if (!isHeld.value) screen.watched(mediaMs.value)
      },
      onPaused() {
        const wasPlaying = state.value.playing
        dispatch({ kind: 'paused' })
        if (wasPlaying) recordPlace()
      },
      onEnded() {
        dispatch({ kind: 'ended' })
        recordPlace()
      },
      onForeignSeek: seek,
      onWatched: (span) => (covered.value = normalise([...covered.value, span])),
    },
  )
  const { mediaMs, snapshot } = screen
  /** What the machine asks for; what is on screen (`show`, `hide`) follows from the state itself. */
  const carryOut = carrier({ play, pause: screen.pause, show: screen.show, records, leads })

  function dispatch(event: PlaybackEvent): PlaybackCommand[] {
    const before = state.value
    const { state: next, commands } = advance(schedule, before, event)
    state.value = next
    if (keepsDrafts && next.waited !== before.waited) keepWaited(seed, next.waited)
    for (const command of commands) carryOut(command)
    if (next.mode.kind === 'held' && before.mode.kind !== 'held') holdAt(next.mediaMs)
    return commands
  }

  /** However late the pause took effect, what is on screen while held is the cue's own frame. */
  function holdAt(ms: number): void {
    screen.pause()
    screen.show(ms)
    recordPlace()
  }

  function recordPlace(): void {
    const atMs = Math.max(0, Math.min(durationMs, Math.round(mediaMs.value)))
    records.place(atMs, Object.keys(state.value.released))
  }

  function onTick(toldMs: number): void {
    if (isHeld.value) return
    // A host's player may run on after what it said was the end.
    const ms = Math.min(toldMs, durationMs)
    const holdMs = nextHoldMs(schedule, state.value.released, mediaMs.value)
    // Seen is what was played up to the hold, not what a late tick overshot.
    screen.watched(holdMs !== null && holdMs < ms ? holdMs : ms)
    mediaMs.value = ms
    dispatch({ kind: 'tick', mediaMs: ms })
    if (isHeld.value) return
    if (holdMs !== null) screen.tickAt(holdMs, ms)
    if (records.isPlaceDue()) recordPlace()
  }

  function attach(element: FilmElement): void {
    screen.attach(element)
    seek(momentToGoOn(progress, { id: partId, durationMs }))
  }

  async function play(): Promise<void> {
    if (!screen.isAttached()) return
    if (state.value.mode.kind === 'ended') seek(0)
    await screen.play()
  }

  /** A wish to jump; the seek rule and required questions decide where it lands. */
  function seek(ms: number): void {
    const toMs = Math.round(Math.min(Math.max(0, ms), durationMs))
    const commands = dispatch({ kind: 'seeked', fromMs: mediaMs.value, toMs })
    if (!commands.some((command) => command.kind === 'seek')) screen.show(toMs)
    recordPlace()
  }

  // Time to choose in runs only while somebody can see it run.
  countWhile(
    () => countdown.value !== null,
    (ms) => dispatch({ kind: 'clock', ms }),
  )

  /** Goes to where a question is asked, and opens it once the learner has come to it; the film waits for them there. */
  function openQuestion(cueId: string, atMs: number): void {
    seek(atMs)
    if (!wasComeTo(schedule, state.value, cueId)) return
    dispatch({ kind: 'opened', cueId })
    screen.pause()
  }

  /** Does what a click on an overlay asks of the film; words and addresses are the stage's own affair. */
  function act(action: OverlayAction): void {
    if (action.pauses) screen.pause()
    if (action.does === 'part') return leads.toPart(action.partId)
    if (action.does === 'time') {
      seek(action.atMs)
      if (!action.pauses) void play()
    } else if (action.does === 'question') dispatch({ kind: 'opened', cueId: action.cueId })
  }

  const stopLeaving = host.onLeave(() => screen.isAttached() && recordPlace())
  // What the server marked is known to playback like any other answer.
  const stopTold = host.onTold(({ responses }) => {
    const results = resultsOf(lesson, responses, isTold)
    for (const [cueId, result] of Object.entries(results))
      if (lesson.cues[cueId]) dispatch({ kind: 'answered', cueId, result })
  })

  onScopeDispose(() => {
    stopLeaving()
    stopTold()
    screen.endSpans()
    if (screen.isAttached()) recordPlace()
    screen.destroy()
  })

  const { needsGesture, settled, setRate, setQuiet, setMuted, retry, drawFrame } = screen
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
    pause: () => void screen.pause(),
    toggle: () => (screen.isPaused() ? void play() : void screen.pause()),
    seek,
    setRate,
    setQuiet,
    setMuted,
    retry,
    settled,
    drawFrame,
    recordPlace,
  }
}

interface Carrying {
  play(): Promise<void>
  pause(): void
  show(ms: number): void
  records: ReturnType<typeof createFilmRecords>
  leads: { toPart(partId: string): void }
}

/** Carries out what the playback machine asks for. */
const carrier =
  ({ play, pause, show, records, leads }: Carrying) =>
  (command: PlaybackCommand): void => {
    switch (command.kind) {
      case 'play':
        return void play()
      case 'pause':
        return pause()
      case 'seek':
        return show(command.ms)
      case 'finish':
        return records.finish()
      case 'took':
        return records.choice(command.cueId, command.choiceId)
      case 'goTo':
        return leads.toPart(command.partId)
      case 'show':
      case 'hide':
        return
    }
  }
