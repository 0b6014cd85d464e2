// A package without the demo: what it holds, and that it runs by itself.
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { createHome } from './lib/commands.testing.mjs'

const ROOT = join(import.meta.dirname, '..')
const holder = mkdtempSync(join(tmpdir(), 'fernbrake-package-'))
const packed = join(holder, 'packed')
const pack = (folder) =>
  spawnSync(process.execPath, ['scripts/package.mjs', folder], { cwd: ROOT, encoding: 'utf8' })
let home
beforeAll(async () => (home = await createHome(packed)))
afterAll(async () => {
  await home.clear()
  rmSync(holder, { recursive: true, force: true })
})

it('holds what runs, and neither the demo nor sources of the interface nor tests', () => {
  expect(pack(packed).stdout).toContain('Begin there with npm start')
  expect(readdirSync(packed).sort()).toEqual([
    'core',
    'package-lock.json',
    'package.json',
    'player',
    'scripts',
    'server',
    'tsconfig.base.json',
    'web',
  ])
  const files = readdirSync(packed, { recursive: true })
  expect(files.filter((name) => /\btest|\.vue$|^demo/.test(name))).toEqual([])
})

it('installs itself, begins with a keeper alone, makes accounts and goes on with its data', async () => {
  const first = await home.begin('data')
  expect(first.said()).toContain('Sign in as keeper@fernbrake.example')
  expect((await fetch(`http://127.0.0.1:${home.port}/`)).status).toBe(200)
  const { demoAccounts } = await (await fetch(`http://127.0.0.1:${home.port}/api/session`)).json()
  expect(demoAccounts).toEqual([])
  await first.end()
  const made = home.run('account.mjs', 'data', 'a@harrowmere.example', 'designer', 'Ada Fell')
  expect(made.stdout).toContain('can sign in')
  const again = await home.begin('data')
  expect(again.said()).not.toContain('Sign in as')
  await again.end()
})

it('goes into no folder that holds something', () => {
  const taken = mkdtempSync(join(holder, 'taken-'))
  writeFileSync(join(taken, 'letter.txt'), 'dear')
  const refused = pack(taken)
  expect([refused.status, refused.stderr]).toEqual([1, expect.stringContaining('is not empty')])
  expect(readdirSync(taken)).toEqual(['letter.txt'])
})
