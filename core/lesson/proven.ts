// What of a lesson has been checked before. An edit shares all that it does not touch with the lesson before it, so of a
// long lesson only a little is new; the schema need not read the rest again. Only what is frozen can be relied on:
// nobody can have changed it since.
import type { Lesson, Script } from './schema.ts'

const proven = new WeakSet<object>()

const MAPS = ['scripts', 'cues', 'questions'] as const

const isMap = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Whether a thing stands under its own id and was found good before. */
function isProven(key: string, thing: unknown): boolean {
  return isMap(thing) && thing.id === key && proven.has(thing)
}

/** Runs over every entry at every edit, so it makes nothing for those that are left out. */
function unproven(map: Record<string, unknown>): Record<string, unknown> {
  const left: [string, unknown][] = []
  for (const key of Object.keys(map)) if (!isProven(key, map[key])) left.push([key, map[key]])
  return Object.fromEntries(left)
}

/** The document without the entries of its maps, and the lines of its scripts, that were found good before. */
export function withoutProven(document: unknown): unknown {
  if (!isMap(document)) return document
  const left: Record<string, unknown> = { ...document }
  for (const name of MAPS) {
    const map = left[name]
    if (isMap(map)) left[name] = unproven(map)
  }
  if (isMap(left.scripts))
    left.scripts = Object.fromEntries(
      Object.entries(left.scripts).map(([key, script]) => [key, withoutProvenLines(script)]),
    )
  return left
}

function withoutProvenLines(script: unknown): unknown {
  return isMap(script) && isMap(script.lines)
    ? { ...script, lines: unproven(script.lines) }
    : script
}

/** Notes that everything in this lesson was found good. */
export function recordProven(lesson: Lesson): void {
  for (const name of MAPS)
    for (const thing of Object.values<object>(lesson[name])) {
      if (proven.has(thing) || !Object.isFrozen(thing)) continue
      proven.add(thing)
      if (name === 'scripts') noteLines(thing as Script)
    }
}

function noteLines({ lines }: Script): void {
  for (const line of Object.values(lines)) if (Object.isFrozen(line)) proven.add(line)
}
