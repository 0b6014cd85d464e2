// Presentations become pages with their notes where the program that draws them is installed, and can be taken away anywhere.
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import { putIn, settled } from '../testing/films.ts'
import { makePresentation, writeOffice } from '../testing/slides.ts'
import { startTestServer } from '../testing/testServer.ts'
import { findOffice } from './tools/office.ts'

const folder = mkdtempSync(join(tmpdir(), 'fernbrake-office-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const SLIDES = [
  { words: 'Gates', notes: 'Say it slowly' },
  { words: 'Left out', notes: 'Nobody sees this', isHidden: true },
  { words: 'Sill' },
]

/** Puts a presentation on a server with this program; answers with the medium, and what is known of its pages. */
async function putWith(office: string | null, presentation: Buffer) {
  const server = await startTestServer({ runsJobs: true, office })
  try {
    const { agent } = await server.signedIn('designer')
    const id = await putIn(agent, presentation, 'Gates.odp', 'document')
    const media: Media = await settled(agent, id)
    const list = await agent.get('/api/media').expect(200)
    const pages = media.files.includes('pages')
      ? (await agent.get(`/api/media/${id}/files/pages`).expect(200)).body.pages
      : null
    return { media, pages, drawsSlides: list.body.drawsSlides as boolean }
  } finally {
    await server.stop()
  }
}

it('each slide that is shown is a page, with its notes', async () => {
  const office = writeOffice(folder, 'two', ['Gates', 'Sill'])
  const { media, pages, drawsSlides } = await putWith(office, makePresentation(SLIDES))
  expect(drawsSlides).toBe(true)
  expect(media).toMatchObject({ kind: 'document', state: 'ready', pageCount: 2 })
  expect(pages).toMatchObject([{ words: 'Gates', notes: 'Say it slowly' }, { words: 'Sill' }])
  expect(pages[1]).not.toHaveProperty('notes')
})

it('notes are left out where they might stand at the wrong slide', async () => {
  const office = writeOffice(folder, 'three', ['Gates', 'Left out', 'Sill'])
  const { media, pages } = await putWith(office, makePresentation(SLIDES))
  expect(media.pageCount).toBe(3)
  expect(JSON.stringify(pages)).not.toContain('notes')
})

it('one that cannot be drawn, or not here, can be taken away all the same', async () => {
  for (const office of [writeOffice(folder, 'broken', null), null]) {
    const { media, drawsSlides } = await putWith(office, makePresentation(SLIDES))
    expect(media).toMatchObject({ state: 'ready', fault: null, pageCount: null })
    expect(media.files).toEqual(['original'])
    expect(drawsSlides).toBe(office !== null)
  }
})

it('the program is found where it is, and nowhere else', async () => {
  const path = writeOffice(folder, 'soffice', null)
  expect(await findOffice(path)).toBe(path)
  expect(await findOffice(join(folder, 'nothing'))).toBeNull()
  const before = process.env.PATH
  process.env.PATH = `/nowhere:${folder}`
  expect(await findOffice(null)).toBe(path)
  process.env.PATH = '/nowhere'
  expect(await findOffice(null)).toBeNull()
  process.env.PATH = before
})

// The program itself is not needed for the tests; where it is, it is tried.
const installed = await findOffice(null)
it.runIf(installed)(
  'LibreOffice draws them, and asks nobody for what they name elsewhere',
  async () => {
    const asked: string[] = []
    const other = createServer((request, response) => {
      asked.push(request.url ?? '')
      response.end()
    }).listen(0, '127.0.0.1')
    await new Promise((resolve) => other.once('listening', resolve))
    const address = `http://127.0.0.1:${(other.address() as AddressInfo).port}/spy.png`
    const spy = (href: string) =>
      `<draw:frame svg:x="1cm" svg:y="8cm" svg:width="4cm" svg:height="4cm"><draw:image xlink:href="${href}"
       xlink:type="simple" xlink:show="embed" xlink:actuate="onLoad"/></draw:frame>`
    const { media, pages } = await putWith(installed, makePresentation(SLIDES, spy(address)))
    other.close()
    expect(media).toMatchObject({ state: 'ready', pageCount: 2 })
    expect(pages).toMatchObject([{ words: 'Gates', notes: 'Say it slowly' }, { words: 'Sill' }])
    expect(asked).toEqual([])
  },
  120_000,
)
