// The blocks of a page as they are read, on the page itself and in columns.
import { inOrder } from '../../../fields/index.ts'
import type { PageBlock, PagePart } from './schema.ts'

export type ColumnsBlock = Extract<PageBlock, { kind: 'columns' }>
export type ColumnSide = 'first' | 'second'
export const COLUMN_SIDES: readonly ColumnSide[] = ['first', 'second']

/** The blocks that stand on the page itself, or on one side of columns, in order. */
export function blocksAt(
  page: PagePart,
  place?: { columnsId: string; side: ColumnSide },
): PageBlock[] {
  return inOrder(
    Object.values(page.blocks).filter(({ inside }) =>
      place
        ? inside?.columnsId === place.columnsId && inside.side === place.side
        : inside === undefined,
    ),
  )
}

/** All blocks as they are read: what stands in columns comes after them, the first side first. */
export function blocksInOrder(page: PagePart): PageBlock[] {
  return blocksAt(page).flatMap((block) =>
    block.kind === 'columns'
      ? [block, ...COLUMN_SIDES.flatMap((side) => blocksAt(page, { columnsId: block.id, side }))]
      : [block],
  )
}
