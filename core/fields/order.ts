// Things with a fractional order key (see the fractional-indexing package), put in their order.

const compareText = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/** Things with an order key, in its order; those with the same key by their ids. */
export function inOrder<T extends { id: string; order: string }>(things: readonly T[]): T[] {
  return [...things].sort((a, b) => compareText(a.order, b.order) || compareText(a.id, b.id))
}
