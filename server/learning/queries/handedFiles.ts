// The files that many attempts handed in, in one query.
import type { FileTaken } from '@fernbrake/core/contract'
import { HandedFileRow } from '../../database/models.ts'
import { byAttempt } from './byAttempt.ts'

/** The files of these attempts; attempts without any are missing. */
export const handedByAttempt = async (
  attemptIds: readonly string[],
): Promise<Map<string, HandedFileRow[]>> =>
  byAttempt(await HandedFileRow.findAll({ where: { attemptId: [...attemptIds] } }))

/** As those read them who may see the answers. */
export const toTaken = ({ id, name, contentType }: HandedFileRow): FileTaken => ({
  id,
  name,
  contentType,
})
