// Serves the two built interfaces: the learner's page, and the application for everyone else.
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import express, { type Express, type RequestHandler } from 'express'
import { REPOSITORY } from '../settings.ts'
import { HttpError } from './HttpError.ts'

/** Addresses that are the learner's page; everything else is the application. */
export const PLAYER_PATHS = ['/open/:code', '/learn/:attemptId']

/** What stands in the built pages where the nonce of each answer belongs. */
export const NONCE_PLACE = '__CSP_NONCE__'

/** Mounts the built pages. Their scripts and fonts have their content in their names and may be kept for good. */
export function mountPages(app: Express): void {
  const built = (workspace: string) => join(REPOSITORY, workspace, 'dist')
  const forever = { immutable: true, maxAge: '1y', index: false, fallthrough: true }
  app.use('/player', express.static(built('player'), forever))
  app.use(express.static(built('web'), forever))
  // A script of an earlier build is gone; a page in its place would only confuse the browser.
  app.use(['/assets', '/player'], (_request, _response, next) => next(new HttpError('not-found')))
  app.get(PLAYER_PATHS, pageOf(join(built('player'), 'index.html')))
  app.get('/{*path}', pageOf(join(built('web'), 'index.html')))
}

function pageOf(path: string): RequestHandler {
  return async (_request, response) => {
    // Read each time: it is small, and a new build must not need a restart.
    const template = await readFile(path, 'utf8').catch((cause: unknown) => {
      throw new HttpError('not-found', { cause })
    })
    response
      .type('html')
      .set('Cache-Control', 'no-store')
      .send(template.replaceAll(NONCE_PLACE, String(response.locals.nonce)))
  }
}
