// What is refused while the server only reads (media/roomWatch.ts).
import type { RequestHandler } from 'express'
import { HttpError } from './HttpError.ts'

/** Who may read must be known; and whoever is out of room has to be able to make some. */
const TAKEN_ALWAYS = new Set(['GET', 'HEAD', 'OPTIONS', 'DELETE'])
const SIGN_IN = /^\/api\/session\/?$/

/** Refuses what would store something, while nothing may be stored. */
export const refuseWhileReadOnly =
  (watch: { isReadOnly(): boolean }): RequestHandler =>
  ({ method, originalUrl }, response, next) => {
    const isTaken = TAKEN_ALWAYS.has(method) || SIGN_IN.test(originalUrl.split('?')[0]!)
    if (isTaken || !watch.isReadOnly()) return next()
    response.setHeader('Retry-After', '60')
    next(new HttpError('read-only'))
  }
