// Sorts of files that learners hand in, and which content belongs to which.

export const FILE_SORTS = ['picture', 'document', 'sound', 'film'] as const
export type FileSort = (typeof FILE_SORTS)[number]

/** Content types as found in a file's first bytes; what a camera, a recorder and a desk usually make. */
const TYPES: Record<FileSort, readonly string[]> = {
  picture: ['image/png', 'image/jpeg', 'image/webp', 'image/gif', 'image/avif', 'image/heic'],
  document: [
    'application/pdf',
    'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
    'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    'application/vnd.openxmlformats-officedocument.presentationml.presentation',
    'application/vnd.oasis.opendocument.text',
    'application/vnd.oasis.opendocument.spreadsheet',
    'application/vnd.oasis.opendocument.presentation',
    'application/rtf',
    // Words alone have no mark of their own in their first bytes; whoever finds none looks at all of them.
    'text/plain',
  ],
  sound: [
    'audio/mpeg',
    'audio/mp4',
    'audio/x-m4a',
    'audio/aac',
    'audio/ogg',
    'audio/opus',
    'audio/wav',
    'audio/vnd.wave',
    'audio/flac',
    'audio/x-flac',
    'audio/webm',
  ],
  film: ['video/mp4', 'video/webm', 'video/quicktime', 'video/x-m4v', 'video/3gpp', 'video/ogg'],
}

/** Containers of films in which recorders write sound alone as well. */
const SOUND_ALONE = new Set(['video/mp4', 'video/webm', 'video/ogg', 'video/quicktime'])

/** Whether a file with this content counts as one of this sort. */
export const isOfSort = (sort: FileSort, contentType: string): boolean => {
  const plain = contentType.split(';')[0]!.trim()
  return TYPES[sort].includes(plain) || (sort === 'sound' && SOUND_ALONE.has(plain))
}

/** What a file picker is told to offer for these sorts. */
export function offeredTypes(sorts: readonly FileSort[]): string {
  const endings = ['.pdf', '.docx', '.odt', '.xlsx', '.ods', '.pptx', '.odp', '.rtf', '.txt']
  const offered: Record<FileSort, string[]> = {
    picture: ['image/*'],
    document: endings,
    sound: ['audio/*'],
    film: ['video/*'],
  }
  return sorts.flatMap((sort) => offered[sort]).join(',')
}
