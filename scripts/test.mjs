// npm test: every check and every test, after installing what is missing. Ends with one line that counts the tests.
// `npm test -- lint server` runs some of the steps; `npm test -- server/talk/talk.test.ts` some of the files, of any folder.
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { once } from 'node:events'
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

/** Runs one step. One that runs beside others (`beside`) holds its output back, so that it reads as a whole. */
async function step(name, command, args, { env = {}, beside = false } = {}) {
  if (!wants(name)) return
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
  const [code] = await once(child, 'close')
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
needPackages(['postgresql', 'ffmpeg', 'fonts-dejavu-core', 'poppler-utils', 'chromium'])
needNpmPackages(root)
const beside = { beside: true }
async function allButLint() {
  await step('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.'], beside)
  await step('imports', 'node', ['scripts/house/look.mjs'], beside)
  await step('types', 'npm', ['run', 'types', '--silent'], beside)
}
// Two cores, and two halves that take about as long as each other.
await Promise.all([step('lint', 'node', ['scripts/lint.mjs'], beside), allButLint()])
await step('unit', 'npx', vitest(['core', 'player', 'web'], 'unit.json'))
if (wants('unit')) count(join(reports, 'unit.json'), readVitest)
if (wants('scripts') || wants('server') || wants('e2e')) {
  needBuild(root)
  await step('scripts', 'npx', vitest(['scripts'], 'scripts.json'))
  if (wants('scripts')) count(join(reports, 'scripts.json'), readVitest)
  await withTestDatabase(async (env) => {
    await step('server', 'npx', vitest(['server'], 'server.json'), { env })
    if (wants('server')) count(join(reports, 'server.json'), readVitest)
    await step(
      'e2e',
      'npx',
      ['playwright', 'test', '--config', 'e2e/playwright.config.ts', ...filesOf('e2e')],
      { env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'e2e.json') } },
    )
    if (wants('e2e')) count(join(reports, 'e2e.json'), readPlaywright)
  })
}
rmSync(reports, { recursive: true, force: true })
const failed = totals.failed + failedSteps
say(`\n${totals.passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
