// Which routes about media are answered by what.
import type { Context } from '../context.ts'
import { type Part, whoCalls } from '../http/handlers.ts'
import { sendStored } from '../http/sendStored.ts'
import { findMaterial, previewAt } from './material.ts'
import {
  changeWords,
  describeMedia,
  fetchMedia,
  findFile,
  listMedia,
  measureHosted,
  nameOfDownload,
  prepareAgain,
} from './media.ts'
import { cutPicture, readUses, removeMedia, takeSoundTrack } from './shelf.ts'

export function mediaRoutes(
  context: Context,
): Part<
  | 'mediaList'
  | 'media'
  | 'fetchMedia'
  | 'findMaterial'
  | 'materialPreview'
  | 'measureMedia'
  | 'describeMedia'
  | 'mediaUses'
  | 'removeMedia'
  | 'cutPicture'
  | 'takeSoundTrack'
  | 'prepareAgain'
  | 'mediaFile'
  | 'mediaPage'
> {
  return {
    mediaList: async (call) => ({
      media: await listMedia(whoCalls(call)),
      drawsSlides: context.office !== null,
    }),
    media: (call) => describeMedia(call.params.mediaId, whoCalls(call).id),
    fetchMedia: (call) => fetchMedia(context, whoCalls(call).id, call.body),
    findMaterial: ({ query }) => findMaterial(context, query.words),
    materialPreview: async ({ query, response }) => {
      const { bytes, mime } = await previewAt(context, query.address)
      response.set('Cache-Control', 'private, max-age=3600').type(mime).send(bytes)
      return undefined
    },
    measureMedia: (call) =>
      measureHosted(context, call.params.mediaId, whoCalls(call).id, call.body.durationMs),
    describeMedia: (call) => changeWords(call.params.mediaId, whoCalls(call).id, call.body),
    mediaUses: (call) => readUses(context, whoCalls(call), call.params.mediaId),
    removeMedia: ({ params }) => removeMedia(context, params.mediaId),
    takeSoundTrack: (call) =>
      takeSoundTrack(context, whoCalls(call), call.params.mediaId, call.body),
    cutPicture: (call) => cutPicture(context, whoCalls(call), call.params.mediaId, call.body),
    prepareAgain: ({ params }) => prepareAgain(context, params.mediaId),
    mediaPage: async ({ params, response }) => {
      const file = await findFile(params.mediaId, `page-${params.page}`)
      await sendStored(context.store, file, response)
      return undefined
    },
    mediaFile: async ({ params, response }) => {
      const file = await findFile(params.mediaId, params.file)
      const name = await nameOfDownload(file)
      if (name !== null)
        response.set('Content-Security-Policy', "default-src 'none'; sandbox").attachment(name)
      await sendStored(context.store, file, response)
      return undefined
    },
  }
}
