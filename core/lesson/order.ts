// Reading order: of parts, of cues in film time, of script lines.
import { leafShape, type LeafShape } from '../questions/index.ts'
import { inOrder, LONGEST_MEDIA_MS } from '../fields/index.ts'
import type { Cue, Lesson, Script, ScriptLine } from './schema.ts'

export { inOrder }

const compareText = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/** The moment at which a cue begins, in ms. */
export function cueStartMs(cue: Cue): number {
  return cue.kind === 'overlay' ? cue.fromMs : cue.atMs
}

/** The moment at which a cue ends, in ms; for one that has no length, where it stands. */
export function cueEndMs(cue: Cue): number {
  return cue.kind === 'overlay' ? cue.toMs : cue.atMs
}

/** Whether something with a time on screen is on it at `ms`: from its beginning on, no longer at its end. */
export function isShownAt({ fromMs, toMs }: { fromMs: number; toMs: number }, ms: number): boolean {
  return fromMs <= ms && ms < toMs
}

/** The cues of one part by their beginning, then by their order key. */
export function cuesInOrder(lesson: Pick<Lesson, 'cues'>, partId: string): Cue[] {
  return Object.values(lesson.cues)
    .filter((cue) => cue.partId === partId)
    .sort(
      (a, b) =>
        cueStartMs(a) - cueStartMs(b) || compareText(a.order, b.order) || compareText(a.id, b.id),
    )
}

/** The lines of a script in film time. */
export function linesInOrder(script: Pick<Script, 'lines'>): ScriptLine[] {
  return Object.values(script.lines).sort(
    (a, b) => a.fromMs - b.fromMs || a.toMs - b.toMs || compareText(a.id, b.id),
  )
}

/** The line that is spoken in the middle of a stretch, or is nearest to it; undefined where nothing is spoken. */
export function lineNear(
  script: Pick<Script, 'lines'> | undefined,
  { fromMs, toMs }: { fromMs: number; toMs: number },
): ScriptLine | undefined {
  const middle = (fromMs + toMs) / 2
  const awayMs = (line: ScriptLine) => Math.max(line.fromMs - middle, middle - line.toMs, 0)
  return script && linesInOrder(script).sort((a, b) => awayMs(a) - awayMs(b))[0]
}

/** The script of a part in the wanted language, else its first one, else undefined. */
export function scriptOfPart(
  lesson: Pick<Lesson, 'scripts'>,
  partId: string,
  language?: string,
): Script | undefined {
  const scripts = Object.values(lesson.scripts)
    .filter((script) => script.partId === partId)
    .sort((a, b) => compareText(a.language, b.language) || compareText(a.id, b.id))
  return scripts.find((script) => script.language === language) ?? scripts[0]
}

/** The languages in which a part has a script with lines, in order of their tags. */
export function scriptLanguages(lesson: Pick<Lesson, 'scripts'>, partId: string): string[] {
  return Object.values(lesson.scripts)
    .filter((script) => script.partId === partId && Object.keys(script.lines).length > 0)
    .map(({ language }) => language)
    .sort()
}

/** The index of the last line that has begun at `atMs`, or −1 before the first (binary search). */
export function lineIndexAt(lines: readonly ScriptLine[], atMs: number): number {
  let low = 0
  let high = lines.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (lines[middle]!.fromMs <= atMs) low = middle + 1
    else high = middle
  }
  return low - 1
}

/**
 * Finds the lines that are said at a time, `fromMs ≤ t < toMs`, in their order; several may be at once. `lines` are by
 * their beginnings. Looks back only as far as some line can still last.
 */
export function linesSaid(lines: readonly ScriptLine[]): (atMs: number) => ScriptLine[] {
  let end = 0
  const lastsUntil = lines.map(({ toMs }) => (end = Math.max(end, toMs)))
  return (atMs) => {
    const said: ScriptLine[] = []
    for (let at = lineIndexAt(lines, atMs); at >= 0 && lastsUntil[at]! > atMs; at -= 1)
      if (lines[at]!.toMs > atMs) said.unshift(lines[at]!)
    return said
  }
}

/** How far all lines that begin at or after `fromMs` can be moved, back (not above 0) and on, in ms. */
export function roomToShift(script: Script, fromMs: number): { backMs: number; onMs: number } {
  let [first, last] = [LONGEST_MEDIA_MS, 0]
  for (const line of Object.values(script.lines)) {
    if (line.fromMs < fromMs) continue
    first = Math.min(first, line.fromMs)
    last = Math.max(last, line.toMs)
  }
  return { backMs: -first, onMs: LONGEST_MEDIA_MS - last }
}

/** The shape of the leaf of a question cue; that of any where it asks what is not there. */
export const leafOfCue = (
  { questions }: Pick<Lesson, 'questions'>,
  { questionId }: { questionId: string },
): LeafShape => (questions[questionId] ? leafShape(questions[questionId]) : 'question')
