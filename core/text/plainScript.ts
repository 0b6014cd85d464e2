// A script without times: cut into lines to read, and given rough times from where the film has speech.
import { cleanText } from '../fields/index.ts'

/** Longer sentences are cut at a comma or between words, in characters: two lines of captions. */
const LONGEST_LINE = 84
/** A line's beginning is moved to a pause in speech at most this far away, in ms. */
const PAUSE_REACH_MS = 2000
/** A line lasts at least this long, in ms. */
const SHORTEST_LINE_MS = 200

/** Cuts a plain text into lines: at line breaks, after sentences, and where a sentence is too long to read. */
export function linesOfPlainText(text: string): string[] {
  return cleanText(text)
    .split('\n')
    .flatMap(
      (paragraph) => paragraph.match(/[^.!?…。！？]+[.!?…。！？]*["”’»)\]]*\s*|[.!?…]+/gu) ?? [],
    )
    .map((sentence) => sentence.replace(/\s+/g, ' ').trim())
    .filter((sentence) => /[\p{L}\p{N}]/u.test(sentence))
    .flatMap(cutLongSentence)
}

function cutLongSentence(sentence: string): string[] {
  const lines: string[] = []
  let rest = sentence
  while (rest.length > LONGEST_LINE) {
    const room = rest.slice(0, LONGEST_LINE + 1)
    const comma = Math.max(room.lastIndexOf(', '), room.lastIndexOf('; '), room.lastIndexOf(': '))
    const space = room.lastIndexOf(' ')
    const cut = comma > LONGEST_LINE / 3 ? comma + 1 : space > 0 ? space : LONGEST_LINE
    lines.push(rest.slice(0, cut).trim())
    rest = rest.slice(cut).trim()
  }
  return rest === '' ? lines : [...lines, rest]
}

interface Stretch {
  fromMs: number
  toMs: number
}

export interface TimedText extends Stretch {
  text: string
}

/**
 * Rough times for lines: each gets as much of the time in which somebody speaks as it has of all letters, and its
 * beginning is moved to the end of a pause that is near. Lines come in order and do not overlap; those that do not
 * fit into the film any more are pressed together at its end.
 */
export function roughTimes(
  texts: readonly string[],
  pauses: readonly Stretch[],
  durationMs: number,
): TimedText[] {
  const speech = speechBetween(pauses, durationMs)
  const spokenMs = speech.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)
  const letters = texts.reduce((sum, text) => sum + text.length, 0)
  const starts: number[] = []
  let before = 0
  for (const text of texts) {
    const wanted = toPause(momentOfSpeech(speech, (before / letters) * spokenMs), pauses)
    const least = starts.length > 0 ? starts.at(-1)! + SHORTEST_LINE_MS : 0
    const most = durationMs - (texts.length - starts.length) * SHORTEST_LINE_MS
    starts.push(Math.round(Math.max(least, Math.min(wanted, most))))
    before += text.length
  }
  return texts.map((text, index) => {
    const fromMs = starts[index]!
    const next = starts[index + 1] ?? Math.max(durationMs, fromMs + SHORTEST_LINE_MS)
    return { text, fromMs, toMs: endBefore(next, fromMs, pauses) }
  })
}

function speechBetween(pauses: readonly Stretch[], durationMs: number): Stretch[] {
  const edges = [0, ...pauses.flatMap(({ fromMs, toMs }) => [fromMs, toMs]), durationMs]
  const speech: Stretch[] = []
  for (let index = 0; index < edges.length; index += 2) {
    const [fromMs, toMs] = [edges[index]!, Math.min(durationMs, edges[index + 1]!)]
    if (toMs > fromMs) speech.push({ fromMs, toMs })
  }
  // A film in which nobody speaks is shared out evenly.
  return speech.length > 0 ? speech : [{ fromMs: 0, toMs: durationMs }]
}

/** The time in the film at which so much has been spoken. */
function momentOfSpeech(speech: readonly Stretch[], spokenMs: number): number {
  let rest = spokenMs
  for (const { fromMs, toMs } of speech) {
    if (rest < toMs - fromMs) return fromMs + rest
    rest -= toMs - fromMs
  }
  return speech.at(-1)!.toMs
}

/** The end of the pause that is nearest, if it is near enough. */
function toPause(ms: number, pauses: readonly Stretch[]): number {
  let best = ms
  let reach = PAUSE_REACH_MS
  for (const { toMs } of pauses) {
    if (Math.abs(toMs - ms) >= reach) continue
    reach = Math.abs(toMs - ms)
    best = toMs
  }
  return best
}

/** Where a line ends whose next one begins at `next`: before the pause between them, if there is one. */
function endBefore(next: number, fromMs: number, pauses: readonly Stretch[]): number {
  const pause = pauses.find(({ fromMs: begin, toMs }) => begin < next && toMs >= next)
  return pause && pause.fromMs >= fromMs + SHORTEST_LINE_MS ? pause.fromMs : next
}
