// @vitest-environment happy-dom
// The pages that are open to people who are not signed in say nothing whose words do not travel with the first page.
import { readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { expect, it } from 'vitest'
import { createAppRouter } from '../src/router.ts'
import entry from './enEntry.ts'

const SRC = join(import.meta.dirname, '../src')
const OPEN_VIEWS = [
  'SignInView',
  'OpenLessonsView',
  'OpenCollectionView',
  'JoinView',
  'PasswordView',
  'NowhereView',
]

/** These files of the application, and all that they import at once. */
function withImports(files: readonly string[], found = new Set<string>()): Set<string> {
  for (const file of files) {
    if (found.has(file)) continue
    found.add(file)
    const imports = [...readFileSync(file, 'utf8').matchAll(/from '(\.[^']+\.(?:vue|ts))'/g)]
    withImports(
      imports.map(([, path]) => join(dirname(file), path!)).filter((path) => path.startsWith(SRC)),
      found,
    )
  }
  return found
}

/** The keys that a file asks for; of one that is put together, as far as it is written out. */
const keysOf = (file: string) =>
  [...readFileSync(file, 'utf8').matchAll(/\bt\(\s*[`']([\w.]+)/g)].map(([, key]) => key!)

const has = (key: string) =>
  key
    .replace(/\.$/, '')
    .split('.')
    .reduce<unknown>(
      (node, name) => (node as Record<string, unknown> | undefined)?.[name],
      entry,
    ) !== undefined

it('and are all of the open pages', () => {
  const open = createAppRouter({
    fetchTexts: () => Promise.resolve(),
    fetchComponents: () => Promise.resolve(),
  })
    .getRoutes()
    .filter(({ meta }) => meta.open)
    .map(({ name }) => name)
  expect(open.sort()).toEqual([
    'join',
    'nowhere',
    'open-collection',
    'open-lessons',
    'password',
    'sign-in',
  ])
})

it('is said by the texts of the entry', () => {
  const files = [
    ...withImports([
      join(SRC, 'App.vue'),
      ...OPEN_VIEWS.map((name) => join(SRC, 'views', `${name}.vue`)),
    ]),
  ]
  expect(files.length).toBeGreaterThan(10)
  const asked = files.flatMap((file) =>
    keysOf(file).map((key) => `${key} (${file.slice(SRC.length + 1)})`),
  )
  expect(asked.length).toBeGreaterThan(40)
  expect(asked.filter((one) => !has(one.split(' ')[0]!))).toEqual([])
  expect(has('signIn.nothing')).toBe(false)
})
