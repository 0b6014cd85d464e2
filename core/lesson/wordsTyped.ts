// The words that an edit would have written, for whoever has to write them somewhere else.
import type { Patch } from '../drafts/index.ts'
import { plainOf, type RichDocument } from '../fields/index.ts'

/** What somebody types, by the name of the property that holds it; ids, kinds and addresses of media are none of it. */
const TYPED = new Set([
  'alternative',
  'caption',
  'credit',
  'explanation',
  'extras',
  'feedback',
  'from',
  'header',
  'hint',
  'instructions',
  'label',
  'left',
  'level',
  'licence',
  'meaning',
  'message',
  'middle',
  'model',
  'name',
  'note',
  'notes',
  'objectives',
  'partly',
  'passage',
  'prompt',
  'quote',
  'right',
  'rubric',
  'said',
  'stem',
  'summary',
  'term',
  'tex',
  'text',
  'title',
  'to',
  'words',
  'wrong',
])

/** The words in these patches, each on a line of its own; '' where there are none. */
export function wordsTyped(patches: readonly Patch[]): string {
  const found = patches.flatMap((patch) =>
    patch.op === 'remove' ? [] : wordsIn(patch.value, lastOf(patch.path)),
  )
  return [...new Set(found)].join('\n')
}

const lastOf = (path: string) => path.split('/').findLast((step) => !/^\d+$|^-$/.test(step)) ?? ''

function wordsIn(value: unknown, key: string): string[] {
  if (typeof value === 'string') {
    const words = TYPED.has(key) ? plainOf(value).trim() : ''
    return words === '' ? [] : [words]
  }
  if (Array.isArray(value)) return value.flatMap((one) => wordsIn(one, key))
  if (typeof value !== 'object' || value === null) return []
  if (isFormatted(value)) return TYPED.has(key) ? wordsIn(plainOf(value), key) : []
  return Object.entries(value).flatMap(([name, inside]) => wordsIn(inside, name))
}

/** Whether this is a text with formatting; a page, which has blocks too, has them by their ids. */
const isFormatted = (value: object): value is RichDocument =>
  'blocks' in value && Array.isArray(value.blocks)
