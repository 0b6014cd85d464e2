// What is recorded of a film besides what was watched and answered: places, ways, and that it is finished.
import { isoTime, nowMs } from '../clock.ts'
import type { Host } from '../hosts/Host.ts'

/** Where the learner is is told this often while playing, in ms. */
const PLACE_EVERY_MS = 10_000

export function createFilmRecords(host: Host, partId: string) {
  let lastPlaceMs = 0
  return {
    place(atMs: number, released: string[]): void {
      lastPlaceMs = nowMs()
      const at = isoTime(lastPlaceMs)
      host.record({ kind: 'place', id: host.newId(), partId, atMs, released, at })
    },
    isPlaceDue: () => nowMs() - lastPlaceMs > PLACE_EVERY_MS,
    finish: () => host.record({ kind: 'finish', id: host.newId(), partId, at: isoTime(nowMs()) }),
    choice: (cueId: string, choiceId: string) =>
      host.record({ kind: 'choice', id: host.newId(), cueId, choiceId, at: isoTime(nowMs()) }),
  }
}
export type FilmRecords = ReturnType<typeof createFilmRecords>
