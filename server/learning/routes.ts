// Which routes about learning are answered by what.
import type { Person } from '@fernbrake/core/contract'
import { problemWords } from '@fernbrake/core/words'
import type { Context } from '../context.ts'
import { languageOfRequest } from '../http/language.ts'
import { type Part, whoCalls } from '../http/handlers.ts'
import { sendStored } from '../http/sendStored.ts'
import { beginSession } from '../http/session.ts'
import {
  describeLink,
  linkCover,
  listAttempts,
  openLink,
  readAttempt,
  readWaysAt,
} from './attempts.ts'
import { acceptRecords } from './records.ts'
import { sendHandedFile } from './sendHandedFile.ts'
import { readTally } from './tallies.ts'

export function learningRoutes(
  context: Context,
  /** Makes an account for whoever comes in by name alone. */
  welcomeGuest: (name: string | undefined) => Promise<Person>,
): Part<
  | 'link'
  | 'linkCover'
  | 'openLink'
  | 'myAttempts'
  | 'attempt'
  | 'ways'
  | 'tally'
  | 'handedFile'
  | 'sendRecords'
> {
  return {
    link: ({ params, person }) => describeLink(context, params.code, person),
    linkCover: async ({ params, person, response }) => {
      const file = await linkCover(context, params.code, person)
      await sendStored(context.store, file, response)
      return undefined
    },
    openLink: async ({ params, body, person, request }) => {
      if (!person) await describeLink(context, params.code, null)
      const learner = person ?? (await welcomeGuest(body.name))
      if (!person) await beginSession(request, learner.id)
      return { attemptId: await openLink(context, params.code, learner) }
    },
    myAttempts: async (call) => ({ attempts: await listAttempts(context, whoCalls(call)) }),
    attempt: ({ params }) => readAttempt(context, params.attemptId),
    ways: ({ params }) => readWaysAt(context, params.attemptId, params.placeId),
    tally: ({ params }) => readTally(context, params.attemptId, params.questionId),
    handedFile: async ({ params: { attemptId, fileId: id }, response }) => {
      await sendHandedFile(context, { attemptId, id }, response)
      return undefined
    },
    sendRecords: async ({ params, body, request }) => {
      const { refused, ...reply } = await acceptRecords(context, params.attemptId, body)
      const { refusals } = problemWords(languageOfRequest(request))
      return { ...reply, refused: refused.map((one) => ({ ...one, message: refusals[one.code] })) }
    },
  }
}
