// A class talks about a lesson: the rule, what is said on a phone and at a desk, what goes to the teacher alone, prompts with
// a number, hiding, switching off; without a connection, and with the server killed under the teacher's words. And those
// who come by a lesson's link, once its owner lets them.
import { expect, test, type Locator, type Page } from '@playwright/test'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { expectNoBarriers } from '../support/barriers.ts'
import { goInAsGuest, openDesk, openPhone, signIn, watchForErrors } from '../support/pages.ts'
import { startRealServer, type RealServer } from '../support/server.ts'

test.describe.configure({ mode: 'serial' })

let server: RealServer
let teacher: Page
let tam: Page
let isolde: Page
let lesson = ''
let errors: string[] = []
const CLASS = '/classes/autumn-refreshers'
const SAID = 'Who holds the lamp?'
const ASKED = 'May I do it twice?'

test.beforeAll(async ({ browser }) => {
  test.setTimeout(480_000)
  server = await startRealServer({ demo: true })
  teacher = await openDesk(browser)
  tam = await openPhone(browser)
  isolde = await openDesk(browser)
  errors = [teacher, tam, isolde].flatMap(watchForErrors)
  await signIn(teacher, server.url, 'designer@harrowmere.example', DEMO_PASSWORD)
  await signIn(tam, server.url, 'learner@harrowmere.example', DEMO_PASSWORD)
  await signIn(isolde, server.url, 'keeper@harrowmere.example', DEMO_PASSWORD)
  const joinUntil = new Date(Date.now() + 3_600_000).toISOString()
  const opened = await teacher.request.patch(`${server.url}/api${CLASS}`, {
    data: { joinUntil },
    headers: { origin: server.url },
  })
  await isolde.goto(`${server.url}/join/${(await opened.json()).joinCode}`)
  await isolde.getByRole('button', { name: 'Join', exact: false }).click()
  await expect(isolde.getByText(/Autumn refreshers/).first()).toBeVisible()
})
test.afterAll(() => server?.stop())

