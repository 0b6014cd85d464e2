// Bringing an article onto a page: its blocks at once, its pictures as they come, and under it where it is from.
import { nanoid } from 'nanoid'
import { useI18n } from 'vue-i18n'
import { addressMeant, cutText, isWebAddress } from '@fernbrake/core/fields'
import type { ArticlePiece } from '@fernbrake/core/formats'
import type { PageBlock, PagePart } from '@fernbrake/core/lesson'
import { useBench, usePlaces } from '../../useBench.ts'
import { useThings } from '../useThings.ts'
import {
  articleBlocks,
  heldPicture,
  sourceText,
  type ArticleSource,
  type PictureToCome,
} from './articleBlocks.ts'

export function useArticle(part: () => PagePart) {
  const { placings } = useBench()
  const places = usePlaces()
  const { add } = useThings(part)
  const { t } = useI18n()

  /** Pictures come onto the shelf, with what is known of the article that they are from, and into their places. */
  function bringPicture(
    { thingId, address, alternative }: PictureToCome,
    source: ArticleSource,
  ): void {
    const place = { at: 'block', partId: part().id, thingId } as const
    const title = cutText(alternative, 200).trim() || source.title || t('article.picture')
    const held = heldPicture(address)
    if (held) return void placings.put(place, 'picture', held, title)
    const page = addressMeant(source.address)
    const about = {
      title,
      description: '',
      credit: [source.maker, source.site].filter(Boolean).join(', '),
      licence: source.licence,
      source: isWebAddress(page) ? page : '',
    }
    void placings.fetchFrom(place, { kind: 'picture', address, about })
  }

  /** Puts it behind a block, or at the end; its first block is picked then. */
  return (
    pieces: readonly ArticlePiece[],
    source: ArticleSource,
    { inside, afterId }: { inside: PageBlock['inside']; afterId: string | null },
  ): void => {
    const { blocks, pictures } = articleBlocks(pieces, nanoid)
    const from = sourceText(source, t('article.from'))
    if (from) blocks.push({ id: nanoid(), kind: 'text', text: from })
    const things = blocks.map((one) => (inside ? { ...one, inside } : one))
    if (!add('blocks', things, { afterId })) return
    places.thingId.value = things[0]!.id
    for (const picture of pictures) bringPicture(picture, source)
  }
}
