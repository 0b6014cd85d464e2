// What a deck can do as a part.
import { inOrder } from '../../../fields/index.ts'
import type { PartKind, PartMaking } from '../kind.ts'
import type { DeckPart } from './schema.ts'

const slidesInOrder = ({ slides }: DeckPart) => inOrder(Object.values(slides))

export const deck: PartKind<DeckPart> = {
  texts: ({ slides }) => Object.values(slides).map(({ notes }) => notes),
  media: ({ offers, slides }) => [offers, ...Object.values(slides).map(({ mediaId }) => mediaId)],
  thingsToSee: (part) => slidesInOrder(part).map(({ id }) => id),
  mustBeSeen: true,
  pages: ({ slides }) =>
    Object.values(slides).flatMap(({ mediaId, page }) =>
      page === undefined ? [] : [{ mediaId, page }],
    ),
}

export const deckMaking: PartMaking<DeckPart> = {
  picture: (part) => slidesInOrder(part)[0]?.mediaId ?? null,
  maps: ({ slides }) => ({ slides }),
  blank: (base) => ({ ...base, kind: 'deck', slides: {}, offers: null }),
  findUnready: ({ title, slides }) =>
    Object.keys(slides).length > 0
      ? []
      : [{ code: 'deck.empty', message: `“${title}” has no picture yet.` }],
}
