// Reading what somebody sent as an answer, without trusting any of it.

/** The value's fields when it is an answer of this kind, else null. */
export function answerOf(value: unknown, kind: string): Record<string, unknown> | null {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return null
  const fields = value as Record<string, unknown>
  return fields.kind === kind ? fields : null
}

/** The value when it is a list of texts of which none occurs twice, else null. */
export function listOfIds(value: unknown): string[] | null {
  if (!Array.isArray(value) || !value.every((id) => typeof id === 'string')) return null
  return new Set(value).size === value.length ? (value as string[]) : null
}

/** The value when it is an object whose values are texts, else null. */
export function mapOfTexts(value: unknown): Record<string, string> | null {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return null
  return Object.values(value).every((text) => typeof text === 'string')
    ? (value as Record<string, string>)
    : null
}

/** What stands under an id, of the thing's own: an answer may name anything, as `constructor`. */
export const ownOf = <T>(map: Readonly<Record<string, T>>, id: string): T | undefined =>
  Object.hasOwn(map, id) ? map[id] : undefined
