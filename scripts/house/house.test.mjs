// Plants a violation of each rule in a small house, and sees each refused; the same house without them keeps to all.
import { mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterEach, beforeEach, expect, it } from 'vitest'
import { filesOf, FOLDERS, look } from './look.mjs'

const { forbidden } = createRequire(import.meta.url)('./rules.cjs')
const realRoot = resolve(dirname(fileURLToPath(import.meta.url)), '../..')

/** A house with every room and nothing wrong in it. */
const SOUND = {
  'core/fields/index.ts': `export * from './text.ts'`,
  'core/fields/text.ts': `export type Words = string\nexport const words: Words = ''`,
  'core/lesson/index.ts': `import { words } from '../fields/index.ts'\nexport const title = words`,
  'player/ui/Film.vue': `<script setup lang="ts">\nimport { title } from '@fernbrake/core/lesson'\nimport type { Host } from '../hosts/Host.ts'\ndefineProps<{ host: Host }>()\nconst shown = title\n</script>\n<template><p>{{ shown }}</p></template>`,
  'player/hosts/Host.ts': `export interface Host { id: string }`,
  'player/hosts/server/index.ts': `import type { Host } from '../Host.ts'\nexport const host: Host = { id: '' }`,
  'player/main.ts': `import Film from './ui/Film.vue'\nimport { host } from './hosts/server/index.ts'\nconsole.log(Film, host)`,
  'web/src/main.ts': `import { title } from '@fernbrake/core/lesson'\nconsole.log(title)`,
  'server/main.ts': `import { serve } from './lessons/drafts.ts'\nconsole.log(serve)`,
  'server/lessons/drafts.ts': `import { title } from '@fernbrake/core/lesson'\nexport const serve = title\nexport type Serve = string`,
  'demo/load.ts': `import { serve } from '../server/lessons/drafts.ts'\nconsole.log(serve)`,
  'e2e/tests/story.spec.ts': `import { title } from '@fernbrake/core/lesson'\nconsole.log(title)`,
  'scripts/start.mjs': `import { say } from './say.mjs'\nsay()`,
  'scripts/say.mjs': `export const say = () => undefined`,
}

/** What is planted, by the rule that refuses it: files, of which the first is the one that is named. */
const PLANTED = {
  'server-looks-down': {
    'server/media/up.ts': `import type { Serve } from '../lessons/drafts.ts'\nexport type Up = Serve`,
  },
  'server-has-rooms': {
    'server/lessons/astray.ts': `import { attic } from '../attic/attic.ts'\nexport const astray = attic`,
    'server/attic/attic.ts': `export const attic = 1`,
  },
  'no-circles': {
    // Type-only, as nobody sees it who looks at what is built.
    'e2e/bench/one.ts': `import type { Two } from './two.ts'\nexport type One = Two`,
    'e2e/bench/two.ts': `import type { One } from './one.ts'\nexport type Two = One | null`,
  },
  'core-stands-alone': {
    'core/lesson/late.ts': `import type { Host } from '../../player/hosts/Host.ts'\nexport type Late = Host`,
  },
  'core-knows-no-machine': {
    'core/lesson/disk.ts': `import { readFileSync } from 'node:fs'\nexport const disk = readFileSync`,
  },
  'core-by-its-doors': {
    'core/lesson/side.ts': `import { words } from '../fields/text.ts'\nexport const side = words`,
  },
  'player-knows-core-only': {
    'player/ui/Desk.vue': `<script setup lang="ts">\nimport { serve } from '../../server/lessons/drafts.ts'\nconst shown = serve\n</script>\n<template><p>{{ shown }}</p></template>`,
  },
  'player-is-light': {
    'player/ui/Heavy.vue': `<script setup lang="ts">\nimport Button from 'primevue/button'\nconst shown = Button\n</script>\n<template><p>{{ shown }}</p></template>`,
  },
  'hosts-are-handed-in': {
    'player/session/own.ts': `import { host } from '../hosts/server/index.ts'\nexport const own = host`,
  },
  'web-knows-no-server': {
    'web/src/near.ts': `import { serve } from '../../server/lessons/drafts.ts'\nexport const near = serve`,
  },
  'server-knows-no-screen': {
    'server/settings.ts': `import '../player/main.ts'\nexport const settings = {}`,
  },
  'demo-is-no-foundation': {
    'scripts/shown.mjs': `import '../demo/load.ts'\nexport const shown = 1`,
  },
  'express-stays-above': {
    'server/lessons/asked.ts': `import type { Response } from 'express'\nexport type Asked = Response`,
  },
  'everything-is-there': {
    'web/src/lost.ts': `import { gone } from './gone.ts'\nexport const lost = gone`,
  },
  'packages-are-listed': {
    'web/src/lucky.ts': `import { lucky as found } from 'lucky'\nexport const lucky = found`,
  },
  'doors-from-outside': {
    'server/lessons/inside.ts': `import { words } from '../../core/fields/text.ts'\nexport const inside = words`,
  },
  'no-orphans': { 'web/src/forgotten.ts': `export const forgotten = 1` },
}

