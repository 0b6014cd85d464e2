// Which service answers which route about marking, and the stand-in mailbox.
import { whoCalls, type Handlers } from './mountRoutes.ts'
import { HttpError } from '../http/HttpError.ts'
import type { Context } from '../context.ts'
import { findMailFile, listMails } from '../people/mailbox.ts'
import { sendHandedFile } from './sendHandedFile.ts'
import {
  dropComment,
  isAttemptOf,
  keepComment,
  listPiles,
  readPile,
  release,
  saveMark,
} from '../results/marking.ts'

type MarkingHandlers = Pick<
  Handlers,
  | 'piles'
  | 'pile'
  | 'saveMark'
  | 'releaseMarks'
  | 'markedFile'
  | 'keepComment'
  | 'dropComment'
  | 'mailbox'
  | 'mailFile'
>

export function markingHandlers(context: Context): MarkingHandlers {
  return {
    piles: (call) => listPiles(context, whoCalls(call)),
    pile: (call) => readPile(context, whoCalls(call), call.params, call.query),
    saveMark: (call) => saveMark(context, whoCalls(call), call.params, call.body),
    releaseMarks: (call) => release(context, whoCalls(call), call.params, call.body),
    markedFile: async ({ params: { attemptId, fileId: id, ...from }, response }) => {
      if (!(await isAttemptOf(from, attemptId))) throw new HttpError('not-found')
      await sendHandedFile(context, { attemptId, id }, response)
      return undefined
    },
    keepComment: (call) => keepComment(context, whoCalls(call), call.body),
    mailbox: (call) => listMails(context, whoCalls(call)),
    mailFile: async (call) => {
      const { name, contentType, content } = await findMailFile(
        ...([context, whoCalls(call), call.params] as const),
      )
      call.response.attachment(name).type(contentType).send(content)
      return undefined
    },
    dropComment: (call) => dropComment(context, whoCalls(call), call.params.commentId),
  }
}
