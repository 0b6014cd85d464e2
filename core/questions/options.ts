// What kinds with options share.
import { generateKeyBetween } from 'fractional-indexing'
import { isBlank, plainOf, type RichText } from '../fields/index.ts'

/** Whether two of these read the same; empty ones do not count. */
export function hasRepeats(texts: readonly RichText[]): boolean {
  const written = texts.filter((text) => !isBlank(text)).map(readAlike)
  return new Set(written).size < written.length
}

function readAlike(text: RichText): string {
  // Two pictures differ though both say nothing; a text with media is told apart by all it holds.
  const words = plainOf(text).trim().toLowerCase()
  return typeof text === 'string' || words !== '' ? words : JSON.stringify(text)
}

/** So many order keys, one after another. */
export function ordersFor(count: number): string[] {
  const orders: string[] = []
  for (let index = 0; index < count; index += 1)
    orders.push(generateKeyBetween(orders.at(-1) ?? null, null))
  return orders
}

export const twoOrders = () => ordersFor(2)

/** Things that are written anew under other names, in the order in which they lie here. */
export function underNames<T extends { id: string }, U extends object>(
  things: readonly T[],
  nameOf: (id: string) => string,
  write: (thing: T) => U,
): Record<string, U & { id: string; order: string }> {
  const orders = ordersFor(things.length)
  const named = things.map((thing, index) => {
    const id = nameOf(thing.id)
    return [id, { ...write(thing), id, order: orders[index]! }] as const
  })
  return Object.fromEntries(named)
}
