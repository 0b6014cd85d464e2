// Who takes a medium in charge once it was chosen.
import type { Media } from '@fernbrake/core/contract'
import type { UploadFault } from './useMediaUpload.ts'
import type { Wanted } from './wanted.ts'

/** What outlives the buttons by which media are chosen: they tell it what was chosen, and show how it stands. */
export interface Intake {
  put(file: Blob, name: string): Promise<boolean>
  putAll(files: readonly File[]): Promise<void>
  fetchFrom(wanted: Wanted): Promise<boolean>
  choose(media: Media): void
  /** What is under way, and the share of it that is done, 0 to 1; null while nothing is. */
  readonly going: { step: 'sending' | 'fetching' | 'preparing'; share: number } | null
  /** So many wait behind it. */
  readonly left: number
  readonly fault: UploadFault | null
}
