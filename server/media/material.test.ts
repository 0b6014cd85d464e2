// Material in archives: all are asked at once, one that is away or strange costs the others nothing; what is taken comes with
// all that is known of it.
import express from 'express'
import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ArchiveFound, Media } from '@fernbrake/core/contract'
import { settled } from '../testing/films.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let owner: Awaited<ReturnType<TestServer['signedIn']>>
let files: Server
let origin: string
const asked: string[] = []

const entry = (title: string, inside: string) => `<entry><title>${title}</title>${inside}</entry>`
const feed = (entries: string) =>
  `<feed xmlns="http://www.w3.org/2005/Atom" xmlns:dc="http://purl.org/dc/elements/1.1/">${entries}</feed>`

beforeAll(async () => {
  const app = express()
  app.get('/own', ({ url }, response) => {
    asked.push(url)
    response
      .type('application/atom+xml')
      .send(
        feed(
          entry('A page alone', '<dc:type>StillImage</dc:type><link href="/page" />') +
            entry('A film there', '<dc:type>MovingImage</dc:type><link href="/film" />') +
            entry(
              '&lt;script>alert(1)&lt;/script>',
              '<link rel="enclosure" type="image/png" href="/p.png" />',
            ),
        ),
      )
  })
  app.get('/html', (_, response) => void response.send('<!doctype html><title>x</title>'))
  app.get('/fault', (_, response) => void response.status(500).send('no'))
  app.get('/inward', (_, response) => response.redirect('http://10.0.0.1/search'))
  app.get('/endless', (_, response) => {
    const more = () =>
      void (response.write('<entry>'.repeat(50_000))
        ? setImmediate(more)
        : response.once('drain', more))
    response.type('application/atom+xml').write('<feed>')
    more()
  })
  app.get('/wrong.png', (_, response) => void response.type('image/png').send('<svg onload="x" />'))
  files = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => files.once('listening', resolve))
  origin = `http://127.0.0.1:${(files.address() as AddressInfo).port}`
  const own = ['own', 'html', 'fault', 'endless'].map((one) => `${origin}/${one}?q={searchTerms}`)
  server = await startTestServer({
    runsJobs: true,
    asksPrivateAddresses: true,
    filmHostPort: 0,
    archivePort: 0,
    archives: [...own, 'http://127.0.0.1:9/none?q={searchTerms}'],
  })
  owner = await server.signedIn('designer')
})
afterAll(async () => {
  await server.stop()
  files.closeAllConnections()
  files.close()
})

const look = async (words: string): Promise<ArchiveFound[]> => {
  const reply = await owner.agent.get('/api/material').query({ words }).expect(200)
  return (reply.body as { archives: ArchiveFound[] }).archives
}
const titles = ({ found }: ArchiveFound) => found.map(({ title }) => title)

describe('looking for material', () => {
  it('asks all archives at once, and tells of each', async () => {
    const [house, room, own, html, fault, endless, none] = await look('gate')
    expect(house).toMatchObject({ name: 'Nethering Film House', state: 'answered', total: 1 })
    expect(titles(house!)).toEqual(['Water That Climbs'])
    expect(room).toMatchObject({ name: 'Oxwith Picture and Sound Room', state: 'answered' })
    expect(room!.home).toBe(`${server.standIns[1]!.origin}/`)
    expect(titles(room!)).toContain('Heel post of a gate')
    expect(own).toMatchObject({ name: new URL(origin).host, state: 'answered' })
    expect(html).toMatchObject({ state: 'strange', found: [] })
    for (const lost of [fault, endless, none])
      expect(lost).toMatchObject({ state: 'away', found: [], total: 0 })
  })

  it('tells what may be done with each, and passes over what cannot be shown', async () => {
    const [house, room, own] = await look('')
    const terms = Object.fromEntries(room!.found.map((one) => [one.title, one.terms]))
    expect(terms).toMatchObject({
      Windlass: 'free',
      'A lock, cut open': 'named',
      'Rain on a cabin roof': 'limited',
      'The flight, drained': 'other',
      'Collar of a gate': 'none',
    })
    expect(room!.found.find(({ title }) => title === 'Rain on a cabin roof')!.kind).toBe('sound')
    const stays = Object.fromEntries(house!.found.map((one) => [one.title, one.stays]))
    expect(stays).toMatchObject({ 'Water That Climbs': true, 'The Boat Floats': false })
    expect(titles(own!)).toEqual(['A film there', '<script>alert(1)</script>'])
  })

  it('asks with the words as they are, and refuses too many', async () => {
    await look('a&b=c #d/../')
    expect(asked).toContain('/own?q=a%26b%3Dc%20%23d%2F..%2F')
    await owner.agent
      .get('/api/material')
      .query({ words: 'x'.repeat(201) })
      .expect(422)
    await owner.agent.get('/api/material').expect(422)
  })

  it('shows small pictures that are pictures, and nothing else', async () => {
    const [, room] = await look('windlass')
    const preview = (address: string) => owner.agent.get('/api/material/preview').query({ address })
    const reply = await preview(room!.found[0]!.preview!).expect(200)
    expect(reply.headers['content-type']).toBe('image/jpeg')
    expect((reply.body as Buffer).length).toBeGreaterThan(1000)
    await preview(`${origin}/wrong.png`).expect(404)
    await preview(`${origin}/html`).expect(404)
    await preview(`${origin}/nothing`).expect(404)
    await preview('/api/session').expect(422)
    await preview('file:///etc/passwd').expect(422)
  })
})

