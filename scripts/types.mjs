// npm run types: every file against its types. The native compiler reads all that has no components in seconds; those are read
// by vue-tsc, which needs the compiler that is written in JavaScript.
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const packages = join(root, 'node_modules')
const native = join(packages, 'typescript-native', 'bin', 'tsc')
const components = join(packages, 'vue-tsc', 'bin', 'vue-tsc.js')

async function isSound([program, project]) {
  const child = spawn(process.execPath, [program, '--pretty', 'false', '-p', project], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
  })
  const [code] = await once(child, 'exit')
  return code === 0
}

const sound = await Promise.all([
  isSound([components, 'tsconfig.browser.json']),
  (async () => {
    const each = []
    for (const project of ['core', 'tsconfig.node.json', 'e2e'])
      each.push(await isSound([native, project]))
    return each.every(Boolean)
  })(),
])
process.exit(sound.every(Boolean) ? 0 : 1)
