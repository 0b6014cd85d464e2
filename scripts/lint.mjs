// npm run lint: the rules of the house. ESLint reads every file by itself; what needs types is looked at by a native linter.
import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ESLint } from 'eslint'
import { FOLDERS } from './house/look.mjs'
import { looseExceptions } from './house/sizes.mjs'
import { typedFaults } from './house/typed.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const eslint = new ESLint({ cwd: root })
const results = await eslint.lintFiles(['.'])
const formatter = await eslint.loadFormatter('stylish')
process.stdout.write(await formatter.format(results))
const typed = typedFaults(
  root,
  FOLDERS.filter((name) => name !== 'scripts'),
)
process.stdout.write(typed)
const loose = await looseExceptions(root)
for (const line of loose) console.error(line)
const isBroken = results.some(({ errorCount, warningCount }) => errorCount + warningCount > 0)
process.exit(isBroken || typed !== '' || loose.length > 0 ? 1 : 0)
