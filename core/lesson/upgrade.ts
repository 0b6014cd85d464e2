// Older lesson documents, brought up to this version's shape. Each step knows only the shape before and after it.
import { emptyEnding } from './parts/base.ts'
import { LESSON_SCHEMA_VERSION } from './schema.ts'

type Document = Record<string, unknown> & { schemaVersion?: unknown }

const STEPS: Record<number, (document: Document) => Document> = {
  // Version 2 has an ending.
  1: (document) => ({ ...document, schemaVersion: 2, ending: emptyEnding() }),
}

/**
 * The document in this version's shape; what is of this version, newer or no lesson at all comes back as it is, for
 * the check to judge.
 */
export function upgradeLesson(document: unknown): unknown {
  let current = document
  for (;;) {
    if (typeof current !== 'object' || current === null) return current
    const { schemaVersion } = current as Document
    if (typeof schemaVersion !== 'number' || schemaVersion >= LESSON_SCHEMA_VERSION) return current
    const step = STEPS[schemaVersion]
    if (!step) return current
    current = step(current as Document)
  }
}