describe('taking it', () => {
  const take = async (id: string, title: string): Promise<Media> => {
    const found = (await look('')).flatMap((one) => one.found).find((one) => one.title === title)!
    const { kind, address, summary, maker, licence, page } = found
    const about = { title, description: summary, credit: maker, licence, source: page! }
    await owner.agent.post('/api/media/from-address').send({ id, kind, address, about }).expect(201)
    return settled(owner.agent, id)
  }

  it('fetches pictures and sounds, and keeps what is known of them', async () => {
    const room = server.standIns[1]!.origin
    expect(await take('taken-1', 'Windlass')).toMatchObject({
      kind: 'picture',
      state: 'ready',
      title: 'Windlass',
      description: 'The crank a lock-keeper carries.',
      credit: 'Odile Harcastle',
      licence: 'CC0 1.0',
      source: `${room}/things/gate-windlass`,
      sourceNote: `${room}/files/gate-windlass.webp`,
    })
    const bell = await take('taken-2', 'Bell of a boat')
    expect(bell).toMatchObject({ kind: 'sound', state: 'ready', licence: 'CC BY-SA 4.0' })
    expect(bell.durationMs).toBeGreaterThan(4500)
    expect(bell.durationMs).toBeLessThan(5500)
  })

  it('keeps every sound that the archive has for one that can be heard', async () => {
    const sounds = (await look(''))[1]!.found.filter(({ kind }) => kind === 'sound')
    expect(sounds).toHaveLength(5)
    for (const [index, { title }] of sounds.entries())
      expect(await take(`sound-${index}`, title)).toMatchObject({ state: 'ready', kind: 'sound' })
  })

  it('refuses a source that is no address of the web, and keeps nothing then', async () => {
    const about = { title: 'T', description: '', credit: '', licence: '', source: 'javascript:x' }
    const body = { id: 'taken-9', kind: 'picture', address: `${origin}/p.png`, about }
    await owner.agent.post('/api/media/from-address').send(body).expect(422)
    await owner.agent.get('/api/media/taken-9').expect(404)
  })
})

describe('without leave to ask private addresses', () => {
  it('asks stand-ins and public archives alone, not even by a redirection', async () => {
    const archives = [`${origin}/own?q={searchTerms}`, `${origin}/inward?q={searchTerms}`]
    const careful = await startTestServer({ archivePort: 0, archives })
    const designer = await careful.signedIn('designer')
    const before = asked.length
    const reply = await designer.agent.get('/api/material').query({ words: '' }).expect(200)
    const { archives: found } = reply.body as { archives: ArchiveFound[] }
    expect(found.map(({ state }) => state)).toEqual(['answered', 'away', 'away'])
    expect(asked).toHaveLength(before)
    const address = `${origin}/wrong.png`
    await designer.agent.get('/api/material/preview').query({ address }).expect(404)
    await careful.stop()
  })
})