let root
function put(files) {
  for (const [file, content] of Object.entries(files)) {
    mkdirSync(dirname(join(root, file)), { recursive: true })
    writeFileSync(join(root, file), `${content}\n`)
  }
}
/** A package that is there; only what a package.json lists may be used. */
const installed = (name, file) => ({
  [`node_modules/${name}/package.json`]: JSON.stringify({ name, version: '1.0.0', main: file }),
  [`node_modules/${name}/${file}`]: 'export default 1',
})

beforeEach(() => {
  root = mkdtempSync(join(tmpdir(), 'fernbrake-house-'))
  const dependencies = { '@fernbrake/core': '1', express: '1', primevue: '1' }
  put({
    'package.json': JSON.stringify({ name: 'small', type: 'module', dependencies }),
    'core/package.json': JSON.stringify({
      name: '@fernbrake/core',
      type: 'module',
      exports: { './*': './*/index.ts' },
    }),
    'tsconfig.base.json': JSON.stringify({
      compilerOptions: { module: 'esnext', moduleResolution: 'bundler' },
    }),
    ...installed('express', 'index.js'),
    ...installed('lucky', 'index.js'),
    ...installed('primevue', 'button.js'),
    ...SOUND,
  })
  mkdirSync(join(root, 'node_modules/@fernbrake'))
  symlinkSync('../../core', join(root, 'node_modules/@fernbrake/core'))
})
afterEach(() => rmSync(root, { recursive: true, force: true }))

it('a sound house keeps to every rule, and every file of it is read', async () => {
  const { violations, unread, read } = await look(root)
  expect(violations).toEqual([])
  expect(unread).toEqual([])
  expect([...read].filter((file) => file in SOUND).sort()).toEqual(Object.keys(SOUND).sort())
})

it('what breaks a rule is refused by that rule', async () => {
  for (const files of Object.values(PLANTED)) put(files)
  const { violations, unread } = await look(root)
  expect(unread).toEqual([])
  for (const [rule, files] of Object.entries(PLANTED)) {
    const found = violations.filter((one) => one.rule === rule).map(({ from }) => from)
    expect([rule, found]).toEqual([rule, expect.arrayContaining([Object.keys(files)[0]])])
    expect([rule, found.every((from) => from in files)]).toEqual([rule, true])
  }
})

it('there is a plant for every rule', () => {
  const names = new Set(forbidden.map(({ name }) => name))
  expect(Object.keys(PLANTED).sort()).toEqual([...names].sort())
})

it('the files that are looked for are those of the house, components too', () => {
  const files = filesOf(realRoot)
  for (const file of ['server/settings.ts', 'player/ui/FilmPlayer.vue', 'scripts/house/look.mjs'])
    expect(files).toContain(file)
  expect(files.filter((file) => /node_modules|\/dist\//.test(file))).toEqual([])
  expect(new Set(files.map((file) => file.split('/')[0]))).toEqual(new Set(FOLDERS))
})