const begin = async (page: Page) => {
  await page.goto(server.url)
  await page.getByRole('button', { name: 'Begin “Night Passage”' }).click()
  await page.waitForURL(/\/learn\//)
}
const talkTab = (page: Page) => page.getByRole('tab', { name: /^Talk/ })
const panel = (page: Page) => page.getByRole('region', { name: 'Talk', exact: true })
const thread = (page: Page, words: string): Locator =>
  page.getByRole('listitem').filter({ hasText: words }).first()
/** Where a part is read, the talk is folded. */
const folded = (page: Page) => page.locator('summary').filter({ hasText: 'Talk' })
/** Says something about the moment that the film is at, or about the part. */
async function say(page: Page, words: string, to: string | null = null): Promise<void> {
  await page.getByRole('button', { name: /^Say something a/ }).click()
  await page.getByLabel(/^Say something a/).fill(words)
  if (to !== null) await page.getByLabel(to).check()
  await page.getByRole('button', { name: to === null ? 'Say it' : 'Ask it', exact: true }).click()
}

test('there is no talk until the teacher lets the class have it', async () => {
  await begin(tam)
  await expect(tam.getByRole('tab', { name: 'My notes' })).toBeVisible()
  await expect(talkTab(tam)).toHaveCount(0)
  lesson = tam.url()
  await teacher.goto(server.url + CLASS)
  await teacher.getByRole('button', { name: 'Change how “Night Passage” is assigned' }).click()
  await teacher.getByRole('combobox', { name: 'The class talks about it' }).click()
  await teacher.getByRole('option', { name: 'Yes, each sees what the others say' }).click()
  await teacher.getByRole('button', { name: 'Keep these rules' }).click()
  await expect(teacher.getByRole('combobox', { name: 'The class talks about it' })).toHaveCount(0)
  await tam.reload()
  await expect(talkTab(tam)).toBeVisible()
})

test('what is said on a phone is read by the class, what is asked by the teacher alone', async () => {
  await talkTab(tam).tap()
  await expect(tam.getByText('Nobody has said anything about this part yet.')).toBeVisible()
  await say(tam, SAID)
  await say(tam, ASKED, 'My teachers alone')
  await expect(tam.getByText('On its way')).toHaveCount(0)
  await expectNoBarriers(tam, 'talk on a phone')
  await begin(isolde)
  await expect(talkTab(isolde)).toContainText('one new')
  await talkTab(isolde).press('Enter')
  await expect(panel(isolde).getByText(SAID)).toBeVisible()
  await expect(panel(isolde).getByText(ASKED)).toHaveCount(0)
  await thread(isolde, SAID).getByRole('button', { name: 'Reply to Tam Oakshott' }).press('Enter')
  // The words are typed where the focus went, and given by the keyboard.
  await isolde.keyboard.type('Whoever stands at the bow.')
  await isolde.keyboard.press('Control+Enter')
  // And back to the button that it came from.
  await expect(
    thread(isolde, SAID).getByRole('button', { name: 'Reply to Tam Oakshott' }),
  ).toBeFocused()
  await expect(tam.getByText('Whoever stands at the bow.')).toBeVisible()
  await expectNoBarriers(isolde, 'talk beside a film')
})

test('what is being written outlives a reload, and what was said without a connection arrives', async () => {
  await tam.getByRole('button', { name: /^Say something at/ }).tap()
  await tam.getByLabel(/^Say something at/).fill('Half a thou')
  await tam.reload()
  await talkTab(tam).tap()
  const field = tam.getByLabel(/^Say something at/)
  await expect(field).toHaveValue('Half a thou')
  await field.fill('Half a thought, said in a tunnel')
  await tam.context().setOffline(true)
  await tam.getByRole('button', { name: 'Say it', exact: true }).tap()
  await expect(thread(tam, 'said in a tunnel').getByText('On its way')).toBeVisible()
  const context = tam.context()
  await tam.close()
  await context.setOffline(false)
  tam = await context.newPage()
  errors.push(...watchForErrors(tam))
  await tam.goto(lesson)
  await expect(panel(isolde).getByText('said in a tunnel')).toBeVisible()
  await talkTab(tam).tap()
  await expect(thread(tam, 'said in a tunnel').getByText('On its way')).toHaveCount(0)
  // It can be put in other words, and taken back.
  await thread(tam, 'said in a tunnel')
    .getByRole('button', { name: /^Take back/ })
    .tap()
  await expect(panel(isolde).getByText('said in a tunnel')).toHaveCount(0)
  await tam.getByRole('button', { name: 'Put it back' }).tap()
  await expect(panel(isolde).getByText('said in a tunnel')).toBeVisible()
})

test('the teacher finds what waits, replies, and loses no word to a dead server', async () => {
  await teacher.goto(server.url)
  const strip = teacher.getByRole('region', { name: 'What waits for you' })
  await expect(strip.getByText('2 questions wait for your reply')).toBeVisible()
  await strip.getByRole('listitem').filter({ hasText: 'Night Passage' }).getByRole('link').click()
  await expect(teacher.getByText(/One question waits for your reply/)).toBeVisible()
  await expectNoBarriers(teacher, 'the talk, for its teachers')
  await thread(teacher, ASKED).getByRole('button', { name: 'Reply to Tam Oakshott' }).click()
  await teacher.getByLabel('Your reply').fill('As often as you like.')
  await server.kill()
  await teacher.getByRole('button', { name: 'Reply', exact: true }).click()
  await expect(teacher.getByText(/^It was not said/)).toBeVisible()
  await expect(teacher.getByLabel('Your reply')).toHaveValue('As often as you like.')
  await server.start()
  await teacher.getByRole('button', { name: 'Reply', exact: true }).click()
  await expect(teacher.getByLabel('Your reply')).toHaveCount(0)
  await expect(teacher.getByText(/One question waits for your reply/)).toHaveCount(0)
  await expect(panel(tam).getByText('As often as you like.')).toBeVisible()
  await expect(panel(isolde).getByText('As often as you like.')).toHaveCount(0)
})

test('a prompt asks for a number, and draws how the numbers are spread', async () => {
  await teacher.getByRole('button', { name: 'Say something to the class' }).press('Enter')
  await expect(teacher.getByLabel('Your words')).toBeFocused()
  await teacher.getByLabel('At a moment').fill('9:59')
  await expect(teacher.getByText('This is no time within the film.')).toBeVisible()
  await teacher.getByLabel('At a moment').fill('0:05')
  await teacher.getByLabel('Your words').fill('How dark is it, from 1 to 5?')
  await teacher.getByText('It asks for a number').click()
  await teacher.getByLabel('To', { exact: true }).fill('1')
  await expect(teacher.getByText(/^A range leads from/)).toBeVisible()
  await teacher.getByLabel('To', { exact: true }).fill('5')
  await teacher.getByRole('button', { name: 'Say it to all' }).click()
  await expect(teacher.getByRole('button', { name: 'Say something to the class' })).toBeFocused()
  const prompt = thread(isolde, 'How dark is it')
  await expect(prompt).toBeVisible()
  await prompt.getByRole('button', { name: 'Reply to Merrin Coldwell' }).click()
  await prompt.getByLabel('A whole number from 1 to 5').fill('4')
  await prompt.getByRole('button', { name: 'Answer', exact: true }).click()
  await expect(thread(tam, 'How dark is it').getByText('One number: 4')).toBeVisible()
  await expect(thread(teacher, 'How dark is it').getByText('One number: 4')).toBeVisible()
  // A moment is gone to from what was said about it.
  await thread(tam, 'How dark is it').getByRole('button', { name: 'Go to 0:05' }).tap()
  await expect(tam.getByText('0:05 / 0:')).toBeVisible()
})

test('who has posted what is told, and a name shows it', async () => {
  const who = teacher.getByRole('region', { name: 'Who has posted what' })
  const row = who.getByRole('row').filter({ hasText: 'Tam Oakshott' })
  await expect(row).toContainText('2 comments, asked once')
  await expect(who.getByRole('row').filter({ hasText: 'Isolde Farrow' })).toContainText(
    'one reply, one prompt answered',
  )
  await who.getByRole('button', { name: 'Isolde Farrow' }).click()
  await expect(teacher.getByText('said in a tunnel')).toHaveCount(0)
  await expect(teacher.getByText('Whoever stands at the bow.')).toBeVisible()
  await teacher.getByRole('button', { name: 'Everybody' }).click()
  await teacher.getByLabel('Find in the talk').fill('tunnel thought')
  await expect(teacher.getByText('said in a tunnel')).toBeVisible()
  await expect(teacher.getByText(SAID)).toHaveCount(0)
  await teacher.getByLabel('Find in the talk').fill('')
  const files = teacher.getByRole('link', { name: /CSV/ })
  const reply = await teacher.request.get(server.url + (await files.getAttribute('href'))!)
  expect(await reply.text()).toContain('Tam Oakshott,2,1,0,0,')
})

test('a moderator hides what was said, and a teacher ends the talk', async () => {
  await expect(isolde.getByRole('button', { name: /^Hide/ })).toHaveCount(0)
  await teacher.goto(server.url + CLASS)
  await teacher.getByRole('link', { name: 'People' }).click()
  await teacher.getByRole('button', { name: /Isolde Farrow/ }).click()
  await teacher.getByLabel('May hide what others say').check()
  await thread(isolde, 'said in a tunnel').getByRole('button', { name: /^Hide/ }).click()
  await expect(panel(tam).getByText('Hidden: only you and those who moderate')).toBeVisible()
  await isolde.getByRole('button', { name: /^Show again/ }).click()
  await expect(panel(tam).getByText('Hidden: only you and those who moderate')).toHaveCount(0)
  await teacher.goto(`${server.url}${CLASS}/assignments/autumn-night/talk`)
  await teacher.getByRole('button', { name: 'End the talk' }).click()
  await expect(teacher.getByText('The class cannot talk about this lesson now.')).toBeVisible()
  await expect(panel(tam).getByText('Your class does not talk about this lesson')).toBeVisible()
  await expect(teacher.getByText(SAID)).toBeVisible()
  expect(errors).toEqual([])
})

test('those who come by the link talk once the owner lets them, and a search finds it', async ({
  browser,
}) => {
  const [odile, rune] = [await openPhone(browser), await openDesk(browser)]
  errors.push(...[odile, rune].flatMap(watchForErrors))
  const open = `${server.url}/open/cantle-steps-1`
  await goInAsGuest(odile, open, 'Odile Harcastle')
  await expect(odile.getByRole('heading', { name: 'Before You Watch' })).toBeVisible()
  await expect(folded(odile)).toHaveCount(0)
  await teacher.goto(`${server.url}/lessons/water-that-climbs/sharing`)
  await teacher.getByLabel('Everyone', { exact: false }).check()
  await teacher.getByLabel('Those who open it by the link may talk about it').check()
  await expect(teacher.getByText('Kept.')).toBeVisible()
  await expectNoBarriers(teacher, 'sharing with talk')
  await odile.reload()
  await folded(odile).tap()
  await expect(odile.getByText('can be read by everyone who opens this lesson')).toBeVisible()
  await say(odile, 'The gate sings as it shuts.')
  await say(odile, 'Is it open in winter?', 'Only those who made this lesson')
  await expect(odile.getByText('On its way')).toHaveCount(0)
  await expectNoBarriers(odile, 'talk by a link on a phone')
  await goInAsGuest(rune, open, 'Rune Salt')
  await folded(rune).press('Enter')
  await expect(panel(rune).getByText('The gate sings as it shuts.')).toBeVisible()
  await expect(panel(rune).getByText('Is it open in winter?')).toHaveCount(0)
  // What is asked waits on the page that its teachers begin with.
  await teacher.goto(server.url)
  const strip = teacher.getByRole('region', { name: 'What waits for you' })
  await strip.getByRole('link', { name: 'Water That Climbs' }).last().click()
  await expect(teacher.getByText(/One question waits for your reply/)).toBeVisible()
  await expectNoBarriers(teacher, 'the talk by a link, for its teachers')
  await thread(teacher, 'open in winter')
    .getByRole('button', { name: /^Reply to Odile/ })
    .click()
  await teacher.getByLabel('Your reply').fill('From March on.')
  await teacher.getByRole('button', { name: 'Reply', exact: true }).click()
  await expect(panel(odile).getByText('From March on.')).toBeVisible()
  await expect(panel(rune).getByText('From March on.')).toHaveCount(0)
  await rune.goto(`${server.url}/open-lessons`)
  await rune.getByRole('searchbox').fill('sings gate')
  const found = rune.getByRole('listitem').filter({ hasText: 'Water That Climbs' }).first()
  await expect(found).toContainText('In the talk:')
  await expect(found).toContainText('The gate sings as it shuts.')
  await teacher.getByRole('button', { name: 'End the talk' }).click()
  await expect(odile.getByText('The talk about this lesson has ended.')).toBeVisible()
  expect(errors).toEqual([])
})
