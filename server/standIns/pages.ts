// Stand-ins for pages of the web, so that a lesson can show one without a network. Each says that it is one.
import { join } from 'node:path'
import express, { type Express } from 'express'
import { REPOSITORY, STAND_IN_PAGES } from '../settings.ts'

export function mountStandInPages(app: Express): void {
  const folder = join(REPOSITORY, 'server', 'standIns', 'pages')
  // A frame in a lesson has no origin of its own; what such a page fetches must be let through to it all the same.
  const setHeaders = (response: { setHeader(name: string, value: string): unknown }) =>
    void response.setHeader('Cross-Origin-Resource-Policy', 'cross-origin')
  app.use(
    STAND_IN_PAGES,
    express.static(folder, { extensions: ['html'], index: false, setHeaders }),
  )
}
