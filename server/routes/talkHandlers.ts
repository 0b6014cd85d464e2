// Which service answers which route about the talk of a class.
import { whoCalls, type Handlers } from './mountRoutes.ts'
import type { Context } from '../context.ts'
import {
  hideInClass,
  hidePost,
  listEnquiries,
  readClassTalk,
  readTalk,
  readTalkReport,
  sayToClass,
  switchTalk,
} from '../talk/talk.ts'

type TalkHandlers = Pick<
  Handlers,
  | 'talk'
  | 'hidePost'
  | 'classTalk'
  | 'sayToClass'
  | 'switchTalk'
  | 'hideInClass'
  | 'talkActivity'
  | 'enquiries'
>

export function talkHandlers(context: Context): TalkHandlers {
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
