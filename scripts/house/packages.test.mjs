// Every package that a workspace lists is used in it; what is used and not listed is refused by rules.cjs.
import { readFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'
import { filesOf } from './look.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..')
const json = (file) => JSON.parse(readFileSync(join(root, file), 'utf8'))

/** Asked for by other packages, which leave it to us which of its versions there is. */
const FOR_OTHERS = ['@tiptap/pm']

/** The packages of a folder that none of its files names. */
function unusedIn(folder) {
  const { dependencies = {}, devDependencies = {} } = json(`${folder}/package.json`)
  const text = filesOf(root, [folder])
    .map((file) => readFileSync(join(root, file), 'utf8'))
    .join('\n')
  const isNamed = (name) => text.includes(`'${name}`) || text.includes(`"${name}`)
  return Object.keys({ ...dependencies, ...devDependencies }).filter(
    (name) => !isNamed(name.replace(/^@types\//, '')) && !FOR_OTHERS.includes(name),
  )
}

it.each(json('package.json').workspaces)('%s lists nothing that it does not use', (folder) => {
  expect(unusedIn(folder)).toEqual([])
})
