// What a template consists of, in words that a designer replaces.

/** Options and right answers of a choice, or a question that a person reads. */
export interface AskSpec {
  stem: string
  /** The first is right; without any, learners write a long answer. */
  options?: readonly [string, ...string[]]
}

export type BlockSpec =
  | { heading: string; side?: 'first' | 'second' }
  | { text: string; note?: string; side?: 'first' | 'second' }
  | { fact: string; title: string; side?: 'first' | 'second' }
  | { ask: AskSpec; side?: 'first' | 'second' }
  | { film: string; side?: 'first' | 'second' }

/** Where a way leads: the part with this key, or an ending with these words. */
export type WaySpec = { to: string; words: string } | { ending: string; words: string }

export type CueSpec = { atMs: number } & (
  | { ask: AskSpec }
  | { bookmark: string }
  | { note: string }
  | { fork: string; ways: readonly [WaySpec, WaySpec, ...WaySpec[]] }
)

/** A pin that opens a text, at its point on the picture. */
export interface PinSpec {
  x: number
  y: number
  name: string
  text: string
}

export type PartSpec = { key: string; title: string; ways?: readonly WaySpec[] } & (
  | { kind: 'film'; cues: readonly CueSpec[] }
  | { kind: 'page'; blocks: readonly BlockSpec[] }
  | { kind: 'still'; pins: readonly PinSpec[] }
  | { kind: 'deck' }
  | { kind: 'quiz'; asks: readonly AskSpec[] }
)

export interface TemplateSpec {
  summary: string
  objectives: readonly string[]
  ending: string
  parts: readonly PartSpec[]
}

export const TEMPLATES = [
  ...(['filmWithQuestions', 'flipped', 'decisions', 'pictureWalk', 'readingWithFilm'] as const),
] as const

export type TemplateName = (typeof TEMPLATES)[number]
/** The templates in one language. */
export type TemplateWords = Record<TemplateName, TemplateSpec>
