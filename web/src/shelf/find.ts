// Finding media on the shelf, and what is still to be said of them.
import type { Media } from '@fernbrake/core/contract'
import { holdingWords } from '@fernbrake/core/text'

export type Lack = 'licence' | 'alternative'
export const SHELF_FILTERS = ['all', 'film', 'picture', 'sound', 'licence', 'alternative'] as const
export type ShelfFilter = (typeof SHELF_FILTERS)[number]

/** What a medium lacks before it should be shown; films have captions instead of a text in their place. */
export function lacks({ kind, licence, alternative, state }: Media): Lack[] {
  if (state === 'failed') return []
  const list: Lack[] = []
  if (licence.trim() === '') list.push('licence')
  if (kind !== 'film' && alternative.trim() === '') list.push('alternative')
  return list
}

/** The media in which every word occurs somewhere, whatever the case and accents. */
export function findMedia(media: readonly Media[], words: string, filter: ShelfFilter): Media[] {
  const holds = holdingWords(words)
  return media.filter((one) => {
    if (filter === 'film' || filter === 'picture' || filter === 'sound') {
      if (one.kind !== filter) return false
    } else if (filter !== 'all' && !lacks(one).includes(filter)) return false
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
