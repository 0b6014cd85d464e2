// npm test: every check and every test, after installing what is missing. Ends with one line that counts the tests.
// `npm test -- lint server` runs some of the steps; `npm test -- server/talk/talk.test.ts` some of the files, of any folder.
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { once as event } from 'node:events'
import { tmpdir } from 'node:os'
import { dirname, join, relative, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { needBuild } from './lib/build.mjs'
import { needPackages } from './lib/debian.mjs'
import { needNpmPackages } from './lib/npmPackages.mjs'
import { giveUp, say } from './lib/say.mjs'
import { withTestDatabase } from './lib/testDatabase.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const reports = mkdtempSync(join(tmpdir(), 'fernbrake-reports-'))
const given = process.argv.slice(2)
/** Files to test; without any, all of each step that is wanted. */
const files = given.filter((one) => one.includes('/'))
const only = given.filter((one) => !one.includes('/')).concat(files.map(stepOf))
const wants = (name) => only.length === 0 || only.includes(name)

const STEPS = ['lint', 'format', 'imports', 'types', 'unit', 'scripts', 'server', 'e2e']

/** The step that tests a file. */
function stepOf(file) {
  const [folder] = relative(root, resolve(file)).split('/')
  return ['core', 'player', 'web'].includes(folder) ? 'unit' : folder
}
const filesOf = (name) => files.filter((file) => stepOf(file) === name).map((file) => resolve(file))
/** Drawn anew each time, so that more is tried than one run can; printed, so that what it found can be found again. */
const seed = process.env.FERNBRAKE_SEED ?? String(1 + Math.floor(Math.random() * (2 ** 31 - 1)))
let failedSteps = 0
const totals = { passed: 0, failed: 0 }

const unknown = only.filter((name) => !STEPS.includes(name))
if (unknown.length > 0)
  giveUp(`There is no step ${unknown.join(', ')}. There are ${STEPS.join(', ')}.`)

/** What is done once, however often it is asked for. */
function once(work) {
  let done
  return () => (done ??= Promise.resolve(work()))
}

/** What cannot be built counts as a failure, and the tests that need it say so as well. */
async function build() {
  if (!wants('scripts') && !wants('e2e')) return
  try {
    await needBuild(root)
  } catch (error) {
    failedSteps += 1
    say(error.message)
  }
}

/** Does these jobs, so many at a time, in this order. */
async function inLanes(count, jobs) {
  const waiting = [...jobs]
  const lane = async () => {
    for (let job = waiting.shift(); job; job = waiting.shift()) await job()
  }
  await Promise.all(Array.from({ length: count }, lane))
}

/**
 * Runs one step. One that runs beside others holds its output back, so that it reads as a whole; what is only part of another
 * step (`isPart`) runs whether or not it was asked for by name.
 */
async function step(name, command, args, { env = {}, beside = true, isPart = false } = {}) {
  if (!isPart && !wants(name)) return
  if (!beside) say(`\n== ${name}`)
  const began = performance.now()
  const child = spawn(command, args, {
    cwd: root,
    stdio: ['ignore', beside ? 'pipe' : 'inherit', beside ? 'pipe' : 'inherit'],
    env: {
      ...process.env,
      ...env,
      FERNBRAKE_SEED: seed,
      npm_config_loglevel: 'error',
      FORCE_COLOR: '0',
    },
  })
  let output = beside ? `\n== ${name}\n` : ''
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (chunk) => (output += chunk))
  const [code] = await event(child, 'close')
  if (code !== 0) failedSteps += 1
  if (output) process.stdout.write(output)
  say(
    `== ${name} ${code === 0 ? 'passed' : 'FAILED'} in ${((performance.now() - began) / 1000).toFixed(0)} s`,
  )
}

/** Adds up what a runner wrote as JSON; a runner that wrote nothing counts as a failure. */
function count(file, read) {
  try {
    const { passed, failed } = read(JSON.parse(readFileSync(file, 'utf8')))
    totals.passed += passed
    totals.failed += failed
  } catch {
    totals.failed += 1
  }
}

const vitest = (projects, report, chosen = filesOf(report.replace('.json', ''))) => [
  'vitest',
  'run',
  ...chosen,
  ...projects.flatMap((project) => ['--project', project]),
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${join(reports, report)}`,
]
const readVitest = ({ numPassedTests, numFailedTests }) => ({
  passed: numPassedTests,
  failed: numFailedTests,
})
const readPlaywright = ({ stats }) => ({
  passed: stats.expected,
  failed: stats.unexpected + stats.flaky,
})

say(
  `Properties are drawn by the seed ${seed}; to draw the same again: FERNBRAKE_SEED=${seed} npm test`,
)
const browsers = ['chromium', 'chromium-headless-shell']
needPackages(['postgresql', 'ffmpeg', 'fonts-dejavu-core', 'poppler-utils', ...browsers])
needNpmPackages(root)
const built = once(build)
const needsDatabase = wants('server') || wants('e2e')
await (needsDatabase ? withTestDatabase(runAll) : runAll({}))
rmSync(reports, { recursive: true, force: true })
const failed = totals.failed + failedSteps
say(`\n${totals.passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)

/** All that is wanted: the browser tests by themselves, after everything else, of which much is waiting. */
async function runAll(env) {
  const ofRun = { ...env, FERNBRAKE_E2E_RUN: `${process.pid}_${Date.now()}` }
  await inLanes(3, [
    built,
    () => step('lint', 'node', ['scripts/lint.mjs']),
    () => step('types', 'node', ['scripts/types.mjs']),
    () => tested('server', ['server'], env),
    () => loadDemo(ofRun),
    () => tested('unit', ['core', 'player', 'web']),
    async () => {
      await built()
      await tested('scripts', ['scripts'])
    },
    () => step('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']),
    () => step('imports', 'node', ['scripts/house/look.mjs']),
  ])
  await step(
    'e2e',
    'npx',
    ['playwright', 'test', '--config', 'e2e/playwright.config.ts', ...filesOf('e2e')],
    { env: { ...ofRun, PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'e2e.json') }, beside: false },
  )
  if (wants('e2e')) count(join(reports, 'e2e.json'), readPlaywright)
}

/** The demo that most browser tests begin with takes a minute to load; where all of them run, it is there when they begin. */
async function loadDemo(env) {
  if (!wants('e2e') || filesOf('e2e').length > 0) return
  await step('demo', process.execPath, ['--import', 'tsx', 'e2e/support/loadDemo.ts'], {
    env,
    isPart: true,
  })
}

/** Runs the tests of some folders, and counts them. */
async function tested(name, projects, env = {}) {
  if (!wants(name)) return
  const report = `${name}.json`
  await step(name, 'npx', vitest(projects, report), { env })
  count(join(reports, report), readVitest)
}
