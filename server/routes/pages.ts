// Serves the two built interfaces: the learner's page, and the application for everyone else.
import { readFile } from 'node:fs/promises'
import type { Server } from 'node:http'
import { join } from 'node:path'
import type { Express, Request, RequestHandler, Response } from 'express'
import expressStaticGzip, { type ExpressStaticGzipOptions } from 'express-static-gzip'
import { REPOSITORY } from '../settings.ts'
import { LANGUAGES } from '@fernbrake/core/words'
import { HttpError } from '../http/HttpError.ts'
import { languageOfRequest } from '../http/language.ts'
import { SESSION_COOKIE } from '../http/session.ts'
import { EARLY_PLACE, type EarlyPart } from './learnerPage.ts'

/** Addresses of the learner's page; everything else is the application. */
export const OPEN_PATH = '/open/:code'
/** The learner's page for a frame on any other page. */
export const EMBED_PATH = '/embed/:code'
export const LEARN_PATH = '/learn/:attemptId'

/** What the learner's page needs beyond its file: who asks, and what comes with it. */
export interface LearnerPage {
  session: RequestHandler
  earlyPart: EarlyPart
}

/** What stands in the built pages where the nonce of each answer belongs. */
const NONCE_PLACE = '__CSP_NONCE__'

/** Mounts the built pages. Their scripts and fonts have their content in their names and may be kept for good. */
export function mountPages(app: Express, _server: Server, learn: LearnerPage): void {
  const built = (workspace: string) => join(REPOSITORY, workspace, 'dist')
  const forever: ExpressStaticGzipOptions = {
    enableBrotli: true,
    orderPreference: ['br'],
    index: false,
    serveStatic: { immutable: true, maxAge: '1y', fallthrough: true },
  }
  app.use('/player', expressStaticGzip(built('player'), forever))
  app.use(expressStaticGzip(built('web'), forever))
  // A script of an earlier build is gone; a page in its place would only confuse the browser.
  app.use(['/assets', '/player'], (_request, _response, next) => next(new HttpError('not-found')))
  const player = join(built('player'), 'index.html')
  app.get(OPEN_PATH, pageOf(player))
  app.get(EMBED_PATH, letBeFramed, pageOf(player))
  app.get(LEARN_PATH, learn.session, pageOf(player, learn.earlyPart))
  app.get('/{*path}', pageOf(join(built('web'), 'index.html')))
}

/** Lets any page show this one in a frame; everything else about it stays as strict. */
export const letBeFramed: RequestHandler = (_request, response, next) => {
  const policy = String(response.getHeader('Content-Security-Policy'))
  response.setHeader(
    'Content-Security-Policy',
    policy.replace(/frame-ancestors [^;]*/, 'frame-ancestors *'),
  )
  response.removeHeader('X-Frame-Options')
  response.setHeader('Cross-Origin-Resource-Policy', 'cross-origin')
  next()
}

function pageOf(path: string, earlyPart?: EarlyPart): RequestHandler {
  return async (request, response) => {
    // Read each time: it is small, and a new build must not need a restart.
    const template = await readFile(path, 'utf8').catch((cause: unknown) => {
      throw new HttpError('not-found', { cause })
    })
    // A page that tells nothing of anybody may come back as it was when somebody goes back; it is asked for anew otherwise.
    response.type('html').set('Cache-Control', earlyPart ? 'no-store' : 'private, no-cache')
    await sendPage(request, response, template, earlyPart)
  }
}

/** What stands in the built pages where the language of each answer belongs. */
const LANGUAGE_PLACE = '<html lang="en">'
const COOKIE_NAME = new RegExp(`(^|;)\\s*${SESSION_COOKIE}=`)

/** Whether a session came along, whosever it is: the page then fetches what people who are signed in need, and asks who it is meanwhile. */
const hasSession = (request: Request) => COOKIE_NAME.test(request.get('Cookie') ?? '')

/**
 * Sends a page with its nonce, in the language that the browser asks for first. The head goes at once, so that scripts and
 * styles are on their way while the early part is looked up.
 */
export async function sendPage(
  request: Request,
  response: Response,
  template: string,
  earlyPart?: EarlyPart,
): Promise<void> {
  const language = languageOfRequest(request)
  const { direction } = LANGUAGES[language]
  const html = template
    .replaceAll(NONCE_PLACE, String(response.locals.nonce))
    .replace(
      LANGUAGE_PLACE,
      `<html lang="${language}" dir="${direction}"${hasSession(request) ? ' data-session' : ''}>`,
    )
  response.set('Content-Language', language).vary('Accept-Language')
  const [head, rest] = html.split(EARLY_PLACE)
  if (!earlyPart || rest === undefined) return void response.send(html)
  response.write(head)
  response.flush()
  response.end((await earlyPart(request)) + rest)
}
