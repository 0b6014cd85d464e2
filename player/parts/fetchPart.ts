// What shows the parts that do not play, each fetched apart from the first script. A new kind is a line here.
import type { Component } from 'vue'
import { addMessages } from '../i18n.ts'
import { isPlayed, type Part, type PartKindName, type PartOf } from '@fernbrake/core/lesson'

/** Films are shown by what is there at once (`ui/FilmPlayer.vue`). */
export type LaterKind = Exclude<PartKindName, 'film'>

const FETCHERS: Record<LaterKind, () => Promise<{ default: Component }>> = {
  quiz: () => import('../quiz/QuizPlayer.vue'),
  page: () => import('./page/PagePlayer.vue'),
  still: () => import('./still/StillPlayer.vue'),
  deck: () => import('./deck/DeckPlayer.vue'),
  chronicle: () => import('./chronicle/ChroniclePlayer.vue'),
}

/** Whether what shows a part is fetched later. */
export const isLater = (part: Part): part is PartOf<LaterKind> => !isPlayed(part)

/** Fetches what shows this kind of part, with the texts of questions outside a film; rejects without a connection. */
export async function fetchPartPlayer(kind: LaterKind): Promise<{ default: Component }> {
  const [view, texts] = await Promise.all([FETCHERS[kind](), import('../locales/enQuiz.ts')])
  addMessages(texts.default)
  return view
}

/** Fetches what shows these parts ahead of time; one that still lacks it says so when it is opened. */
export function prepareParts(parts: readonly Part[]): void {
  const kinds = new Set(parts.filter(isLater).map(({ kind }) => kind))
  for (const kind of kinds) void fetchPartPlayer(kind).catch(() => undefined)
}
