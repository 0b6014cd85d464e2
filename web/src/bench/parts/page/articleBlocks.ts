// The pieces of an article as blocks of a page, each paragraph one of its own: so that questions and films can go between.
import type { ArticlePiece } from '@fernbrake/core/formats'
import { addressSchema, simplest, type RichDocument, type Run } from '@fernbrake/core/fields'
import type { NewThing, PageBlock } from '@fernbrake/core/lesson'

/** What is known of where an article comes from; '' for what is not. */
export interface ArticleSource {
  title: string
  maker: string
  site: string
  licence: string
  address: string
}

export interface PictureToCome {
  thingId: string
  address: string
  alternative: string
}

/** The blocks, and the pictures that are still to be put into some of them. */
export function articleBlocks(pieces: readonly ArticlePiece[], newId: () => string) {
  const pictures: PictureToCome[] = []
  const blocks = pieces.map((one): NewThing<PageBlock> => {
    const id = newId()
    switch (one.piece) {
      case 'heading':
        return { id, kind: 'heading', words: one.words, level: one.level }
      case 'text':
        return { id, kind: 'text', text: simplest(one.text) }
      case 'picture': {
        const { address, alternative, caption } = one
        pictures.push({ thingId: id, address, alternative: alternative || caption })
        return { id, kind: 'picture', mediaId: null, alternative, caption }
      }
    }
  })
  return { blocks, pictures }
}

/** From where it is, for readers; null where nothing is known of it. `from` is the word before it. */
export function sourceText(source: ArticleSource, from: string): RichDocument | null {
  const address = addressSchema.safeParse(source.address).success ? source.address : ''
  const about = [source.maker, source.site].filter(Boolean).join(', ')
  const name = source.title || about || address
  const runs: Run[] = []
  if (name) runs.push({ text: name, ...(address ? { address } : {}) })
  if (about && name !== about) runs.push({ text: `, ${about}` })
  if (source.licence) runs.push({ text: runs.length > 0 ? `. ${source.licence}` : source.licence })
  if (runs.length === 0) return null
  return { blocks: [{ block: 'paragraph', runs: [{ text: `${from} ` }, ...runs] }] }
}

/** A picture that a document holds in itself, as a file; null where it cannot be read. */
export function heldPicture(address: string): Blob | null {
  const [, type, data] = /^data:(image\/[a-z]+);base64,(.+)$/is.exec(address) ?? []
  if (!type || !data) return null
  try {
    const bytes = Uint8Array.from(atob(data), (letter) => letter.charCodeAt(0))
    return new Blob([bytes], { type })
  } catch {
    return null
  }
}
