// The rules that need to know types: each is refused where it is planted, in a file and in a component, where it stands.
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { typedFaults } from './typed.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..')
const KEPT = `export async function keep(): Promise<void> {}\n`
const FLOATING = `import { keep } from './kept.ts'\nkeep()\n`
const AWAITED = `import { keep } from './kept.ts'\nawait keep()\n`
const switchOf = (...cases) =>
  [
    `const kind = JSON.parse('"a"') as 'a' | 'b'`,
    'switch (kind) {',
    ...cases.map((one) => `  case '${one}':\n    break`),
    '}\n',
  ].join('\n')
const component = (script) =>
  `<script setup lang="ts">\n${script}</script>\n<template><p /></template>\n`

let house
beforeEach(() => {
  house = mkdtempSync(join(tmpdir(), 'fernbrake-typed-'))
  symlinkSync(join(root, 'node_modules'), join(house, 'node_modules'))
  for (const name of ['.oxlintrc.json', 'tsconfig.base.json'])
    cpSync(join(root, name), join(house, name))
  mkdirSync(join(house, 'room'))
  const settings = { extends: '../tsconfig.base.json', include: ['**/*.ts'] }
  writeFileSync(join(house, 'room', 'tsconfig.json'), JSON.stringify(settings))
  writeFileSync(join(house, 'room', 'kept.ts'), KEPT)
})
afterEach(() => rmSync(house, { recursive: true, force: true }))

function faultsOf(name, text) {
  writeFileSync(join(house, 'room', name), text)
  return typedFaults(house, ['room'])
}

it.each([
  ['planted.ts', FLOATING, 'no-floating-promises', 'room/planted.ts:2'],
  ['planted.ts', `${switchOf('a')}export {}\n`, 'switch-exhaustiveness-check', 'room/planted.ts:2'],
  ['Planted.vue', component(FLOATING), 'no-floating-promises', 'room/Planted.vue:3'],
  ['Planted.vue', component(switchOf('a')), 'switch-exhaustiveness-check', 'room/Planted.vue:3'],
])('%s is refused', (name, text, rule, place) => {
  const faults = faultsOf(name, text)
  expect(faults).toContain(rule)
  expect(faults).toContain(place)
})

it.each([
  ['planted.ts', `${AWAITED}${switchOf('a', 'b')}`],
  ['Planted.vue', component(AWAITED + switchOf('a', 'b'))],
])('%s is let be', (name, text) => expect(faultsOf(name, text)).toBe(''))
