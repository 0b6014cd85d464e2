// A lesson of 60 parts and 400 routes: how long its survey takes, until its map can be worked on, and from part to part in
// the player.
import type { Browser, Page } from '@playwright/test'
import { edits, emptyLesson, runEdit, type Edit, type EditMade } from '@fernbrake/core/lesson'
import { surveyRoutes } from '@fernbrake/core/routes'
import { DEMO_PASSWORD } from '@fernbrake/server'
import { sendJson, signedInCookie } from '../support/http.ts'
import { goInAsGuest, NAMED, signIn } from '../support/pages.ts'
import type { RealServer } from '../support/server.ts'
import { inRounds, type Figure } from './stating/figure.ts'

const PARTS = 60
const ROUTES = 400
const LESSON = 'sixty-parts'
const SWITCHES = 15

/** Pages with ways forwards, and every tenth one back. */
function bigStory() {
  let lesson = emptyLesson('Sixty parts')
  const made: EditMade[] = []
  const edit = <A>(kind: Edit<A>, args: A) => {
    const outcome = runEdit(lesson, kind, args)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues.slice(0, 3)))
    lesson = outcome.lesson
    made.push(outcome.made)
  }
  const idOf = (index: number) => `part-${index}`
  for (let index = 0; index < PARTS; index += 1) {
    const id = idOf(index)
    edit(edits.addPart, { id, kind: 'page', title: `Part ${index + 1}` })
    const things = [{ id: `text-${index}`, kind: 'text', text: 'Some words to read.' }] as const
    edit(edits.addThings, { partId: id, map: 'blocks', things })
  }
  for (let index = 0; index < ROUTES; index += 1) {
    const from = index % (PARTS - 1)
    const ahead = 1 + ((index * 7) % 12)
    const to = index % 10 === 9 ? Math.max(0, from - 3) : Math.min(PARTS - 1, from + ahead)
    const id = `route-${index}`
    const target = { to: 'part', partId: idOf(to === from ? PARTS - 1 : to) } as const
    edit(edits.addRoute, { id, fromId: idOf(from), target })
    edit(edits.setRoute, { routeId: id, change: { words: `Way ${index}` } })
  }
  return { lesson, made }
}

async function putStory(url: string, made: readonly EditMade[]): Promise<string> {
  const cookie = await signedInCookie(url)
  const body = { id: LESSON, title: 'Sixty parts', language: 'en' }
  await sendJson(cookie, 'POST', `${url}/api/lessons`, body)
  let revision = 0
  for (let from = 0; from < made.length; from += 100) {
    const batch = made
      .slice(from, from + 100)
      .map(({ name, patches }, index) => ({ id: `edit-${from + index}`, name, patches }))
    const address = `${url}/api/lessons/${LESSON}/draft`
    const reply = await sendJson(cookie, 'PATCH', address, { revision, edits: batch })
    revision = (reply as { revision: number }).revision
  }
  const edition = { revision, number: 1 }
  const address = `${url}/api/lessons/${LESSON}/editions`
  const { linkCode } = (await sendJson(cookie, 'POST', address, edition)) as { linkCode: string }
  return `${url}/open/${linkCode}`
}

/** Ms from the press on “Routes” until every part stands on the map and a press on one is heard. */
async function mapMs(page: Page, url: string): Promise<number> {
  await page.goto(`${url}/lessons/${LESSON}`)
  await page.getByRole('link', { name: 'Routes' }).waitFor()
  return page.evaluate(
    (count) =>
      new Promise<number>((resolve) => {
        const began = performance.now()
        const link = [...document.querySelectorAll('a')].find(
          (one) => one.textContent?.trim() === 'Routes',
        )
        link!.click()
        const look = () => {
          const parts = document.querySelectorAll<HTMLElement>('[data-part]')
          const edges = document.querySelectorAll('svg .way').length
          if (parts.length < count || edges < count) return void requestAnimationFrame(look)
          parts[0]!.click()
          const heard = () =>
            parts[0]!.ariaPressed === 'true'
              ? resolve(performance.now() - began)
              : void requestAnimationFrame(heard)
          heard()
        }
        look()
      }),
    PARTS,
  )
}

/** Ms from the press on a part until its heading stands. */
async function switchMs(page: Page, title: string): Promise<number> {
  return page.evaluate(
    (wanted) =>
      new Promise<number>((resolve) => {
        const began = performance.now()
        const buttons = [...document.querySelectorAll<HTMLElement>('.ways button')]
        ;(buttons.find((one) => one.textContent?.includes(wanted)) ?? buttons[0])!.click()
        const before = document.querySelector('h1')
        const look = () => {
          const heading = document.querySelector('h1')
          if (heading && heading !== before) return resolve(performance.now() - began)
          requestAnimationFrame(look)
        }
        look()
      }),
    title,
  )
}

export async function measureRoutes(browser: Browser, { url }: RealServer): Promise<Figure[]> {
  const { lesson, made } = bigStory()
  const survey = () => {
    const began = performance.now()
    surveyRoutes(lesson)
    return performance.now() - began
  }
  survey()
  const surveys = await inRounds(survey)
  const link = await putStory(url, made)
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  await context.addInitScript(NAMED)
  const page = await context.newPage()
  await signIn(page, url, 'designer@harrowmere.example', DEMO_PASSWORD)
  const maps = await inRounds(() => mapMs(page, url))
  await context.close()
  const learning = await browser.newContext()
  await learning.addInitScript(NAMED)
  const learner = await learning.newPage()
  await goInAsGuest(learner, link, 'Bench Learner')
  await learner.locator('.ways button').first().waitFor()
  const switches: number[] = []
  const ways = learner.locator('.ways button')
  // A way may come to the end before so many parts were gone through.
  while (switches.length < SWITCHES && (await ways.count()) > 0)
    switches.push(await switchMs(learner, 'Way'))
  await learning.close()
  const of = `${PARTS} parts and ${ROUTES} routes`
  return [
    {
      id: 'routes.survey',
      what: `Survey of ${of}`,
      unit: 'ms',
      rounds: surveys,
      aim: { most: 15 },
      limit: 'looking once at each route and each edge',
      isWork: true,
      reference: 'a frame at 60 a second 17 ms',
    },
    {
      id: 'routes.map',
      what: `From the press on “Routes” to a map of ${of} that hears`,
      unit: 'ms',
      rounds: maps,
      aim: { most: 300 },
      limit: 'a frame and the script of the map',
      isWork: true,
      reference: 'each fetches the script of the map',
    },
    {
      id: 'routes.switch',
      what: 'From one part to the next in the player',
      unit: 'ms',
      rounds: switches,
      aim: { most: 150 },
      limit: 'a frame',
      isWork: true,
      reference: `the middle of ${switches.length}, slowest ${Math.max(...switches).toFixed(0)} ms`,
    },
  ]
}
