// The course of one film: what happens on screen goes to the playback machine, and what that asks for is carried out.
import type { Ref } from 'vue'
import {
  advance,
  nextHoldMs,
  type PlaybackCommand,
  type PlaybackEvent,
  type PlaybackState,
  type Schedule,
} from '@fernbrake/core/playback'
import type { OpenedLesson } from '../hosts/Host.ts'
import type { FilmRecords } from './filmRecords.ts'
import type { FilmScreen } from './filmScreen.ts'
import { keepWaited } from './waitedTimes.ts'

/** What one film is gone through with. */
export interface FilmAtHand {
  schedule: Schedule
  state: Ref<PlaybackState>
  durationMs: number
  screen: FilmScreen
  records: FilmRecords
}

/** `leads` are the ways out of the film; `play` begins it, or goes on. */
export function createFilmCourse(
  { schedule, state, durationMs, screen, records }: FilmAtHand,
  { seed, keepsDrafts = true }: Pick<OpenedLesson, 'seed' | 'keepsDrafts'>,
  leads: { toPart(partId: string): void; play(): Promise<void> },
) {
  const { mediaMs } = screen
  const isHeld = () => state.value.mode.kind === 'held'

  function dispatch(event: PlaybackEvent): PlaybackCommand[] {
    const before = state.value
    const { state: next, commands } = advance(schedule, before, event)
    state.value = next
    if (keepsDrafts && next.waited !== before.waited) keepWaited(seed, next.waited)
    for (const command of commands) carryOut(command)
    if (next.mode.kind === 'held' && before.mode.kind !== 'held') holdAt(next.mediaMs)
    return commands
  }

  /** What the machine asks for; what is on screen (`show`, `hide`) follows from the state itself. */
  function carryOut(command: PlaybackCommand): void {
    switch (command.kind) {
      case 'play':
        return void leads.play()
      case 'pause':
        return void screen.pause()
      case 'seek':
        return screen.show(command.ms)
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

  return {
    dispatch,
    recordPlace,
    onTick(toldMs: number): void {
      if (isHeld()) return
      // A host's player may run on after what it said was the end.
      const ms = Math.min(toldMs, durationMs)
      const holdMs = nextHoldMs(schedule, state.value.released, mediaMs.value)
      // Seen is what was played up to the hold, not what a late tick overshot.
      screen.watched(holdMs !== null && holdMs < ms ? holdMs : ms)
      mediaMs.value = ms
      dispatch({ kind: 'tick', mediaMs: ms })
      if (isHeld()) return
      if (holdMs !== null) screen.tickAt(holdMs, ms)
      if (records.isPlaceDue()) recordPlace()
    },
    onPlayed(): void {
      dispatch({ kind: 'played' })
      // The frame that stood still is the first one watched; the browser reports the one after it.
      if (!isHeld()) screen.watched(mediaMs.value)
    },
    onPaused(): void {
      const wasPlaying = state.value.playing
      dispatch({ kind: 'paused' })
      if (wasPlaying) recordPlace()
    },
    onEnded(): void {
      dispatch({ kind: 'ended' })
      recordPlace()
    },
  }
}
export type FilmCourse = ReturnType<typeof createFilmCourse>
