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
import { readSettings, REPOSITORY } from './settings.ts'

/** Mounts Vite for web and player; their hot reload comes by the server's own port, each at an address of its own. */
export async function mountDevelopmentPages(
  app: Express,
  server: Server,
  learn: LearnerPage,
): Promise<void> {
  const ready = join(readSettings(process.env).dataFolder, 'vite')
  const open = (workspace: string) =>
    createVite({
      root: join(REPOSITORY, workspace),
      configFile: join(REPOSITORY, workspace, 'vite.config.ts'),
      // Read as it is: a copy that comes and goes would make the server begin anew, again and again.
      configLoader: 'native',
      // With the data: several may be worked on at once, each with what was made ready for it.
      cacheDir: join(ready, workspace),
      appType: 'custom',
      server: {
        middlewareMode: true,
        hmr: { server, path: `/hot-${workspace}` },
        fs: { allow: [REPOSITORY, ready] },
      },
    })
  const [player, web] = await Promise.all([open('player'), open('web')])
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
  // Only what is the player's: it would take what the application asks for by full paths for its own.
  app.use((request, response, next) =>
    request.url.startsWith('/player/') ? player.middlewares(request, response, next) : next(),
  )
  app.use(web.middlewares)
  app.get('/{*path}', page('web', web))
}
