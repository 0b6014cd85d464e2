// What Lighthouse, with its usual settings (a middling phone on a slow line), says of the first load of the pages on which people come in.
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { chromium } from '@playwright/test'
import { LECTURE_LINK } from '@fernbrake/demo'
import { DEMO_PASSWORD, REPOSITORY } from '@fernbrake/server'
import { CHROMIUM } from '../playwright.config.ts'
import { DESIGNER, type RealServer } from '../support/server.ts'
import { inRounds, type Figure } from './stating/figure.ts'
import { middle } from './stating/judge.ts'

const FOLDER = join(REPOSITORY, 'e2e', 'bench', 'lighthouse')
const PORT = 9333
/** Now and then it records nothing, which says nothing of the page. */
const TRIES = 3

interface Report {
  runtimeError?: { message: string }
  categories: Record<'performance' | 'accessibility', { score: number }>
  audits: Record<string, { score: number | null; numericValue?: number }>
}
type Lighthouse = (address: string, flags: object) => Promise<{ lhr: Report }>

/** Fetched from the registry when it is first needed: nothing else needs it, and it is large. */
async function needLighthouse(): Promise<Lighthouse> {
  const entry = join(FOLDER, 'node_modules', 'lighthouse', 'core', 'index.js')
  if (!existsSync(entry)) {
    const args = ['ci', '--workspaces=false', '--no-audit', '--no-fund', '--loglevel', 'error']
    const done = spawnSync('npm', args, { cwd: FOLDER, stdio: ['ignore', 'inherit', 'inherit'] })
    if (done.status !== 0) throw new Error('Lighthouse could not be installed.')
  }
  const { default: lighthouse } = (await import(pathToFileURL(entry).href)) as {
    default: Lighthouse
  }
  return lighthouse
}

/** One look at a page, in a browser that has nothing yet. */
async function look(lighthouse: Lighthouse, address: string, cookie: string): Promise<Report> {
  for (let tries = 1; ; tries += 1) {
    const args = [...CHROMIUM.args, `--remote-debugging-port=${PORT}`]
    const browser = await chromium.launch({ ...CHROMIUM, args })
    const onlyCategories = ['performance', 'accessibility', 'best-practices']
    const { lhr } = await lighthouse(address, {
      port: PORT,
      logLevel: 'error',
      onlyCategories,
      ...(cookie ? { extraHeaders: { Cookie: cookie } } : {}),
    })
    await browser.close()
    if (!lhr.runtimeError) return lhr
    if (tries === TRIES) throw new Error(`Lighthouse: ${lhr.runtimeError.message}`)
  }
}

async function sessionOf(url: string): Promise<string> {
  const signedIn = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ email: DESIGNER.email, password: DEMO_PASSWORD }),
  })
  return signedIn.headers.get('set-cookie')!.split(';')[0]!
}

const seconds = (reports: readonly Report[], audit: string) =>
  `${(middle(reports.map(({ audits }) => audits[audit]!.numericValue ?? 0)) / 1000).toFixed(1)} s`

export async function measureLoading({ url }: RealServer): Promise<Figure[]> {
  const lighthouse = await needLighthouse()
  const session = await sessionOf(url)
  const pages: [name: string, path: string, cookie: string][] = [
    ['the learner’s welcome page', `/open/${LECTURE_LINK}`, ''],
    ['sign-in', '/sign-in', ''],
    ['open lessons', '/open-lessons', ''],
    ['home', '/', session],
  ]
  const figures: Figure[] = []
  const all: Report[] = []
  for (const [name, path, cookie] of pages) {
    const reports: Report[] = []
    const rounds = await inRounds(async () => {
      reports.push(await look(lighthouse, url + path, cookie))
      return reports.at(-1)!.categories.performance.score * 100
    })
    all.push(...reports)
    const blocked = middle(
      reports.map(({ audits }) => audits['total-blocking-time']!.numericValue ?? 0),
    )
    figures.push({
      id: `loading.${name.split(' ').at(-1) === 'page' ? 'welcome' : name.replace(' ', '-')}`,
      what: `First load of ${name}, by Lighthouse`,
      unit: 'score',
      rounds,
      aim: { least: 90 },
      limit: 'an empty page 100',
      reference: `first paint ${seconds(reports, 'first-contentful-paint')}, largest ${seconds(reports, 'largest-contentful-paint')}, blocked ${blocked.toFixed(0)} ms`,
    })
  }
  const shares = ['errors-in-console', 'inspector-issues'].map(
    (audit) => all.filter(({ audits }) => audits[audit]?.score === 0).length,
  )
  figures.push(
    {
      id: 'loading.accessibility',
      what: 'The same pages, accessibility, the lowest of all looks',
      unit: 'score',
      rounds: [Math.min(...all.map(({ categories }) => categories.accessibility.score * 100))],
      aim: { least: 100 },
      limit: '100',
      reference: `${all.length} looks`,
    },
    {
      id: 'loading.complaints',
      what: 'Looks at which the browser had something to complain of: errors, breaches of the policy',
      unit: 'count',
      rounds: [shares.reduce((sum, share) => sum + share, 0)],
      aim: { most: 0 },
      limit: '0',
      reference: `${all.length} looks`,
    },
  )
  return figures
}
