// The whole story: a designer puts a real film in, places cues, publishes; a learner watches, is held, answers, loses
// the connection and the server, goes on elsewhere; the designer sees what was watched and answered.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Page } from '@playwright/test'
import { unfold } from '../support/bench.ts'
import { CAPTIONS, makeFilm } from '../support/films.ts'
import { expectNoBarriers } from '../support/barriers.ts'
import { expectKept, goTo, openDesk, signIn, watchForErrors } from '../support/pages.ts'
import {
  COLLEAGUE,
  DESIGNER,
  LEARNER,
  startRealServer,
  type RealServer,
} from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let folder: string
let bench: Page
let errors: string[]
let link = ''

test.beforeAll(async ({ browser }) => {
  test.setTimeout(480_000)
  server = await startRealServer()
  folder = mkdtempSync(join(tmpdir(), 'fernbrake-story-'))
  bench = await openDesk(browser)
  errors = watchForErrors(bench)
})
test.afterAll(async () => {
  await server?.stop()
  rmSync(folder, { recursive: true, force: true })
})

const timecode = (page: Page) => page.getByTestId('timecode')
const leaves = (page: Page) => page.locator('.time [data-cue]:not(rect)')

test('a lesson begins with a title and a film', async () => {
  await signIn(bench, server.url, DESIGNER.email)
  await expectNoBarriers(bench, 'home, empty')
  await bench.getByLabel('Title of a new lesson').fill('The Upper Paddle')
  await bench.getByRole('button', { name: 'Begin this lesson' }).click()
  await expect(bench.getByRole('heading', { name: 'Put a film in' })).toBeVisible()
  await expectNoBarriers(bench, 'bench without a film')

  const noFilm = join(folder, 'notes.mp4')
  writeFileSync(noFilm, 'These are notes about a lock, not a film of one.')
  await bench.getByTestId('film').setInputFiles(noFilm)
  await expect(bench.getByText('“notes.mp4” is not a film that can be read.')).toBeVisible()

  await bench.getByTestId('film').setInputFiles(makeFilm(folder, 14))
  await expect(bench.locator('video')).toBeVisible()
  await expect(bench.getByText('/ 0:14')).toBeVisible()
  await expectKept(bench)
})

test('another film takes the place of the first; that can be undone and done again', async () => {
  const length = (seconds: string) => bench.getByText(`/ 0:${seconds}`)
  await bench.getByRole('button', { name: 'The Upper Paddle', exact: true }).click()
  await bench.getByRole('button', { name: 'Put another film in' }).click()
  await expectNoBarriers(bench, 'bench, choosing another film')
  await bench.getByTestId('film').setInputFiles(makeFilm(folder, 9))
  await expect(length('09')).toBeVisible()
  await bench.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(length('14')).toBeVisible()
  await bench.getByRole('button', { name: 'Redo', exact: true }).click()
  await expect(length('09')).toBeVisible()
  await bench.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(length('14')).toBeVisible()
  await bench.getByRole('button', { name: 'Close', exact: true }).click()
  await expectKept(bench)
})

test('captions become the script', async () => {
  const captions = join(folder, 'captions.vtt')
  writeFileSync(captions, CAPTIONS)
  await bench.getByTestId('captions').setInputFiles(captions)
  await expect(bench.getByRole('button', { name: 'Then the upper paddle is wound.' })).toBeVisible()
})

test('stage, script and frond show one moment, to the frame', async () => {
  await bench.getByRole('button', { name: 'Then the upper paddle is wound.' }).click()
  await expect(timecode(bench)).toHaveValue('00:00:04:00')
  await bench.getByRole('button', { name: 'One frame on' }).click()
  await expect(timecode(bench)).toHaveValue('00:00:04:01')
  await bench.locator('body').press('ArrowLeft')
  await bench.locator('body').press('ArrowLeft')
  await expect(timecode(bench)).toHaveValue('00:00:03:24')
  await bench.locator('body').press('Shift+ArrowRight')
  await expect(timecode(bench)).toHaveValue('00:00:04:24')
  await expect(
    bench.getByRole('button', { name: 'Then the upper paddle is wound.' }),
  ).toHaveAttribute('aria-current', 'true')
  await expect
    .poll(() =>
      bench
        .locator('video')
        .evaluate((video: HTMLVideoElement) => Math.floor(video.currentTime * 25)),
    )
    .toBe(124)
})

