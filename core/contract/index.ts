// The only door of core/contract: the HTTP and socket API as schemas, for server, web and tests alike.
import { z } from 'zod'
import { assignmentRoutes } from './assignments.ts'
import { attemptRoutes } from './attempts.ts'
import { classRoutes } from './classes.ts'
import { findingRoutes } from './finding.ts'
import { keepingRoutes } from './keeping.ts'
import { lessonRoutes } from './lessons.ts'
import { mailboxRoutes } from './mailbox.ts'
import { markingRoutes } from './marking.ts'
import { materialRoutes } from './material.ts'
import { mediaRoutes } from './media.ts'
import { peopleRoutes } from './people.ts'
import { questionRoutes } from './questions.ts'
import { reportRoutes } from './reports.ts'
import { route } from './route.ts'
import { sharingRoutes } from './sharing.ts'
import { talkRoutes } from './talk.ts'
import { webRoutes } from './web.ts'

export const healthSchema = z.strictObject({
  status: z.enum(['ok', 'unavailable']),
  database: z.enum(['ok', 'away']),
  version: z.string(),
})

export const contract = {
  health: route('health', 'public', 'Whether the server and its database are well', {
    reply: healthSchema,
  }),
  openapi: route('openapi', 'public', 'This description', {
    reply: z.record(z.string(), z.unknown()),
  }),
  ...peopleRoutes,
  ...lessonRoutes,
  ...mediaRoutes,
  ...materialRoutes,
  ...questionRoutes,
  ...attemptRoutes,
  ...sharingRoutes,
  ...findingRoutes,
  ...webRoutes,
  ...classRoutes,
  ...assignmentRoutes,
  ...talkRoutes,
  ...markingRoutes,
  ...mailboxRoutes,
  ...reportRoutes,
  ...keepingRoutes,
}

export type Contract = typeof contract

export * from './addresses.ts'
export * from './assignments.ts'
export * from './attempts.ts'
export * from './credits.ts'
export * from './classes.ts'
export * from './finding.ts'
export * from './keeping.ts'
export * from './questions.ts'
export * from './lessons.ts'
export * from './limits.ts'
export * from './material.ts'
export * from './mailbox.ts'
export * from './marking.ts'
export * from './media.ts'
export * from './mediaAddresses.ts'
export * from './people.ts'
export * from './problem.ts'
export { OWN_PROBLEMS, ownProblemIn, ownProblemType } from './ownProblem.ts'
export * from './reports.ts'
export * from './sharing.ts'
export * from './sharingChoices.ts'
export * from './sockets.ts'
export * from './talk.ts'
export * from './web.ts'
export {
  BODY_LIMIT,
  type Access,
  type BodyOf,
  type ParamsOf,
  type QueryOf,
  type ReplyOf,
  type RouteSpec,
} from './route.ts'
