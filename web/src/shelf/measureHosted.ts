// A hosted film is ready once its own player has said how long it runs, which only a browser can ask.
import type { Media } from '@fernbrake/core/contract'
import { hostedFrame, measureHostedFilm } from '@fernbrake/player'
import { call } from '../api/client.ts'

/** What is being asked already is not asked twice. */
const underWay = new Map<string, Promise<Media>>()

export const needsMeasuring = ({ hosted, state }: Pick<Media, 'hosted' | 'state'>): boolean =>
  hosted !== null && state === 'preparing'

/** Asks the film's player, out of sight, and tells the server; answers with the medium as it stands then. */
export function measureHosted(media: Media): Promise<Media> {
  const known = underWay.get(media.id) ?? measure(media)
  underWay.set(media.id, known)
  return known.finally(() => underWay.delete(media.id))
}

async function measure({ id, hosted, title }: Media): Promise<Media> {
  const frame = hostedFrame(hosted!.player, title)
  frame.tabIndex = -1
  frame.setAttribute('aria-hidden', 'true')
  Object.assign(frame.style, {
    position: 'fixed',
    left: '-2000px',
    width: '640px',
    height: '360px',
  })
  document.body.append(frame)
  try {
    const durationMs = await measureHostedFilm(frame)
    return await call('measureMedia', { params: { mediaId: id }, body: { durationMs } })
  } finally {
    frame.remove()
  }
}
