// What came of sending a file to the server that stopped.
import type { DetailedError } from 'tus-js-client'
import { ownProblemIn } from '@fernbrake/core/contract'

/** Whether the server itself says that it has no room for the file: sending again makes none. */
export function isNoRoom(error: Error | DetailedError): boolean {
  const body = 'originalResponse' in error ? error.originalResponse?.getBody() : null
  return ownProblemIn(body ?? '')?.type === 'no-room'
}

/** Whether sending may go on by itself: the connection or the server is away, or another sending of the same has not ended yet. */
export function mayPass(error: DetailedError): boolean {
  const status = error.originalResponse?.getStatus() ?? 0
  return status === 0 || status === 409 || status === 423 || (status >= 500 && !isNoRoom(error))
}