test('cues are placed at the playhead by key, and from a line of the script', async () => {
  await goTo(bench, '6')
  await bench.locator('body').press('q')
  await bench.getByRole('textbox', { name: 'Question', exact: true }).fill('What is wound?')
  await bench.getByLabel('Option 1', { exact: true }).fill('The upper paddle')
  await bench.getByLabel('Option 2', { exact: true }).fill('The lower gates')
  await bench.getByText('Feedback when picked').nth(1).click()
  await bench
    .getByLabel('Feedback when option 2 is picked', { exact: true })
    .fill('Gates are shut, not wound.')
  await bench.getByLabel('When wrong', { exact: true }).fill('Listen again.')
  await unfold(bench, 'Hint and explanation')
  await bench.getByLabel('Explanation afterwards', { exact: true }).fill('A paddle is a shutter.')
  await expectNoBarriers(bench, 'bench with a question')
  await bench.getByRole('button', { name: 'Close', exact: true }).click()

  await goTo(bench, '2')
  await bench.locator('body').press('o')
  await bench.getByRole('textbox', { name: 'Words', exact: true }).fill('Mind the gate')
  await expect(bench.locator('.stage .overlay')).toHaveText('Mind the gate')
  await expectNoBarriers(bench, 'bench with an overlay')
  await bench.getByRole('button', { name: 'Close', exact: true }).click()

  await bench.getByText('The boat rises.').hover()
  await bench.getByRole('button', { name: 'Bookmark at 0:08' }).click()
  await bench.getByRole('textbox', { name: 'Name', exact: true }).fill('Rising')
  await bench.locator('body').press('Escape')
  await expect(leaves(bench)).toHaveCount(3)
  await expectKept(bench)
  await expectNoBarriers(bench, 'bench with its script')
})

test('a cue is dragged on the frond, copied, deleted; all of it can be undone and redone', async () => {
  const ring = bench.locator('.time .cue.bookmark')
  const box = (await ring.boundingBox())!
  await bench.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await bench.mouse.down()
  await bench.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2, { steps: 5 })
  await bench.mouse.up()
  const at = bench.getByLabel('At', { exact: true })
  await expect(at).not.toHaveValue('00:00:08:00')
  await bench.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(at).toHaveValue('00:00:08:00')
  await goTo(bench, '11')
  await bench.locator('body').press('Control+d')
  await expect(leaves(bench)).toHaveCount(4)
  await bench.locator('body').press('Delete')
  await expect(leaves(bench)).toHaveCount(3)
  await bench.locator('body').press('Control+z')
  await expect(leaves(bench)).toHaveCount(4)
  await bench.locator('body').press('Control+Shift+z')
  await expect(leaves(bench)).toHaveCount(3)
  await expectKept(bench)
})

test('several cues are drawn round, moved, copied and pasted together; a list shows the same', async () => {
  const frond = (await bench.locator('.time .frond').boundingBox())!
  const at = (share: number, y: number) => [frond.x + 14 + share * (frond.width - 28), y] as const
  await bench.locator('body').press('Escape')
  await bench.keyboard.down('Shift')
  await bench.mouse.move(...at(0.05, frond.y + 2))
  await bench.mouse.down()
  await bench.mouse.move(...at(0.5, frond.y + frond.height - 20), { steps: 4 })
  await bench.mouse.up()
  await bench.keyboard.up('Shift')
  await expect(bench.getByText('2 cues selected')).toBeVisible()
  await bench.getByLabel('Move by').fill('0:01')
  await bench.getByRole('button', { name: 'Move', exact: true }).click()
  await bench.locator('body').press('Control+c')
  await goTo(bench, '8.5')
  await bench.locator('body').press('Control+v')
  await expect(leaves(bench)).toHaveCount(5)
  await bench.locator('body').press('Delete')
  await expect(leaves(bench)).toHaveCount(3)

  await bench.getByRole('button', { name: 'Cue list' }).click()
  const row = (words: string) => bench.getByRole('row').filter({ hasText: words })
  await expect(row('Mind the gate')).toContainText('00:00:03:00')
  await expect(row('What is wound?')).toContainText('00:00:07:00')
  await expectNoBarriers(bench, 'bench with its cue list')
  await row('Mind the gate').click()
  await bench.keyboard.press('Shift+ArrowDown')
  await expect(bench.getByText('2 cues selected')).toBeVisible()
  await bench.keyboard.press(',')
  await expect(row('Mind the gate')).toContainText('00:00:02:24')
  await bench.keyboard.press('Control+z')
  await expect(row('Mind the gate')).toContainText('00:00:03:00')
  await row('What is wound?').click()
  await bench.getByLabel('At', { exact: true }).fill('-1')
  await bench.getByLabel('At', { exact: true }).press('Enter')
  await expect(bench.getByLabel('At', { exact: true })).toHaveValue('00:00:06:00')
  await bench.getByRole('button', { name: 'Script', exact: true }).click()
  await expectKept(bench)
})

