// Films that are elsewhere: streams that are put together, and hosted ones that stay where they are.
import { readFileSync, writeFileSync } from 'node:fs'
import { mkdirSync } from 'node:fs'
import express from 'express'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import { createFilmFolder, H264, PICTURE, settled, SOUND } from '../testing/films.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'

const films = createFilmFolder()
let server: TestServer
let owner: Awaited<ReturnType<TestServer['signedIn']>>
let files: Server
let origin: string
const asked: string[] = []

const oEmbed = (path: string) =>
  `<!doctype html><link rel="alternate" type="application/json+oembed" href="${path}">`
const film = (player: string) => ({
  version: '1.0',
  type: 'video',
  width: 640,
  height: 360,
  title: 'Sluices',
  author_name: 'Odile Harcastle',
  provider_name: 'The House',
  html: `<iframe src="${player}"></iframe>`,
})

function makeStreams(): void {
  const short = ['-shortest', ...H264, '-g', '25']
  const list = ['-f', 'hls', '-hls_time', '1', '-hls_playlist_type', 'vod']
  for (const name of ['plain', 'ranges', 'locked', 'picture', 'sound'])
    mkdirSync(films.pathOf(name))
  films.make('plain/all.m3u8', ...PICTURE, ...SOUND, ...short, ...list)
  films.make(
    'ranges/all.m3u8',
    ...PICTURE,
    ...SOUND,
    ...short,
    ...list,
    '-hls_segment_type',
    'fmp4',
    '-hls_flags',
    'single_file',
  )
  writeFileSync(films.pathOf('locked/key'), 'sixteen letters!')
  writeFileSync(films.pathOf('key.info'), `key\n${films.pathOf('locked/key')}\n`)
  const lock = ['-hls_key_info_file', films.pathOf('key.info')]
  films.make('locked/all.m3u8', ...PICTURE, ...SOUND, ...short, ...list, ...lock)
  films.make('picture/all.m3u8', ...PICTURE, ...H264, '-g', '25', ...list)
  films.make('sound/all.m3u8', ...SOUND, ...list)
  const apart = [
    '#EXTM3U',
    '#EXT-X-MEDIA:TYPE=AUDIO,GROUP-ID="s",NAME="English",DEFAULT=YES,URI="sound/all.m3u8"',
    '#EXT-X-STREAM-INF:BANDWIDTH=100,RESOLUTION=3840x2160,AUDIO="s"',
    'much-too-large.m3u8',
    '#EXT-X-STREAM-INF:BANDWIDTH=50,RESOLUTION=320x180,AUDIO="s"',
    'picture/all.m3u8',
  ]
  writeFileSync(films.pathOf('apart.m3u8'), apart.join('\n'))
  const plain = readFileSync(films.pathOf('plain/all.m3u8'), 'utf8')
  writeFileSync(films.pathOf('plain/live.m3u8'), plain.replace('#EXT-X-ENDLIST', ''))
  const key = '#EXT-X-KEY:METHOD=SAMPLE-AES,URI="key"\n'
  writeFileSync(films.pathOf('plain/guarded.m3u8'), plain.replace('#EXTINF', `${key}#EXTINF`))
  writeFileSync(films.pathOf('plain/lost.m3u8'), plain.replaceAll('all', 'lost'))
  writeFileSync(films.pathOf('plain/in.m3u8'), plain.replace(/^all0\.ts$/m, 'http://10.0.0.1/a.ts'))
  writeFileSync(films.pathOf('plain/not.m3u8'), '#EXTM3U\n#EXTINF:1,\nall.m3u8\n#EXT-X-ENDLIST\n')
}

