// Holds every file of the house against its rules (rules.cjs), type-only imports too. The checker stands apart from the other
// packages, beside a TypeScript that it can read: the one that the house is built with is too new for it.
import { readdirSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join, relative, resolve } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { needNpmPackages } from '../lib/npmPackages.mjs'

const here = dirname(fileURLToPath(import.meta.url))
const { forbidden, options } = createRequire(import.meta.url)('./rules.cjs')

export const FOLDERS = ['core', 'player', 'web', 'server', 'demo', 'e2e', 'scripts']
const MODULE = /\.(ts|mts|vue|js|mjs|cjs)$/
const NOT_OURS = /(^|\/)(node_modules|dist)\//

/** All files of some folders that could import something, relative to the root, in order. */
export function filesOf(root, folders = FOLDERS) {
  return folders
    .flatMap((folder) =>
      readdirSync(join(root, folder), { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile() && MODULE.test(entry.name))
        .map((entry) => relative(root, join(entry.parentPath, entry.name))),
    )
    .filter((file) => !NOT_OURS.test(file))
    .sort()
}

/** What breaks a rule, and the files that were read; `unread` are those that the checker passed over. */
export async function look(root, folders = FOLDERS) {
  needNpmPackages(here)
  const { cruise } = await import('dependency-cruiser')
  const { default: readTsConfig } = await import('dependency-cruiser/config-utl/extract-ts-config')
  const before = process.cwd()
  process.chdir(root)
  try {
    const tsConfig = readTsConfig(join(root, 'tsconfig.base.json'))
    const ruled = { ...options, baseDir: root, validate: true, ruleSet: { forbidden } }
    const { output } = await cruise(folders, ruled, undefined, { tsConfig })
    const read = new Set(output.modules.map(({ source }) => source))
    const violations = output.summary.violations.map(({ rule, from, to }) => ({
      rule: rule.name,
      from,
      to,
    }))
    return { violations, read, unread: filesOf(root, folders).filter((file) => !read.has(file)) }
  } finally {
    process.chdir(before)
  }
}

/** `npm run imports`: tells what is wrong, a line each. */
async function main() {
  const root = resolve(here, '../..')
  const { violations, read, unread } = await look(root)
  for (const { rule, from, to } of violations) console.error(`${rule}: ${from} → ${to}`)
  for (const file of unread) console.error(`not read: ${file}`)
  const count = filesOf(root).filter((file) => read.has(file)).length
  const faults = violations.length + unread.length
  console.log(faults === 0 ? `${count} files keep to the rules` : `${faults} faults`)
  process.exitCode = faults === 0 ? 0 : 1
}
if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await main()
