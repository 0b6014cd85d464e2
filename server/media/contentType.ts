// What a file is by what stands in it, whatever its name and its sender say.
import { fileTypeFromFile } from 'file-type'
import { open } from 'node:fs/promises'
import { TextDecoder } from 'node:util'

/** So much of a file is looked at to tell whether it is words. */
const LOOKED_AT_BYTES = 1_000_000

/** The content type of a file and its usual ending; null where it is nothing that is known. */
export async function typeOf(path: string): Promise<{ mime: string; ext: string } | null> {
  const found = await fileTypeFromFile(path).catch(() => undefined)
  if (found) return found
  // Words alone have no mark of their own in their first bytes.
  return (await isPlainText(path)) ? { mime: 'text/plain', ext: 'txt' } : null
}

async function isPlainText(path: string): Promise<boolean> {
  const file = await open(path)
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(LOOKED_AT_BYTES))
    const start = buffer.subarray(0, bytesRead)
    // A letter may be cut in two at the end of what was read.
    new TextDecoder('utf-8', { fatal: true }).decode(start, { stream: true })
    return bytesRead > 0 && !start.includes(0)
  } catch {
    return false
  } finally {
    await file.close()
  }
}
