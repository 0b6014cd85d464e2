// What the pages that are opened most, and with most to show, are asked for while they are still on their way themselves. It must be what
// they ask for first, word for word: what is not fetched is asked for in vain.
import type { RouteLocationNormalized } from 'vue-router'
import type { Source } from '@fernbrake/core/contract'
import { askAhead } from './api/client.ts'
import { FIRST_LOOK } from './marking/firstLook.ts'

const HOME_ALL = ['myAttempts', 'myWork'] as const
const HOME_DESIGNER = ['lessons', 'collections', 'piles', 'enquiries'] as const

export function askForHome(_to: RouteLocationNormalized, isDesigner: boolean): void {
  for (const name of [...(isDesigner ? HOME_DESIGNER : []), ...HOME_ALL]) askAhead(name)
}

export const askForBench = ({ params }: RouteLocationNormalized): void =>
  askAhead('lesson', { params: { lessonId: String(params.lessonId) } })

export const askForDesk = ({ params }: RouteLocationNormalized): void =>
  askAhead('pile', {
    params: { source: params.source as Source, sourceId: String(params.sourceId) },
    query: FIRST_LOOK,
  })
