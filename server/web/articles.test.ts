// The main text of pages of the web, against pages served on loopback.
import { createServer, type RequestListener, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { plainOf } from '@fernbrake/core/fields'
import type { ArticleFound } from '@fernbrake/core/contract'
import { startTestServer, type TestServer } from '../testing/testServer.ts'

let pages: Server
let origin: string
let server: TestServer
let designer: Awaited<ReturnType<TestServer['signedIn']>>

const SENTENCES = 'The keeper writes the boat into the log, with the hour and the level of water. '
const page = (main: string, head = '') => `<!doctype html><html lang="en"><head>
  <title>Keeping the log | The Trust</title><meta name="author" content="Odile Harcastle">
  <meta property="og:site_name" content="The Trust">${head}</head><body>
  <nav><ul><li><a href="/">Home</a><li><a href="/news">News of the week</a></ul></nav>
  <article><h1>Keeping the log</h1>${main}</article>
  <footer><p>Written by the Trust. <a rel="license" href="/terms">CC BY 4.0</a></p></footer></body></html>`
const html: (body: string | Buffer, type?: string) => RequestListener =
  (body, type = 'text/html; charset=utf-8') =>
  (_, response) =>
    void response.setHeader('Content-Type', type).end(body)
const packed: (how: string, body: Buffer) => RequestListener = (how, body) => (_, response) =>
  void response.setHeader('Content-Type', 'text/html').setHeader('Content-Encoding', how).end(body)
const MAIN = `<p>${SENTENCES.repeat(5)}</p><h2>At night</h2><p>${SENTENCES.repeat(4)}<a href="rules">Rules</a></p>
  <ul><li>Hour</li><li>Level</li></ul><img src="/log.png" alt="A page of the log"><p>${SENTENCES.repeat(3)}</p>`

const answers: Record<string, RequestListener> = {
  '/log': html(page(MAIN)),
  '/moved': (_, response) => void response.writeHead(302, { Location: '/log' }).end(),
  '/based': html(page(MAIN, '<base href="https://trust.harrowmere.example/deep/">')),
  '/packed': packed('gzip', gzipSync(page(MAIN))),
  '/pressed': packed('br', brotliCompressSync(page(MAIN))),
  '/spoilt': packed('gzip', gzipSync(page(MAIN)).subarray(0, 200)),
  '/bomb': packed('gzip', gzipSync(page(`<p>${'x'.repeat(50_000_000)}</p>`))),
  '/unknown': packed('klingon', Buffer.from(page(MAIN))),
  '/short': html('<p>Only this.</p>'),
  '/headless': html(`<!doctype html><html lang=en><title>Log</title><body>${MAIN}</body></html>`),
  '/bare': html(`<!doctype html>\n<title>Log</title>\n<h1>Log</h1>${MAIN}`),
  '/empty': html('<script>document.write("words")</script>'),
  '/old': html(
    Buffer.from(page(`<p>Caf\u00e9 at the lock. ${SENTENCES.repeat(6)}</p>`), 'latin1'),
    'text/html; charset=iso-8859-1',
  ),
  '/odd': html(page(MAIN), 'text/html; charset=klingon'),
  '/sheet': html('%PDF-1.7', 'application/pdf'),
  '/gone': (_, response) => void response.writeHead(404).end('no'),
  '/inward': (_, response) => void response.writeHead(302, { Location: 'http://10.0.0.1/' }).end(),
  '/deep': html(`<body>${'<div>'.repeat(200)}words`),
  '/long': html(page(`<p>${'x'.repeat(6_000_000)}</p>`)),
}

beforeAll(async () => {
  pages = createServer((request, response) => answers[request.url ?? '']!(request, response))
  await new Promise<void>((resolve) => pages.listen(0, '127.0.0.1', resolve))
  origin = `http://127.0.0.1:${(pages.address() as AddressInfo).port}`
  server = await startTestServer({ asksPrivateAddresses: true })
  designer = await server.signedIn('designer')
})
afterAll(async () => {
  await server.stop()
  pages.closeAllConnections()
  pages.close()
})

const read = async (address: string) => {
  const body = { address: new URL(address, origin).href }
  const reply = await designer.agent.post('/api/web/article').send(body).expect(200)
  return reply.body as { finding: string; article: ArticleFound | null }
}
const told = ({ pieces }: ArticleFound) =>
  pieces.map((one) => {
    if (one.piece === 'heading') return one.words
    return one.piece === 'picture' ? one.address : plainOf(one.text).slice(0, 10)
  })

describe('reading a page', () => {
  it('finds its main text, and what it says of itself', async () => {
    const { finding, article } = await read('/moved')
    expect(finding).toBe('found')
    expect(article).toMatchObject({
      title: expect.stringContaining('Keeping the log') as string,
      maker: 'Odile Harcastle',
      site: 'The Trust',
      licence: 'CC BY 4.0',
      address: `${origin}/log`,
      lost: 0,
      isCut: false,
    })
    expect(told(article!).join('|')).toBe(
      `The keeper|At night|The keeper|Hour\nLevel|${origin}/log.png|The keeper`,
    )
    expect(JSON.stringify(article)).toContain(`${origin}/rules`)
    expect(JSON.stringify(article)).not.toContain('News of the week')
  })

  it('makes its addresses whole by the base that it names', async () => {
    const { article } = await read('/based')
    expect(JSON.stringify(article)).toContain('https://trust.harrowmere.example/deep/rules')
  })

  it('reads what is short, and other encodings', async () => {
    expect(told((await read('/short')).article!)).toEqual(['Only this.'])
    expect(JSON.stringify((await read('/old')).article)).toContain('Caf\u00e9 at the lock')
    expect((await read('/odd')).finding).toBe('found')
  })

  it('reads pages that leave out what may be left out', async () => {
    for (const path of ['/headless', '/bare']) {
      const { article } = await read(path)
      expect(article).toMatchObject({ title: 'Log' })
      expect(told(article!).join('|')).toContain('At night|The keeper|Hour')
    }
  })

  it('reads what comes packed, though nobody asked for that', async () => {
    for (const path of ['/packed', '/pressed'])
      expect(JSON.stringify((await read(path)).article)).toContain('Hour')
  })

  it.each([
    ['/spoilt', 'away'],
    ['/bomb', 'away'],
    ['/unknown', 'away'],
    ['/empty', 'noText'],
    ['/sheet', 'noText'],
    ['/gone', 'away'],
    ['/long', 'away'],
    ['http://127.0.0.1:9/', 'away'],
  ])('of %s it says: %s', async (address, finding) => {
    expect(await read(address)).toEqual({ finding, article: null })
  })

  it('is not brought down by a page without a bottom, and goes on reading', async () => {
    // How long it takes grows fast with its depth, and depends on the machine.
    expect(['found', 'noText', 'tooLong']).toContain((await read('/deep')).finding)
    expect((await read('/short')).finding).toBe('found')
  })

  it('takes addresses of the web from designers alone', async () => {
    await designer.agent.post('/api/web/article').send({ address: '/sign-in' }).expect(422)
    await designer.agent.post('/api/web/article').send({ address: 'file:///etc' }).expect(422)
    const learner = await server.signedIn('learner')
    await learner.agent.post('/api/web/article').send({ address: origin }).expect(403)
  })
})

it('does not look into networks of their own, not even by a redirection', async () => {
  const careful = await startTestServer()
  const one = await careful.signedIn('designer')
  for (const path of ['/log', '/inward']) {
    const body = { address: origin + path }
    const reply = await one.agent.post('/api/web/article').send(body).expect(200)
    expect(reply.body).toEqual({ finding: 'private', article: null })
  }
  await careful.stop()
})
