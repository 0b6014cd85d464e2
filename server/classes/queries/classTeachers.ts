// Who teaches a class.
import { ClassTeacherRow } from '../../database/models.ts'

export const isTeacher = async (classId: string, personId: string): Promise<boolean> =>
  (await ClassTeacherRow.count({ where: { classId, personId } })) > 0
