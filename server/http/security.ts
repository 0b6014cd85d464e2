// Headers that keep the pages to themselves, and a check that requests which change something come from them.
import { randomBytes } from 'node:crypto'
import type { Request, RequestHandler } from 'express'
import helmet from 'helmet'
import { HttpError } from './HttpError.ts'

/** Gives every answer a fresh nonce in `response.locals.nonce`, for the styles that the interface library adds. */
export const giveNonce: RequestHandler = (_request, response, next) => {
  response.locals.nonce = randomBytes(16).toString('base64')
  next()
}

/** A strict Content-Security-Policy; `development` lets Vite's hot reload in. */
export function securityHeaders(development: boolean): RequestHandler {
  const nonce = (_request: unknown, response: unknown) =>
    `'nonce-${(response as { locals: { nonce: string } }).locals.nonce}'`
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'", ...(development ? [nonce] : [])],
        styleSrc: ["'self'", ...(development ? ["'unsafe-inline'"] : [nonce])],
        imgSrc: ["'self'", 'data:', 'blob:'],
        mediaSrc: ["'self'", 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'", ...(development ? ['ws:'] : [])],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        // Pages that a designer shows on a film; each in a sandbox of its own.
        frameSrc: ["'self'", 'https:', 'http:'],
        formAction: ["'self'"],
        baseUri: ["'none'"],
        frameAncestors: ["'self'"],
      },
    },
    // Fernbrake is served over plain HTTP on loopback too; the proxy in front says when HTTPS is a must.
    strictTransportSecurity: false,
    referrerPolicy: { policy: 'same-origin' },
  })
}

/** The name under which the request was sent, whatever proxy stands in front. */
const hostOf = (request: Pick<Request, 'headers'>) =>
  request.headers['x-forwarded-host'] ?? request.headers.host

/** The origin under which the application was asked. */
export function originOf(request: Request): string {
  const protocol = request.headers['x-forwarded-proto'] === 'https' ? 'https' : request.protocol
  return `${protocol}://${String(hostOf(request))}`
}

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS'])

/** Whether a request comes from a page of ours, or from no page at all. */
export function isFromOwnPage(request: Pick<Request, 'headers'>): boolean {
  const { origin } = request.headers
  if (!origin) return true
  return URL.canParse(origin) && new URL(origin).host === hostOf(request)
}

/** Refuses changes that another site's page sends with our cookie (cross-site request forgery). */
export const sameOriginOnly: RequestHandler = (request, _response, next) => {
  const isFine = SAFE.has(request.method) || isFromOwnPage(request)
  next(isFine ? undefined : new HttpError('wrong-origin'))
}
