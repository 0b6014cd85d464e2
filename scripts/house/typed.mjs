// The rules that need to know types: no promise that nobody awaits, no switch that leaves out a kind. A native linter beside the
// native compiler looks at them in seconds, where ESLint with types takes minutes.
import { spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { parse } from 'vue/compiler-sfc'

/** The script of a component, each line where it stands in the component. */
function scriptOf(component) {
  const { scriptSetup, script } = parse(readFileSync(component, 'utf8')).descriptor
  const block = scriptSetup ?? script
  return block ? '\n'.repeat(block.loc.start.line - 1) + block.content : ''
}

/** Copies a folder, each component as its script alone: `X.vue` as `X.vue.ts`, which is what imports of it then find. */
function copyScripts(from, to) {
  const components = []
  for (const name of readdirSync(from, { recursive: true })) {
    if (/(^|\/)(dist|node_modules)\//.test(name) || !/\.(ts|vue)$/.test(name)) continue
    mkdirSync(dirname(join(to, name)), { recursive: true })
    if (!name.endsWith('.vue')) cpSync(join(from, name), join(to, name))
    else {
      writeFileSync(join(to, `${name}.ts`), scriptOf(join(from, name)))
      components.push(join(to, `${name}.ts`))
    }
  }
  return components
}

/**
 * What the linter says of these files and folders, a line each; '' where nothing is wrong. It would else choose colours and form by
 * where it runs.
 */
function lint(root, cwd, paths, more = []) {
  const done = spawnSync(
    join(root, 'node_modules', '.bin', 'oxlint'),
    ['--type-aware', '--format=unix', '-c', join(root, '.oxlintrc.json'), ...more, ...paths],
    { cwd, encoding: 'utf8', maxBuffer: 1024 ** 3, env: { ...process.env, NO_COLOR: '1' } },
  )
  if (done.error) throw done.error
  return done.status === 0 ? '' : done.stdout + done.stderr
}

/**
 * Looks through these folders of `root`: what is wrong, as it is to be printed; '' for nothing. The scripts of components are
 * looked at in copies, since the linter reads no component with types.
 */
export function typedFaults(root, folders) {
  const copies = join(root, '.data', 'component-scripts')
  rmSync(copies, { recursive: true, force: true })
  try {
    const components = folders.flatMap((name) => copyScripts(join(root, name), join(copies, name)))
    const settings = { extends: join(root, 'tsconfig.base.json') }
    const compilerOptions = {
      lib: ['ES2023', 'DOM', 'DOM.Iterable'],
      types: ['node', 'vite/client'],
    }
    mkdirSync(copies, { recursive: true })
    writeFileSync(join(copies, 'tsconfig.json'), JSON.stringify({ ...settings, compilerOptions }))
    const ofComponents =
      components.length > 0 ? lint(root, copies, components, ['--no-ignore']) : ''
    return lint(root, root, folders) + ofComponents.replaceAll('.vue.ts', '.vue')
  } finally {
    rmSync(copies, { recursive: true, force: true })
  }
}
