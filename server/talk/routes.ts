// Which routes about talk are answered by what.
import type { Context } from '../context.ts'
import { type Part, whoCalls } from '../http/handlers.ts'
import {
  hideAsTeacher,
  hidePost,
  listEnquiries,
  readTaughtTalk,
  readTalk,
  readTalkReport,
  sayToAll,
  switchTalk,
} from './talk.ts'

export function talkRoutes(
  context: Context,
): Part<
  | 'talk'
  | 'hidePost'
  | 'taughtTalk'
  | 'sayToAll'
  | 'switchTalk'
  | 'hideAsTeacher'
  | 'talkActivity'
  | 'enquiries'
> {
  return {
    talk: ({ params, query }) => readTalk(context, params.attemptId, query.after),
    hidePost: ({ params, body }) => hidePost(context, params, body.isHidden),
    taughtTalk: (call) => readTaughtTalk(context, whoCalls(call), call.params, call.query.after),
    sayToAll: (call) => sayToAll(context, whoCalls(call), call.params, call.body),
    switchTalk: ({ params, body }) => switchTalk(context, params, body),
    hideAsTeacher: (call) =>
      hideAsTeacher(context, whoCalls(call), call.params, call.body.isHidden),
    talkActivity: (call) => readTalkReport(context, whoCalls(call), call.params),
    enquiries: (call) => listEnquiries(context, whoCalls(call)),
  }
}
