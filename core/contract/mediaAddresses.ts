// Where the files of media are. Apart from their schemas, for whoever only shows a picture.
import type { MediaFileKind } from './media.ts'

/** The address of one of a medium's files. */
export const mediaFileAddress = (mediaId: string, file: MediaFileKind) =>
  `/api/media/${mediaId}/files/${file}`

/** The address of a page of a document, from 1. */
export const mediaPageAddress = (mediaId: string, page: number) =>
  `/api/media/${mediaId}/pages/${page}`
