// Turns the contract into Express routes: address, access, input checks, answer. Services never see req or res.
import express, { type Express, type RequestHandler } from 'express'
import type { z } from 'zod'
import type { Person, RouteName, RouteSpec } from '@fernbrake/core/contract'
import { contract } from '@fernbrake/core/contract'
import { findBadKey, issuesOf } from '@fernbrake/core/fields'
import { HttpError } from '../http/HttpError.ts'
import type { Call, Handlers } from '../http/handlers.ts'
import { authorise } from './authorise.ts'
import { personOf } from '../http/session.ts'

export function mountRoutes(app: Express, handlers: Handlers): void {
  for (const name of Object.keys(contract) as RouteName[]) {
    const spec = contract[name] as RouteSpec
    const handler = handlers[name] as (call: Call<RouteName>) => Promise<unknown>
    app[spec.method](spec.path, ...stagesOf(spec, handler))
  }
}

function stagesOf(
  spec: RouteSpec,
  handler: (call: Call<RouteName>) => Promise<unknown>,
): RequestHandler[] {
  // Access is settled before a byte of the body is read.
  const enter: RequestHandler = async (request, response, next) => {
    const params = checked(spec.params, request.params, 'params')
    const person = personOf(request)
    await authorise(spec.access, person, params as Record<string, string>)
    response.locals.params = params
    response.locals.person = person
    next()
  }
  const readBody = express.json({ limit: spec.bodyLimit, type: () => true })
  const answer: RequestHandler = async (request, response) => {
    const { params, person } = response.locals as { params: never; person: Person | null }
    const query = checked(spec.query, request.query, 'query') as never
    const body = checked(spec.body, withoutBadKeys(request.body ?? {}), 'body') as never
    const reply = await handler({ params, query, body, person, request, response })
    if (spec.reply !== null && !response.headersSent) response.status(spec.status).json(reply)
  }
  return spec.method === 'get' ? [enter, answer] : [enter, readBody, answer]
}

/** Refuses a body with a key that no map may have, or nested too deeply, before anything looks at what it says. */
function withoutBadKeys(body: unknown): unknown {
  const path = findBadKey(body)
  if (!path) return body
  const issue = {
    path: ['body', ...path.slice(0, 20)],
    code: 'key.forbidden',
    message: 'has no place here',
  }
  throw new HttpError('invalid-input', { issues: [issue] })
}

function checked(schema: z.ZodType, value: unknown, where: string): unknown {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  const issues = issuesOf(parsed.error).map((issue) => ({ ...issue, path: [where, ...issue.path] }))
  throw new HttpError('invalid-input', { issues })
}
