// How far the learner has come while the lesson is open: each part takes up what the others have recorded.
import { shallowRef, type ShallowRef } from 'vue'
import { partOfKind } from '@fernbrake/core/lesson'
import { releasedOnceLedTo } from '@fernbrake/core/playback'
import { knownOf, type Judged, type Known, type Travelled } from '@fernbrake/core/routes'
import { furthestMs } from '@fernbrake/core/watching'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import { advance } from '@fernbrake/core/records'
import { acceptTold } from './told.ts'
import { resultsOf } from './useAnswers.ts'

export function useTravelled(
  under: Host,
  opened: Readonly<ShallowRef<OpenedLesson | null>>,
): {
  /** The host for the parts: what they record is noted here on its way. */
  host: Host
  travelled: Readonly<ShallowRef<Travelled>>
  /** What decides about ways and gates, as of the last record. */
  known: Readonly<ShallowRef<Known>>
  /** Takes up what the server says of conditions that cannot be judged here. */
  acceptJudged(judged: Judged): void
  /** Call once the lesson is open. */
  begin(): void
  /** Notes where a film is to be taken up; under a rule on jumping, no further than the learner has come. */
  leaveAt(opened: OpenedLesson, place: { partId: string; atMs: number }): void
  /** The lesson as a part is to find it now. */
  openedAt(partId: string, fromBeginning: boolean): OpenedLesson
} {
  const travelled = shallowRef<Travelled>({ finishedParts: [], chosen: {} })
  const known = shallowRef<Known>({ facts: { score: 0, watched: {}, visited: [] }, results: {} })
  /** Where each film was left last, in ms. */
  const places = new Map<string, number>()

  function refresh(): void {
    const { finishedParts, chosen } = opened.value!.progress
    travelled.value = { finishedParts: [...finishedParts], chosen: { ...chosen } }
    refreshKnown()
  }
  function refreshKnown(): void {
    known.value = knownOf(opened.value!.lesson, opened.value!.progress)
  }

  const toldListeners = new Set<Parameters<Host['onTold']>[0]>()
  const host: Host = {
    ...under,
    // The lesson itself knows first.
    onTold(listener) {
      toldListeners.add(listener)
      return () => toldListeners.delete(listener)
    },
    record(record) {
      if (opened.value) {
        advance(opened.value.lesson, opened.value.progress, record)
        if (record.kind === 'place') places.set(record.partId, record.atMs)
        if (record.kind === 'finish' || record.kind === 'choice') refresh()
        else refreshKnown()
      }
      under.record(record)
    },
  }
  return {
    host,
    travelled,
    known,
    acceptJudged({ shut, open }) {
      const { progress } = opened.value!
      progress.judged = { shut, open: { ...progress.judged?.open, ...open } }
      refreshKnown()
    },
    begin() {
      const { partId, atMs } = opened.value!.progress
      if (partId !== null) places.set(partId, atMs)
      refresh()
      under.onTold((told) => {
        acceptTold(opened.value!, told)
        refresh()
        toldListeners.forEach((listener) => listener(told))
      })
    },
    leaveAt({ lesson, progress }, { partId, atMs }) {
      const film = partOfKind(lesson, partId, 'film')
      if (!film) return
      const furthest =
        film.seekRule === 'free' ? Infinity : furthestMs(progress.covered[partId] ?? [])
      places.set(partId, Math.max(0, Math.min(atMs, furthest, (film.durationMs ?? 1) - 1)))
    },
    openedAt(partId, fromBeginning) {
      const { lesson, progress, assignment } = opened.value!
      const atMs = fromBeginning ? 0 : (places.get(partId) ?? 0)
      const results = resultsOf(lesson, progress.responses, assignment?.tells ?? true)
      const released = fromBeginning
        ? releasedOnceLedTo(lesson, partId, progress.released, results)
        : progress.released
      return { ...opened.value!, progress: { ...progress, partId, atMs, released } }
    },
  }
}
