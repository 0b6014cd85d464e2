// Documents on the shelf: PDFs are drawn page by page, others are only taken away; what cannot be read is said.
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { edits, emptyLesson } from '@fernbrake/core/lesson'
import { edited } from '@fernbrake/core/testing'
import { goesOf } from './jobs/documents.ts'
import { putIn, settled } from '../testing/films.ts'
import { makePdf } from '../testing/pdf.ts'
import { goInAsGuest, putLesson, startTestServer, type TestServer } from '../testing/testServer.ts'

let server: TestServer
let owner: Awaited<ReturnType<TestServer['signedIn']>>
const put = async (file: Buffer, name: string) =>
  settled(owner.agent, await putIn(owner.agent, file, name, 'document'))

beforeAll(async () => {
  server = await startTestServer({ runsJobs: true })
  owner = await server.signedIn('designer')
})
afterAll(() => server.stop())

it('a PDF is drawn page by page, with what each page says', async () => {
  const media = await put(makePdf({ pages: ['The upper gates', 'The sill'] }), 'Gates.pdf')
  expect(media).toMatchObject({ kind: 'document', state: 'ready', fault: null, pageCount: 2 })
  expect(media.files).toEqual(['original', 'pages', 'poster'])
  const { pages } = (await owner.agent.get(`/api/media/${media.id}/files/pages`).expect(200)).body
  expect(pages).toEqual([
    { width: 1600, height: 1200, words: 'The upper gates' },
    { width: 1600, height: 1200, words: 'The sill' },
  ])
  const page = await owner.agent.get(`/api/media/${media.id}/pages/2`).expect(200)
  expect(page.headers['content-type']).toBe('image/webp')
  await owner.agent.get(`/api/media/${media.id}/pages/3`).expect(404)
  for (const wrong of ['0', '301', 'x', '1.5'])
    await owner.agent.get(`/api/media/${media.id}/pages/${wrong}`).expect(422)
  const whole = await owner.agent.get(`/api/media/${media.id}/files/original`).expect(200)
  expect(whole.headers['content-disposition']).toBe('attachment; filename=Gates.pdf')
  expect(whole.headers['content-security-policy']).toContain('sandbox')
})

it('of a PDF with very many pages the first are drawn, and all are counted', async () => {
  const pages = Array.from({ length: 303 }, (_, index) => `Page ${index + 1}`)
  const media = await put(makePdf({ pages, size: [4000, 10] }), 'Long.pdf')
  expect(media).toMatchObject({ state: 'ready', pageCount: 303 })
  await owner.agent.get(`/api/media/${media.id}/pages/300`).expect(200)
})

it('the first pages of many come soon: goes begin short, and leave no page out', () => {
  expect(goesOf(7).map(({ first, last }) => [first, last])).toEqual([
    [1, 1],
    [2, 2],
    [3, 4],
    [5, 6],
    [7, 7],
  ])
  expect(goesOf(0)).toEqual([])
  for (const count of [1, 8, 204, 300]) {
    const pages = goesOf(count).flatMap(({ first, last }) =>
      Array.from({ length: last - first + 1 }, (_, at) => first + at),
    )
    expect(pages).toEqual(Array.from({ length: count }, (_, at) => at + 1))
  }
})

it('a page of any size is drawn no larger than it is shown', async () => {
  const media = await put(makePdf({ pages: ['Huge'], size: [14_000, 10] }), 'Huge.pdf')
  expect(media).toMatchObject({ state: 'ready', width: 1600 })
})

it('a PDF that asks for a password, is cut off, or is none is refused in its own words', async () => {
  const locked = await put(makePdf({ pages: ['Secret'], locked: true }), 'locked.pdf')
  expect(locked).toMatchObject({ state: 'failed', fault: 'locked' })
  const cut = await put(makePdf({ pages: ['Cut'] }).subarray(0, 120), 'cut.pdf')
  expect(cut).toMatchObject({ state: 'failed', fault: 'unreadable' })
  const program = await put(Buffer.from([0x7f, 0x45, 0x4c, 0x46, 2, 1, 1, 0, 0, 0]), 'x.pdf')
  expect(program).toMatchObject({ state: 'failed', fault: 'notADocument', files: [] })
})

it('words alone are taken in to be taken away, and never shown as a page', async () => {
  const page = Buffer.from('<!doctype html><script>alert(1)</script>')
  const media = await put(page, 'notes.html')
  expect(media).toMatchObject({ state: 'ready', pageCount: null, files: ['original'] })
  const { headers } = await owner.agent.get(`/api/media/${media.id}/files/original`).expect(200)
  expect(headers['content-type']).toMatch(/^text\/plain/)
  expect(headers['content-disposition']).toMatch(/^attachment; filename="?notes\.html\.txt"?$/)
})

it('learners see the pages that their lesson shows, and nobody else does', async () => {
  const { id: mediaId } = await put(makePdf({ pages: ['Seen'] }), 'Seen.pdf')
  const deck = edited(emptyLesson('A lesson'), edits.addPart, {
    id: 'deck',
    kind: 'deck',
    title: 'Deck',
  })
  const slide = { id: nanoid(), mediaId, page: 1, title: '', alternative: '', notes: '' }
  const lesson = edited(deck, edits.addThings, { partId: 'deck', map: 'slides', things: [slide] })
  const { code, lessonId } = await putLesson(owner.person, lesson)
  const { run } = await import('../database/connect.ts')
  await run(server.context.database, 'INSERT INTO media_uses VALUES ($1, $2)', [lessonId, mediaId])
  const { agent } = await goInAsGuest(server, code)
  await agent.get(`/api/media/${mediaId}/pages/1`).expect(200)
  const other = await server.signedIn('designer')
  await other.agent.get(`/api/media/${mediaId}/pages/1`).expect(404)
})
