// The sizes of functions and files, and the place of SQL: each is refused where it is planted, and lists of exceptions shrink.
import { ESLint } from 'eslint'
import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { LONG_FUNCTIONS } from './exceptions.mjs'
import { looseExceptions } from './sizes.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..')
const eslint = new ESLint({ cwd: root })
const lines = (count) => Array.from({ length: count }, (_, at) => `  at.push(${at})`).join('\n')
const functionOf = (count) =>
  `export function planted(at: number[]): void {\n${lines(count - 2)}\n}\n`

/** The rules that a text breaks in this place. */
async function brokenIn(filePath, text) {
  const [{ messages }] = await eslint.lintText(text, { filePath: `${root}/${filePath}` })
  return messages.map(({ ruleId, message }) => ruleId ?? message)
}

describe('is refused', () => {
  it.each([
    ['server/lessons/planted.ts', functionOf(81), 'max-lines-per-function'],
    ['core/lesson/planted.ts', `${lines(401)}\n`.replaceAll('at.push', 'console.log'), 'max-lines'],
    ['server/lessons/planted.ts', 'export const sql = `SELECT 1 FROM x`\n', 'no-restricted-syntax'],
    ['web/src/planted.ts', 'export const at = { ...{ a: 1 } }\n', 'no-restricted-syntax'],
    ['server/lessons/planted.ts', 'export const at = [...[1, 2]]\n', 'no-restricted-syntax'],
    [
      'core/lesson/planted.ts',
      `export const is = (one: { kind: string }) => one.kind === 'gaps'\n`,
      'no-restricted-syntax',
    ],
    ...['part.kind', 'part?.kind', 'part.part.kind', 'part.part?.kind'].map((asked) => [
      'server/lessons/planted.ts',
      `export const is = (part: never) => ${asked} === 'still'\n`,
      'no-restricted-syntax',
    ]),
    ['server/http/planted.ts', `export const sql = 'DELETE FROM x'\n`, 'no-restricted-syntax'],
    [
      'server/routes/planted.ts',
      'export const sql = `\n  WITH x AS (SELECT 1)`\n',
      'no-restricted-syntax',
    ],
  ])('in %s', async (file, text, rule) => expect(await brokenIn(file, text)).toEqual([rule]))
})

describe('is let be', () => {
  it.each([
    ['server/lessons/planted.ts', functionOf(80)],
    ['server/lessons/queries/planted.ts', 'export const sql = `SELECT 1 FROM x`\n'],
    ['server/lessons/planted.ts', `export const words = 'Select one, or update it.'\n`],
    ['core/lesson/planted.ts', `export const words = 'UPDATE'\n`],
    [
      'core/lesson/planted.ts',
      `export const is = (medium: { kind: string }) => medium.kind === 'film'\n`,
    ],
    ['core/lesson/planted.ts', 'export const at = [...[1].map(String), ...(at ? [2] : [])]\n'],
  ])('in %s', async (file, text) => expect(await brokenIn(file, text)).toEqual([]))
})

it('an exception that allows more than there is has to go', async () => {
  const [file] = Object.keys(LONG_FUNCTIONS)
  const loose = { [file]: LONG_FUNCTIONS[file] + 1, 'server/settings.ts': 80 }
  expect(await looseExceptions(root, loose)).toHaveLength(2)
  expect(await looseExceptions(root, { [file]: LONG_FUNCTIONS[file] })).toEqual([])
})