test('a line of the script is edited, split and joined; a note stays among designers', async () => {
  const script = bench.getByRole('region', { name: 'Script' })
  await script.getByRole('button', { name: 'The boat rises.' }).dblclick()
  const words = script.getByRole('textbox', { name: 'Words' })
  await words.fill('The boat rises. The upper gate opens.')
  await words.evaluate((field: HTMLTextAreaElement) => field.setSelectionRange(15, 15))
  await script.getByRole('button', { name: 'Split here' }).click()
  await expect(words).toHaveValue('The boat rises.')
  await expect(script.getByRole('button', { name: 'The upper gate opens.' })).toBeVisible()
  await expectNoBarriers(bench, 'bench with a line being edited')
  await script.getByRole('button', { name: 'Join with the next' }).click()
  await expect(words).toHaveValue('The boat rises. The upper gate opens.')
  for (let step = 0; step < 3; step += 1)
    await bench.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(words).toHaveValue('The boat rises.')
  await script.getByRole('button', { name: 'Done' }).click()

  await script.getByLabel('Find in the script').fill('PADDLE')
  await expect(script.getByText('One place')).toBeVisible()
  await script.getByLabel('Find in the script').press('Enter')
  await expect(timecode(bench)).toHaveValue('00:00:04:00')
  await script.getByLabel('Find in the script').fill('')

  await goTo(bench, '9')
  await bench.locator('body').press('n')
  await bench.getByRole('textbox', { name: 'Note', exact: true }).fill('Ask Isolde about this')
  await bench.getByRole('button', { name: 'Close', exact: true }).click()
  await expectKept(bench)
})

test('a script in another language; captions go out as they came in', async () => {
  const script = bench.getByRole('region', { name: 'Script' })
  await script.getByRole('button', { name: 'Captions', exact: true }).click()
  await expectNoBarriers(bench, 'bench with the tools for captions')
  const saving = bench.waitForEvent('download')
  await script.getByRole('button', { name: 'Save as WebVTT' }).click()
  const saved = await (await saving).path()
  const same = (text: string) =>
    text
      .replace(/^(\d\d:\d\d\.)/gm, '00:$1')
      .replace(/> (\d\d:\d\d\.)/g, '> 00:$1')
      .trim()
  expect(same(readFileSync(saved, 'utf8'))).toBe(same(CAPTIONS))

  await script.getByRole('combobox', { name: 'Begin another language' }).click()
  await bench.getByRole('option', { name: 'French' }).click()
  await script.getByRole('button', { name: 'Paste a plain script' }).click()
  await script
    .getByLabel(/What is spoken/)
    .fill('Les portes se ferment. On lève la vanne. Le bateau monte.')
  await script.getByRole('button', { name: 'Make it the script: 3 lines' }).click()
  await expect(script.getByRole('button', { name: 'On lève la vanne.' })).toBeVisible()
  await script.getByRole('button', { name: 'Delete the script in French' }).click()
  await script.getByRole('combobox', { name: 'Language of the script' }).click()
  await bench.getByRole('option', { name: 'English' }).click()
  await expect(script.getByRole('button', { name: 'The boat rises.' })).toBeVisible()
  await script.getByRole('button', { name: 'Captions', exact: true }).click()
  await expectKept(bench)
})

