// Files that are handed in where nothing is kept.
import type { HandedFiles, HandedFileState } from './Host.ts'

/** Files that are forgotten with the page. */
export function filesInMemory(): HandedFiles {
  const kept = new Map<string, { state: HandedFileState; content: Blob }>()
  return {
    put(_questionId, name, content) {
      const id = `preview-file-${kept.size + 1}`
      const [bytes, sentBytes] = [content.size, content.size]
      const state: HandedFileState = { id, name, bytes, sentBytes, state: 'there' }
      kept.set(id, { state, content })
      return Promise.resolve(state)
    },
    state: (id) => kept.get(id)?.state ?? null,
    onState: () => () => undefined,
    drop: () => Promise.resolve(),
    address: (id) => (kept.has(id) ? URL.createObjectURL(kept.get(id)!.content) : ''),
  }
}
