// Ties the film on screen, the playback machine and the host together for one film part. Components show its state and ask it for
// things.
import { computed, onScopeDispose, shallowRef } from 'vue'
import { partOfKind } from '@fernbrake/core/lesson'
import { frameRateOf } from '@fernbrake/core/media'
import { countdownOf, seekRange } from '@fernbrake/core/playback'
import { normalise, type Span } from '@fernbrake/core/watching'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import type { FilmElement } from '../media/openFilm.ts'
import { beginFilm } from './beginFilm.ts'
import { createFilmCourse, type FilmCourse } from './filmCourse.ts'
import { createFilmMoves } from './filmMoves.ts'
import { createFilmRecords } from './filmRecords.ts'
import { createFilmScreen } from './filmScreen.ts'
import { resultsOf } from './useAnswers.ts'
import { countWhile } from './visibleClock.ts'

export type FilmSession = ReturnType<typeof useFilmSession>

export function useFilmSession(
  host: Host,
  opened: OpenedLesson,
  partId: string,
  leads: { toPart(partId: string): void } = { toPart: () => undefined },
) {
  const { lesson, progress } = opened
  const part = partOfKind(lesson, partId, 'film')!
  const film = opened.media.find((media) => media.id === part.mediaId)
  const durationMs = film?.durationMs ?? part.durationMs ?? 0
  const { schedule, began } = beginFilm(opened, partId, durationMs)
  const covered = shallowRef<Span[]>(normalise(progress.covered[partId] ?? []))
  const state = shallowRef(began)
  /** How the time for a choice runs out; null where no time is set. */
  const countdown = computed(() => countdownOf(schedule, state.value))
  const records = createFilmRecords(host, partId)
  const screen = createFilmScreen(
    host,
    { partId, durationMs, frameRate: frameRateOf(part.frameRate ?? '25') },
    {
      onTick: (ms) => course.onTick(ms),
      onPlayed: () => course.onPlayed(),
      onPaused: () => course.onPaused(),
      onEnded: () => course.onEnded(),
      onForeignSeek: (ms) => moves.seek(ms),
      onWatched: (span) => (covered.value = normalise([...covered.value, span])),
    },
  )
  const atHand = { schedule, state, durationMs, screen, records }
  const { attach, ...moves } = createFilmMoves(atHand, () => course, leads.toPart)
  const course = createFilmCourse(atHand, opened, { ...leads, play: moves.play })
  const { dispatch, recordPlace } = course

  // Time to choose in runs only while somebody can see it run.
  countWhile(
    () => countdown.value !== null,
    (ms) => dispatch({ kind: 'clock', ms }),
  )
  hearHost(host, opened, course, screen.isAttached)
  onScopeDispose(() => {
    screen.endSpans()
    if (screen.isAttached()) recordPlace()
    screen.destroy()
  })

  const { mediaMs, snapshot } = screen
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
    isHeld: computed(() => state.value.mode.kind === 'held'),
    countdown,
    /** Where jumps may land under the lesson's rule; null where there are none. */
    range: computed(() => seekRange(schedule, state.value)),
    ...moves,
    attach: (element: FilmElement) => attach(element, progress, partId),
    dispatch,
    setRate,
    setQuiet,
    setMuted,
    retry,
    settled,
    drawFrame,
    recordPlace,
  }
}

/** Where the learner is, is recorded when the page goes; what the server marked is known to playback like any other answer. */
function hearHost(
  host: Host,
  { lesson, assignment }: OpenedLesson,
  { dispatch, recordPlace }: FilmCourse,
  isAttached: () => boolean,
): void {
  const isTold = assignment?.tells ?? true
  onScopeDispose(host.onLeave(() => isAttached() && recordPlace()))
  onScopeDispose(
    host.onTold(({ responses }) => {
      const results = resultsOf(lesson, responses, isTold)
      for (const [cueId, result] of Object.entries(results))
        if (lesson.cues[cueId]) dispatch({ kind: 'answered', cueId, result })
    }),
  )
}
