// npm test: every check and every test, after installing what is missing. Ends with one line that counts the tests.
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { once } from 'node:events'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { needBuild } from './lib/build.mjs'
import { needPackages } from './lib/debian.mjs'
import { needNpmPackages } from './lib/npmPackages.mjs'
import { say } from './lib/say.mjs'
import { withTestDatabase } from './lib/testDatabase.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const reports = mkdtempSync(join(tmpdir(), 'fernbrake-reports-'))
const only = process.argv.slice(2)
const wants = (name) => only.length === 0 || only.includes(name)
let failedSteps = 0
const totals = { passed: 0, failed: 0 }

/** Runs one step. One that runs beside others (`beside`) holds its output back, so that it reads as a whole. */
async function step(name, command, args, { env = {}, beside = false } = {}) {
  if (!wants(name)) return
  if (!beside) say(`\n== ${name}`)
  const began = performance.now()
  const child = spawn(command, args, {
    cwd: root,
    stdio: ['ignore', beside ? 'pipe' : 'inherit', beside ? 'pipe' : 'inherit'],
    env: { ...process.env, ...env, npm_config_loglevel: 'error', FORCE_COLOR: '0' },
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

const vitest = (projects, report) => [
  'vitest',
  'run',
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

needPackages(['postgresql', 'ffmpeg', 'fonts-dejavu-core', 'poppler-utils', 'chromium'])
needNpmPackages(root)
const beside = { beside: true }
async function allButLint() {
  await step('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.'], beside)
  const folders = ['core', 'player', 'web', 'server', 'demo', 'e2e']
  await step(
    'imports',
    'npx',
    ['depcruise', '--config', '.dependency-cruiser.cjs', ...folders],
    beside,
  )
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
    await step('e2e', 'npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
      env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'e2e.json') },
    })
    if (wants('e2e')) count(join(reports, 'e2e.json'), readPlaywright)
  })
}
rmSync(reports, { recursive: true, force: true })
const failed = totals.failed + failedSteps
say(`\n${totals.passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
