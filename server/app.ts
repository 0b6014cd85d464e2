// Puts a server together: database, queue, uploads, routes, pages, sockets. Every part that opens is closed by `close`.
import { createServer as createHttpServer, type Server } from 'node:http'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import compression from 'compression'
import express, { type Express } from 'express'
import pg from 'pg'
import { pino, type DestinationStream, type Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { nanoid } from 'nanoid'
import { contract, UPLOADS_PATH } from '@fernbrake/core/contract'
import { connectDatabase } from './database/connect.ts'
import { hasPendingMigrations } from './database/migrate.ts'
import { defineModels } from './database/models.ts'
import { HttpError } from './http/HttpError.ts'
import { earlyPartOf } from './routes/learnerPage.ts'
import { mountRoutes } from './routes/mountRoutes.ts'
import type { LearnerPage } from './routes/pages.ts'
import { problemHandler } from './http/problemHandler.ts'
import { limitCodes, limitGuests, limitSignIns } from './http/rateLimit.ts'
import { dropOldLimits } from './http/queries/rateLimits.ts'
import { giveNonce, sameOriginOnly, securityHeaders } from './http/security.ts'
import { createSessions } from './http/session.ts'
import { keepDraining } from './jobs/outbox.ts'
import { openQueue, type JobKind, type JobQueue } from './jobs/queue.ts'
import { findOffice } from './media/tools/office.ts'
import { PREPARE_QUEUES, preparing, queueOf, resumeInterrupted } from './media/jobs/prepare.ts'
import { sendMail } from './people/queries/mails.ts'
import { createLiveServer } from './live/sockets.ts'
import { createFolderStore } from './media/MediaStore.ts'
import { refuseWhileReadOnly } from './http/readOnly.ts'
import { watchRoom } from './media/roomWatch.ts'
import { keepSayingsBy } from './learning/sayings.ts'
import { acceptSayings } from './talk/talk.ts'
import { createUploads, type Uploads } from './routes/uploads.ts'
import { makeSpanPartitions } from './learning/queries/covered.ts'
import { createHandlers } from './routes/handlers.ts'
import type { Context, MediaStore } from './context.ts'
import { createSealing } from './people/sealing.ts'
import type { Settings } from './settings.ts'
import { openArchive } from './standIns/archive/index.ts'
import { openFilmHost } from './standIns/filmHost/index.ts'
import type { StandIn } from './standIns/standIn.ts'
import { mountStandInPages } from './standIns/pages.ts'
import { isPublicAddress } from './web/publicAddress.ts'

/** Answers shorter than this fit a few packets; pressing them costs more time than it saves. */
const COMPRESS_FROM_BYTES = 4_000
/** Longer than the pause between two sendings of a player, and than a proxy keeps its connections to us. */
const KEEP_ALIVE_MS = 65_000
/** With these whoever reads the log could act as somebody else. */
const SECRET_HEADERS = [
  ...['cookie', 'authorization'].map((name) => `req.headers.${name}`),
  'res.headers["set-cookie"]',
]
const DAY_MS = 24 * 60 * 60 * 1000

export interface Running {
  context: Context
  server: Server
  /** Stand-ins of other sites, as far as they run. */
  standIns: readonly StandIn[]
  close(): Promise<void>
}

/** How pages are served: built files, or Vite's in development. */
export type MountPages = (app: Express, server: Server, learn: LearnerPage) => Promise<void> | void

// What learners say comes with their records; the talk keeps it.
keepSayingsBy(acceptSayings)

/** Opens everything; the caller lets the server listen. The log goes to standard output, or to `logTo`. Throws a plain sentence when the schema is older. */
export async function openServer(
  settings: Settings,
  mountPages: MountPages,
  { development = false, logTo }: { development?: boolean; logTo?: DestinationStream } = {},
): Promise<Running> {
  const log = openLog(settings, logTo)
  const database = connectDatabase(settings.databaseUrl, settings.databaseConnections)
  defineModels(database)
  if (await hasPendingMigrations(database))
    throw new Error('The database has an older schema; npm start brings it up to date.')
  await makeSpanPartitions(database, new Date())
  const pool = new pg.Pool({
    connectionString: settings.databaseUrl,
    max: settings.databaseConnections,
  })
  pool.on('error', (error) => log.warn({ err: error }, 'a connection was lost'))
  const onFault = (error: Error) => log.error({ err: error }, 'queue')
  const queue = await openQueue(settings.databaseUrl, PREPARE_QUEUES, onFault)
  const live = createLiveServer(database, log)
  const standIns = await openStandIns(settings, log)
  const store = createFolderStore(join(settings.dataFolder, 'media'))
  const room = await openRoom(store, settings, log)
  const context: Context = {
    database,
    pool,
    store,
    room,
    sealing: createSealing(settings.sessionSecret),
    log,
    announce: live.announce,
    enqueue: (job) => queue.send(queueOf(job.kind), job),
    mostOwnBytes: settings.mostOwnBytes,
    dropUploadsOf: (personId) => uploads.dropOf(personId),
    accessChanged: live.accessChanged,
    version: ownVersion(),
    office: await officeOf(settings),
    archives: [...standIns.map(searchOf), ...settings.archives],
    mayAskAddress: mayAsk(settings, standIns),
  }
  const uploads = createUploads(context, join(settings.dataFolder, 'uploads'))
  const sessions = createSessions(pool, settings.sessionSecret)
  const app = createApp(context, {
    sessions,
    uploads,
    log,
    development,
    trustedProxies: settings.trustedProxies,
  })
  const server = createHttpServer(app)
  server.keepAliveTimeout = KEEP_ALIVE_MS
  live.attach(server, sessions)
  mountStandInPages(app)
  await mountPages(app, server, { session: forgiving(sessions), earlyPart: earlyPartOf(context) })
  app.use(problemHandler)
  await uploads.acceptFinished()
  await uploads.dropUnfinished()
  const stopJobs = settings.runsJobs ? await runJobs(context, queue) : () => Promise.resolve()
  const daily = setInterval(() => {
    makeSpanPartitions(database, new Date()).catch((error: unknown) =>
      log.error({ err: error }, 'partitions were not made'),
    )
    dropOldLimits(database).catch((error: unknown) =>
      log.error({ err: error }, 'old limits were not let go'),
    )
    uploads
      .dropUnfinished()
      .catch((error: unknown) => log.error({ err: error }, 'old uploads were not let go'))
  }, DAY_MS).unref()
  const close = async () => {
    clearInterval(daily)
    room.stop()
    await live.close()
    server.closeAllConnections()
    await queue.stop()
    await stopJobs()
    await pool.end()
    await database.close()
    await Promise.all(standIns.map((one) => one.close()))
  }
  return { context, server, standIns, close }
}

/** Watches whether there is room for anything new, having looked once. */
async function openRoom(store: MediaStore, { readOnly }: Settings, log: Logger) {
  const room = watchRoom({
    freeBytes: () => store.freeBytes(),
    always: readOnly,
    onChange: (isReadOnly, freeBytes) => {
      const sentence = isReadOnly ? 'only reading: the disk is nearly full' : 'writing again'
      log.warn({ freeBytes }, sentence)
    },
  })
  await room.look()
  return room
}

/** What is done beside requests, by this process; answers with how to stop. */
async function runJobs(context: Context, queue: JobQueue): Promise<() => Promise<void>> {
  await resumeInterrupted(context)
  await queue.work(preparing(context) as JobKind[])
  return keepDraining(context.database, { mail: sendMail }, context.log)
}

/** Where LibreOffice is, as it is found when the server begins. */
const officeOf = ({ office }: Settings): Promise<string | null> =>
  office === null ? Promise.resolve(null) : findOffice(office === 'look' ? null : office)

/** How a stand-in is asked for material. */
const searchOf = ({ origin }: StandIn) => `${origin}/search?words={searchTerms}`

/** What is public may be asked, and the stand-ins; all, if the settings say so. */
const mayAsk =
  ({ asksPrivateAddresses }: Settings, standIns: readonly StandIn[]): Context['mayAskAddress'] =>
  (ip, origin) =>
    asksPrivateAddresses ||
    isPublicAddress(ip) ||
    standIns.some((standIn) => standIn.origin === origin)

/** Stand-ins are for trying things out; where a port is taken, all else goes on without. The film host comes first. */
async function openStandIns(
  { filmHostPort, archivePort, dataFolder }: Settings,
  log: Logger,
): Promise<StandIn[]> {
  const opening = [
    filmHostPort === null ? [] : [openFilmHost(filmHostPort, join(dataFolder, 'film-host'))],
    archivePort === null ? [] : [openArchive(archivePort, join(dataFolder, 'archive'))],
  ].flat()
  const outcomes = await Promise.allSettled(opening)
  return outcomes.flatMap((outcome) => {
    if (outcome.status === 'fulfilled') return [outcome.value]
    log.warn({ err: outcome.reason as Error }, 'a stand-in did not open')
    return []
  })
}

function openLog({ logLevel }: Settings, to?: DestinationStream): Logger {
  const options = {
    level: logLevel,
    serializers: { err: briefly },
    redact: { paths: SECRET_HEADERS, censor: '(kept out of the log)' },
  }
  return to ? pino(options, to) : pino(options)
}

interface AppParts {
  trustedProxies: Settings['trustedProxies']
  sessions: express.RequestHandler
  uploads: Uploads
  log: Logger
  development: boolean
}

function createApp(
  context: Context,
  { sessions, uploads, log, development, trustedProxies }: AppParts,
): Express {
  const app = express()
  app.disable('x-powered-by')
  app.set('query parser', 'simple')
  app.set('trust proxy', trustedProxies)
  // Answers of the API are never stored, so nobody would ask whether they are still the same.
  app.set('etag', false)
  app.use(pinoHttp({ logger: log, genReqId: () => nanoid(10), useLevel: 'debug' }))
  app.use(giveNonce, securityHeaders(development))
  app.use(compression({ threshold: COMPRESS_FROM_BYTES }))
  app.use('/api', sameOriginOnly, (_request, response, next) => {
    response.set('Cache-Control', 'no-store')
    next()
  })
  // Health must be told even while the database, and with it the sessions, is away.
  app.use('/api', (request, response, next) =>
    request.path === '/health' ? withoutSession(request, next) : sessions(request, response, next),
  )
  app.post([contract.signIn.path, contract.choosePassword.path], limitSignIns(context.database))
  app.use('/api/join', limitCodes(context.database))
  app.post(contract.openLink.path, limitGuests(context.database))
  app.use('/api', refuseWhileReadOnly(context.room))
  app.use(UPLOADS_PATH, uploads.handle)
  mountRoutes(app, createHandlers(context))
  app.use('/api', (_request, _response, next) => next(new HttpError('not-found')))
  return app
}

/** A page is shown even while the database, and with it the session, is away; it then says so itself. */
function forgiving(sessions: express.RequestHandler): express.RequestHandler {
  return (request, response, next) =>
    sessions(request, response, (error?: unknown) =>
      error ? withoutSession(request, next) : next(),
    )
}

/** An error as it is logged: not with the whole connection that a database error carries along. */
function briefly(error: Error & { code?: string; cause?: unknown }): object {
  const { name, message, code, stack, cause } = error
  return {
    type: name,
    message,
    code,
    stack,
    ...(cause instanceof Error ? { cause: briefly(cause) } : {}),
  }
}

function withoutSession(request: express.Request, next: express.NextFunction): void {
  request.session = {} as express.Request['session']
  next()
}

function ownVersion(): string {
  const require = createRequire(import.meta.url)
  return (require('../package.json') as { version: string }).version
}
