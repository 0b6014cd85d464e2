// A film that stays with its host: what the host says of it (oEmbed), and a still.
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { oEmbedAddress, readOEmbed, type HostedFilm } from '@fernbrake/core/formats'
import { canBeFramed } from '@fernbrake/core/proof'
import { PICTURE_TYPES } from '@fernbrake/core/media'
import { typeOf } from '../contentType.ts'
import { transform } from '../tools/ffmpeg.ts'
import { askPublic, PrivateAddress } from '../../web/askPublic.ts'
import { download } from './download.ts'
import { keepFile, UnusableFilm, type Step } from './step.ts'

const MOST_REPLY_BYTES = 200_000
const MOST_PICTURE_BYTES = 20_000_000

interface Found {
  html: string
  address: string
  signal: AbortSignal
}

/**
 * Notes where the film of a page plays; false where the page speaks of none. How long it runs only its own player knows,
 * so that the medium is ready only once somebody's browser has asked it.
 */
export async function acceptHosted(step: Step, { html, address, signal }: Found): Promise<boolean> {
  const described = oEmbedAddress(html, address)
  if (described === null) return false
  const path = join(step.folder, 'description.json')
  const wanted = { address: described, path, mostBytes: MOST_REPLY_BYTES, signal }
  const reply = await download(step.context, wanted)
  const film = readOEmbed(await readFile(path, 'utf8'), reply.address)
  if (!film) throw new UnusableFilm('notAFilm')
  await findFrame(step, film, signal)
  if (film.picture) await keepStill(step, film.picture, signal)
  const { title, author, host, player, width, height } = film
  await step.media.update({
    title: title || step.media.title,
    // What is known of it from where it was found stays.
    credit: step.media.credit || [author, host].filter(Boolean).join(', '),
    source: step.media.source || step.media.address!,
    hosted: { player, page: step.media.address!, host },
    // Its frames are its host's: none of them can be counted or drawn.
    width,
    height,
    frameRate: null,
  })
  return true
}

/** Learners elsewhere have to be let in, whatever this server's own name may be. */
async function findFrame({ context }: Step, { player }: HostedFilm, signal: AbortSignal) {
  const asking = { mayAsk: context.mayAskAddress, signal, accept: 'text/html' }
  const found = await askPublic(player, asking).catch((error: unknown) => {
    throw new UnusableFilm(error instanceof PrivateAddress ? 'ownNetwork' : 'notReached', error)
  })
  const { answer, address } = found
  answer.destroy()
  if ((answer.statusCode ?? 0) >= 400) throw new UnusableFilm('notReached')
  // What is framed without encryption in a page with it, the measuring finds out.
  const anywhere = `${new URL(address).protocol}//lessons.invalid`
  if (!canBeFramed({ address, headers: answer.headers }, anywhere))
    throw new UnusableFilm('notFramed')
}

/** Without a still the film is as good. */
async function keepStill(step: Step, address: string, signal: AbortSignal): Promise<void> {
  const { context, folder, media } = step
  const [path, output] = [join(folder, 'still'), join(folder, 'poster.jpg')]
  try {
    await download(context, { address, path, mostBytes: MOST_PICTURE_BYTES, signal })
    if (!PICTURE_TYPES.has((await typeOf(path))?.mime ?? ''))
      throw new Error('The still is no picture')
    await transform(path, ['-frames:v', '1', '-vf', 'scale=640:-2', '-q:v', '4'], output)
    await keepFile(context, media.id, 'poster', output, 'image/jpeg', 'jpg')
  } catch (error) {
    context.log.warn({ err: error, mediaId: media.id }, 'a hosted film came without its still')
  }
}
