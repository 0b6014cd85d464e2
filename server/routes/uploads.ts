// Resumable uploads by the tus protocol. Who began an upload goes on with it, and nobody else sees it.
import { FileStore } from '@tus/file-store'
import { Server as TusServer } from '@tus/server'
import { AsyncLocalStorage } from 'node:async_hooks'
import { mkdirSync } from 'node:fs'
import { readdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { nanoid } from 'nanoid'
import type { RequestHandler, Response } from 'express'
import {
  mediaKindSchema,
  OWN_PROBLEMS,
  UPLOADS_PATH,
  type Media,
  type Person,
} from '@fernbrake/core/contract'
import { LARGEST_BYTES, LARGEST_FILM_BYTES } from '@fernbrake/core/media'
import { authorise, may } from './authorise.ts'
import { HttpError } from '../http/HttpError.ts'
import { asHttpError } from '../http/problemHandler.ts'
import { personOf } from '../http/session.ts'
import type { Context } from '../context.ts'
import {
  handsIn,
  readHandedUpload,
  acceptHandedFile,
  whyNotHandIn,
  type HandedUpload,
} from '../learning/handedFiles.ts'
import { roomFor, isAcceptedUpload, acceptUpload } from '../media/media.ts'
import { languageOfRequest } from '../http/language.ts'
import { missingBytes, whyNoRoom, type Unfinished } from '../media/room.ts'

/** What was begun and not finished is kept this long, in ms: somebody may go on with it from another place. */
const UNFINISHED_KEPT_MS = 14 * 24 * 60 * 60 * 1000

/** What a file that comes with an answer is said to be. */
const ANSWER = 'answer'
/** Who calls, and in which language they are answered. */
const caller = new AsyncLocalStorage<{ person: Person; language: string }>()

/** A fault of the catalogue in the form that the tus server answers with. */
function tusFault(fault: HttpError) {
  const { language = 'en' } = caller.getStore() ?? {}
  return { status_code: fault.status, body: JSON.stringify(fault.toProblem(language)) }
}

/** What an upload is said to be; films are what is put in most. */
const kindOf = (said: string | null | undefined) =>
  mediaKindSchema.options.find((kind) => kind === said) ?? 'film'

export interface Uploads {
  handle: RequestHandler
  /** Makes media of uploads that were complete when a server was killed. */
  acceptFinished(): Promise<void>
  /** Lets go of what was begun long ago and never finished; answers with how many. */
  dropUnfinished(): Promise<number>
  /** Forgets all that somebody has sent and not finished, and what is noted of what they finished. */
  dropOf(personId: string): Promise<void>
}

type Metadata = Record<string, string | null> | undefined

/** Whether an unfinished upload comes with an answer to the same question. */
const isFor = ({ metadata }: Unfinished, handed: HandedUpload | null): boolean =>
  metadata.kind === ANSWER &&
  metadata.attemptId === handed?.attemptId &&
  metadata.questionId === handed?.questionId

/** The id at the end of an upload's address; null where there is none that we could have given. */
const idIn = (path: string) => /^\/([A-Za-z0-9_-]{1,64})$/.exec(path)?.[1] ?? null

/** What the tus protocol answers of an upload that is whole. */
function sendOffset(response: Response, size: number): void {
  response
    .set({ 'Tus-Resumable': '1.0.0', 'Cache-Control': 'no-store' })
    .set({ 'Upload-Offset': String(size), 'Upload-Length': String(size) })
    .status(200)
    .end()
}

async function dropUpload(folder: string, id: string): Promise<void> {
  await rm(join(folder, id), { force: true })
  await rm(join(folder, `${id}.json`), { force: true })
}

/** What an answer's file says that it is; what is not theirs does not exist for whoever sends it. */
async function handedBy(person: Person, metadata: Metadata): Promise<HandedUpload> {
  const handed = readHandedUpload(metadata)
  if (handed && (await may('attemptOwner', person, { attemptId: handed.attemptId }))) return handed
  throw tusFault(new HttpError('not-found'))
}

/** Whether what was begun may still be gone on with. */
const isYoung = ({ creation_date: begun }: { creation_date?: string } = {}) =>
  begun !== undefined && Date.now() - Date.parse(begun) < UNFINISHED_KEPT_MS

export function createUploads(context: Context, folder: string): Uploads {
  mkdirSync(folder, { recursive: true })
  const datastore = new FileStore({
    directory: folder,
    expirationPeriodInMilliseconds: UNFINISHED_KEPT_MS,
  })
  /** Uploads that are being taken in, so that whoever asks meanwhile waits for the same. */
  const finishing = new Map<string, Promise<void>>()
  const finish = (id: string, metadata: Metadata): Promise<void> => {
    const under = finishing.get(id) ?? takeIn(id, metadata).finally(() => finishing.delete(id))
    finishing.set(id, under)
    return under
  }
  const takeIn = async (id: string, metadata: Metadata) => {
    const ownerId = metadata?.ownerId
    if (!ownerId) return
    const path = join(folder, id)
    if (metadata.kind === ANSWER) {
      const handed = readHandedUpload(metadata)
      if (handed) await acceptHandedFile(context, handed, path)
    } else
      await acceptUpload(context, {
        id,
        ownerId,
        path,
        title: metadata.filename ?? '',
        kind: kindOf(metadata.kind),
      })
  }
  /** All that was begun and is not finished, with what of it has not come yet. */
  const listUnfinished = async (): Promise<Unfinished[]> => {
    const all: Unfinished[] = []
    for (const { id, hasBytes } of await listUploads(folder)) {
      // Of what was finished only a note is left, and there may be many.
      if (!hasBytes) continue
      const known = await datastore.configstore.get(id).catch(() => undefined)
      const { metadata = {}, size = 0 } = known ?? {}
      const bytes = await missingBytes(folder, id, size)
      if (bytes > 0) all.push({ id, ownerId: metadata.ownerId ?? '', metadata, bytes })
    }
    return all
  }
  /** `kind` is that of a medium; null for what comes with an answer, which is bounded by its question. */
  const needRoom = async (
    person: Person,
    bytes = 0,
    kind: Media['kind'] | null,
    under: readonly Unfinished[],
  ): Promise<void> => {
    if (kind !== null && bytes > LARGEST_BYTES[kind]) throw tusFault(new HttpError('too-large'))
    const fault = whyNoRoom(person.id, bytes, under, await roomFor(context, person.id))
    if (fault) throw tusFault(fault)
  }
  const tus = new TusServer({
    path: UPLOADS_PATH,
    relativeLocation: true,
    datastore,
    maxSize: LARGEST_FILM_BYTES,
    respectForwardedHeaders: true,
    namingFunction: () => nanoid(),
    onUploadCreate: async (_request, { metadata = {}, size }) => {
      const { person } = caller.getStore()!
      const under = await listUnfinished()
      const said = { filename: metadata.filename ?? '', ownerId: person.id }
      if (metadata.kind !== ANSWER) {
        if (!(await may('designer', person))) throw tusFault(new HttpError('not-allowed'))
        await needRoom(person, size, kindOf(metadata.kind), under)
        return { metadata: { ...said, kind: kindOf(metadata.kind) } }
      }
      const handed = await handedBy(person, metadata)
      const forThis = under.filter((one) => isFor(one, handed)).length
      const fault = await whyNotHandIn(handed, size, forThis)
      if (fault) throw tusFault(fault)
      await needRoom(person, size, null, under)
      return { metadata: { ...said, ...handed, kind: ANSWER } }
    },
    onIncomingRequest: async (_request, uploadId) => {
      const known = await datastore.configstore.get(uploadId).catch(() => undefined)
      if (known && known.metadata?.ownerId !== caller.getStore()!.person.id)
        throw tusFault(new HttpError('upload-gone'))
    },
    onUploadFinish: async (_request, upload) => {
      await finishOrDrop(upload.id, upload.metadata)
      return {}
    },
    onResponseError: (_request, error) => {
      // What we threw ourselves, and what the protocol says by itself; all else is looked at first.
      const isOwn = 'body' in error && String(error.body).includes(OWN_PROBLEMS)
      if ('status_code' in error && (isOwn || error.status_code < 500)) return error
      const fault = asHttpError(error)
      if (fault.status >= 500) context.log.error({ err: error }, 'an upload failed')
      return tusFault(fault)
    },
    // No other site is told anything.
    allowedOrigins: [],
  })
  const finishOrDrop = (id: string, metadata: Metadata): Promise<void> =>
    finish(id, metadata).catch(async (error: unknown) => {
      // Whoever asks for it again must not be told that it has arrived.
      if (error instanceof HttpError) await datastore.remove(id).catch(() => undefined)
      throw error
    })
  /** Whether what this upload brought is in the database by now. */
  const isTaken = async (id: string, metadata: NonNullable<Metadata>): Promise<boolean> => {
    if (metadata.kind !== ANSWER) return isAcceptedUpload(id, metadata.ownerId ?? '')
    const handed = readHandedUpload(metadata)
    return handed !== null && handsIn(handed)
  }
  /**
   * The size of an upload of this person whose last byte has come, once it is taken in: a server that could not do so then
   * does it now. Null for all others.
   */
  const sizeWhenTaken = async (id: string, person: Person): Promise<number | null> => {
    const known = await datastore.configstore.get(id).catch(() => undefined)
    if (known?.size === undefined || known.metadata?.ownerId !== person.id) return null
    const upload = await datastore.getUpload(id).catch(() => null)
    if (upload && upload.offset !== upload.size) return null
    if (upload) await finishOrDrop(id, upload.metadata)
    return (await isTaken(id, known.metadata)) ? known.size : null
  }
  return {
    handle: async (request, response) => {
      const person = personOf(request)
      await authorise('signedIn', person, {})
      const id = request.method === 'HEAD' ? idIn(request.path) : null
      const size = id === null ? null : await sizeWhenTaken(id, person!)
      if (size !== null) return void sendOffset(response, size)
      acceptCallbacks(response)
      const calling = { person: person!, language: languageOfRequest(request) }
      await caller.run(calling, () => tus.handle(request, response))
    },
    dropUnfinished: async () => {
      let dropped = 0
      for (const { id } of await listUploads(folder)) {
        if (isYoung(await datastore.configstore.get(id))) continue
        await dropUpload(folder, id)
        dropped += 1
      }
      return dropped
    },
    dropOf: async (personId) => {
      for (const { id } of await listUploads(folder)) {
        const known = await datastore.configstore.get(id).catch(() => undefined)
        if (known?.metadata?.ownerId === personId) await dropUpload(folder, id)
      }
    },
    acceptFinished: async () => {
      for (const { id } of await listUploads(folder)) {
        const upload = await datastore.getUpload(id).catch(() => null)
        if (upload && upload.size !== undefined && upload.offset === upload.size)
          await finish(upload.id, upload.metadata).catch((error: unknown) => {
            if (!(error instanceof HttpError)) throw error
          })
      }
    },
  }
}

/**
 * Node's `end` takes a callback in place of a chunk; the session and compression middlewares' versions of it do not,
 * and the tus server relies on it.
 */
function acceptCallbacks(response: Response): void {
  const end = response.end.bind(response) as (chunk?: unknown, encoding?: unknown) => Response
  response.end = ((...args: unknown[]) => {
    const callback = args.find((arg) => typeof arg === 'function') as (() => void) | undefined
    if (callback) response.once('finish', callback)
    return end(...args.filter((arg) => typeof arg !== 'function'))
  }) as typeof response.end
}

/** What was begun, by the notes that are kept of it; `hasBytes` as long as it has not been taken in. */
async function listUploads(folder: string): Promise<{ id: string; hasBytes: boolean }[]> {
  const names = new Set(await readdir(folder))
  return [...names].flatMap((name) => {
    const id = name.endsWith('.json') ? name.slice(0, -5) : null
    return id === null ? [] : [{ id, hasBytes: names.has(id) }]
  })
}
