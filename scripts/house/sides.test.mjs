// Styles name sides by the way a text runs, so that a page turns with its language; what is drawn on a picture stays.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'

const ROOT = join(import.meta.dirname, '..', '..')
/** Marks that are put on a point of a picture, and moved back by half of what they are. */
const ON_PICTURES = [
  'player/parts/still/StillPicture.vue',
  'player/questions/AreaShapes.vue',
  'web/src/bench/questions/PlaceHandles.vue',
]
const SIDED =
  /^\s*((margin|padding|border)-(left|right)\b|text-align: (left|right)|float: (left|right))/
/** Top, right, bottom, left: the second and the last differ. */
const FOUR = /^\s*(margin|padding): (\S+) (\S+) (\S+) (\S+);/

const isSided = (line) => {
  const four = FOUR.exec(line)
  return SIDED.test(line) || (four !== null && four[3] !== four[5])
}

it('no style names a side of the screen where it means the beginning or the end of a line', () => {
  const files = ['web/src', 'player'].flatMap((folder) =>
    readdirSync(join(ROOT, folder), { recursive: true })
      .map((name) => `${folder}/${name}`)
      .filter((name) => /\.(vue|css)$/.test(name) && !/\/(dist|node_modules)\//.test(name)),
  )
  expect(files.length).toBeGreaterThan(200)
  const found = files
    .filter((name) => !ON_PICTURES.includes(name))
    .flatMap((name) =>
      readFileSync(join(ROOT, name), 'utf8')
        .split('\n')
        .flatMap((line, at) => (isSided(line) ? [`${name}:${at + 1}${line}`] : [])),
    )
  expect(found).toEqual([])
})

it('tells such a line from others', () => {
  const sided = [
    '  margin-left: 4px;',
    '  border-right-color: red;',
    '  text-align: left;',
    '  padding: 1px 2px 3px 4px;',
  ]
  const fine = [
    '  margin-inline: 4px;',
    '  padding: 1px 2px 3px 2px;',
    '  text-align: start;',
    '  left: 50%;',
  ]
  expect(sided.map(isSided)).toEqual(sided.map(() => true))
  expect(fine.map(isSided)).toEqual(fine.map(() => false))
})
