// Which role somebody has on a lesson.
import { ROLES_FROM, type LessonRoleName, type Person } from '@fernbrake/core/contract'
import { LessonRoleRow } from '../database/models.ts'

/** By what the contract says of who may use something of a lesson. */
export const ROLES_OF = {
  lessonViewer: ROLES_FROM.viewer,
  lessonCommenter: ROLES_FROM.commenter,
  lessonEditor: ROLES_FROM.editor,
  lessonOwner: ROLES_FROM.owner,
} as const

/** Whether a person has one of these roles on a lesson. Guests and learners never edit. */
export async function hasLessonRole(
  person: Person,
  lessonId: string,
  roles: LessonRoleName[],
): Promise<boolean> {
  if (person.role !== 'designer' && person.role !== 'keeper') return false
  return (await LessonRoleRow.count({ where: { lessonId, personId: person.id, role: roles } })) > 0
}