test('two tabs see each other’s changes; edits made offline survive a reload and a killed server', async ({
  browser,
}) => {
  const lessonId = new URL(bench.url()).pathname.split('/')[2]
  await bench.request.post(`${server.url}/api/lessons/${lessonId}/people`, {
    data: { email: COLLEAGUE.email, role: 'editor' },
  })
  const other = await openDesk(browser)
  await signIn(other, server.url, COLLEAGUE.email)
  await other.goto(bench.url())
  await expect(other.getByText('Mind the gate')).toBeVisible()
  await other.getByRole('button', { name: /Bookmark 0:08/ }).click()
  await other.getByRole('textbox', { name: 'Name', exact: true }).fill('The boat is rising')
  await expect(bench.getByText('The boat is rising').first()).toBeVisible()
  await expect(bench.getByText(`Also here: ${COLLEAGUE.name}`)).toBeVisible()
  await expect(bench.getByText(`${COLLEAGUE.name} is here`)).toBeVisible()

  await server.kill()
  await other.getByRole('textbox', { name: 'Name', exact: true }).fill('Up she goes')
  await expect(other.getByTestId('keeping')).toContainText('One edit waits on this device')
  await server.start()
  await expectKept(other)
  await expect(bench.getByText('Up she goes').first()).toBeVisible()

  // Kept in the browser before it is sent: a tab that is closed in between loses nothing.
  await other.route('**/draft', (route) => route.abort())
  await other.getByRole('textbox', { name: 'Name', exact: true }).fill('Rising in the dark')
  await expect(other.getByTestId('keeping')).toContainText('waits on this device')
  await other.unroute('**/draft')
  await other.reload()
  await expect(other.getByText('Rising in the dark').first()).toBeVisible()
  await expect(bench.getByText('Rising in the dark').first()).toBeVisible()
  await other.context().close()
  await expect(bench.getByText(`Also here: ${COLLEAGUE.name}`)).toBeHidden()
})

test('any earlier state can be gone back to, and that undone again', async () => {
  await bench.getByRole('button', { name: 'The Upper Paddle', exact: true }).click()
  await bench.getByRole('button', { name: 'History', exact: true }).click()
  await expectNoBarriers(bench, 'bench with its history')
  await bench
    .getByRole('button', { name: /Go back to the lesson as it was after “bring in captions”/ })
    .last()
    .click()
  await expect(leaves(bench)).toHaveCount(0)
  await expect(bench.getByRole('button', { name: 'The boat rises.' })).toBeVisible()
  await bench.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(leaves(bench)).toHaveCount(4)
  await expectKept(bench)
})

test('publishing names what must be mended, then freezes an edition and gives a link', async () => {
  await goTo(bench, '12')
  await bench.locator('body').press('q')
  await bench.locator('body').press('Escape')
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await expect(bench.getByText('A question has no text.')).toBeVisible()
  await bench.getByRole('button', { name: 'Go to 0:12' }).first().click()
  await bench.getByRole('button', { name: 'Delete', exact: true }).click()
  await expectKept(bench)
  await bench.getByRole('button', { name: 'Publish edition 1' }).click()
  await expectNoBarriers(bench, 'publishing')
  await bench.getByTestId('publish').click()
  link = await bench.getByTestId('link').inputValue()
  expect(link).toContain('/open/')
  await bench.keyboard.press('Escape')
  await expect(bench.getByRole('button', { name: 'Publish edition 2' })).toBeVisible()
})

