// Looking for material in archives elsewhere: all of them are asked at once, and none can keep the others waiting.
import { fileTypeFromBuffer } from 'file-type'
import type { ArchiveFound, Material } from '@fernbrake/core/contract'
import { LONGEST_FEED, readAtom, searchAddress, type FeedThing } from '@fernbrake/core/formats'
import { PICTURE_TYPES, termsOf } from '@fernbrake/core/media'
import type { Context } from '../context.ts'
import { HttpError } from '../http/HttpError.ts'
import { readPublic } from '../web/readPublic.ts'

/** So long an archive has to answer, in ms. */
const LIMIT_MS = 8000
const MOST_PREVIEW_BYTES = 3_000_000

/** What all archives have for these words; one that does not answer is told of, and costs the others nothing. */
export async function findMaterial(
  context: Pick<Context, 'archives' | 'mayAskAddress' | 'log'>,
  words: string,
): Promise<{ archives: ArchiveFound[] }> {
  return { archives: await Promise.all(context.archives.map((one) => ask(context, one, words))) }
}

async function ask(
  { mayAskAddress, log }: Pick<Context, 'mayAskAddress' | 'log'>,
  template: string,
  words: string,
): Promise<ArchiveFound> {
  const address = searchAddress(template, words)
  const nothing = { name: nameOf(template), home: null, total: 0, found: [] }
  if (address === null) return { ...nothing, state: 'strange' }
  try {
    const reading = { mayAsk: mayAskAddress, mostBytes: LONGEST_FEED, limitMs: LIMIT_MS }
    const read = await readPublic(address, { ...reading, accept: 'application/atom+xml' })
    const feed = readAtom(read.bytes.toString('utf8'), read.address)
    if (!feed) return { ...nothing, state: 'strange' }
    const { home, total, things } = feed
    const found = things.flatMap((thing) => materialOf(thing) ?? [])
    return { name: feed.title || nothing.name, home, state: 'answered', total, found }
  } catch (error) {
    log.info({ err: error as Error, archive: nothing.name }, 'an archive did not answer')
    return { ...nothing, state: 'away' }
  }
}

/** The name of an archive that has not told its own. */
function nameOf(template: string): string {
  try {
    return new URL(template.replace(/[{}]/g, '')).host
  } catch {
    return template
  }
}

/** Only films may stay where they are: all else is a file, or cannot be shown. */
function materialOf({ file, page, ...thing }: FeedThing): Material | null {
  const stays = file === null
  const address = file ?? (thing.kind === 'film' ? page : null)
  if (address === null || address.length > 2000) return null
  const terms = termsOf(thing.licence, thing.licenceAddress)
  return { ...thing, terms, page, address, stays }
}

/** A picture that an archive shows of something, if it is one. */
export async function previewAt(
  { mayAskAddress }: Pick<Context, 'mayAskAddress'>,
  address: string,
): Promise<{ bytes: Buffer; mime: string }> {
  const reading = { mayAsk: mayAskAddress, mostBytes: MOST_PREVIEW_BYTES, limitMs: LIMIT_MS }
  const read = await readPublic(address, { ...reading, accept: 'image/*' }).catch(
    (error: unknown) => {
      throw new HttpError('not-found', { cause: error })
    },
  )
  const mime = (await fileTypeFromBuffer(read.bytes))?.mime
  if (!mime || !PICTURE_TYPES.has(mime)) throw new HttpError('not-found')
  return { bytes: read.bytes, mime }
}
