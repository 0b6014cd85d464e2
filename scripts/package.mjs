// npm run package -- <folder>: puts what runs Fernbrake into a new folder, built, without the demo, the sources of the
// interface and the tests. There, `npm start` and the other commands do what they do here.
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { dirname, join, relative, resolve, sep } from 'node:path'
import { fileURLToPath } from 'node:url'
import { needBuild } from './lib/build.mjs'
import { needNpmPackages } from './lib/npmPackages.mjs'
import { giveUp, say } from './lib/say.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const [target] = process.argv.slice(2)
if (!target) giveUp('Say where to: npm run package -- <folder>')
const folder = resolve(target)
if (existsSync(folder) && readdirSync(folder).length > 0)
  giveUp(`${folder} is not empty; nothing was changed.`)

const PACKED = ['core', 'server', 'scripts', 'player/dist', 'web/dist', 'tsconfig.base.json']
const COMMANDS = ['start', 'account', 'backup', 'restore']
/** What is of use only where the sources are. */
const LEFT_OUT = [
  /(^|\/)(node_modules|testing)(\/|$)/,
  /\btest(ing|Database)?\.m?[jt]s$/,
  /^server\/dev\.ts$/,
  /^scripts\/(house|lint\.mjs|types\.mjs|build-server\.mjs|run-tool\.mjs|package\.mjs|compress-built\.mjs)(\/|$)/,
]
const isPacked = (path) => {
  const name = relative(root, path).split(sep).join('/')
  return !LEFT_OUT.some((pattern) => pattern.test(name))
}

const readJson = (...names) => JSON.parse(readFileSync(join(root, ...names), 'utf8'))
const writeJson = (name, content) =>
  writeFileSync(join(folder, name), `${JSON.stringify(content, null, 2)}\n`)

/** The package file of what is packed: two workspaces, and what runs TypeScript. */
function packageFile() {
  const { name, version, type, description, license, engines, scripts, devDependencies } =
    readJson('package.json')
  return {
    name,
    version,
    private: true,
    type,
    description,
    license,
    engines,
    workspaces: ['core', 'server'],
    scripts: Object.fromEntries(COMMANDS.map((command) => [command, scripts[command]])),
    dependencies: { tsx: devDependencies.tsx },
  }
}

/** The lock file of the sources, with only what is left; what is left keeps its version. */
function writeLock() {
  cpSync(join(root, 'package-lock.json'), join(folder, 'package-lock.json'))
  for (const workspace of ['core', 'server']) {
    const described = readJson(workspace, 'package.json')
    delete described.devDependencies
    writeJson(join(workspace, 'package.json'), described)
  }
  const args = ['install', '--package-lock-only', '--no-audit', '--no-fund', '--loglevel', 'error']
  const done = spawnSync('npm', args, { cwd: folder, encoding: 'utf8' })
  if (done.status !== 0) giveUp(`The lock file could not be written:\n${done.stderr}`)
}

needNpmPackages(root)
await needBuild(root).catch(({ message }) => giveUp(message))
mkdirSync(folder, { recursive: true })
for (const name of PACKED)
  cpSync(join(root, name), join(folder, name), { recursive: true, filter: isPacked })
writeJson('package.json', packageFile())
writeLock()
say(`Fernbrake is in ${folder}. Begin there with npm start.`)
