// Where the files of media are. Apart from their schemas, for whoever only shows a picture.
import type { MediaFileKind } from './media.ts'

/** The address of one of a medium's files. */
export const mediaFileAddress = (mediaId: string, file: MediaFileKind) =>
  `/api/media/${mediaId}/files/${file}`

/** Where a small picture that an archive shows can be seen: pages of ours show nothing that lies elsewhere. */
export const previewAddress = (address: string) =>
  `/api/material/preview?address=${encodeURIComponent(address)}`

/** The address of a page of a document, from 1. */
export const mediaPageAddress = (mediaId: string, page: number) =>
  `/api/media/${mediaId}/pages/${page}`
