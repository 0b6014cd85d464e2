// Pages in development: Vite serves both interfaces from their sources, with hot reload.
import type { Server } from 'node:http'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Express, RequestHandler } from 'express'
import { createServer as createVite } from 'vite'
import type { EarlyPart } from './routes/learnerPage.ts'
import {
  EMBED_PATH,
  LEARN_PATH,
  letBeFramed,
  OPEN_PATH,
  sendPage,
  type LearnerPage,
} from './routes/pages.ts'
import { REPOSITORY } from './settings.ts'

/** Mounts Vite for web and player; their hot reload listens on ports beside the server's. */
export async function mountDevelopmentPages(
  app: Express,
  _server: Server,
  learn: LearnerPage,
): Promise<void> {
  const open = (workspace: string, port: number) =>
    createVite({
      root: join(REPOSITORY, workspace),
      configFile: join(REPOSITORY, workspace, 'vite.config.ts'),
      appType: 'custom',
      server: { middlewareMode: true, hmr: { port } },
    })
  const [player, web] = await Promise.all([open('player', 4320), open('web', 4321)])
  const page =
    (
      workspace: string,
      vite: Awaited<ReturnType<typeof open>>,
      earlyPart?: EarlyPart,
    ): RequestHandler =>
    async (request, response) => {
      const source = await readFile(join(REPOSITORY, workspace, 'index.html'), 'utf8')
      const html = await vite.transformIndexHtml(request.originalUrl, source)
      await sendPage(request, response.type('html'), html, earlyPart)
    }
  app.get(OPEN_PATH, page('player', player))
  app.get(EMBED_PATH, letBeFramed, page('player', player))
  app.get(LEARN_PATH, learn.session, page('player', player, learn.earlyPart))
  app.use(player.middlewares)
  app.use(web.middlewares)
  app.get('/{*path}', page('web', web))
}
