// A block with nothing chosen or written yet.
import type { NewThing, PageBlock } from '@fernbrake/core/lesson'

export type AddKind = PageBlock['kind']

/** The kinds that are offered at once, and those behind a menu. */
export const OFFERED: readonly AddKind[] = ['text', 'heading', 'picture', 'stretch', 'question']
export const OFFERED_MORE: readonly AddKind[] = [
  ...(['fact', 'sound', 'film', 'file', 'web', 'columns'] as const),
]

type Stretch = Extract<PageBlock, { kind: 'stretch' }>['stretch']

/** `questionId` is the question that a question block asks, `stretch` what a stretch of film shows at first. */
export function newBlock(
  kind: AddKind,
  id: string,
  { questionId = '', stretch = null }: { questionId?: string | undefined; stretch?: Stretch } = {},
): NewThing<PageBlock> {
  switch (kind) {
    case 'text':
      return { id, kind, text: '' }
    case 'heading':
      return { id, kind, words: '', level: 2 }
    case 'picture':
      return { id, kind, mediaId: null, alternative: '', caption: '' }
    case 'sound':
    case 'film':
    case 'file':
      return { id, kind, mediaId: null, title: '' }
    case 'stretch':
      return { id, kind, stretch }
    case 'web':
      return { id, kind, address: null, title: '', opens: 'inside' }
    case 'fact':
      return { id, kind, title: '', text: '' }
    case 'question':
      return { id, kind, questionId }
    case 'columns':
      return { id, kind, split: 'halves', stays: false }
  }
}
