// Builds the server into one script with a few beside it, as the interfaces are: read as it stands, file by file, it takes three
// times as long to begin. Packages stay where they are installed.
import { readFileSync, rmSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const dist = join(root, 'server', 'dist')

/** The workspaces are no packages: what is imported of them becomes part of the script. */
const workspaces = {
  name: 'workspaces',
  setup(building) {
    building.onResolve({ filter: /^@fernbrake\// }, ({ path }) => {
      const [, workspace, ...inside] = path.split('/')
      return { path: join(root, workspace, ...inside, 'index.ts') }
    })
  },
}

/** Whoever asks where it stands is told where its source does: what lies beside that is not built. */
const places = {
  name: 'places',
  setup(building) {
    building.onLoad({ filter: /\.ts$/ }, ({ path }) => {
      const source = readFileSync(path, 'utf8')
      if (!source.includes('import.meta.url')) return undefined
      const place = `new URL(${JSON.stringify(relative(dist, path))}, import.meta.url).href`
      return { contents: source.replaceAll('import.meta.url', place), loader: 'ts' }
    })
  },
}

rmSync(dist, { recursive: true, force: true })
await build({
  absWorkingDir: root,
  entryPoints: ['server/main.ts'],
  outdir: 'server/dist',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  sourcemap: true,
  logLevel: 'warning',
  plugins: [workspaces, places],
})
