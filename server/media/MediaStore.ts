// Where media bytes lie. A folder now; an object store can take its place without anyone else noticing.
import type { MediaStore } from '../context.ts'
import { createReadStream } from 'node:fs'
import { copyFile, link, mkdir, rename, rm, stat, statfs } from 'node:fs/promises'
import { basename, dirname, join, resolve, sep } from 'node:path'

/** A store in a folder. Keys are made by us, never from what users write; they still may not leave the folder. */
export function createFolderStore(folder: string): MediaStore {
  const root = resolve(folder)
  const pathTo = (key: string) => {
    const path = resolve(root, key)
    if (!path.startsWith(root + sep)) throw new Error(`The key ${key} leads out of the store`)
    return path
  }
  return {
    async open(key) {
      const path = pathTo(key)
      const found = await stat(path).catch(() => null)
      if (!found?.isFile()) return null
      return {
        bytes: found.size,
        changedAt: found.mtime,
        read: (part) =>
          part
            ? createReadStream(path, { start: part.from, end: part.to })
            : createReadStream(path),
      }
    },
    withFile: (key, work) => work(pathTo(key)),
    async take(key, localPath) {
      const path = pathTo(key)
      await mkdir(dirname(path), { recursive: true })
      await moveInto(localPath, path)
      return (await stat(path)).size
    },
    async hold(key, localPath) {
      const path = pathTo(key)
      await mkdir(dirname(path), { recursive: true })
      const beside = join(dirname(path), `.${basename(path)}.part`)
      await rm(beside, { force: true })
      await linkOrCopy(localPath, beside)
      await rename(beside, path)
      // Where both names have the same bytes already, renaming leaves both.
      await rm(beside, { force: true })
      return (await stat(path)).size
    },
    async copy(from, to) {
      const [source, target] = [pathTo(from), pathTo(to)]
      await mkdir(dirname(target), { recursive: true })
      await linkOrCopy(source, target)
    },
    async remove(key) {
      await rm(pathTo(key), { force: true })
    },
    async freeBytes() {
      await mkdir(root, { recursive: true })
      const { bavail, bsize } = await statfs(root)
      return bavail * bsize
    },
  }
}

/** Files here are never written to, only replaced, so two names may share their bytes. */
async function linkOrCopy(source: string, target: string): Promise<void> {
  await link(source, target).catch(async (error: NodeJS.ErrnoException) => {
    if (error.code !== 'EEXIST') await copyFile(source, target)
  })
}

async function moveInto(from: string, to: string): Promise<void> {
  try {
    await rename(from, to)
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EXDEV') throw error
    // On another file system: copied beside, then renamed, so that a half file never has the final name.
    const beside = join(dirname(to), `.${Date.now()}.part`)
    await copyFile(from, beside)
    await rename(beside, to)
    await rm(from, { force: true })
  }
}
