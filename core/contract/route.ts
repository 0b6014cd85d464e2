// What a route of the HTTP API is: its address, who may use it, and the schemas of all that goes in and comes out.
import { z } from 'zod'
import { ADDRESSES, type Method, type RouteName } from './addresses.ts'

/**
 * Who may use a route:
 * `public` anybody; `signedIn` anybody with a session, guests included; `designer` designers and keepers;
 * `keeper` keepers; `lessonViewer` / `lessonCommenter` / `lessonEditor` / `lessonOwner` people with such a role, or a
 * greater one, on the lesson named in the path;
 * `mediaOwner` whoever put the media in; `mediaViewer` also editors and learners of lessons that use it;
 * `attemptOwner` the learner whose attempt it is; `questionOwner` the designer who keeps the question; `collectionOwner` whose collection it is;
 * `classTeacher` who teaches the class;
 * `assignmentLearner` who is in the class that was given the lesson, if it is for them;
 * `talkModerator` the learner whose attempt it is, where the teachers of the class let them hide what others say;
 * `marker` who teaches the class that was given the lesson, or edits the lesson where it was opened by its link.
 * What a person may not see is answered as not found.
 */
export type Access =
  | 'public'
  | 'signedIn'
  | 'designer'
  | 'keeper'
  | 'lessonViewer'
  | 'lessonCommenter'
  | 'lessonEditor'
  | 'lessonOwner'
  | 'mediaOwner'
  | 'mediaViewer'
  | 'attemptOwner'
  | 'questionOwner'
  | 'collectionOwner'
  | 'classTeacher'
  | 'assignmentLearner'
  | 'talkModerator'
  | 'marker'

export interface RouteSpec<
  Params extends z.ZodType = z.ZodType,
  Query extends z.ZodType = z.ZodType,
  Body extends z.ZodType = z.ZodType,
  Reply extends z.ZodType = z.ZodType,
> {
  method: Method
  /** Express style: `/api/lessons/:lessonId`. */
  path: string
  access: Access
  summary: string
  params: Params
  query: Query
  body: Body
  /** `null` for bytes that are not JSON, such as film files. */
  reply: Reply | null
  status: number
  /** The largest body taken in, in bytes. */
  bodyLimit: number
}

const nothing = z.strictObject({})

/** The usual largest body, in bytes. */
export const BODY_LIMIT = 256 * 1024

interface Given<
  P extends z.ZodType,
  Q extends z.ZodType,
  B extends z.ZodType,
  R extends z.ZodType,
> {
  params?: P
  query?: Q
  body?: B
  reply: R | null
  status?: number
  bodyLimit?: number
}

/** Describes the route of this name; what is left out is an empty object, status 200 and the usual limit. */
export function route<
  R extends z.ZodType,
  P extends z.ZodType = typeof nothing,
  Q extends z.ZodType = typeof nothing,
  B extends z.ZodType = typeof nothing,
>(
  name: RouteName,
  access: Access,
  summary: string,
  given: Given<P, Q, B, R>,
): RouteSpec<P, Q, B, R> {
  const [method, path] = ADDRESSES[name]
  return {
    method,
    path,
    access,
    summary,
    params: given.params ?? (nothing as unknown as P),
    query: given.query ?? (nothing as unknown as Q),
    body: given.body ?? (nothing as unknown as B),
    reply: given.reply,
    status: given.status ?? 200,
    bodyLimit: given.bodyLimit ?? BODY_LIMIT,
  }
}

/** The type of a route's reply, body, params and query. */
export type ReplyOf<T extends { reply: z.ZodType | null }> = z.infer<NonNullable<T['reply']>>
export type BodyOf<T extends { body: z.ZodType }> = z.infer<T['body']>
export type ParamsOf<T extends { params: z.ZodType }> = z.infer<T['params']>
export type QueryOf<T extends { query: z.ZodType }> = z.infer<T['query']>
