// What shows a part that is no film is given, by the lesson and by whoever fetches it first.
import type { Host, HostState, OpenedLesson } from '../hosts/Host.ts'
import type { PartsState } from '../ui/partsState.ts'

export interface PartProps {
  host: Host
  opened: OpenedLesson
  hostState: HostState
  /** Beside the title: whose sitting this is. */
  aside: string
  parts: PartsState
  /** Whether the learner came here from another part. */
  takesFocus: boolean
}
