// Preparing a document: of a PDF every page is drawn as a picture; any other is only there to be taken away.
import { open, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { cutText } from '@fernbrake/core/fields'
import { MOST_DOCUMENT_PAGES } from '@fernbrake/core/lesson'
import { PAGE_PIXELS, type Size } from '@fernbrake/core/media'
import { MediaFileRow } from '../database/models.ts'
import { transform } from '../media/ffmpeg.ts'
import { countPages, drawPage, pageLengths, PdfError, wordsOfPages } from '../media/poppler.ts'
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

/** So many pages are drawn at once; there is other work to do besides. */
const AT_ONCE = 2

/** Draws the pages, as many as a deck may have, and notes what they say. Ready once all are there. */
export async function drawPages(step: Step): Promise<StepKind[]> {
  const { media, original, onProgress } = step
  const count = Math.min(media.pageCount ?? 0, MOST_DOCUMENT_PAGES)
  const words = await orUnreadable(wordsOfPages(original, count))
  const lengths = await orUnreadable(pageLengths(original, count))
  const sizes: Size[] = []
  let drawn = 0
  async function drawEvery(from: number): Promise<void> {
    for (let page = from; page <= count; page += AT_ONCE) {
      sizes[page - 1] = await orUnreadable(drawOne(step, page, pixelsFor(lengths[page - 1])))
      drawn += 1
      onProgress(drawn / count)
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, (_, index) => drawEvery(index + 1)))
  const pages = sizes.map((size, index) => ({
    ...size,
    words: cutText(words[index]!.trim(), MOST_PAGE_LETTERS),
  }))
  await keepJson(step, 'pages', { pages })
  await media.update({ ...sizes[0], state: 'ready', fault: null })
  return []
}

/** Small pages are not blown up: nothing would be seen on them that is not seen like this. */
const MOST_PIXELS_A_POINT = 4

/** How long the longer side of a page is drawn, by its length in points. */
const pixelsFor = (points = Infinity) =>
  Math.max(1, Math.round(Math.min(PAGE_PIXELS, points * MOST_PIXELS_A_POINT)))

async function orUnreadable<T>(work: Promise<T>): Promise<T> {
  return work.catch((error: unknown) => {
    if (error instanceof PdfError) throw new UnusableFilm('unreadable', error)
    throw error
  })
}

/** Draws one page, from 1; of the first one a small picture too. */
async function drawOne(
  { context, media, original, folder }: Step,
  page: number,
  pixels: number,
): Promise<Size> {
  const drawn = join(folder, `page-${page}`)
  await drawPage(original, page, drawn, pixels)
  const png = `${drawn}.png`
  const picture = `${drawn}.webp`
  await transform(png, ['-c:v', 'libwebp', '-quality', '86'], picture)
  if (page === 1) {
    const small = `scale=w=${SMALL_PAGE_PIXELS}:h=${SMALL_PAGE_PIXELS}:force_original_aspect_ratio=decrease`
    const poster = join(folder, 'poster.webp')
    await transform(png, ['-vf', small, '-c:v', 'libwebp'], poster)
    await keepFile(context, media.id, 'poster', poster, 'image/webp', 'webp')
  }
  const size = await sizeOfPng(png)
  await keepFile(context, media.id, `page-${page}`, picture, 'image/webp', 'webp')
  await rm(png)
  return size
}

/** Width and height stand in the first chunk of a PNG (ISO/IEC 15948, IHDR). */
async function sizeOfPng(path: string): Promise<Size> {
  const file = await open(path)
  try {
    const { buffer } = await file.read(Buffer.alloc(24))
    return { width: buffer.readUInt32BE(16), height: buffer.readUInt32BE(20) }
  } finally {
    await file.close()
  }
}
