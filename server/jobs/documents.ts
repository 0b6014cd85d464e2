// Preparing a document: of a PDF every page is drawn as a picture; any other is only there to be taken away.
import { join } from 'node:path'
import { cleanText } from '@fernbrake/core/fields'
import { MOST_DOCUMENT_PAGES } from '@fernbrake/core/lesson'
import { PAGE_PIXELS } from '@fernbrake/core/media'
import { MediaFileRow } from '../database/models.ts'
import { probe, transform } from '../media/ffmpeg.ts'
import { countPages, drawPage, PdfError, wordsOfPage } from '../media/poppler.ts'
import { keepFile, keepJson, UnusableFilm, type Step, type StepKind } from './step.ts'

/** Letters of a page that are kept for those who cannot see it, at the most. */
const MOST_PAGE_LETTERS = 5000
const SMALL_PAGE_PIXELS = 640

export async function prepareDocument({ media, original }: Step): Promise<StepKind[]> {
  const file = await MediaFileRow.findOne({ where: { mediaId: media.id, kind: 'original' } })
  if (file?.contentType !== 'application/pdf') {
    await media.update({ state: 'ready', fault: null })
    return []
  }
  const pageCount = await countPages(original).catch((error: unknown) => {
    if (error instanceof PdfError)
      throw new UnusableFilm(error.isLocked ? 'locked' : 'unreadable', error)
    throw error
  })
  await media.update({ pageCount })
  return ['pages']
}

/** Draws the pages, as many as a deck may have, and notes what they say. Ready once all are there. */
export async function drawPages(step: Step): Promise<StepKind[]> {
  const { media, onProgress } = step
  const count = Math.min(media.pageCount ?? 0, MOST_DOCUMENT_PAGES)
  const pages: { width: number; height: number; words: string }[] = []
  for (let page = 1; page <= count; page += 1) {
    pages.push(await drawOne(step, page))
    onProgress(page / count)
  }
  await keepJson(step, 'pages', { pages })
  const [first] = pages
  await media.update({
    ...{ width: first?.width ?? null, height: first?.height ?? null },
    ...{ state: 'ready', fault: null },
  })
  return []
}

async function drawOne({ context, media, original, folder }: Step, page: number) {
  const drawn = join(folder, `page-${page}`)
  try {
    await drawPage(original, page, drawn, PAGE_PIXELS)
    const words = await wordsOfPage(original, page)
    const picture = join(folder, `page-${page}.webp`)
    await transform(`${drawn}.png`, ['-c:v', 'libwebp', '-quality', '86'], picture)
    const size = (await probe(picture)).video!
    if (page === 1) {
      const small = `scale=w=${SMALL_PAGE_PIXELS}:h=${SMALL_PAGE_PIXELS}:force_original_aspect_ratio=decrease`
      const poster = join(folder, 'poster.webp')
      await transform(`${drawn}.png`, ['-vf', small, '-c:v', 'libwebp'], poster)
      await keepFile(context, media.id, 'poster', poster, 'image/webp', 'webp')
    }
    await keepFile(context, media.id, `page-${page}`, picture, 'image/webp', 'webp')
    const said = cleanText(words.trim()).slice(0, MOST_PAGE_LETTERS)
    return { width: size.width, height: size.height, words: said }
  } catch (error) {
    if (error instanceof PdfError) throw new UnusableFilm('unreadable', error)
    throw error
  }
}
