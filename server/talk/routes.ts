// Which routes about the talk of a class are answered by what.
import type { Context } from '../context.ts'
import { type Part, whoCalls } from '../http/handlers.ts'
import {
  hideInClass,
  hidePost,
  listEnquiries,
  readClassTalk,
  readTalk,
  readTalkReport,
  sayToClass,
  switchTalk,
} from './talk.ts'

export function talkRoutes(
  context: Context,
): Part<
  | 'talk'
  | 'hidePost'
  | 'classTalk'
  | 'sayToClass'
  | 'switchTalk'
  | 'hideInClass'
  | 'talkActivity'
  | 'enquiries'
> {
  return {
    talk: ({ params, query }) => readTalk(context, params.attemptId, query.after),
    hidePost: ({ params, body }) => hidePost(context, params, body.isHidden),
    classTalk: (call) => readClassTalk(context, whoCalls(call), call.params, call.query.after),
    sayToClass: (call) => sayToClass(context, whoCalls(call), call.params, call.body),
    switchTalk: ({ params, body }) => switchTalk(context, params, body),
    hideInClass: (call) => hideInClass(context, whoCalls(call), call.params, call.body.isHidden),
    talkActivity: (call) => readTalkReport(context, whoCalls(call), call.params),
    enquiries: (call) => listEnquiries(context, whoCalls(call)),
  }
}
