// The learner's page, sent with what it would otherwise have to ask for first: the attempt, and a video element that
// is loading already. On a bad connection this saves the two longest waits before the first frame.
import type { Request } from 'express'
import type { Attempt } from '@fernbrake/core/contract'
import { partOfKind } from '@fernbrake/core/lesson'
import { frameRateOf, middleOfFrameSeconds } from '@fernbrake/core/media'
import { placeToGoOn } from '@fernbrake/core/playback'
import { readAttempt } from '../learning/attempts.ts'
import type { Context } from '../context.ts'
import { authorise } from './authorise.ts'
import { personOf } from '../http/session.ts'

/** Where the built page leaves room for it. */
export const EARLY_PLACE = '<!--early-->'

/** What belongs in the early place of the page; never fails. */
export type EarlyPart = (request: Request) => Promise<string>

/** The early part of /learn/:attemptId. Whoever may not see the attempt gets none; the page then says why. */
export function earlyPartOf(context: Context): EarlyPart {
  return async (request) => {
    try {
      const attemptId = String(request.params.attemptId)
      await authorise('attemptOwner', personOf(request), { attemptId })
      return earlyPart(await readAttempt(context, attemptId, false))
    } catch {
      return ''
    }
  }
}

/** The early part of the page for an attempt, as HTML. */
export function earlyPart(attempt: Attempt): string {
  // Data, not script: the browser never runs it, and no text in it can end the element.
  const data = JSON.stringify(attempt).replaceAll('<', '\\u003c')
  // The film first: its bytes are asked for while the rest is still being read.
  return `${earlyVideo(attempt)}<script type="application/json" id="early-attempt">${data}</script>`
}

function earlyVideo({ lesson, media, progress }: Attempt): string {
  const place = placeToGoOn(lesson, progress)
  const part = place && partOfKind(lesson, place.part.id, 'film')
  if (!part) return ''
  const { mediaId, frameRate } = part
  const film = media.find(({ id }) => id === mediaId)
  if (!film || film.player) return ''
  const seconds = middleOfFrameSeconds(place.atMs, frameRateOf(frameRate ?? '25'))
  const files = `/api/media/${encodeURIComponent(film.id)}/files`
  const at = place.atMs > 0 ? `#t=${seconds.toFixed(3)}` : ''
  return `<div id="early-stage"><video id="early-video" src="${files}/playable${at}"
    data-poster="${files}/poster" width="${film.width}" height="${film.height}" preload="auto" playsinline></video></div>`
}
