// A stand-in for an archive of pictures and sounds, on a loopback port of its own: pages to look through, and a search that
// answers as an Atom feed. So material from elsewhere can be found and taken without a network.
import { mkdir } from 'node:fs/promises'
import { join } from 'node:path'
import express, { type Express, type Response } from 'express'
import { synthesise, transform } from '../../media/tools/ffmpeg.ts'
import { REPOSITORY } from '../../settings.ts'
import {
  feedOf,
  holding,
  onceEach,
  openOn,
  pageOf,
  shown,
  WHEREVER,
  wordsOf,
  type Entry,
  type StandIn,
} from '../standIn.ts'
import { HELD, type HeldThing } from './catalogue.ts'

const NAME = 'Oxwith Picture and Sound Room'

/** Opens it; `folder` keeps what is made when somebody asks for it first. Rejects where the port is taken. */
export const openArchive = (port: number, folder: string): Promise<StandIn> =>
  openOn(port, (app, origin) => {
    mountPages(app, origin)
    mountFiles(app, folder)
  })

const search = (words: string) =>
  holding(HELD, words, ({ title, maker, words: said, licence }) => [title, maker, said, licence])
const thingOf = (id: unknown) => HELD.find((thing) => thing.id === id)
const missing = (response: Response) =>
  void response.status(404).type('text').send('No such thing.')
const fileOf = ({ id, kind }: HeldThing) => `/files/${id}.${kind === 'picture' ? 'webp' : 'mp3'}`

function mountPages(app: Express, origin: string): void {
  app.use(express.static(join(REPOSITORY, 'server', 'standIns', 'archive', 'public')))
  app.get('/', ({ query }, response) => {
    const words = wordsOf(query)
    response.send(roomPage(search(words), words))
  })
  app.get('/things/:id', ({ params }, response) => {
    const thing = thingOf(params.id)
    if (!thing) return missing(response)
    response.send(thingPage(thing))
  })
  app.get('/search', ({ query }, response) => {
    const entries = search(wordsOf(query)).map((thing) => entryOf(thing, origin))
    response.type('application/atom+xml').send(feedOf(NAME, origin, entries))
  })
}

const entryOf = (thing: HeldThing, origin: string): Entry => ({
  ...thing,
  type: thing.kind === 'picture' ? 'StillImage' : 'Sound',
  page: `${origin}/things/${thing.id}`,
  preview: thing.kind === 'picture' ? `${origin}/small/${thing.id}.jpg` : null,
  file: {
    address: origin + fileOf(thing),
    mime: thing.kind === 'picture' ? 'image/webp' : 'audio/mpeg',
  },
})

function mountFiles(app: Express, folder: string): void {
  const make = onceEach()
  app.get('/files/:file', async ({ params }, response) => {
    const thing = HELD.find((one) => fileOf(one) === `/files/${params.file}`)
    if (!thing) return missing(response)
    if (thing.kind === 'picture') return response.sendFile(thing.made, WHEREVER)
    response.sendFile(await make(thing.id, () => makeSound(thing, folder)), WHEREVER)
  })
  app.get('/small/:id.jpg', async ({ params }, response) => {
    const thing = thingOf(params.id)
    if (thing?.kind !== 'picture') return missing(response)
    response.sendFile(await make(`small ${thing.id}`, () => makeSmall(thing, folder)), WHEREVER)
  })
}

async function makeSound({ id, made }: HeldThing, folder: string): Promise<string> {
  await mkdir(folder, { recursive: true })
  const path = join(folder, `${id}.mp3`)
  await synthesise(made, path)
  return path
}

async function makeSmall({ id, made }: HeldThing, folder: string): Promise<string> {
  await mkdir(folder, { recursive: true })
  const path = join(folder, `${id}.jpg`)
  await transform(made, ['-frames:v', '1', '-vf', 'scale=320:-2', '-q:v', '4'], path)
  return path
}

const FOOT = `<footer>This archive is a stand-in that ships with the demo. Things and people are made up.</footer>`
const pageWith = (title: string, body: string) =>
  pageOf(
    title,
    '/room.css',
    '',
    `<header><a href="/">${NAME}</a></header><main>${body}</main>${FOOT}`,
  )
const terms = ({ licence, licenceAddress }: HeldThing) =>
  licenceAddress
    ? `<a rel="license" href="${licenceAddress}">${shown(licence)}</a>`
    : shown(licence || '(not said)')

function roomPage(things: readonly HeldThing[], words: string): string {
  const found = things.length === 1 ? '1 thing' : `${things.length} things`
  const rows = things.map(
    (thing) => `<tr>
      <td>${thing.kind === 'picture' ? `<img src="/small/${thing.id}.jpg" alt="" width="96" />` : ''}</td>
      <th scope="row"><a href="/things/${thing.id}">${shown(thing.title)}</a></th>
      <td>${thing.kind}</td><td>${shown(thing.maker)}</td><td>${terms(thing)}</td></tr>`,
  )
  return pageWith(
    NAME,
    `<form role="search"><label for="words">Look for</label>
      <input id="words" name="words" type="search" value="${shown(words)}" /><button>Look</button></form>
    <h1>${words ? `${found} with “${shown(words)}”` : found}</h1>
    <table><thead><tr><td></td><th>Title</th><th>Kind</th><th>Maker</th><th>Licence</th></tr></thead>
      <tbody>${rows.join('')}</tbody></table>`,
  )
}

function thingPage(thing: HeldThing): string {
  const itself =
    thing.kind === 'picture'
      ? `<img src="${fileOf(thing)}" alt="${shown(thing.words)}" />`
      : `<audio controls preload="none" src="${fileOf(thing)}"></audio>`
  return pageWith(
    `${thing.title} · ${NAME}`,
    `<h1>${shown(thing.title)}</h1>${itself}<p>${shown(thing.words)}</p>
    <dl><dt>Maker</dt><dd>${shown(thing.maker)}</dd><dt>Licence</dt><dd>${terms(thing)}</dd></dl>`,
  )
}
