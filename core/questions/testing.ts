// Questions for the tests of this folder, with only what a test says of them.
import {
  blankBase,
  blankQuestion,
  type Question,
  type QuestionKindName,
  type QuestionOf,
} from './index.ts'

/** A question of a kind; its parts have the ids n0, n1, …; what is given replaces what a new one has. */
export function questionOf<K extends QuestionKindName>(
  kind: K,
  change: Partial<QuestionOf<K>> = {},
): QuestionOf<K> {
  let made = 0
  const blank = blankQuestion(kind, blankBase('q'), () => `n${made++}`)
  return { ...(blank as Question), ...change } as QuestionOf<K>
}

/** A map of things under the ids a, b, c … in their order. */
export function entries<T extends object>(
  things: readonly T[],
): Record<string, T & { id: string; order: string }> {
  return Object.fromEntries(
    things.map((thing, index) => {
      const id = String.fromCharCode(97 + index)
      return [id, { ...thing, id, order: `a${index}` }]
    }),
  )
}
