// What every film is made of: sentences, the times at which they are spoken, and movement between them.
import type { Context } from './paint.ts'
import type { Spoken } from './speech.ts'

export interface Sentence {
  id: string
  text: string
  /** Silence before the sentence, in ms, on top of the usual pause. */
  beforeMs?: number
  chapter?: string
}

export interface Chapter {
  title: string
  fromMs: number
}

/** One film of the demo. Pictures, captions and chapters hang on the ids of its sentences. */
export interface Film {
  /** The folder its results lie in, beside this file. */
  folder: string
  narration: readonly Sentence[]
  /** The pause between two sentences, and what stays on screen after the last word, in ms. */
  pauseMs: number
  closingMs: number
  /** Words that are not part of the film but spoken for its lesson, each to a file of its own. */
  spokenNotes?: readonly { file: string; text: string }[]
  videoBitsPerSecond: number
  audioBitsPerSecond: number
  drawFrame(
    c: Context,
    ms: number,
    times: Times,
    chapters: readonly Chapter[],
    durationMs: number,
  ): void
}

/** When sentences begin and end. */
export class Times {
  readonly #byId: Map<string, Spoken>

  constructor(spoken: readonly Spoken[]) {
    this.#byId = new Map(spoken.map((sentence) => [sentence.id, sentence]))
  }

  from(id: string): number {
    return this.#find(id).fromMs
  }

  to(id: string): number {
    return this.#find(id).toMs
  }

  #find(id: string): Spoken {
    const sentence = this.#byId.get(id)
    if (!sentence) throw new Error(`No sentence ${id}`)
    return sentence
  }
}

/** 0 before `fromMs`, 1 after `toMs`, smooth between. */
export function ramp(ms: number, fromMs: number, toMs: number): number {
  const share = Math.min(1, Math.max(0, (ms - fromMs) / (toMs - fromMs)))
  return share * share * (3 - 2 * share)
}

/** A value that moves through points in time: `[ms, value]`, smooth between them. */
export function through(ms: number, points: readonly (readonly [number, number])[]): number {
  let value = points[0]![1]
  for (let index = 1; index < points.length; index += 1) {
    const [fromMs, from] = points[index - 1]!
    const [toMs, to] = points[index]!
    if (ms >= fromMs) value = from + (to - from) * ramp(ms, fromMs, toMs)
  }
  return value
}
