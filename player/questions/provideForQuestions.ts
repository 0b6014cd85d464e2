// What questions and their texts ask of the player: other people's answers, the held frame, where media are.
import { onMounted, provide } from 'vue'
import { pageKey, partOfKind } from '@fernbrake/core/lesson'
import type { Host, OpenedLesson } from '../hosts/Host.ts'
import type { FilmSession } from '../session/useFilmSession.ts'
import { ADDRESSES, FILES, FRAME, TALLIES } from './answerView.ts'
import { prepareViews } from './views.ts'

/** `session` is the film that is on the stage; other parts have none. */
export function provideForQuestions(host: Host, opened: OpenedLesson, session?: FilmSession): void {
  const { lesson, staged, media } = opened
  const filmOf = (partId: string) => {
    const mediaId = partOfKind(lesson, partId, 'film')?.mediaId
    return media.find(({ id }) => id === mediaId)
  }
  provide(TALLIES, (questionId) => host.tally(questionId))
  provide(FILES, host.files)
  if (session) provide(FRAME, { draw: session.drawFrame, settled: session.settled })
  provide(ADDRESSES, {
    medium: (mediaId) => staged?.[mediaId] ?? null,
    page: (mediaId, page) => staged?.[pageKey(mediaId, page)] ?? null,
    film(partId) {
      const film = filmOf(partId)
      return film && !film.player ? film.address : null
    },
    still: (partId) => filmOf(partId)?.poster ?? null,
  })
  onMounted(() => prepareViews(Object.values(lesson.questions)))
}
