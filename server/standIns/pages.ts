// Stand-ins for pages of the web, so that a lesson can show one without a network. Each says that it is one.
import { join } from 'node:path'
import express, { type Express } from 'express'
import { REPOSITORY } from '../settings.ts'

/** Where they are served. */
export const STAND_IN_PAGES = '/stand-ins/pages'

export function mountStandInPages(app: Express): void {
  const folder = join(REPOSITORY, 'server', 'standIns', 'pages')
  app.use(STAND_IN_PAGES, express.static(folder, { extensions: ['html'], index: false }))
}
