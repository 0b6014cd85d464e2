// What a chronicle can do as a part.
import { endsTooSoon } from '../../../chronicle/index.ts'
import type { PartKind, PartMaking, Unready } from '../kind.ts'
import type { ChroniclePart } from './schema.ts'

export const chronicle: PartKind<ChroniclePart> = {
  texts: (part) => [part.text, ...Object.values(part.items).map(({ text }) => text)],
  media: ({ background, items }) => [
    background?.mediaId,
    ...Object.values(items).map(({ medium }) => medium?.mediaId),
  ],
  thingsToSee: ({ items }) => Object.keys(items),
}

export const chronicleMaking: PartMaking<ChroniclePart> = {
  maps: ({ categories, items }) => ({ categories, items }),
  blank: (base) => ({
    ...base,
    kind: 'chronicle',
    text: '',
    items: {},
    categories: {},
    background: null,
    opensAs: 'drawing',
  }),
  findUnready,
  findStray: ({ items, categories }) =>
    Object.values(items)
      .filter(({ categoryId }) => categoryId !== null && !Object.hasOwn(categories, categoryId))
      .map(({ id }) => ['items', id, 'categoryId']),
  forgetThing({ items }, goneId) {
    for (const item of Object.values(items)) if (item.categoryId === goneId) item.categoryId = null
  },
}

function findUnready(part: ChroniclePart): Unready[] {
  const items = Object.values(part.items)
  if (items.length === 0)
    return [{ code: 'chronicle.empty', message: `“${part.title}” tells of nothing yet.` }]
  return items.flatMap((item): Unready[] => {
    const path = ['items', item.id]
    const unnamed: Unready[] =
      item.title.trim() === ''
        ? [{ path, code: 'chronicle.noTitle', message: 'Something that happened has no name yet.' }]
        : []
    const message = `“${item.title}” ends before it begins.`
    return endsTooSoon(item)
      ? [...unnamed, { path, code: 'chronicle.endsTooSoon', message }]
      : unnamed
  })
}
