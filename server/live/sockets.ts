// The socket: tells editors of edits and owners of their media. It carries hints; what is missed can be asked for. Whoever
// may do less than when they came in is put out as soon as that is so, and is looked for again before an edit is told.
import type { Server as HttpServer } from 'node:http'
import type { Request, RequestHandler } from 'express'
import { Server as SocketServer, type Socket } from 'socket.io'
import { nanoid } from 'nanoid'
import type { Logger } from 'pino'
import {
  showSelectionSchema,
  WATCH_ACCESS,
  watchLessonSchema,
  type ClientToServerEvents,
  type EditorHere,
  type Person,
  type ServerToClientEvents,
} from '@fernbrake/core/contract'
import { outsideTransactions } from '../database/boundTransactions.ts'
import { within, type Database } from '../database/connect.ts'
import { ROLES_OF } from '../lessons/roles.ts'
import { may } from '../routes/authorise.ts'
import { isFromOwnPage } from '../http/security.ts'
import { personOf } from '../http/session.ts'
import { liveSessions, sessionsWithRole } from './queries/liveAccess.ts'
import type { AccessChange, Announcer } from '../context.ts'

/** What is known of a socket: whose it is, and a key of its own. */
interface About {
  person: Person
  key: string
  sessionId: string
}
type NoEvents = Record<string, never>
type Live = SocketServer<ClientToServerEvents, ServerToClientEvents, NoEvents, About>
type LiveSocket = Socket<ClientToServerEvents, ServerToClientEvents, NoEvents, About>

const LESSON = 'lesson:'
const lessonRoom = (lessonId: string) => LESSON + lessonId
const lessonOfRoom = (room: string) => (room.startsWith(LESSON) ? room.slice(LESSON.length) : null)
const RESULTS = 'results:'
const resultsRoom = (lessonId: string) => RESULTS + lessonId
const lessonOfAnyRoom = (room: string) =>
  room.startsWith(RESULTS) ? room.slice(RESULTS.length) : lessonOfRoom(room)
const personRoom = (personId: string) => `person:${personId}`

export interface LiveServer {
  announce: Announcer
  /** Puts out whoever may not listen any more; never throws. */
  accessChanged(whose: AccessChange): void
  attach(server: HttpServer, sessions: RequestHandler): void
  close(): Promise<void>
}

export function createLiveServer(database: Database, log: Logger): LiveServer {
  const io: Live = new SocketServer({
    path: '/api/live',
    serveClient: false,
    maxHttpBufferSize: 10_000,
    allowRequest: (request, answer) => answer(null, isFromOwnPage(request)),
  })
  const ask = within(database)
  /** One after the other, so that edits are told in their order. */
  let last: Promise<void> = Promise.resolve()
  const soon = (work: () => Promise<void>) => {
    last = outsideTransactions(() => last.then(work)).catch((error: unknown) =>
      log.warn({ err: error }, 'not told live'),
    )
  }
  /** Leaves in the rooms of a lesson only those who may be there. */
  const weed = async (lessonId: string) => {
    for (const [room, roles] of [
      [lessonRoom(lessonId), ROLES_OF[WATCH_ACCESS.watchLesson]],
      [resultsRoom(lessonId), ROLES_OF[WATCH_ACCESS.watchResults]],
    ] as const) {
      const inside = await io.in(room).fetchSockets()
      if (inside.length === 0) continue
      const ids = inside.map(({ data }) => data.sessionId)
      const allowed = await sessionsWithRole(ask, ids, lessonId, roles)
      for (const socket of inside.filter(({ data }) => !allowed.has(data.sessionId))) {
        socket.leave(room)
        io.to(room).emit('editorGone', { lessonId, key: socket.data.key })
      }
    }
  }
  /** Ends what a session that is over still holds open, and leaves a person only the lessons that are theirs. */
  const weedPerson = async ({ personId, sessionId }: AccessChange) => {
    const inside = await (personId === undefined ? io : io.in(personRoom(personId))).fetchSockets()
    const theirs = inside.filter(({ data }) => !sessionId || data.sessionId === sessionId)
    const alive = await liveSessions(
      ask,
      theirs.map(({ data }) => data.sessionId),
    )
    const lessons = new Set<string>()
    for (const socket of theirs) {
      if (!alive.has(socket.data.sessionId)) socket.disconnect(true)
      else for (const room of socket.rooms) lessons.add(lessonOfAnyRoom(room) ?? '')
    }
    for (const lessonId of lessons) if (lessonId) await weed(lessonId)
  }
  return {
    accessChanged: (whose) =>
      soon(() => (whose.lessonId === undefined ? weedPerson(whose) : weed(whose.lessonId))),
    announce: {
      draftEdited: (lessonId, entries) =>
        soon(async () => {
          await weed(lessonId)
          io.to(lessonRoom(lessonId)).emit('draftEdited', { lessonId, entries })
        }),
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
        socket.data.sessionId = (socket.request as Request).sessionID
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
  /** Nobody is told of themselves, in whatever tab. */
  const tellOthers = (editor: EditorHere) =>
    socket.to(lessonRoom(editor.lessonId)).except(personRoom(person.id)).emit('editorHere', editor)
  socket.on('watchLesson', (message, reply) => {
    const parsed = watchLessonSchema.safeParse(message)
    if (!parsed.success || typeof reply !== 'function') return
    const { lessonId } = parsed.data
    may(WATCH_ACCESS.watchLesson, person, { lessonId })
      .then(async (allowed) => {
        if (allowed) {
          await socket.join(lessonRoom(lessonId))
          socket.to(lessonRoom(lessonId)).emit('whoIsHere', { lessonId })
          tellOthers({ ...herself, lessonId, cueIds: [] })
        }
        reply(allowed)
      })
      .catch(() => reply(false))
  })
  socket.on('watchResults', (message, reply) => {
    const parsed = watchLessonSchema.safeParse(message)
    if (!parsed.success || typeof reply !== 'function') return
    const { lessonId } = parsed.data
    may(WATCH_ACCESS.watchResults, person, { lessonId })
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
    tellOthers({ ...herself, ...parsed.data })
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
