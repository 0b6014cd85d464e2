// What shows a quiz is given, by the lesson and by whoever fetches it first.
import type { QuizPart } from '@fernbrake/core/lesson'
import type { Host, HostState, OpenedLesson } from '../hosts/Host.ts'
import type { PartsState } from '../ui/partsState.ts'

export interface QuizProps {
  host: Host
  opened: OpenedLesson
  quiz: QuizPart
  hostState: HostState
  /** Beside the title: whose sitting this is. */
  aside: string
  parts: PartsState
  /** Whether the learner came here from another part. */
  takesFocus: boolean
}
