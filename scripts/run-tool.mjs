// Runs a tool of e2e/ (bench, screenshots) with a database of its own, after installing what is missing.
import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { needBuild } from './lib/build.mjs'
import { runProgram } from './lib/children.mjs'
import { needPackages } from './lib/debian.mjs'
import { needNpmPackages } from './lib/npmPackages.mjs'
import { giveUp } from './lib/say.mjs'
import { withTestDatabase } from './lib/testDatabase.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const [file, ...args] = process.argv.slice(2)
needPackages(['postgresql', 'ffmpeg', 'fonts-dejavu-core', 'poppler-utils', 'chromium'])
needNpmPackages(root)
await needBuild(root).catch(({ message }) => giveUp(message))
await withTestDatabase((env) => runProgram(root, file, args, env), { durable: true })
