// What a page can do as a part.
import type { PartKind, PartMaking, Unready } from '../kind.ts'
import { blocksInOrder } from './blocks.ts'
import type { PageBlock, PagePart } from './schema.ts'

export const page: PartKind<PagePart> = {
  texts: ({ blocks }) =>
    Object.values(blocks).flatMap((block) => ('text' in block ? [block.text] : [])),
  media: ({ blocks }) =>
    Object.values(blocks).map((block) => ('mediaId' in block ? block.mediaId : null)),
  asks: (part) =>
    blocksInOrder(part).flatMap((block) => (block.kind === 'question' ? [block] : [])),
  notedAt: (part) => blocksInOrder(part).map(({ id }) => id),
}

export const pageMaking: PartMaking<PagePart> = {
  picture(part) {
    for (const block of blocksInOrder(part))
      if (block.kind === 'picture' && block.mediaId !== null) return block.mediaId
    return null
  },
  stretches: ({ blocks }) =>
    Object.values(blocks).flatMap((block) =>
      block.kind === 'stretch' && block.stretch
        ? [{ path: ['blocks', block.id, 'stretch', 'partId'], partId: block.stretch.partId }]
        : [],
    ),
  maps: ({ blocks }) => ({ blocks }),
  blank: (base) => ({ ...base, kind: 'page', blocks: {} }),
  findUnready,
  asksFrom: 'blocks',
  findStray: ({ blocks }) =>
    Object.values(blocks)
      .filter((block) => !standsWell(blocks, block))
      .map(({ id }) => ['blocks', id, 'inside']),
  inside: (part, thingId) =>
    blocksInOrder(part).flatMap(({ id, inside }) => (inside?.columnsId === thingId ? [id] : [])),
  forgetPart({ blocks }, goneId) {
    for (const block of Object.values(blocks))
      if (block.kind === 'stretch' && block.stretch?.partId === goneId) block.stretch = null
  },
}

/** Whether a block stands on the page itself, or in columns that are there; nobody reads columns in columns. */
function standsWell(blocks: PagePart['blocks'], { inside, kind }: PageBlock): boolean {
  if (!inside) return true
  const around = Object.hasOwn(blocks, inside.columnsId) ? blocks[inside.columnsId] : undefined
  return around?.kind === 'columns' && kind !== 'columns'
}

function findUnready({ title, blocks }: PagePart): Unready[] {
  const all = Object.values(blocks)
  if (all.length === 0)
    return [{ code: 'page.empty', message: `“${title}” has nothing on it yet.` }]
  const unfinished = all
    .filter((block) => lacksSomething(block))
    .map(({ id }) => ({
      path: ['blocks', id],
      code: 'page.unfinished' as const,
      message: `Something on “${title}” has not been chosen yet.`,
    }))
  const empty = all
    .filter((block) => hasNothingInside(blocks, block))
    .map(({ id }) => ({
      path: ['blocks', id],
      code: 'page.emptyColumns' as const,
      message: `Two columns on “${title}” have nothing in them yet.`,
    }))
  return [...unfinished, ...empty]
}

/** Whether these are columns in which nothing stands: learners would see a gap. */
export function hasNothingInside(blocks: PagePart['blocks'], { id, kind }: PageBlock): boolean {
  return kind === 'columns' && !Object.values(blocks).some(({ inside }) => inside?.columnsId === id)
}

/** Whether what a block is there for is not chosen yet. */
export function lacksSomething(block: PageBlock): boolean {
  if ('mediaId' in block) return block.mediaId === null
  if (block.kind === 'stretch') return block.stretch === null
  return block.kind === 'web' && block.address === null
}
