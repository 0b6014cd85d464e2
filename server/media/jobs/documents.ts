// Preparing a document: of a PDF every page is drawn as a picture, of a presentation every slide, where LibreOffice is; any
// other is only there to be taken away.
import { open, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { cutText } from '@fernbrake/core/fields'
import { MOST_DOCUMENT_PAGES } from '@fernbrake/core/lesson'
import { PAGE_PIXELS, type Size } from '@fernbrake/core/media'
import { MediaFileRow } from '../../database/models.ts'
import { transform, transformEach } from '../tools/ffmpeg.ts'
import { OfficeError, readNotes, slidesToPdf } from '../tools/office.ts'
import { countPages, drawPage, pageLengths, PdfError, wordsOfPages } from '../tools/poppler.ts'
import { keepFile, keepJson, UnusableFilm, type Step, type StepKind } from './step.ts'

/** Letters of a page that are kept for those who cannot see it, at the most. */
const MOST_PAGE_LETTERS = 5000
const SMALL_PAGE_PIXELS = 640

/** Presentations, of which the slides can be drawn where LibreOffice is. */
const PRESENTATIONS: ReadonlySet<string> = new Set([
  'application/vnd.openxmlformats-officedocument.presentationml.presentation',
  'application/vnd.oasis.opendocument.presentation',
])
const typeOfOriginal = async (mediaId: string): Promise<string> =>
  (await MediaFileRow.findOne({ where: { mediaId, kind: 'original' } }))?.contentType ?? ''

export async function prepareDocument({ context, media, original }: Step): Promise<StepKind[]> {
  const type = await typeOfOriginal(media.id)
  if (context.office !== null && PRESENTATIONS.has(type)) return ['pages']
  if (type !== 'application/pdf') {
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

/** So many pages are drawn in one go at the most, and so many goes are under way at once; there is other work to do besides. */
const IN_ONE_GO = 8
const AT_ONCE = 2

/** The pages of each go, from 1: the first goes are short, so that somebody who waits sees the first pages soon. */
export function goesOf(count: number): { first: number; last: number }[] {
  const goes: { first: number; last: number }[] = []
  for (let first = 1; first <= count;) {
    const pages = Math.min(IN_ONE_GO, 2 ** Math.floor(goes.length / AT_ONCE))
    const last = Math.min(count, first + pages - 1)
    goes.push({ first, last })
    first = last + 1
  }
  return goes
}

/** Draws the pages, as many as a deck may have, and notes what they say. Ready once all are there. */
export async function drawPages(step: Step): Promise<StepKind[]> {
  if (!PRESENTATIONS.has(await typeOfOriginal(step.media.id))) return drawPdf(step, null)
  const { context, media, original, folder } = step
  try {
    // It may be gone since this was begun.
    if (context.office === null) throw new OfficeError('There is no LibreOffice any more')
    const pdf = await slidesToPdf(context.office, original, folder)
    const pageCount = await countPages(pdf)
    await media.update({ pageCount })
    const notes = await readNotes(original)
    // Were a slide passed over here and not there, notes would stand at the wrong ones.
    return await drawPdf({ ...step, original: pdf }, notes?.length === pageCount ? notes : null)
  } catch (error) {
    if (!(error instanceof OfficeError || error instanceof PdfError)) throw error
    context.log.warn({ err: error, mediaId: media.id }, 'a presentation could not be drawn')
    // It can be taken away all the same.
    await media.update({ pageCount: null, state: 'ready', fault: null })
    return []
  }
}

async function drawPdf(step: Step, notes: readonly string[] | null): Promise<StepKind[]> {
  const { media, original, onProgress } = step
  const count = Math.min(media.pageCount ?? 0, MOST_DOCUMENT_PAGES)
  const words = await orUnreadable(wordsOfPages(original, count))
  const lengths = await orUnreadable(pageLengths(original, count))
  const sizes: Size[] = []
  let drawn = 0
  const goes = goesOf(count)
  async function drawGoes(): Promise<void> {
    for (let go = goes.shift(); go !== undefined; go = goes.shift()) {
      const { first, last } = go
      const own = await orUnreadable(drawSome(step, first, last, lengths))
      own.forEach((size, index) => (sizes[first - 1 + index] = size))
      onProgress((drawn += own.length) / count)
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, drawGoes))
  const pages = sizes.map((size, index) => ({
    ...size,
    words: cutText(words[index]!.trim(), MOST_PAGE_LETTERS),
    ...(notes?.[index] ? { notes: notes[index] } : {}),
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

/** Draws pages, from 1, and tells their sizes in pixels; of the first one there is a small picture too. */
async function drawSome(
  { context, media, original, folder }: Step,
  first: number,
  last: number,
  lengths: readonly number[],
): Promise<Size[]> {
  const pages = Array.from({ length: last - first + 1 }, (_, index) => first + index)
  const files = pages.map((page) => {
    const drawn = join(folder, `page-${page}`)
    return { page, drawn, input: `${drawn}.png`, output: `${drawn}.webp` }
  })
  for (const { page, drawn } of files)
    await drawPage(original, page, drawn, pixelsFor(lengths[page - 1]))
  await transformEach(files, ['-c:v', 'libwebp', '-quality', '86'])
  if (first === 1) await drawPoster({ context, media, folder }, files[0]!.input)
  const sizes: Size[] = []
  for (const { page, input, output } of files) {
    sizes.push(await sizeOfPng(input))
    await keepFile(context, media.id, `page-${page}`, output, 'image/webp', 'webp')
    await rm(input)
  }
  return sizes
}

async function drawPoster(
  { context, media, folder }: Pick<Step, 'context' | 'media' | 'folder'>,
  page: string,
): Promise<void> {
  const small = `scale=w=${SMALL_PAGE_PIXELS}:h=${SMALL_PAGE_PIXELS}:force_original_aspect_ratio=decrease`
  const poster = join(folder, 'poster.webp')
  await transform(page, ['-vf', small, '-c:v', 'libwebp'], poster)
  await keepFile(context, media.id, 'poster', poster, 'image/webp', 'webp')
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
