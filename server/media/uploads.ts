// Resumable uploads by the tus protocol. Who began an upload goes on with it, and nobody else sees it.
import { FileStore } from '@tus/file-store'
import { Server as TusServer } from '@tus/server'
import { AsyncLocalStorage } from 'node:async_hooks'
import { mkdirSync } from 'node:fs'
import { readdir } from 'node:fs/promises'
import { join } from 'node:path'
import { nanoid } from 'nanoid'
import type { RequestHandler, Response } from 'express'
import { mediaKindSchema, UPLOADS_PATH, type Person } from '@fernbrake/core/contract'
import { LARGEST_FILM_BYTES } from '@fernbrake/core/media'
import { authorise } from '../http/authorise.ts'
import { HttpError } from '../http/HttpError.ts'
import { personOf } from '../http/session.ts'
import type { Context } from '../services/context.ts'
import { readHandedUpload, takeHandedFile, whyNotHandIn } from '../services/handedFiles.ts'
import { takeUpload } from '../services/media.ts'

/** What was begun and not finished is kept this long, in ms: somebody may go on with it from another place. */
const UNFINISHED_KEPT_MS = 14 * 24 * 60 * 60 * 1000

/** What a file that comes with an answer is said to be. */
const ANSWER = 'answer'
const mayPutMediaIn = ({ role }: Person) => role === 'designer' || role === 'keeper'
const caller = new AsyncLocalStorage<Person>()

/** A fault of the catalogue in the form that the tus server answers with. */
function tusFault(fault: HttpError) {
  return { status_code: fault.status, body: JSON.stringify(fault.toProblem()) }
}

/** What an upload is said to be; films are what is put in most. */
const kindOf = (said: string | null | undefined) =>
  mediaKindSchema.options.find((kind) => kind === said) ?? 'film'

export interface Uploads {
  handle: RequestHandler
  /** Makes media of uploads that were complete when a server was killed. */
  takeFinished(): Promise<void>
  /** Lets go of what was begun long ago and never finished; answers with how many. */
  dropUnfinished(): Promise<number>
}

export function createUploads(context: Context, folder: string): Uploads {
  mkdirSync(folder, { recursive: true })
  const datastore = new FileStore({
    directory: folder,
    expirationPeriodInMilliseconds: UNFINISHED_KEPT_MS,
  })
  const finish = async (id: string, metadata: Record<string, string | null> | undefined) => {
    const ownerId = metadata?.ownerId
    if (!ownerId) return
    const path = join(folder, id)
    if (metadata.kind === ANSWER) {
      const handed = readHandedUpload(metadata)
      if (handed) await takeHandedFile(context, handed, path)
    } else
      await takeUpload(context, {
        ...{ id, ownerId, path },
        title: metadata.filename ?? '',
        kind: kindOf(metadata.kind),
      })
  }
  const tus = new TusServer({
    path: UPLOADS_PATH,
    relativeLocation: true,
    datastore,
    maxSize: LARGEST_FILM_BYTES,
    respectForwardedHeaders: true,
    namingFunction: () => nanoid(),
    onUploadCreate: async (_request, { metadata = {}, size }) => {
      const person = caller.getStore()!
      const said = { filename: metadata.filename ?? '', ownerId: person.id }
      if (metadata.kind !== ANSWER) {
        if (!mayPutMediaIn(person)) throw tusFault(new HttpError('not-allowed'))
        return { metadata: { ...said, kind: kindOf(metadata.kind) } }
      }
      const handed = readHandedUpload(metadata)
      const fault = await whyNotHandIn(person, handed, size)
      if (fault) throw tusFault(fault)
      return { metadata: { ...said, ...handed, kind: ANSWER } }
    },
    onIncomingRequest: async (_request, uploadId) => {
      const upload = await datastore.getUpload(uploadId).catch(() => undefined)
      if (upload && upload.metadata?.ownerId !== caller.getStore()!.id)
        throw tusFault(new HttpError('upload-gone'))
    },
    onUploadFinish: async (_request, upload) => {
      await finish(upload.id, upload.metadata).catch(async (error: unknown) => {
        if (!(error instanceof HttpError)) throw error
        // Whoever asks for it again must not be told that it has arrived.
        await datastore.remove(upload.id).catch(() => undefined)
        throw tusFault(error)
      })
      return {}
    },
  })
  return {
    handle: async (request, response) => {
      const person = personOf(request)
      await authorise('signedIn', person, {})
      acceptCallbacks(response)
      await caller.run(person!, () => tus.handle(request, response))
    },
    dropUnfinished: () => tus.cleanUpExpiredUploads(),
    takeFinished: async () => {
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

async function listUploads(folder: string): Promise<{ id: string }[]> {
  const names = await readdir(folder)
  return names.filter((name) => name.endsWith('.json')).map((name) => ({ id: name.slice(0, -5) }))
}
