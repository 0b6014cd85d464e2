// The socket: tells editors of edits and owners of their media. It carries hints; what is missed can be asked for.
import type { Server as HttpServer } from 'node:http'
import type { Request, RequestHandler } from 'express'
import { Server as SocketServer, type Socket } from 'socket.io'
import { nanoid } from 'nanoid'
import {
  showSelectionSchema,
  watchLessonSchema,
  type ClientToServerEvents,
  type Person,
  type ServerToClientEvents,
} from '@fernbrake/core/contract'
import { hasLessonRole, ROLES_FROM } from '../http/authorise.ts'
import { personOf } from '../http/session.ts'
import type { Announcer } from '../services/context.ts'

/** What is known of a socket: whose it is, and a key of its own. */
interface About {
  person: Person
  key: string
}
type NoEvents = Record<string, never>
type Live = SocketServer<ClientToServerEvents, ServerToClientEvents, NoEvents, About>
type LiveSocket = Socket<ClientToServerEvents, ServerToClientEvents, NoEvents, About>

const LESSON = 'lesson:'
const lessonRoom = (lessonId: string) => LESSON + lessonId
const lessonOfRoom = (room: string) => (room.startsWith(LESSON) ? room.slice(LESSON.length) : null)
const resultsRoom = (lessonId: string) => `results:${lessonId}`
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
      resultsNew: (lessonId) => void io.to(resultsRoom(lessonId)).emit('resultsNew', { lessonId }),
    },
    attach(server, sessions) {
      io.attach(server)
      io.engine.use(sessions)
      // Who it is is settled before the connection stands: what a client sends at once finds its listener.
      io.use((socket, next) => {
        const person = personOf(socket.request as Request)
        if (!person) return next(new Error('not signed in'))
        socket.data.person = person
        socket.data.key = nanoid(10)
        next()
      })
      io.on('connection', welcome)
    },
    close: () => io.close(),
  }
}

function welcome(socket: LiveSocket): void {
  const { person, key } = socket.data
  const herself = { key, name: person.name }
  void socket.join(personRoom(person.id))
  socket.on('watchLesson', (message, reply) => {
    const parsed = watchLessonSchema.safeParse(message)
    if (!parsed.success || typeof reply !== 'function') return
    const { lessonId } = parsed.data
    hasLessonRole(person, lessonId, ROLES_FROM.viewer)
      .then(async (allowed) => {
        if (allowed) {
          await socket.join(lessonRoom(lessonId))
          socket.to(lessonRoom(lessonId)).emit('whoIsHere', { lessonId })
          socket.to(lessonRoom(lessonId)).emit('editorHere', { ...herself, lessonId, cueIds: [] })
        }
        reply(allowed)
      })
      .catch(() => reply(false))
  })
  socket.on('watchResults', (message, reply) => {
    const parsed = watchLessonSchema.safeParse(message)
    if (!parsed.success || typeof reply !== 'function') return
    const { lessonId } = parsed.data
    hasLessonRole(person, lessonId, ['owner', 'editor'])
      .then(async (allowed) => {
        if (allowed) await socket.join(resultsRoom(lessonId))
        reply(allowed)
      })
      .catch(() => reply(false))
  })
  socket.on('leaveResults', (message) => {
    const parsed = watchLessonSchema.safeParse(message)
    if (parsed.success) void socket.leave(resultsRoom(parsed.data.lessonId))
  })
  // Only those who may see the lesson are in its room: whoever is not there tells nobody anything.
  socket.on('showSelection', (message) => {
    const parsed = showSelectionSchema.safeParse(message)
    if (!parsed.success || !socket.rooms.has(lessonRoom(parsed.data.lessonId))) return
    socket.to(lessonRoom(parsed.data.lessonId)).emit('editorHere', { ...herself, ...parsed.data })
  })
  socket.on('leaveLesson', (message) => {
    const parsed = watchLessonSchema.safeParse(message)
    if (!parsed.success || !socket.rooms.has(lessonRoom(parsed.data.lessonId))) return
    const { lessonId } = parsed.data
    socket.to(lessonRoom(lessonId)).emit('editorGone', { lessonId, key })
    void socket.leave(lessonRoom(lessonId))
  })
  socket.on('disconnecting', () => {
    for (const room of socket.rooms) {
      const lessonId = lessonOfRoom(room)
      if (lessonId) socket.to(room).emit('editorGone', { lessonId, key })
    }
  })
}
