// One socket for the whole application, opened when something first wants to listen.
import { io, type Socket } from 'socket.io-client'
import { onLeaving } from './leaving.ts'
import type { ClientToServerEvents, ServerToClientEvents } from '@fernbrake/core/contract'

export type LiveSocket = Socket<ServerToClientEvents, ClientToServerEvents>

const RETRY_MS = 3000

let socket: LiveSocket | null = null

export function liveSocket(): LiveSocket {
  if (socket) return socket
  const made: LiveSocket = io({ path: '/api/live', transports: ['websocket', 'polling'] })
  // A refusal, such as while the database is away, is not tried again by the library itself.
  made.on('connect_error', () => {
    if (!made.active) setTimeout(() => made === socket && made.connect(), RETRY_MS)
  })
  // Put out by the server, because a session is over; whoever has another by now comes in again.
  made.on('disconnect', (reason) => {
    if (reason === 'io server disconnect')
      setTimeout(() => made === socket && made.connect(), RETRY_MS)
  })
  socket = made
  return socket
}

/** The next person does not listen as the last one. */
onLeaving(() => {
  socket?.disconnect()
  socket = null
})
