// Media fetched from addresses, served on loopback: they become what they would be had they been sent, or say why not.
import { createServer, type RequestListener, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import { MediaJobRow } from '../database/models.ts'
import { openServer } from '../app.ts'
import { createFilmFolder, H264, PICTURE, putIn, settled, SOUND } from '../testing/films.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'

const films = createFilmFolder()
let server: TestServer
let owner: Awaited<ReturnType<TestServer['signedIn']>>
let files: Server
let origin: string
let film: Buffer
let busyTimes = 0
let drips = 0

const answers: Record<string, RequestListener> = {
  '/Half%20a%20paddle.mp4': (_, response) =>
    response.setHeader('Content-Length', film.length).end(film),
  // Without saying how long it is.
  '/pieces.mp4': (_, response) => {
    response.write(film.subarray(0, 5000))
    response.end(film.subarray(5000))
  },
  '/moved': (_, response) => response.writeHead(302, { Location: '/pieces.mp4' }).end(),
  '/round': (_, response) => response.writeHead(302, { Location: '/round' }).end(),
  '/page': (_, response) => response.end('<!doctype html><title>The film</title><video>'),
  '/gone.mp4': (_, response) => response.writeHead(404).end(),
  '/huge.mp4': (_, response) => {
    response.setHeader('Content-Length', 9 * 1024 ** 3)
    response.write(film)
  },
  '/cut.mp4': (_, response) => {
    response.setHeader('Content-Length', film.length)
    response.write(film.subarray(0, 3000), () => response.destroy())
  },
  // Says that it goes on, and never does.
  '/drip.mp4': (_, response) => {
    drips += 1
    response.write(film.subarray(0, 100))
  },
  // Busy the first time.
  '/busy.mp4': (_, response) => {
    busyTimes += 1
    if (busyTimes === 1) response.writeHead(503).end()
    else response.end(film)
  },
}

beforeAll(async () => {
  film = films.make('lock.mp4', ...PICTURE, ...SOUND, '-shortest', ...H264)
  files = createServer((request, response) => answers[request.url ?? '']!(request, response))
  await new Promise<void>((resolve) => files.listen(0, '127.0.0.1', resolve))
  origin = `http://127.0.0.1:${(files.address() as AddressInfo).port}`
})
afterAll(() => {
  files.closeAllConnections()
  files.close()
  films.remove()
})

let count = 0
async function fetched(path: string, kind: Media['kind'] = 'film'): Promise<Media> {
  const id = `fetched-${(count += 1)}`
  const body = { id, address: `${origin}${path}`, kind }
  await owner.agent.post('/api/media/from-address').send(body).expect(201)
  return settled(owner.agent, id)
}

describe('a film from an address', () => {
  beforeAll(async () => {
    server = await startTestServer({ runsJobs: true, asksPrivateAddresses: true })
    owner = await server.signedIn('designer')
  })
  afterAll(() => server.stop())

  it('is prepared like any other, under its name, and says to its owner where it came from', async () => {
    const media = await fetched('/Half%20a%20paddle.mp4')
    expect(media).toMatchObject({
      state: 'ready',
      kind: 'film',
      title: 'Half a paddle.mp4',
      bytes: film.length,
      width: 320,
      height: 180,
      hasSound: true,
      sourceNote: `${origin}/Half%20a%20paddle.mp4`,
    })
    const { body } = await owner.agent.get(`/api/media/${media.id}/files/playable`).expect(200)
    expect(Buffer.compare(body as Buffer, film)).toBe(0)
  })

  it('comes through a redirection, in pieces of whatever length, and after a while of waiting', async () => {
    expect(await fetched('/moved')).toMatchObject({ state: 'ready', bytes: film.length })
    expect(await fetched('/busy.mp4')).toMatchObject({ state: 'ready' })
    expect(busyTimes).toBe(2)
  })

  it.each<[string, Media['fault']]>([
    ['/page', 'notAFilm'],
    ['/gone.mp4', 'notReached'],
    ['/round', 'notReached'],
    ['/huge.mp4', 'tooLarge'],
    ['/cut.mp4', 'notReached'],
  ])('at %s is refused: %s', async (path, fault) => {
    expect(await fetched(path)).toMatchObject({ state: 'failed', fault, files: [] })
  })

  it('that is no picture is refused as one', async () => {
    expect(await fetched('/pieces.mp4', 'picture')).toMatchObject({ fault: 'notAPicture' })
  })

  it('asked for twice is fetched once, and by somebody else not at all', async () => {
    const body = { id: 'once', address: `${origin}/pieces.mp4`, kind: 'film' }
    const [first, second] = await Promise.all(
      [1, 2].map(() => owner.agent.post('/api/media/from-address').send(body)),
    )
    expect([first!.status, second!.status]).toEqual([201, 201])
    const other = await server.signedIn('designer')
    await other.agent.post('/api/media/from-address').send(body).expect(409)
    expect(await settled(owner.agent, 'once')).toMatchObject({ state: 'ready' })
  })

  it.each([
    'ftp://harrowmere.example/x.mp4',
    '/stand-ins/pages/water-levels',
    'x',
    'file:///etc/passwd',
  ])('at %s is no address to fetch from', async (address) => {
    const body = { id: 'nowhere', address, kind: 'film' }
    await owner.agent.post('/api/media/from-address').send(body).expect(422)
  })
})

it('a film in a network of its own is never asked for', async () => {
  const careful = await startTestServer({ runsJobs: true })
  const { agent } = await careful.signedIn('designer')
  const ask = (id: string, address: string) =>
    agent.post('/api/media/from-address').send({ id, address, kind: 'film' }).expect(201)
  let asked = 0
  files.on('request', () => (asked += 1))
  await ask('by-number', `${origin}/pieces.mp4`)
  await ask('by-name', origin.replace('127.0.0.1', 'localhost') + '/pieces.mp4')
  for (const id of ['by-number', 'by-name'])
    expect(await settled(agent, id)).toMatchObject({ fault: 'ownNetwork' })
  expect(asked).toBe(0)
  await careful.stop()
})

it('a film that was being fetched when the server was killed is fetched by the next one', async () => {
  const first = await startTestServer({ asksPrivateAddresses: true })
  const { agent } = await first.signedIn('designer')
  const body = { id: 'interrupted', address: `${origin}/pieces.mp4`, kind: 'film' }
  await agent.post('/api/media/from-address').send(body).expect(201)
  // As a kill leaves it: under way, with nobody at it.
  await MediaJobRow.update({ state: 'running' }, { where: { mediaId: 'interrupted' } })
  const next = await openServer({ ...first.settings, runsJobs: true }, () => undefined)
  expect(await settled(agent, 'interrupted')).toMatchObject({ state: 'ready', bytes: film.length })
  await next.close()
  await first.stop()
})

it('addresses that drip keep no other film from being prepared', async () => {
  const dripping = await startTestServer({ runsJobs: true, asksPrivateAddresses: true })
  const { agent } = await dripping.signedIn('designer')
  for (const id of ['drip-1', 'drip-2', 'drip-3']) {
    const body = { id, address: `${origin}/drip.mp4`, kind: 'film' }
    await agent.post('/api/media/from-address').send(body).expect(201)
  }
  const sent = await putIn(agent, film, 'lock.mp4')
  expect(await settled(agent, sent)).toMatchObject({ state: 'ready' })
  // The first tries are not over, so nothing was waited for.
  expect(drips).toBeLessThanOrEqual(2)
  files.closeAllConnections()
  await dripping.stop()
})
