// Which routes about classes and what they are given are answered by what.
import type { TalkActivity } from '@fernbrake/core/talk'
import { readNow } from './assignmentNow.ts'
import {
  beginAssignment,
  confirmAttempt,
  dropAssignment,
  listAssignments,
  listWork,
  placeAssignment,
  readStanding,
  saveAssignment,
} from './assignments.ts'
import {
  addRoster,
  addTeacher,
  changeClass,
  changeMember,
  createClass,
  dropGroup,
  dropTeacher,
  readClass,
  saveGroup,
} from './classes.ts'
import { describeJoining, joinClass } from './joining.ts'
import { listTaught } from './queries/classes.ts'
import { printCards } from './signInCards.ts'
import type { Context } from '../context.ts'
import { within } from '../database/connect.ts'
import { type Part, whoCalls } from '../http/handlers.ts'
import { languageOfRequest } from '../http/language.ts'
import { originOf } from '../http/security.ts'
import { beginSession } from '../http/session.ts'

/** What the talk says of classes; it is above them. */
export interface TalkCounts {
  /** What each has said, by person. */
  activity(assignmentId: string): Promise<ReadonlyMap<string, TalkActivity>>
  /** What was replied to somebody and not read yet, by assignment. */
  newReplies(
    personId: string,
    assignmentIds: readonly string[],
  ): Promise<ReadonlyMap<string, number>>
}

export function classRoutes(
  context: Context,
): Part<
  | 'classes'
  | 'createClass'
  | 'class'
  | 'changeClass'
  | 'addRoster'
  | 'changeMember'
  | 'saveGroup'
  | 'dropGroup'
  | 'addTeacher'
  | 'dropTeacher'
  | 'signInCards'
  | 'joinInfo'
  | 'join'
> {
  return {
    classes: async (call) => ({
      classes: await listTaught(within(context.database), whoCalls(call).id),
    }),
    createClass: (call) => createClass(context, whoCalls(call), call.body),
    class: ({ params }) => readClass(context, params.classId),
    changeClass: ({ params, body }) => changeClass(context, params.classId, body),
    addRoster: ({ params, body }) => addRoster(context, params.classId, body),
    changeMember: ({ params, body }) => changeMember(context, params, body),
    saveGroup: ({ params, body }) => saveGroup(context, params.classId, body),
    dropGroup: ({ params }) => dropGroup(context, params.classId, params.groupId),
    addTeacher: ({ params, body }) => addTeacher(context, params.classId, body.email),
    dropTeacher: ({ params }) => dropTeacher(context, params.classId, params.personId),
    signInCards: async ({ params, body, request, response }) => {
      const where = { origin: originOf(request), language: languageOfRequest(request) }
      const { pdf } = await printCards(context, params.classId, body, where)
      response
        .type('application/pdf')
        .set('Content-Disposition', 'attachment; filename="cards.pdf"')
      response.send(pdf)
      return undefined
    },
    joinInfo: ({ params, person }) => describeJoining(context, params.code, person),
    join: async ({ params, body, person, request }) => {
      const { person: member, ...reply } = await joinClass(context, params.code, person, body)
      if (!person) await beginSession(request, member.id)
      return reply
    },
  }
}

export function assignmentRoutes(
  context: Context,
  talk: TalkCounts,
): Part<
  | 'assignments'
  | 'saveAssignment'
  | 'placeAssignment'
  | 'dropAssignment'
  | 'assignmentStanding'
  | 'assignmentNow'
  | 'myWork'
  | 'beginAssignment'
  | 'confirmAttempt'
> {
  return {
    assignments: ({ params }) => listAssignments(context, params.classId),
    saveAssignment: (call) =>
      saveAssignment(context, whoCalls(call), call.params.classId, call.body),
    placeAssignment: ({ params, body }) => placeAssignment(context, params, body.beforeId),
    dropAssignment: ({ params }) => dropAssignment(context, params),
    assignmentStanding: async ({ params }) => {
      const said = await talk.activity(params.assignmentId)
      return readStanding(context, params, said)
    },
    assignmentNow: ({ params }) => readNow(context, params),
    myWork: (call) => {
      const person = whoCalls(call)
      return listWork(context, person, (ids) => talk.newReplies(person.id, ids))
    },
    beginAssignment: async (call) => {
      const { assignmentId } = call.params
      const attemptId = await beginAssignment(
        context,
        whoCalls(call),
        assignmentId,
        call.body.number,
      )
      return { attemptId }
    },
    confirmAttempt: ({ params }) => confirmAttempt(context, params.attemptId),
  }
}
