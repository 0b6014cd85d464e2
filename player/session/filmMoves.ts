// What somebody asks of a film, by its controls or on its picture: to play, to jump, to open a question.
import type { OverlayAction } from '@fernbrake/core/lesson'
import { momentToGoOn, wasComeTo } from '@fernbrake/core/playback'
import type { OpenedLesson } from '../hosts/Host.ts'
import type { FilmElement } from '../media/openFilm.ts'
import type { FilmAtHand, FilmCourse } from './filmCourse.ts'

/** `course` is asked for when something happens: it plays by what is made here. */
export function createFilmMoves(
  { schedule, state, durationMs, screen }: FilmAtHand,
  course: () => FilmCourse,
  toPart: (partId: string) => void,
) {
  const { mediaMs } = screen

  async function play(): Promise<void> {
    if (!screen.isAttached()) return
    if (state.value.mode.kind === 'ended') seek(0)
    await screen.play()
  }

  /** A wish to jump; the seek rule and required questions decide where it lands. */
  function seek(ms: number): void {
    const toMs = Math.round(Math.min(Math.max(0, ms), durationMs))
    const commands = course().dispatch({ kind: 'seeked', fromMs: mediaMs.value, toMs })
    if (!commands.some((command) => command.kind === 'seek')) screen.show(toMs)
    course().recordPlace()
  }

  return {
    play,
    seek,
    pause: () => void screen.pause(),
    toggle: () => (screen.isPaused() ? void play() : void screen.pause()),
    /** Puts a film on screen, where the learner had come to. */
    attach(element: FilmElement, progress: OpenedLesson['progress'], id: string): void {
      screen.attach(element)
      seek(momentToGoOn(progress, { id, durationMs }))
    },
    /** Goes to where a question is asked, and opens it once the learner has come to it; the film waits for them there. */
    openQuestion(cueId: string, atMs: number): void {
      seek(atMs)
      if (!wasComeTo(schedule, state.value, cueId)) return
      course().dispatch({ kind: 'opened', cueId })
      screen.pause()
    },
    /** Does what a click on an overlay asks of the film; words and addresses are the stage's own affair. */
    act(action: OverlayAction): void {
      if (action.pauses) screen.pause()
      if (action.does === 'part') return toPart(action.partId)
      if (action.does === 'time') {
        seek(action.atMs)
        if (!action.pauses) void play()
      } else if (action.does === 'question')
        course().dispatch({ kind: 'opened', cueId: action.cueId })
    },
  }
}
