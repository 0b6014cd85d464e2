// What a frond is given to draw.
import type { Span } from '@fernbrake/core/watching'

export interface FrondCue {
  id: string
  kind: 'question' | 'recap' | 'overlay' | 'bookmark' | 'fork' | 'note'
  fromMs: number
  toMs: number
  /** Read out and shown as a tooltip. */
  label: string
  /** Under a bookmark's ring. */
  title?: string
  /** Questions: how the learner stands, or the share of right answers in results (0 to 1). */
  standing?: 'open' | 'answered' | 'right'
  share?: number
}

/** How many watched each stretch, drawn as the stem's thickness. */
export interface FrondWatching {
  binMs: number
  learners: number[]
  most: number
}

export interface FrondDrag {
  id: string
  part: 'whole' | 'start' | 'end'
  byMs: number
  /** The key that suspends snapping is held. */
  free: boolean
  /** False while the pointer is still down. */
  done: boolean
}

export type { Span }
