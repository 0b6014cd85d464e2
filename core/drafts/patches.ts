// RFC 6902 JSON Patch, the part that edits need: add, replace and remove on objects.
// Arrays in the document are only ever replaced as a whole, so a patch never names an array position.
import { createDraft, finishDraft, type Patch as ImmerPatch } from 'immer'
import { z } from 'zod'
import { findBadKey, isForbiddenKey, type Issue } from '../fields/index.ts'

const pointerSchema = z
  .string()
  .regex(/^(\/([^~/]|~[01])*)+$/)
  .max(500)

/** Whatever JSON can say; what belongs there is decided by the document's own schema once the patch is applied. */
const valueSchema = z.unknown().refine((value) => value !== undefined, 'is missing')

export const patchSchema = z.discriminatedUnion('op', [
  z.strictObject({ op: z.literal('add'), path: pointerSchema, value: valueSchema }),
  z.strictObject({ op: z.literal('replace'), path: pointerSchema, value: valueSchema }),
  z.strictObject({ op: z.literal('remove'), path: pointerSchema }),
])

export type Patch = z.infer<typeof patchSchema>

export type Applied<T> = { ok: true; value: T } | { ok: false; issues: Issue[] }

/** Applies patches in order to a copy of `document` (unchanged branches are shared); all or nothing. */
export function applyPatches<T extends object>(document: T, patches: readonly Patch[]): Applied<T> {
  // One draft for all of them: an edit of every line of a long script has thousands.
  const draft = createDraft(document)
  for (const [index, patch] of patches.entries()) {
    const reason = applyTo(draft, patch)
    if (reason)
      return {
        ok: false,
        issues: [{ path: ['patches', index], code: 'patch.target', message: reason }],
      }
  }
  return { ok: true, value: finishDraft(draft) as T }
}

/** Applies one patch to a draft; answers why it cannot be, and then changes nothing. */
function applyTo(draft: object, patch: Patch): string | null {
  const keys = keysOfPointer(patch.path)
  if (keys.some(isForbiddenKey)) return `${patch.path} is not a place in it`
  const last = keys.pop()!
  let parent: unknown = draft
  for (const key of keys) {
    if (!isPlainObject(parent) || !Object.hasOwn(parent, key))
      return `${patch.path} is not there any more`
    parent = parent[key]
  }
  if (!isPlainObject(parent)) return `${patch.path} is not a place in it`
  if (patch.op !== 'add' && !Object.hasOwn(parent, last))
    return `${patch.path} is not there any more`
  if (patch.op !== 'remove' && findBadKey(patch.value)) return 'a key in it has no place there'
  if (patch.op === 'remove') delete parent[last]
  else parent[last] = ownCopy(patch.value)
  return null
}

/** A copy of a JSON value: a later patch may change what an earlier one put in, but not that patch itself. */
function ownCopy(value: unknown): unknown {
  return typeof value === 'object' && value !== null ? JSON.parse(JSON.stringify(value)) : value
}

/**
 * Whether the document still stands at every place of these patches as they left it. Each pointer is followed from
 * the root; where several patches touch one place, the last one counts.
 */
export function isAsLeftBy(document: object, patches: readonly Patch[]): boolean {
  const last = new Map(patches.map((patch) => [patch.path, patch]))
  return [...last.values()].every((patch) => {
    let value: unknown = document
    for (const key of keysOfPointer(patch.path))
      value = isPlainObject(value) && Object.hasOwn(value, key) ? value[key] : undefined
    return isSame(value, patch.op === 'remove' ? undefined : patch.value)
  })
}

/** Whether two JSON values say the same; the order of keys says nothing. */
function isSame(one: unknown, other: unknown): boolean {
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((value, index) => isSame(value, other[index]))
  if (!isPlainObject(one) || !isPlainObject(other)) return Object.is(one, other)
  const keys = Object.keys(one)
  return (
    keys.length === Object.keys(other).length &&
    keys.every((key) => Object.hasOwn(other, key) && isSame(one[key], other[key]))
  )
}

function isPlainObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

/** Splits a JSON Pointer (RFC 6901) into its keys. */
export function keysOfPointer(pointer: string): string[] {
  return pointer
    .split('/')
    .slice(1)
    .map((key) => key.replaceAll('~1', '/').replaceAll('~0', '~'))
}

/** Writes Immer's patches as RFC 6902. Throws on an array position, which is a mistake of ours. */
export function fromImmerPatches(patches: readonly ImmerPatch[]): Patch[] {
  return patches.map((patch) => {
    if (patch.path.some((key) => typeof key === 'number'))
      throw new Error(`An edit changed an array at ${patch.path.join('/')}`)
    const path = patch.path
      .map((key) => '/' + String(key).replaceAll('~', '~0').replaceAll('/', '~1'))
      .join('')
    return patch.op === 'remove'
      ? { op: 'remove', path }
      : { op: patch.op, path, value: patch.value }
  })
}
