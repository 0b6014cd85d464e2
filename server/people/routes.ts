// Which routes about accounts, about what is held of people, and the stand-in mailbox are answered by what.
import type { Context } from '../context.ts'
import { HttpError } from '../http/HttpError.ts'
import { type Part, whoCalls } from '../http/handlers.ts'
import { beginChoosing, beginSession, endSession } from '../http/session.ts'
import {
  addPerson,
  changePerson,
  exportPerson,
  overviewForKeeper,
  removePerson,
  resetPassword,
} from './keeping.ts'
import { findMailFile, listMails } from './mailbox.ts'
import {
  choosePassword,
  describeSession,
  findByCard,
  findByPassword,
  hasPassword,
} from './people.ts'

export function peopleRoutes(
  context: Context,
): Part<'session' | 'signIn' | 'signOut' | 'choosePassword'> {
  return {
    session: ({ person, request }) =>
      describeSession(person, request.session.choosing?.personId ?? null),
    signIn: async ({ body, request }) => {
      const person = await findByPassword(body.email, body.password)
      if (person) {
        await beginSession(request, person.id)
        return describeSession(person)
      }
      const choosing = await findByCard(context, body.email, body.password)
      if (!choosing) throw new HttpError('wrong-password')
      await beginChoosing(request, choosing)
      return describeSession(null, choosing.personId)
    },
    choosePassword: async ({ body, person, request }) => {
      const { choosing } = request.session
      if (!choosing && !person) throw new HttpError('not-signed-in')
      if (!choosing && !(await hasPassword(person!.id, body.before ?? '')))
        throw new HttpError('wrong-password', { reason: 'notTheOldPassword' })
      const who = choosing ?? { personId: person!.id, phrase: null }
      const chosen = await choosePassword(context, who, body.password)
      if (!chosen) throw new HttpError('wrong-password', { reason: 'cardGone' })
      await beginSession(request, chosen.id)
      context.accessChanged({ personId: chosen.id })
      return describeSession(chosen)
    },
    signOut: async ({ request }) => {
      const sessionId = request.sessionID
      await endSession(request)
      context.accessChanged({ sessionId })
      return describeSession(null)
    },
  }
}

export function keepingRoutes(
  context: Context,
): Part<
  | 'keeperOverview'
  | 'addPerson'
  | 'changePerson'
  | 'resetPassword'
  | 'removePerson'
  | 'exportPerson'
  | 'mailbox'
  | 'mailFile'
> {
  return {
    keeperOverview: () => overviewForKeeper(context),
    addPerson: ({ body }) => addPerson(context, body),
    changePerson: ({ params, body }) => changePerson(context, params.personId, body),
    resetPassword: ({ params }) => resetPassword(context, params.personId),
    removePerson: (call) => removePerson(context, whoCalls(call), call.params.personId),
    exportPerson: async ({ params, response }) => {
      const write = await exportPerson(context, params.personId)
      response.attachment('person.zip').type('application/zip')
      await write(response)
      return undefined
    },
    mailbox: (call) => listMails(context, whoCalls(call)),
    mailFile: async (call) => {
      const { name, contentType, content } = await findMailFile(
        context,
        whoCalls(call),
        call.params,
      )
      call.response.attachment(name).type(contentType).send(content)
      return undefined
    },
  }
}
