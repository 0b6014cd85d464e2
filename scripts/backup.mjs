// npm run backup: writes a backup of everything into a new folder, whether Fernbrake runs or not.
//   npm run backup -- [folder]      fernbrake-backup-<date and time> in this folder, unless another is named
import { existsSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { writeBackup } from './lib/backups.mjs'
import { needPackages } from './lib/debian.mjs'
import { openPostgres } from './lib/postgres.mjs'
import { giveUp, say } from './lib/say.mjs'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')
const dataFolder = resolve(process.env.FERNBRAKE_DATA ?? join(root, '.data'))
const stamp = new Date().toISOString().slice(0, 19).replaceAll(':', '-')
const folder = resolve(process.argv[2] ?? `fernbrake-backup-${stamp}`)

if (existsSync(folder)) giveUp(`${folder} is there already. Name a new folder.`)
needPackages(['postgresql'])
const postgres = await openPostgres(dataFolder).catch((error) => giveUp(error.message))
try {
  const { files, missing } = await writeBackup({
    postgres,
    database: 'fernbrake',
    dataFolder,
    folder,
  })
  say(`The backup is in ${folder}: ${files} files, each checked. Keep it on another disk.`)
  for (const key of missing)
    console.error(`Missing: the database names media/${key}, and there is no such file.`)
  if (missing.length > 0) process.exitCode = 1
} catch (error) {
  console.error(`There is no backup: ${error.message}`)
  process.exitCode = 1
} finally {
  await postgres.stop()
}
