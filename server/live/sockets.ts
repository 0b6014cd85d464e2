// The socket: tells editors of edits and owners of their media. It carries hints; what is missed can be asked for.
import type { Server as HttpServer } from 'node:http'
import type { Request, RequestHandler } from 'express'
import { Server as SocketServer, type Socket } from 'socket.io'
import {
  watchLessonSchema,
  type ClientToServerEvents,
  type Person,
  type ServerToClientEvents,
} from '@fernbrake/core/contract'
import { hasLessonRole } from '../http/authorise.ts'
import { personOf } from '../http/session.ts'
import type { Announcer } from '../services/context.ts'

type NoEvents = Record<string, never>
type Live = SocketServer<ClientToServerEvents, ServerToClientEvents, NoEvents, { person: Person }>
type LiveSocket = Socket<ClientToServerEvents, ServerToClientEvents, NoEvents, { person: Person }>

const lessonRoom = (lessonId: string) => `lesson:${lessonId}`
const personRoom = (personId: string) => `person:${personId}`

export interface LiveServer {
  announce: Announcer
  attach(server: HttpServer, sessions: RequestHandler): void
  close(): Promise<void>
}

export function createLiveServer(): LiveServer {
  const io: Live = new SocketServer({
    path: '/api/live',
    serveClient: false,
    maxHttpBufferSize: 10_000,
  })
  return {
    announce: {
      draftEdited: (lessonId, entries) =>
        void io.to(lessonRoom(lessonId)).emit('draftEdited', { lessonId, entries }),
      mediaChanged: (ownerId, media) =>
        void io.to(personRoom(ownerId)).emit('mediaChanged', { media }),
    },
    attach(server, sessions) {
      io.attach(server)
      io.engine.use(sessions)
      // Who it is is settled before the connection stands: what a client sends at once finds its listener.
      io.use((socket, next) => {
        const person = personOf(socket.request as Request)
        if (!person) return next(new Error('not signed in'))
        socket.data.person = person
        next()
      })
      io.on('connection', welcome)
    },
    close: () => io.close(),
  }
}

function welcome(socket: LiveSocket): void {
  const { person } = socket.data
  void socket.join(personRoom(person.id))
  socket.on('watchLesson', (message, reply) => {
    const parsed = watchLessonSchema.safeParse(message)
    if (!parsed.success || typeof reply !== 'function') return
    const { lessonId } = parsed.data
    hasLessonRole(person, lessonId, ['owner', 'editor', 'viewer'])
      .then(async (allowed) => {
        if (allowed) await socket.join(lessonRoom(lessonId))
        reply(allowed)
      })
      .catch(() => reply(false))
  })
}
