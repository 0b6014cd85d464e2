// What shows parts that are no films, each fetched apart from the first script.
import type { PartKind } from '@fernbrake/core/lesson'

const FETCHERS = {
  quiz: () => import('../quiz/QuizPlayer.vue'),
  page: () => import('./page/PagePlayer.vue'),
  still: () => import('./still/StillPlayer.vue'),
  deck: () => import('./deck/DeckPlayer.vue'),
  chronicle: () => import('./chronicle/ChroniclePlayer.vue'),
}

export type LaterKind = keyof typeof FETCHERS

/** Fetches what shows this kind of part; rejects without a connection. */
export const fetchPartPlayer = (kind: LaterKind) => FETCHERS[kind]()

/** Fetches what shows the parts of these kinds ahead of time; one that still lacks it says so when it is opened. */
export function prepareParts(kinds: ReadonlySet<PartKind>): void {
  for (const kind of kinds) if (kind !== 'film') void fetchPartPlayer(kind).catch(() => undefined)
}
