// The one place where a fault becomes an answer.
import type { ErrorRequestHandler } from 'express'
import { BaseError as SequelizeError, ConnectionError, DatabaseError } from 'sequelize'
import { HttpError } from './HttpError.ts'
import { languageOfRequest } from './language.ts'

// PostgreSQL's classes 08 (connection) and 57P (shut down), and what Node says of a closed socket.
const AWAY = /^(08|57P|53)|^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/
// node-postgres gives no code when a connection ends under a query, or has ended before it; these are its only signs.
const AWAY_SENTENCE =
  /^(Connection terminated|Client has encountered a connection error|Client was closed|timeout exceeded when trying to connect)/

/** Turns whatever was thrown into a fault with a known type. */
export function asHttpError(error: unknown): HttpError {
  if (error instanceof HttpError) return error
  const { type, status } = error as { type?: string; status?: number }
  if (type === 'entity.too.large') return new HttpError('too-large', { cause: error })
  if (
    type === 'entity.parse.failed' ||
    type === 'encoding.unsupported' ||
    type === 'charset.unsupported'
  )
    return new HttpError('not-json', { cause: error })
  if (isDatabaseAway(error)) return new HttpError('database-away', { cause: error })
  if (status === 400 && error instanceof URIError)
    return new HttpError('not-found', { cause: error })
  return new HttpError('internal', { cause: error })
}

function isDatabaseAway(error: unknown): boolean {
  if (error instanceof ConnectionError) return true
  const inner =
    error instanceof DatabaseError || error instanceof SequelizeError
      ? (error as { original?: unknown }).original
      : error
  const { code, message } = (inner ?? {}) as { code?: string; message?: string }
  return AWAY.test(code ?? '') || AWAY_SENTENCE.test(message ?? '')
}

export const problemHandler: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) return next(error)
  const fault = asHttpError(error)
  if (fault.status >= 500) request.log.error({ err: error }, 'request failed')
  // What is still being sent is read and thrown away, so that the sender gets to see the answer.
  if (fault.type === 'too-large') {
    response.setHeader('Connection', 'close')
    request.unpipe()
    request.resume()
  }
  response
    .status(fault.status)
    .type('application/problem+json')
    .send(JSON.stringify(fault.toProblem(languageOfRequest(request), String(request.id))))
}
