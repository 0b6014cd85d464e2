// A stand-in for a video host on a loopback port of its own: a catalogue to look through, pages that say by oEmbed where
// their film plays, and a player that is driven by messages. So films from elsewhere can be tried without a network.
import { mkdir, rename, rm } from 'node:fs/promises'
import { join } from 'node:path'
import express, { type Express, type Response } from 'express'
import { transform, writeStream } from '../../media/tools/ffmpeg.ts'
import { REPOSITORY } from '../../settings.ts'
import { feedOf, onceEach, openOn, WHEREVER, wordsOf, type StandIn } from '../standIn.ts'
import { CATALOGUE, search, type HeldFilm } from './catalogue.ts'
import { cataloguePage, description, entryOf, HOST_NAME, playerPage, watchPage } from './pages.ts'

/** Opens it; `folder` keeps what is made of the films when somebody asks for it first. Rejects where the port is taken. */
export const openFilmHost = (port: number, folder: string): Promise<StandIn> =>
  openOn(port, (app, origin) => {
    mountPages(app, origin)
    mountMedia(app, folder)
  })

const filmOf = (id: unknown): HeldFilm | undefined => CATALOGUE.find((film) => film.id === id)
const missing = (response: Response) => void response.status(404).type('text').send('No such film.')

function mountPages(app: Express, origin: string): void {
  app.use(express.static(join(REPOSITORY, 'server', 'standIns', 'filmHost', 'public')))
  app.get('/', ({ query }, response) => {
    const words = wordsOf(query)
    response.send(cataloguePage(search(words), words))
  })
  app.get('/search', ({ query }, response) => {
    const entries = search(wordsOf(query)).map((film) => entryOf(film, origin))
    response.type('application/atom+xml').send(feedOf(HOST_NAME, origin, entries))
  })
  app.get('/watch/:id', ({ params }, response) => {
    const film = filmOf(params.id)
    if (!film) return missing(response)
    response.send(watchPage(film, origin))
  })
  app.get('/player/:id', ({ params }, response) => {
    const film = filmOf(params.id)
    if (!film) return missing(response)
    response.send(playerPage(film))
  })
  app.get('/oembed', ({ query }, response) => {
    const film = filmOf(String(query.url ?? '').split('/watch/')[1])
    if (!film) return missing(response)
    response.json(description(film, origin))
  })
}

function mountMedia(app: Express, folder: string): void {
  const onceFor = onceEach()
  app.get('/held/:id.mp4', ({ params }, response) => {
    const film = filmOf(params.id)
    if (!film) return missing(response)
    response.sendFile(film.path, WHEREVER)
  })
  app.get('/films/:id.mp4', ({ params }, response) => {
    const film = filmOf(params.id)
    if (!film?.mayBeCopied) return missing(response)
    response.sendFile(film.path, WHEREVER)
  })
  app.get('/stills/:id.jpg', async ({ params }, response) => {
    const film = filmOf(params.id)
    if (!film) return missing(response)
    response.sendFile(await onceFor(`still ${film.id}`, () => makeStill(film, folder)), WHEREVER)
  })
  app.get('/streams/:id/:file', async ({ params }, response) => {
    const film = filmOf(params.id)
    if (!film?.mayBeCopied || !/^(all\.m3u8|\d+\.ts)$/.test(params.file)) return missing(response)
    const stream = await onceFor(`stream ${film.id}`, () => makeStream(film, folder))
    response.sendFile(join(stream, params.file), WHEREVER, (error) => error && missing(response))
  })
}

async function makeStill(film: HeldFilm, folder: string): Promise<string> {
  await mkdir(folder, { recursive: true })
  const path = join(folder, `${film.id}.jpg`)
  await transform(film.path, ['-frames:v', '1', '-vf', 'scale=640:-2', '-q:v', '4'], path, {
    fromSeconds: 8,
  })
  return path
}

/** Made beside and moved into place, so that nobody finds half a stream. */
async function makeStream(film: HeldFilm, folder: string): Promise<string> {
  const [path, making] = [join(folder, film.id), join(folder, `${film.id}.making`)]
  await Promise.all([path, making].map((old) => rm(old, { recursive: true, force: true })))
  await mkdir(making, { recursive: true })
  await writeStream(film.path, making)
  await rename(making, path)
  return path
}
