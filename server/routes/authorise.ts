// Who may use a route, listen on a socket, or send a file. Every access that the contract names is decided here and nowhere
// else.
import { ROLES_FROM, type Access, type LessonRoleName, type Person } from '@fernbrake/core/contract'
import { assertNever } from '@fernbrake/core/fields'
import { within } from '../database/connect.ts'
import { AttemptRow, KeptQuestionRow, LessonRow, MediaRow } from '../database/models.ts'
import { classOfAssignment, isAssignedTo, isInWork } from '../learning/queries/assignments.ts'
import { isTeacher } from '../classes/queries/classTeachers.ts'
import { attemptFacts } from '../learning/queries/attemptFacts.ts'
import { mayLearnFrom, mayWorkWith } from '../media/queries/mediaAccess.ts'
import { moderates } from '../talk/queries/talk.ts'
import { readCollection } from '../lessons/queries/collections.ts'
import { hasLessonRole } from '../lessons/roles.ts'
import { HttpError } from '../http/HttpError.ts'

type Find = (person: Person, params: Record<string, string>) => Promise<boolean>

/** Whether what is named in the path is there for this person. */
const FINDS = {
  mediaOwner: (person, { mediaId }) => ownsMedia(person, mediaId!),
  mediaViewer: maySeeMedia,
  attemptOwner: async (person, { attemptId }) =>
    (await attemptFacts(attemptId!))?.personId === person.id,
  questionOwner: async ({ id: ownerId }, { keptId: id }) =>
    (await KeptQuestionRow.count({ where: { id: id!, ownerId } })) > 0,
  collectionOwner: async (person, { collectionId }) =>
    (await readCollection(within(LessonRow.sequelize!), collectionId!))?.ownerId === person.id,
  classTeacher: (person, { classId }) => teaches(person, classId!),
  assignmentLearner: (person, { assignmentId }) => isAssignedTo(assignmentId!, person.id),
  talkModerator: (person, { attemptId }) => mayModerate(person, attemptId!),
  marker: mayMark,
} satisfies Partial<Record<Access, Find>>

const isFound = (access: Access): access is keyof typeof FINDS => access in FINDS

/** Passes, or throws the fault that the person may know: what they may not see does not exist for them. */
export async function authorise(
  access: Access,
  person: Person | null,
  params: Record<string, string>,
): Promise<void> {
  if (access === 'public') return
  if (!person) throw new HttpError('not-signed-in')
  if (isFound(access)) return need(await FINDS[access](person, params))
  switch (access) {
    case 'signedIn':
      return
    case 'designer':
      return allow(person.role === 'designer' || person.role === 'keeper')
    case 'keeper':
      return allow(person.role === 'keeper')
    case 'lessonViewer':
      return need(await hasLessonRole(person, params.lessonId!, ROLES_FROM.viewer))
    case 'lessonCommenter':
      return allowFrom('commenter', person, params.lessonId!)
    case 'lessonEditor':
      return allowFrom('editor', person, params.lessonId!)
    case 'lessonOwner':
      return allowFrom('owner', person, params.lessonId!)
    default:
      assertNever(access)
  }
}

/** The same as a question, for what is no route: sockets, and what uploads say they are. */
export const may = (
  access: Access,
  person: Person | null,
  params: Record<string, string> = {},
): Promise<boolean> =>
  authorise(access, person, params).then(
    () => true,
    (error: unknown) => {
      if (error instanceof HttpError) return false
      throw error
    },
  )

function allow(allowed: boolean): void {
  if (!allowed) throw new HttpError('not-allowed')
}

function need(found: boolean): void {
  if (!found) throw new HttpError('not-found')
}

async function allowFrom(role: LessonRoleName, person: Person, lessonId: string): Promise<void> {
  need(await hasLessonRole(person, lessonId, ROLES_FROM.viewer))
  allow(await hasLessonRole(person, lessonId, ROLES_FROM[role]))
}

async function teaches(person: Person, classId: string): Promise<boolean> {
  if (person.role !== 'designer' && person.role !== 'keeper') return false
  return isTeacher(classId, person.id)
}

/** The learner whose attempt it is, as long as they are in the class and moderate its talk. */
async function mayModerate(person: Person, attemptId: string): Promise<boolean> {
  const facts = await attemptFacts(attemptId)
  if (facts?.personId !== person.id || facts.assignmentId === null) return false
  return moderates(within(AttemptRow.sequelize!), facts.assignmentId, person.id)
}

async function mayMark(person: Person, params: Record<string, string>): Promise<boolean> {
  const { source, sourceId } = params
  if (source === 'lesson') return hasLessonRole(person, sourceId!, ROLES_FROM.editor)
  const classId = await classOfAssignment(sourceId!)
  return classId !== null && teaches(person, classId)
}

async function maySeeMedia(person: Person, params: Record<string, string>): Promise<boolean> {
  const mediaId = params.mediaId!
  if ((await ownsMedia(person, mediaId)) || (await mayWorkWith(person.id, mediaId))) return true
  // A file as it was put in tells more than it shows, such as where it was filmed: learners get what was prepared of it.
  if (params.file === 'original') return false
  if (await mayLearnFrom(person.id, mediaId)) return true
  // On a learner's page a lesson shows its picture before it is begun, and nothing else.
  return params.file === 'poster' && (await isInWork(person.id, mediaId))
}

async function ownsMedia(person: Person, mediaId: string): Promise<boolean> {
  return (await MediaRow.count({ where: { id: mediaId, ownerId: person.id } })) > 0
}