test('a guest watches by keyboard alone, is held, answers offline, and loses nothing', async ({
  browser,
}) => {
  const page = await openDesk(browser)
  const complaints = watchForErrors(page)
  await page.goto(link)
  await expectNoBarriers(page, 'invitation')
  await page.getByLabel('Your first and last name').fill('Kezia')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Have you a last name too?')).toBeVisible()
  await page.getByLabel('Your first and last name').fill('Kezia Sandholm')
  await page.keyboard.press('Enter')
  await expect(page.locator('video')).toBeVisible()
  await expectNoBarriers(page, 'player')

  await page.locator('body').press('k')
  await expect(page.getByText('Mind the gate')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'What is wound?' })).toBeVisible()
  const shown = () =>
    page
      .locator('video')
      .evaluate((video: HTMLVideoElement) => [video.paused, Math.floor(video.currentTime * 25)])
  await expect.poll(shown).toEqual([true, 150])
  await expectNoBarriers(page, 'player with a question')

  await page.context().setOffline(true)
  await page.keyboard.press('Tab')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('radio', { name: /The lower gates/ })).toBeChecked()
  await page.keyboard.press('Enter')
  await expect(page.getByText('Gates are shut, not wound.')).toBeVisible()
  await expect(page.getByText('Listen again.')).toBeVisible()
  await expect(page.getByText(/Working offline\. (One entry waits|\d+ entries wait)/)).toBeVisible()
  await page.getByRole('button', { name: 'Try again' }).press('Enter')
  await page.getByRole('radio', { name: /The upper paddle/ }).press('Space')
  await page.keyboard.press('Enter')
  await expect(page.getByText('A paddle is a shutter.')).toBeVisible()
  await expectNoBarriers(page, 'player with feedback')
  await page.context().setOffline(false)
  await expect(page.getByText(/Working offline/)).toBeHidden()

  await server.kill()
  await page.getByRole('button', { name: 'Go on watching' }).press('Enter')
  await expect(page.getByText(/Working offline/)).toBeVisible()
  await server.start()
  await expect(page.getByText('You have reached the end.')).toBeVisible()
  await expect(page.getByText('Everything is kept. You can close this page.')).toBeVisible()
  expect(complaints).toEqual([])
  await page.context().close()
})

test('a learner goes on to the second on another device, and stays on the edition begun', async ({
  browser,
}) => {
  const first = await openDesk(browser)
  await signIn(first, server.url, LEARNER.email)
  await first.goto(link)
  await first.getByRole('button', { name: 'Begin the lesson' }).click()
  await expect(first.locator('video')).toBeVisible()
  await first.locator('body').press('k')
  await expect(first.getByRole('heading', { name: 'What is wound?' })).toBeVisible()
  await first.getByText('The lower gates').click()
  const taken = first.waitForResponse((response) =>
    (response.request().postData() ?? '').includes('"kind":"response"'),
  )
  await first.getByRole('button', { name: 'Give this answer' }).click()
  await taken
  await first.context().close()

  await bench.getByRole('button', { name: 'The Upper Paddle', exact: true }).click()
  await bench.getByRole('textbox', { name: 'Title', exact: true }).fill('The Upper Paddle, mended')
  await expectKept(bench)
  await bench.getByRole('button', { name: 'Publish edition 2' }).click()
  await bench.getByTestId('publish').click()
  await expect(bench.getByText('Edition 2 is published')).toBeVisible()
  await bench.keyboard.press('Escape')

  const second = await openDesk(browser)
  await signIn(second, server.url, LEARNER.email)
  await second.getByRole('link', { name: /Go on/ }).click()
  await expect(second.getByRole('heading', { name: 'The Upper Paddle', exact: true })).toBeVisible()
  await expect(second.getByRole('heading', { name: 'What is wound?' })).toBeVisible()
  await expect(second.getByText('Listen again.')).toBeVisible()
  await expect(second.getByText('0:06 / 0:14')).toBeVisible()
  await expect(second.getByText('The film is loading')).toBeHidden()
  await second.context().close()
})

test('results tell who opened, watched and answered', async () => {
  await bench.getByRole('link', { name: 'Results' }).click()
  await expect(bench.getByText('Nobody has opened this edition yet.')).toBeVisible()
  await bench.getByRole('combobox', { name: 'Edition' }).click()
  await bench.getByRole('option', { name: 'Edition 1' }).click()
  const row = bench.getByRole('row', { name: /Kezia Sandholm/ })
  await expect(row).toContainText('guest')
  await expect(row).toContainText('1 / 1')
  await expect(row).toContainText('Finished')
  await expect(row).toContainText(/(9\d|100)%/)
  await expect(bench.getByRole('row', { name: /Tam Oakshott/ })).toContainText('Begun')
  await row.getByRole('button').click()
  await expect(bench.getByText('The upper paddle').last()).toBeVisible()
  await expect(bench.getByText('Try 2 · 1 mark')).toBeVisible()
  await expectNoBarriers(bench, 'results')
  expect(errors).toEqual([])
})
