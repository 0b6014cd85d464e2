// Puts a compressed twin beside every built script and style, so that no request waits for its compressing.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync } from 'node:zlib'

const ROOT = join(import.meta.dirname, '..')

for (const workspace of ['player', 'web']) {
  const folder = join(ROOT, workspace, 'dist', 'assets')
  for (const name of readdirSync(folder))
    if (/\.(js|css)$/.test(name)) {
      const path = join(folder, name)
      writeFileSync(`${path}.br`, brotliCompressSync(readFileSync(path)))
    }
}
