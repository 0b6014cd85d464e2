// Whatever path the descriptions of the house name is there.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'

const ROOT = join(import.meta.dirname, '..', '..')
const SKIPPED = /(^|\/)(node_modules|dist|test-results|\.data|\.git)(\/|$)/
const all = readdirSync(ROOT, { withFileTypes: true })
  .filter(({ name }) => !SKIPPED.test(name))
  .flatMap((top) =>
    top.isDirectory()
      ? [
          top.name,
          ...readdirSync(join(ROOT, top.name), { recursive: true }).map(
            (name) => `${top.name}/${name}`,
          ),
        ]
      : [top.name],
  )
  .filter((name) => !SKIPPED.test(name))
const described = all.filter((name) => /(^|\/)(README|ARCHITECTURE)\.md$/.test(name))
/** A path as it stands between backticks: with a folder or an ending that says so, and nothing to be filled in. */
const PATH = /`((?:[\w.-]+\/)+[\w.-]*|[\w-]+\.(?:ts|mjs|cjs|vue|css))`/g
/** Named as a pattern. */
const TO_BE_FILLED_IN = /NNN|^\.data/

/** Every path that leads to something, by its end: what is named within a folder is named from there on. */
const ends = new Set(
  all.flatMap((name) => {
    const steps = name.split('/')
    return steps.map((_, at) => steps.slice(at).join('/'))
  }),
)

it.each(described)('%s', (file) => {
  const text = readFileSync(join(ROOT, file), 'utf8')
  const named = [...text.matchAll(PATH)].map(([, path]) => path.replace(/\/$/, ''))
  expect(named.filter((path) => !TO_BE_FILLED_IN.test(path) && !ends.has(path))).toEqual([])
})
