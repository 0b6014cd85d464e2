// Finding media on the shelf, and what is still to be said of them.
import type { Media } from '@fernbrake/core/contract'
import { holdingWords } from '@fernbrake/core/text'

export type Lack = 'licence' | 'alternative'
const KINDS = ['all', 'film', 'picture', 'sound', 'document'] as const
export const SHELF_FILTERS = [...KINDS, 'licence', 'alternative'] as const
export type ShelfFilter = (typeof SHELF_FILTERS)[number]

/** What a medium lacks before it should be shown; films have captions instead of a text in their place, and documents are read elsewhere. */
export function lacks({ kind, licence, alternative, state }: Media): Lack[] {
  if (state === 'failed') return []
  const list: Lack[] = []
  if (licence.trim() === '') list.push('licence')
  if (kind !== 'film' && kind !== 'document' && alternative.trim() === '') list.push('alternative')
  return list
}

/** The media in which every word occurs somewhere, whatever the case and accents. */
export function findMedia(media: readonly Media[], words: string, filter: ShelfFilter): Media[] {
  const holds = holdingWords(words)
  return media.filter((one) => {
    if (filter === 'licence' || filter === 'alternative') {
      if (!lacks(one).includes(filter)) return false
    } else if (filter !== 'all' && one.kind !== filter) return false
    return holds(
      [
        one.title,
        one.description,
        one.alternative,
        one.credit,
        one.licence,
        one.sourceNote,
        ...one.tags,
      ].join(' '),
    )
  })
}
