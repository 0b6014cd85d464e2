// Captions and scripts: the same lines, with numbers in a file and with ids in a lesson.
import { linesInOrder, type Script } from '../lesson/index.ts'
import type { CaptionLine, CarriedCaptions } from './captions.ts'

export interface Captions {
  lines: CaptionLine[]
  carried?: CarriedCaptions
}

/** A script as captions, to be written to a file. */
export function captionsOf(script: Script): Captions {
  const lines = linesInOrder(script)
  if (!script.carried) return { lines }
  const { format, header, blocks } = script.carried
  const numberOf = (id: string | null) => {
    const index = lines.findIndex((line) => line.id === id)
    // The line before which a block stood may be gone: then it stands at the end.
    return index < 0 ? null : index
  }
  const placed = blocks.map(({ before, text }) => ({ before: numberOf(before), text }))
  return { lines, carried: { format, header, blocks: placed } }
}

/** Captions as what a script is made of; `newId` makes the ids of its lines. */
export function scriptFrom(
  { lines, carried }: Captions,
  newId: () => string,
): Pick<Script, 'carried'> & { lines: (CaptionLine & { id: string })[] } {
  const withIds = lines.map((line) => ({ id: newId(), ...line }))
  if (!carried) return { lines: withIds }
  const { format, header, blocks } = carried
  const placed = blocks.map(({ before, text }) => ({
    before: before === null ? null : withIds[before]!.id,
    text,
  }))
  return { lines: withIds, carried: { format, header, blocks: placed } }
}
