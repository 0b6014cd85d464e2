// The words at an end. While a class is told later how it did, nothing is said that depends on it.
import { inject } from 'vue'
import { endMessage } from '@fernbrake/core/lesson'
import { ASSIGNMENT } from '../ui/about.ts'

type EndMessage = (
  ending: Parameters<typeof endMessage>[0],
  score: { points: number; max: number },
) => string

export function useEndMessage(): EndMessage {
  const assignment = inject(ASSIGNMENT, null)
  return (ending, score) => endMessage(ending, assignment?.value?.tells === false ? null : score)
}
