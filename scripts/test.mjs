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

async function step(name, command, args, env = {}) {
  if (!wants(name)) return
  say(`\n== ${name}`)
  const began = performance.now()
  const child = spawn(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env, npm_config_loglevel: 'error', FORCE_COLOR: '0' },
  })
  const [code] = await once(child, 'exit')
  if (code !== 0) failedSteps += 1
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

needPackages(['postgresql', 'ffmpeg', 'fonts-dejavu-core', 'chromium'])
needNpmPackages(root)
await step('format', 'npx', ['prettier', '--check', '--log-level', 'warn', '.'])
await step('lint', 'npx', ['eslint', '--max-warnings', '0', '.'])
await step('imports', 'npx', [
  'depcruise',
  '--config',
  '.dependency-cruiser.cjs',
  'core',
  'player',
  'web',
  'server',
  'demo',
  'e2e',
])
await step('types', 'npm', ['run', 'types', '--silent'])
await step('unit', 'npx', vitest(['core', 'player', 'web'], 'unit.json'))
if (wants('unit')) count(join(reports, 'unit.json'), readVitest)
if (wants('server') || wants('e2e')) {
  needBuild(root)
  await withTestDatabase(async (env) => {
    await step('server', 'npx', vitest(['server'], 'server.json'), env)
    if (wants('server')) count(join(reports, 'server.json'), readVitest)
    await step('e2e', 'npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
      ...env,
      PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, 'e2e.json'),
    })
    if (wants('e2e')) count(join(reports, 'e2e.json'), readPlaywright)
  })
}
rmSync(reports, { recursive: true, force: true })
const failed = totals.failed + failedSteps
say(`\n${totals.passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
