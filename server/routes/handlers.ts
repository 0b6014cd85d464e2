// All handlers of the contract, room by room.
import { assignmentRoutes, classRoutes } from '../classes/routes.ts'
import { learningRoutes } from '../learning/routes.ts'
import { findingRoutes, lessonRoutes, questionRoutes, sharingRoutes } from '../lessons/routes.ts'
import { mediaRoutes } from '../media/routes.ts'
import { keepingRoutes, peopleRoutes } from '../people/routes.ts'
import { markingRoutes, reportRoutes, resultRoutes } from '../results/routes.ts'
import { talkRoutes } from '../talk/routes.ts'
import { webRoutes } from '../web/routes.ts'
import { contract, type Person } from '@fernbrake/core/contract'
import type { Context } from '../context.ts'
import { isAnswering, within } from '../database/connect.ts'
import { HttpError } from '../http/HttpError.ts'
import type { Handlers, Part } from '../http/handlers.ts'
import { describeApi } from '../http/openapi.ts'
import { createGuest } from '../people/people.ts'
import { countActivity, countNewReplies } from '../talk/queries/talk.ts'

/** How long the database may take to say that it is there, in ms. */
const HEALTH_LIMIT_MS = 5000

export function createHandlers(context: Context): Handlers {
  const ask = within(context.database)
  return {
    ...generalRoutes(context),
    ...peopleRoutes(context),
    ...keepingRoutes(context),
    ...lessonRoutes(context),
    ...sharingRoutes(context),
    ...findingRoutes(context),
    ...questionRoutes(context),
    ...mediaRoutes(context),
    ...learningRoutes(context, welcomeGuest),
    ...classRoutes(context),
    ...assignmentRoutes(context, {
      activity: (assignmentId) => countActivity(ask, assignmentId),
      newReplies: (personId, assignmentIds) => countNewReplies(ask, personId, assignmentIds),
    }),
    ...talkRoutes(context),
    ...resultRoutes(context),
    ...markingRoutes(context),
    ...reportRoutes(context),
    ...webRoutes(context),
  }
}

function generalRoutes({ database, version }: Context): Part<'health' | 'openapi'> {
  // Made when it is first asked for: it takes a second that a start need not wait for.
  let description: ReturnType<typeof describeApi> | undefined
  return {
    health: async ({ response }) => {
      const isThere = await Promise.race([
        isAnswering(database).then(
          () => true,
          () => false,
        ),
        new Promise<boolean>((resolve) => setTimeout(resolve, HEALTH_LIMIT_MS, false).unref()),
      ])
      const health = {
        status: isThere ? 'ok' : 'unavailable',
        database: isThere ? 'ok' : 'away',
        version,
      } as const
      if (!isThere) response.status(503).json(health)
      return contract.health.reply!.parse(health)
    },
    openapi: () => Promise.resolve((description ??= describeApi(version))),
  }
}

async function welcomeGuest(name: string | undefined): Promise<Person> {
  if (name === undefined)
    throw new HttpError('invalid-input', {
      issues: [{ path: ['body', 'name'], code: 'missing', message: 'needs a name' }],
    })
  return createGuest(name)
}
