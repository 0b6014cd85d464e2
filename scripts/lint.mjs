// npm run lint: the rules of the house. What needs types in the scripts of components is looked at in a copy of them as
// plain TypeScript: given to the type checker one component at a time, each would make it begin anew, which takes minutes.
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ESLint } from 'eslint'
import tseslint from 'typescript-eslint'
import { parse } from 'vue/compiler-sfc'
import { TYPED_RULES } from '../eslint.config.js'
import { looseExceptions } from './house/sizes.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const copies = join(root, '.data', 'component-scripts')

/** The script of a component, each line where it stands in the component. */
function scriptOf(component) {
  const { scriptSetup, script } = parse(readFileSync(component, 'utf8')).descriptor
  const block = scriptSetup ?? script
  return block ? '\n'.repeat(block.loc.start.line - 1) + block.content : ''
}

function copy(folder) {
  for (const name of readdirSync(join(root, folder), { recursive: true })) {
    if (/(^|\/)(dist|node_modules)\//.test(name)) continue
    const [from, to] = [join(root, folder, name), join(copies, folder, name)]
    if (!/\.(ts|vue)$/.test(name)) continue
    mkdirSync(dirname(to), { recursive: true })
    if (name.endsWith('.vue')) writeFileSync(`${to}.ts`, scriptOf(from))
    else cpSync(from, to)
  }
}

async function lintComponentScripts() {
  rmSync(copies, { recursive: true, force: true })
  for (const folder of ['player', 'web']) copy(folder)
  const { compilerOptions } = JSON.parse(readFileSync(join(root, 'web', 'tsconfig.json'), 'utf8'))
  const settings = { extends: '../../tsconfig.base.json', compilerOptions, include: ['**/*.ts'] }
  writeFileSync(join(copies, 'tsconfig.json'), JSON.stringify(settings))
  const eslint = new ESLint({
    cwd: copies,
    overrideConfigFile: true,
    overrideConfig: {
      files: ['**/*.vue.ts'],
      languageOptions: {
        parser: tseslint.parser,
        parserOptions: { project: './tsconfig.json', tsconfigRootDir: copies },
      },
      plugins: { '@typescript-eslint': tseslint.plugin },
      linterOptions: { reportUnusedDisableDirectives: 'off' },
      rules: TYPED_RULES,
    },
  })
  return eslint.lintFiles(['**/*.vue.ts'])
}

const everywhere = await new ESLint({ cwd: root }).lintFiles(['.'])
const scripts = (await lintComponentScripts()).map((one) => ({
  ...one,
  filePath: join(root, relative(copies, one.filePath).replace(/\.ts$/, '')),
}))
const results = [...everywhere, ...scripts]
const formatter = await new ESLint({ cwd: root }).loadFormatter('stylish')
process.stdout.write(await formatter.format(results))
rmSync(copies, { recursive: true, force: true })
const loose = await looseExceptions(root)
for (const line of loose) console.error(line)
const isBroken = results.some(({ errorCount, warningCount }) => errorCount + warningCount > 0)
process.exit(isBroken || loose.length > 0 ? 1 : 0)
