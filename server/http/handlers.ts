// What answers a route of the contract: it is given what was checked, and returns the reply.
import type { Request, Response } from 'express'
import type {
  BodyOf,
  Contract,
  ParamsOf,
  Person,
  QueryOf,
  ReplyOf,
  RouteName,
} from '@fernbrake/core/contract'
import { HttpError } from './HttpError.ts'

export interface Call<Name extends RouteName> {
  params: ParamsOf<Contract[Name]>
  query: QueryOf<Contract[Name]>
  body: BodyOf<Contract[Name]>
  /** Who asks; null only on public routes. */
  person: Person | null
  request: Request
  response: Response
}

/** A handler for every route of the contract; what it returns is the reply, `undefined` when it has answered itself. */
export type Handlers = {
  [Name in RouteName]: (
    call: Call<Name>,
  ) => Promise<ReplyOf<Contract[Name]> | (Contract[Name]['reply'] extends null ? undefined : never)>
}

/** The person behind a call to a route that nobody reaches without a session. */
export function whoCalls(call: { person: Person | null }): Person {
  if (!call.person) throw new HttpError('not-signed-in')
  return call.person
}

/** The handlers of some routes. */
export type Part<Names extends RouteName> = Pick<Handlers, Names>
