// Helpers that several edits share: order keys, times kept inside the film, copies.
import { generateKeyBetween } from 'fractional-indexing'
import { inOrder, LONGEST_MEDIA_MS } from '../../fields/index.ts'
import { filmLengthMs } from '../parts/index.ts'
import type { Lesson } from '../schema.ts'

/**
 * An order key between two others; null is the beginning or the end. Two that were made at once may be the same, and
 * nothing lies between them: then it comes after both.
 */
export function orderBetween(before: string | null, after: string | null): string {
  const isRoom = before === null || after === null || before < after
  return generateKeyBetween(before, isRoom ? after : null)
}

/** An order key after all of the given things. */
export function orderAfterAll(things: readonly { order: string }[]): string {
  const last = things.reduce<string | null>(
    (greatest, thing) => (greatest === null || thing.order > greatest ? thing.order : greatest),
    null,
  )
  return generateKeyBetween(last, null)
}

/** Gives a thing the place of the one before it or after it; at the ends it stays. */
export function moveAmong(
  things: readonly { id: string; order: string }[],
  id: string,
  by: 1 | -1,
): void {
  const all = inOrder(things)
  const from = all.findIndex((thing) => thing.id === id)
  const to = from + by
  if (from < 0 || to < 0 || to >= all.length) return
  const [before, after] = by > 0 ? [all[to]!, all[to + 1]] : [all[to - 1], all[to]!]
  all[from]!.order = orderBetween(before?.order ?? null, after?.order ?? null)
}

/** The order key with which a thing stands before another one of these, or at the end. */
export function orderBefore(
  things: readonly { id: string; order: string }[],
  id: string,
  beforeId: string | null,
): string {
  const others = inOrder(things).filter((thing) => thing.id !== id)
  const found = others.findIndex((thing) => thing.id === beforeId)
  const at = found < 0 ? others.length : found
  return orderBetween(others[at - 1]?.order ?? null, others[at]?.order ?? null)
}

/** A whole ms inside the part's film, as far as its length is known. */
export function clampToFilm(lesson: Lesson, partId: string, ms: number): number {
  const end = filmLengthMs(lesson, partId) ?? LONGEST_MEDIA_MS
  return Math.min(Math.max(0, Math.round(ms)), end)
}

/** A span of at least `leastMs` inside the film that keeps its beginning where it can. */
export function clampSpan(
  lesson: Lesson,
  partId: string,
  fromMs: number,
  toMs: number,
  leastMs = 1,
): { fromMs: number; toMs: number } {
  const end = filmLengthMs(lesson, partId) ?? LONGEST_MEDIA_MS
  const from = Math.min(Math.max(0, Math.round(fromMs)), Math.max(0, end - leastMs))
  const to = Math.min(Math.max(from + leastMs, Math.round(toMs)), Math.max(end, leastMs))
  return { fromMs: from, toMs: to }
}

/** A deep copy of plain JSON; what comes back may be changed. */
export function copyOf<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}
