// What of a block of a page is written where it stands, in the order in which it is read.
import type { RichText } from '@fernbrake/core/fields'
import type { PageBlock } from '@fernbrake/core/lesson'

export interface WrittenField {
  /** A property of the block, or the stem of the question that it asks. */
  name: 'text' | 'words' | 'title' | 'caption' | 'note' | 'stem'
  /** Where the words stand in which the field is named. */
  label: string
  text: RichText
  max: number
  /** Words alone, on one line. */
  plain: boolean
}

const plain = (
  name: WrittenField['name'],
  label: string,
  text: RichText,
  max: number,
): WrittenField => ({ name, label, text, max, plain: true })
const rich = (
  name: WrittenField['name'],
  label: string,
  text: RichText,
  max: number,
): WrittenField => ({ name, label, text, max, plain: false })

function ownFields(block: PageBlock, stemOf: (questionId: string) => RichText): WrittenField[] {
  switch (block.kind) {
    case 'text':
      return [rich('text', 'parts.block.text', block.text, 20_000)]
    case 'heading':
      return [plain('words', 'parts.block.heading', block.words, 300)]
    case 'question':
      return [rich('stem', 'parts.block.question', stemOf(block.questionId), 2000)]
    case 'fact':
      return [
        plain('title', 'parts.factTitle', block.title, 200),
        rich('text', 'parts.text', block.text, 20_000),
      ]
    case 'picture':
      return [plain('caption', 'parts.caption', block.caption, 1000)]
    case 'sound':
    case 'film':
    case 'file':
    case 'web':
      return [plain('title', 'parts.mediumTitle', block.title, 200)]
    case 'stretch':
    case 'columns':
      return []
  }
}

/** What is written where the block stands; nothing where it has no words. A note in the margin is, once there is one. */
export function writtenHere(
  block: PageBlock,
  stemOf: (questionId: string) => RichText,
): WrittenField[] {
  const note = block.kind === 'columns' ? undefined : block.note
  const beside = note ? [plain('note', 'parts.note', note, 1000)] : []
  return ownFields(block, stemOf).concat(beside)
}

/** What is shown beside the fields: the block without what is written in them; null where the fields are all of it. */
export function seenBeside(block: PageBlock): Exclude<PageBlock, { kind: 'columns' }> | null {
  switch (block.kind) {
    case 'picture':
      return withoutNote({ ...block, caption: '' })
    case 'sound':
    case 'film':
      return withoutNote({ ...block, title: '' })
    case 'stretch':
      return withoutNote(block)
    case 'text':
    case 'heading':
    case 'fact':
    case 'file':
    case 'web':
    case 'question':
    case 'columns':
      return null
  }
}

function withoutNote<B extends { note?: string | undefined }>(block: B): B {
  const { note: _, ...rest } = block
  return rest as B
}
