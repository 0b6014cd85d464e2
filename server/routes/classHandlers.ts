// Which service answers which route about classes.
import { within } from '../database/connect.ts'
import { whoCalls, type Handlers } from './mountRoutes.ts'
import { originOf } from '../http/security.ts'
import { beginSession } from '../http/session.ts'
import { listTaught } from '../classes/queries/classes.ts'
import {
  beginAssignment,
  confirmAttempt,
  dropAssignment,
  listAssignments,
  listWork,
  placeAssignment,
  readStanding,
  saveAssignment,
} from '../classes/assignments.ts'
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
} from '../classes/classes.ts'
import { readNow } from '../classes/assignmentNow.ts'
import type { Context } from '../context.ts'
import { describeJoining, joinClass } from '../classes/joining.ts'
import { countActivity, countNewReplies } from '../talk/queries/talk.ts'
import { printCards } from '../classes/signInCards.ts'

type ClassHandlers = Pick<
  Handlers,
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
  | 'assignments'
  | 'saveAssignment'
  | 'placeAssignment'
  | 'dropAssignment'
  | 'assignmentStanding'
  | 'assignmentNow'
  | 'myWork'
  | 'beginAssignment'
  | 'confirmAttempt'
>

export function classHandlers(context: Context): ClassHandlers {
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
      const { pdf } = await printCards(context, params.classId, body, originOf(request))
      response
        .type('application/pdf')
        .set('Content-Disposition', 'attachment; filename="cards.pdf"')
      response.send(pdf)
      return undefined
    },
    assignments: ({ params }) => listAssignments(context, params.classId),
    saveAssignment: (call) =>
      saveAssignment(context, whoCalls(call), call.params.classId, call.body),
    placeAssignment: ({ params, body }) => placeAssignment(context, params, body.beforeId),
    dropAssignment: ({ params }) => dropAssignment(context, params),
    assignmentStanding: async ({ params }) => {
      const said = await countActivity(within(context.database), params.assignmentId)
      return readStanding(context, params, said)
    },
    assignmentNow: ({ params }) => readNow(context, params),
    myWork: (call) => {
      const person = whoCalls(call)
      return listWork(context, person, (ids) =>
        countNewReplies(within(context.database), person.id, ids),
      )
    },
    beginAssignment: async (call) => {
      const { assignmentId } = call.params
      const attemptId = await beginAssignment(
        ...([context, whoCalls(call), assignmentId, call.body.number] as const),
      )
      return { attemptId }
    },
    confirmAttempt: ({ params }) => confirmAttempt(context, params.attemptId),
    joinInfo: ({ params, person }) => describeJoining(context, params.code, person),
    join: async ({ params, body, person, request }) => {
      const { person: member, ...reply } = await joinClass(context, params.code, person, body)
      if (!person) await beginSession(request, member.id)
      return reply
    },
  }
}