beforeAll(async () => {
  makeStreams()
  const app = express()
  app.use((request, _response, next) => {
    asked.push(request.url)
    next()
  })
  app.use(express.static(films.pathOf('.')))
  app.get('/watch', (_, response) => void response.send(oEmbed('/described')))
  app.get('/described', (_, response) => void response.json(film('/player')))
  app.get('/player', (_, response) => void response.send('<title>x</title>'))
  const tricked = { ...film('/player'), thumbnail_url: `/still`, thumbnail_width: 640 }
  app.get('/tricked', (_, response) => void response.send(oEmbed('/described-tricked')))
  app.get('/described-tricked', (_, response) => void response.json(tricked))
  app.get('/still', (_, response) => {
    const own = films.pathOf('plain/all0.ts')
    response.send(`#EXTM3U\n#EXT-X-TARGETDURATION:2\n#EXTINF:2,\n${own}\n#EXT-X-ENDLIST\n`)
  })
  app.get('/closed', (_, response) => void response.send(oEmbed('/described-closed')))
  app.get('/described-closed', (_, response) => void response.json(film('/closed-player')))
  app.get('/closed-player', (_, response) => {
    response.set('X-Frame-Options', 'SAMEORIGIN').send('<title>x</title>')
  })
  app.get('/photo', (_, response) => void response.send(oEmbed('/described-photo')))
  app.get('/described-photo', (_, response) => void response.json({ type: 'photo' }))
  app.get('/away', (_, response) => void response.send(oEmbed('http://10.0.0.1/described')))
  files = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => files.once('listening', resolve))
  origin = `http://127.0.0.1:${(files.address() as AddressInfo).port}`
  server = await startTestServer({ runsJobs: true, asksPrivateAddresses: true, filmHostPort: 0 })
  owner = await server.signedIn('designer')
})
afterAll(async () => {
  files.closeAllConnections()
  files.close()
  films.remove()
})

let count = 0
async function begin(address: string): Promise<string> {
  const id = `from-${(count += 1)}`
  const body = { id, address: new URL(address, origin).href, kind: 'film' }
  await owner.agent.post('/api/media/from-address').send(body).expect(201)
  return id
}
const fetched = async (address: string) => settled(owner.agent, await begin(address))
const measure = (id: string, durationMs: number | null) =>
  owner.agent.post(`/api/media/${id}/length`).send({ durationMs })
