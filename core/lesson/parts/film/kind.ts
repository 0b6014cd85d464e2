// What a film can do as a part. What it shows at which moment are its cues, which stand beside it in the lesson.
import type { PartKind, PartMaking } from '../kind.ts'
import type { FilmPart } from './schema.ts'

export const film: PartKind<FilmPart> = {
  texts: () => [],
  media: () => [],
  plays: ({ durationMs }) => durationMs,
}

export const filmMaking: PartMaking<FilmPart> = {
  maps: () => ({}),
  blank: (base) => ({
    ...base,
    kind: 'film',
    mediaId: null,
    durationMs: null,
    frameRate: null,
    seekRule: 'free',
  }),
  // What keeps a film from being published is known of its medium: see publishable.ts.
  findUnready: () => [],
}
