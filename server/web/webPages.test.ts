// Looking at pages of the web for a designer, against pages served on loopback; and keeping out of private networks.
import { createServer, type RequestListener, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { isPublicAddress } from './publicAddress.ts'
import { lookAtPage } from './lookAtPage.ts'
import { startTestServer, type TestServer } from '../testing/testServer.ts'

const LESSONS = 'http://lessons.harrowmere.example'
let pages: Server
let origin: string

const answers: Record<string, RequestListener> = {
  '/levels': (_, response) =>
    response.setHeader('Content-Type', 'text/html').end('<title>Water\nlevels</title>'),
  '/packed': (_, response) =>
    response.setHeader('Content-Encoding', 'gzip').end(gzipSync('<title>Water levels</title>')),
  '/unknown': (_, response) => response.setHeader('Content-Encoding', 'klingon').end('<title>x'),
  '/spoilt': (_, response) => response.setHeader('Content-Encoding', 'gzip').end('no gzip'),
  '/kept': (_, response) =>
    response.setHeader('X-Frame-Options', 'DENY').setHeader('Content-Type', 'text/html').end('x'),
  '/sheet': (_, response) => response.setHeader('Content-Type', 'application/pdf').end('%PDF'),
  '/moved': (_, response) => response.writeHead(302, { Location: '/levels' }).end(),
  '/round': (_, response) => response.writeHead(302, { Location: '/round' }).end(),
  '/away': (_, response) => response.writeHead(302, { Location: 'file:///etc/passwd' }).end(),
  '/gone': (_, response) => response.writeHead(404).end('no'),
  // Never ends.
  '/silent': () => undefined,
  '/endless': (_, response) => {
    response.setHeader('Content-Type', 'text/html')
    const more = () => response.write('x'.repeat(16_000), () => setImmediate(more))
    response.on('error', () => undefined)
    response.write('<title>Long</title>')
    more()
  },
}

beforeAll(async () => {
  pages = createServer((request, response) => answers[request.url ?? '']!(request, response))
  await new Promise<void>((resolve) => pages.listen(0, '127.0.0.1', resolve))
  origin = `http://127.0.0.1:${(pages.address() as AddressInfo).port}`
})
afterAll(() => {
  pages.closeAllConnections()
  pages.close()
})

const look = (path: string, limitMs?: number) =>
  lookAtPage(`${origin}${path}`, { lessonOrigin: LESSONS, mayAsk: () => true, limitMs })

describe('looking at a page', () => {
  it.each([
    ['/levels', { finding: 'inside', status: 200, title: 'Water levels' }],
    ['/moved', { finding: 'inside', status: 200, title: 'Water levels' }],
    ['/packed', { finding: 'inside', status: 200, title: 'Water levels' }],
    ['/unknown', { finding: 'inside', status: 200, title: '' }],
    ['/spoilt', { finding: 'unknown', status: null, title: '' }],
    ['/endless', { finding: 'inside', status: 200, title: 'Long' }],
    ['/kept', { finding: 'newTab', status: 200, title: '' }],
    ['/sheet', { finding: 'newTab', status: 200, title: '' }],
    ['/gone', { finding: 'error', status: 404, title: '' }],
    ['/round', { finding: 'error', status: null, title: '' }],
    ['/away', { finding: 'error', status: 302, title: '' }],
  ])('%s', async (path, expected) => {
    expect(await look(path)).toEqual(expected)
  })

  it('gives up on one that never answers', async () => {
    expect(await look('/silent', 200)).toMatchObject({ finding: 'silent' })
  })

  it('says so where nobody is there, or no such name', async () => {
    const look = (address: string) =>
      lookAtPage(address, { lessonOrigin: LESSONS, mayAsk: () => true })
    expect(await look('http://127.0.0.1:9/')).toMatchObject({ finding: 'unknown' })
    expect(await look('http://nobody.invalid/')).toMatchObject({ finding: 'unknown' })
  })
})

describe('private networks', () => {
  it.each([
    '127.0.0.1',
    '10.1.2.3',
    '172.31.0.1',
    '192.168.1.1',
    '169.254.169.254',
    '100.64.0.1',
    '0.0.0.0',
    '255.255.255.255',
    '::1',
    '::',
    '::ffff:10.0.0.1',
    'fe80::1',
    'fd00::1',
    '64:ff9b::a00:1',
    '2002:a00:1::',
    'not an address',
  ])('%s is not asked', (ip) => expect(isPublicAddress(ip)).toBe(false))

  it.each(['9.9.9.9', '172.32.0.1', '2a00::1'])('%s may be', (ip) =>
    expect(isPublicAddress(ip)).toBe(true),
  )

  it('are found out by number, by name, and behind a redirection', async () => {
    const careful = (address: string) => lookAtPage(address, { lessonOrigin: LESSONS })
    expect(await careful(`${origin}/levels`)).toMatchObject({ finding: 'private' })
    expect(await careful('http://[::1]/')).toMatchObject({ finding: 'private' })
    expect(await careful('http://2130706433/')).toMatchObject({ finding: 'private' })
    expect(await careful('http://localhost/')).toMatchObject({ finding: 'private' })
    const mayAsk = (ip: string) => ip === '127.0.0.1' && asked++ === 0
    let asked = 0
    const behind = await lookAtPage(`${origin}/moved`, { lessonOrigin: LESSONS, mayAsk })
    expect(behind).toMatchObject({ finding: 'private' })
  })
})

describe('the route', () => {
  let server: TestServer
  beforeAll(async () => {
    server = await startTestServer()
  })
  afterAll(() => server.stop())

  it('tells a designer, and refuses what is no web address', async () => {
    const { agent } = await server.signedIn('designer')
    const check = (address: string) => agent.post('/api/web-pages').send({ address })
    expect((await check(`${origin}/levels`).expect(200)).body.finding).toBe('private')
    expect((await check('/stand-ins/pages/water-levels').expect(200)).body.finding).toBe('inside')
    expect((await check('/lessons/x').expect(200)).body.finding).toBe('newTab')
    for (const bad of ['javascript:alert(1)', '//elsewhere.example/', '/\\elsewhere', 'levels'])
      await check(bad).expect(422)
  })

  it('the stand-in page is there for a frame of the same server', async () => {
    const reply = await server.anonymous().get('/stand-ins/pages/water-levels').expect(200)
    expect(reply.headers['content-security-policy']).toContain("frame-ancestors 'self'")
    expect(reply.text).toContain('stand-in')
    await server.anonymous().get('/stand-ins/pages/../pages.ts').expect(404)
  })
})
