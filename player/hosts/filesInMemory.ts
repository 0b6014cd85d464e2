// Files that are handed in where nothing is kept.
import type { HandedFiles, HandedFileState } from './Host.ts'

/** Files that are forgotten with the page. */
export function filesInMemory(): HandedFiles {
  let made = 0
  const kept = new Map<string, { state: HandedFileState; address: string }>()
  return {
    put(_questionId, name, content) {
      const id = `preview-file-${(made += 1)}`
      const [bytes, sentBytes] = [content.size, content.size]
      const state: HandedFileState = { id, name, bytes, sentBytes, state: 'there' }
      kept.set(id, { state, address: URL.createObjectURL(content) })
      return Promise.resolve(state)
    },
    state: (id) => kept.get(id)?.state ?? null,
    onState: () => () => undefined,
    drop(id) {
      const one = kept.get(id)
      if (one) URL.revokeObjectURL(one.address)
      kept.delete(id)
      return Promise.resolve()
    },
    address: (id) => kept.get(id)?.address ?? '',
  }
}
