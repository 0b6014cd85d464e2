// What the pages of a document say, and the notes of slides, as it was found when they were drawn.
import { mediaFileAddress, pagesFileSchema } from '@fernbrake/core/contract'

/** What has not been answered by then never will be, in ms. */
const ANSWER_LIMIT_MS = 60_000

/** The words on each page that was drawn, and its notes; rejects where they cannot be fetched. */
export async function wordsOfPages(mediaId: string): Promise<{ words: string; notes: string }[]> {
  const signal = AbortSignal.timeout(ANSWER_LIMIT_MS)
  const response = await fetch(mediaFileAddress(mediaId, 'pages'), { signal })
  if (!response.ok) throw new Error(`The pages cannot be fetched: ${response.status}`)
  const { pages } = pagesFileSchema.parse(await response.json())
  return pages.map(({ words, notes = '' }) => ({ words, notes }))
}