/** The medium once its host has described it, which is all that can be done without a browser. */
async function described(address: string): Promise<Media> {
  const id = await begin(address)
  for (;;) {
    const media = (await owner.agent.get(`/api/media/${id}`).expect(200)).body as Media
    if (media.hosted || media.state !== 'preparing') return media
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
}

describe('a stream', () => {
  it.each([
    ['of pieces', '/plain/all.m3u8'],
    ['of ranges of one file', '/ranges/all.m3u8'],
    ['with a key beside it', '/locked/all.m3u8'],
    ['with its sound apart, of which the fitting picture is taken', '/apart.m3u8'],
  ])('%s becomes a film', async (_what, path) => {
    const media = await fetched(path)
    expect(media).toMatchObject({
      state: 'ready',
      fault: null,
      width: 320,
      height: 180,
      hasSound: true,
      frameRate: '25',
      files: ['filmstrip', 'original', 'pauses', 'peaks', 'poster', 'shots'],
    })
    expect(media.durationMs).toBeGreaterThan(1900)
    expect(media.durationMs).toBeLessThan(2200)
  })

  it('is asked for no more than is needed', () => {
    expect(asked).not.toContain('/much-too-large.m3u8')
    expect(asked.filter((path) => path === '/plain/all0.ts')).toHaveLength(1)
  })

  it.each<[string, string, Media['fault']]>([
    ['that goes on', '/plain/live.m3u8', 'endless'],
    ['that only some devices open', '/plain/guarded.m3u8', 'guarded'],
    ['whose pieces are gone', '/plain/lost.m3u8', 'notReached'],
    ['whose pieces are none', '/plain/not.m3u8', 'unreadable'],
  ])('%s is refused', async (_what, path, fault) => {
    expect(await fetched(path)).toMatchObject({ state: 'failed', fault, files: [] })
  })
})

describe('a hosted film', () => {
  it('is known by what its host says, and ready once its player has told how long it runs', async () => {
    const media = await described('/watch')
    expect(media).toMatchObject({
      state: 'preparing',
      title: 'Sluices',
      credit: 'Odile Harcastle, The House',
      width: 640,
      height: 360,
      durationMs: null,
      files: [],
      hosted: { player: `${origin}/player`, page: `${origin}/watch`, host: 'The House' },
    })
    const stranger = await server.signedIn('designer')
    await stranger.agent.post(`/api/media/${media.id}/length`).send({ durationMs: 5 }).expect(404)
    expect((await measure(media.id, 61_000).expect(200)).body).toMatchObject({
      state: 'ready',
      durationMs: 61_000,
    })
    // What cues hang on does not change any more.
    for (const other of [9000, null])
      expect((await measure(media.id, other).expect(200)).body).toMatchObject({
        state: 'ready',
        durationMs: 61_000,
      })
    await owner.agent.get(`/api/media/${media.id}/files/playable`).expect(404)
  })

  it('whose player does not answer says so, and can be tried again', async () => {
    const { id } = await described('/watch')
    expect((await measure(id, null)).body).toMatchObject({ state: 'failed', fault: 'notPlayed' })
    const again = await owner.agent.post(`/api/media/${id}/preparation`)
    expect(again.body).toMatchObject({ state: 'preparing', fault: null })
    expect((await measure(id, 4000)).body).toMatchObject({ state: 'ready', durationMs: 4000 })
  })

  it.each<[string, string, Media['fault']]>([
    ['that lets no other page show it', '/closed', 'notFramed'],
    ['that is none', '/photo', 'notAFilm'],
  ])('%s is refused', async (_what, path, fault) => {
    expect(await described(path)).toMatchObject({ state: 'failed', fault, hosted: null })
  })

  it('whose still is a list that names a file of the server comes without one', async () => {
    const media = await described('/tricked')
    expect(media).toMatchObject({ state: 'preparing', title: 'Sluices', files: [] })
    expect(asked).toContain('/still')
  })

  it('of the stand-in comes with its still and its makers', async () => {
    const host = server.standIns[0]!.origin
    const media = await described(`${host}/watch/caught-on-the-sill`)
    expect(media).toMatchObject({
      title: 'Caught on the Sill',
      files: ['poster'],
      credit: 'Harrowmere Film Circle, Nethering Film House',
      source: `${host}/watch/caught-on-the-sill`,
    })
    // It may not be copied, so there is nothing to copy.
    expect((await fetch(`${host}/films/caught-on-the-sill.mp4`)).status).toBe(404)
    expect((await fetch(`${host}/streams/caught-on-the-sill/all.m3u8`)).status).toBe(404)
    const found = await (await fetch(`${host}/?words=pole%20<b>`)).text()
    expect(found).toContain('0 films with “pole &lt;b&gt;”')
    expect(await (await fetch(`${host}/?words=sill+night`)).text()).toContain('Caught on the Sill')
  })
})

it('a film that lies here is measured by nobody', async () => {
  const { id } = await fetched('/plain/all.m3u8')
  await measure(id, 1).expect(404)
})

// Last, for it has a server of its own.
it('a stream leads into no network of its own', async () => {
  await server.stop()
  const careful = await startTestServer({ runsJobs: true, filmHostPort: 0 })
  const { agent } = await careful.signedIn('designer')
  const stream = `${careful.standIns[0]!.origin}/streams/the-pole/all.m3u8`
  const from = async (id: string, address: string) => {
    await agent.post('/api/media/from-address').send({ id, address, kind: 'film' }).expect(201)
    return settled(agent, id)
  }
  // The stand-in is let through; what it might lead to is not.
  expect(await from('stand-in', stream)).toMatchObject({ state: 'ready', hasSound: true })
  const refused = { state: 'failed', fault: 'ownNetwork' }
  expect(await from('own', `${origin}/plain/all.m3u8`)).toMatchObject(refused)
  await careful.stop()
})
