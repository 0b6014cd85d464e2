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
import { readPlaywright, readVitest } from './lib/failures.mjs'
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

const LAST_LINES = 20
const STEPS = ['lint', 'format', 'imports', 'types', 'unit', 'scripts', 'server', 'e2e']

/** The step that tests a file. */
function stepOf(file) {
  const [folder] = relative(root, resolve(file)).split('/')
  // What the bench computes needs no browser.
  if (folder === 'e2e' && file.endsWith('.test.ts')) return 'scripts'
  return ['core', 'player', 'web'].includes(folder) ? 'unit' : folder
}
const filesOf = (name) => files.filter((file) => stepOf(file) === name).map((file) => resolve(file))
/** Drawn anew each time, so that more is tried than one run can; printed, so that what it found can be found again. */
const seed = process.env.FERNBRAKE_SEED ?? String(1 + Math.floor(Math.random() * (2 ** 31 - 1)))
/** What failed, by name and with its reason, to be told once more at the end: whoever sees only the end knows it. */
const failures = []
let passed = 0

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
    failures.push({ name: 'build', reason: lastLines(error.message) })
  }
}

/** The end of what was said, where a step has no report of single tests. */
const lastLines = (text) => text.trim().split('\n').slice(-LAST_LINES).join('\n')

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
 * step (`isPart`) runs whether or not it was asked for by name; `report` is the file in which its runner tells of single tests, and
 * `read` what reads that.
 */
async function step(name, command, args, options = {}) {
  const { env = {}, beside = true, isPart = false, report, read } = options
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
  const failed = report ? count(join(reports, report), read) : []
  failures.push(...failed)
  if (code !== 0 && failed.length === 0) failures.push({ name, reason: lastLines(output) })
  if (output) process.stdout.write(output)
  say(
    `== ${name} ${code === 0 ? 'passed' : 'FAILED'} in ${((performance.now() - began) / 1000).toFixed(0)} s`,
  )
}

/** Adds up what a runner wrote, and answers what failed; a runner that wrote nothing is a failure. */
function count(file, read) {
  try {
    const report = read(JSON.parse(readFileSync(file, 'utf8')))
    passed += report.passed
    return report.failures
  } catch (error) {
    return [{ name: file, reason: `There is no report to read: ${error.message}` }]
  }
}

const vitest = (name, projects) => [
  'vitest',
  'run',
  ...filesOf(name),
  ...projects.flatMap((project) => ['--project', project]),
  '--reporter=default',
  '--reporter=json',
  `--outputFile.json=${join(reports, `${name}.json`)}`,
]

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
for (const { name, reason } of failures) say(`\nFAILED: ${name}\n${reason}`.trimEnd())
say(`\n${passed} passed, ${failures.length} failed`)
process.exit(failures.length === 0 ? 0 : 1)

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
    {
      env: { ...ofRun, PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'e2e.json') },
      beside: false,
      report: 'e2e.json',
      read: readPlaywright,
    },
  )
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
function tested(name, projects, env = {}) {
  const args = vitest(name, projects)
  return step(name, 'npx', args, { env, report: `${name}.json`, read: readVitest })
}
