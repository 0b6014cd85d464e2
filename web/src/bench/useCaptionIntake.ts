// Captions on their way into a script: read in the worker, in doubt shown before they are taken, and told what was not read.
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef } from 'vue'
import { scriptFrom, type CaptionFault, type Encoding } from '@fernbrake/core/formats'
import { edits } from '@fernbrake/core/lesson'
import type { ReadFile } from './captions.worker.ts'
import { readCaptionFile } from './readCaptionFile.ts'
import type { useBench } from './useBench.ts'

/** A fault of the file, or of reaching it. */
export type IntakeFault = Pick<CaptionFault, 'line' | 'mended'> & {
  code: CaptionFault['code'] | 'cannotBeOpened'
}

/** What came of a file. */
export interface IntakeReport {
  name: string
  /** Captions that were taken; 0 where the file was left as it was. */
  taken: number
  faults: readonly IntakeFault[]
  /** Faults that are not listed. */
  more: number
}

export function useCaptionIntake(bench: ReturnType<typeof useBench>, onTaken: () => void) {
  const { places, rights } = bench
  /** Name of the file that is being read. */
  const reading = ref<string | null>(null)
  /** A file of which nobody can be sure which signs it has. */
  const doubt = shallowRef<{ file: File; read: ReadFile } | null>(null)
  const report = shallowRef<IntakeReport | null>(null)

  async function open(file: File, encoding?: Encoding): Promise<ReadFile | null> {
    reading.value = file.name
    const read = await readCaptionFile(file, encoding)
    reading.value = null
    return read
  }

  async function take(file: File | undefined): Promise<void> {
    if (!file || !places.part.value || !rights.canEdit.value) return
    report.value = doubt.value = null
    const read = await open(file)
    if (read?.read.ok && !read.isSure) doubt.value = { file, read }
    else settle(file.name, read)
  }

  /** Shows the same file in another encoding. */
  async function readAs(encoding: Encoding): Promise<void> {
    const file = doubt.value?.file
    const read = file && (await open(file, encoding))
    if (file && read) doubt.value = { file, read }
  }

  function settle(name: string, read: ReadFile | null): void {
    doubt.value = null
    const cannotBeOpened = { line: 1, code: 'cannotBeOpened' } as const
    if (!read) report.value = { name, taken: 0, faults: [cannotBeOpened], more: 0 }
    else if (!read.read.ok) report.value = { name, taken: 0, faults: read.read.faults, more: 0 }
    else bringIn(name, read.read)
  }

  function bringIn(name: string, read: Extract<ReadFile['read'], { ok: true }>): void {
    const partId = places.part.value?.id
    if (!partId) return
    const language = bench.reading.scriptLanguage.value
    const script = scriptFrom(read, () => nanoid(10))
    if (!bench.draft.make(edits.importScript, { id: nanoid(), partId, language, ...script })) return
    const { faults, more } = read
    if (faults.length > 0) report.value = { name, taken: read.lines.length, faults, more }
    onTaken()
  }

  return {
    reading,
    doubt,
    report,
    take,
    readAs,
    /** The signs are right as they are shown. */
    takeAsShown: () => doubt.value && settle(doubt.value.file.name, doubt.value.read),
    leave: () => (doubt.value = null),
    /** Whether it is still what was done last; else it stands in the history. */
    canTakeBack: computed(() => bench.draft.undoName.value === edits.importScript.name),
    /** As if the file had never been brought in. */
    takeBack() {
      bench.draft.undo()
      report.value = null
    },
    close: () => (report.value = null),
  }
}
