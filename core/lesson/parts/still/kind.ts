// What a still can do as a part.
import { inOrder, isBlank } from '../../../fields/index.ts'
import type { PartKind, PartMaking, Unready } from '../kind.ts'
import type { PinOpens, StillPart } from './schema.ts'

export const still: PartKind<StillPart> = {
  texts: ({ text, pins }) => [
    text,
    ...Object.values(pins).flatMap(({ opens }) => ('text' in opens ? [opens.text] : [])),
  ],
  media: ({ mediaId }) => [mediaId],
  thingsToSee: ({ pins }) => inOrder(Object.values(pins)).map(({ id }) => id),
  asks: ({ pins }) =>
    inOrder(Object.values(pins)).flatMap(({ id, opens }) =>
      opens.what === 'question' ? [{ id, questionId: opens.questionId }] : [],
    ),
}

export const stillMaking: PartMaking<StillPart> = {
  picture: ({ mediaId }) => mediaId,
  leads: ({ pins }) =>
    inOrder(Object.values(pins)).flatMap(({ id: thingId, name: words, opens }) =>
      opens.what === 'part'
        ? [{ thingId, words, path: ['pins', thingId, 'opens', 'partId'], partId: opens.partId }]
        : [],
    ),
  maps: ({ pins }) => ({ pins }),
  blank: (base) => ({ ...base, kind: 'still', mediaId: null, alternative: '', text: '', pins: {} }),
  findUnready,
  asksFrom: 'pins',
  forgetPart({ pins }, goneId) {
    for (const { opens } of Object.values(pins))
      if (opens.what === 'part' && opens.partId === goneId) opens.partId = null
  },
}

function findUnready({ title, mediaId, pins }: StillPart): Unready[] {
  const noPicture: Unready[] =
    mediaId === null ? [{ code: 'still.noPicture', message: `“${title}” has no picture yet.` }] : []
  const empty = Object.values(pins)
    .filter(({ opens }) => opensNothing(opens))
    .map(({ id }): Unready => ({
      path: ['pins', id],
      code: 'still.emptyPin',
      message: `A pin of “${title}” opens nothing yet.`,
    }))
  return [...noPicture, ...empty]
}

/** Whether nothing would come of touching a pin. */
export function opensNothing(opens: PinOpens): boolean {
  switch (opens.what) {
    case 'text':
      return isBlank(opens.text)
    case 'link':
      return opens.address === null
    case 'part':
      return opens.partId === null
    case 'question':
      return false
  }
}
