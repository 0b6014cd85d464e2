// Which service answers which route of the contract.
import { contract } from '@fernbrake/core/contract'
import { select, within } from '../database/connect.ts'
import { hasLessonRole, ROLES_FROM } from '../lessons/roles.ts'
import { HttpError } from '../http/HttpError.ts'
import { whoCalls, type Handlers } from './mountRoutes.ts'
import { describeApi } from '../http/openapi.ts'
import { originOf } from '../http/security.ts'
import { beginChoosing, beginSession, endSession } from '../http/session.ts'
import { seesAttempt } from '../learning/queries/attemptAccess.ts'
import {
  describeLink,
  linkCover,
  listAttempts,
  openLink,
  readAttempt,
  readWaysAt,
} from '../learning/attempts.ts'
import type { Context } from '../context.ts'
import { createLesson, readDraft, readEdits, takeEdits } from '../lessons/drafts.ts'
import { publishEdition, readUnpublished } from '../lessons/editions.ts'
import { sendStored } from '../http/sendStored.ts'
import { sendHandedFile } from './sendHandedFile.ts'
import { readHistory, readStateAt } from '../lessons/history.ts'
import { listLessons } from '../lessons/lessonCards.ts'
import { dropKeptQuestion, keepQuestion, listKeptQuestions } from '../lessons/keptQuestions.ts'
import { wordsNear } from '../lessons/words/wordsNear.ts'
import {
  changeWords,
  describeMedia,
  fetchMedia,
  measureHosted,
  findFile,
  listMedia,
  nameOfDownload,
  prepareAgain,
} from '../media/media.ts'
import { classHandlers } from './classHandlers.ts'
import { markingHandlers } from './markingHandlers.ts'
import { talkHandlers } from './talkHandlers.ts'
import { reportHandlers } from './reportHandlers.ts'
import {
  choosePassword,
  createGuest,
  describeSession,
  findByCard,
  findByPassword,
  hasPassword,
} from '../people/people.ts'
import {
  addPerson,
  changePerson,
  exportPerson,
  overviewForKeeper,
  removePerson,
  resetPassword,
} from '../people/keeping.ts'
import { replaceEverywhere } from '../lessons/replaceMedia.ts'
import { cutPicture, readUses, removeMedia } from '../media/shelf.ts'
import { checkPage } from '../web/webPages.ts'
import { takeRecords } from '../learning/records.ts'
import { readResults } from '../results/results.ts'
import {
  giveCopies,
  giveRole,
  listOpenLessons,
  readSharing,
  share,
  shareSeveral,
  takeRole,
} from '../lessons/sharing.ts'
import { readTally } from '../learning/tallies.ts'

/** How long the database may take to say that it is there, in ms. */
const HEALTH_LIMIT_MS = 5000

export function createHandlers(context: Context): Handlers {
  return {
    ...generalHandlers(context),
    ...peopleHandlers(context),
    ...keepingHandlers(context),
    ...lessonHandlers(context),
    ...sharingHandlers(context),
    ...mediaHandlers(context),
    ...questionHandlers(context),
    ...attemptHandlers(context),
    ...classHandlers(context),
    ...markingHandlers(context),
    ...talkHandlers(context),
    ...reportHandlers(context),
    checkPage: ({ body, request }) => checkPage(context, body.address, originOf(request)),
  }
}

type Part<Names extends keyof Handlers> = Pick<Handlers, Names>

function generalHandlers({ database, version }: Context): Part<'health' | 'openapi'> {
  // Made when it is first asked for: it takes a second that a start need not wait for.
  let description: ReturnType<typeof describeApi> | undefined
  return {
    health: async ({ response }) => {
      const isThere = await Promise.race([
        select(database, 'SELECT 1 AS one').then(
          () => true,
          () => false,
        ),
        new Promise<boolean>((resolve) => setTimeout(resolve, HEALTH_LIMIT_MS, false).unref()),
      ])
      const health = {
        status: isThere ? 'ok' : 'unavailable',
        database: isThere ? 'ok' : 'away',
        version,
      } as const
      if (!isThere) response.status(503).json(health)
      return contract.health.reply!.parse(health)
    },
    openapi: () => Promise.resolve((description ??= describeApi(version))),
  }
}

function peopleHandlers(
  context: Context,
): Part<'session' | 'signIn' | 'signOut' | 'choosePassword'> {
  return {
    session: ({ person, request }) =>
      describeSession(person, request.session.choosing?.personId ?? null),
    signIn: async ({ body, request }) => {
      const person = await findByPassword(body.email, body.password)
      if (person) {
        await beginSession(request, person.id)
        return describeSession(person)
      }
      const choosing = await findByCard(context, body.email, body.password)
      if (!choosing) throw new HttpError('wrong-password')
      await beginChoosing(request, choosing)
      return describeSession(null, choosing.personId)
    },
    choosePassword: async ({ body, person, request }) => {
      const { choosing } = request.session
      if (!choosing && !person) throw new HttpError('not-signed-in')
      if (!choosing && !(await hasPassword(person!.id, body.before ?? '')))
        throw new HttpError('wrong-password', { detail: 'This is not the password so far.' })
      const who = choosing ?? { personId: person!.id, phrase: null }
      const chosen = await choosePassword(context, who, body.password)
      if (!chosen) throw new HttpError('wrong-password', { detail: CARD_GONE })
      await beginSession(request, chosen.id)
      context.accessChanged({ personId: chosen.id })
      return describeSession(chosen)
    },
    signOut: async ({ request }) => {
      const sessionId = request.sessionID
      await endSession(request)
      context.accessChanged({ sessionId })
      return describeSession(null)
    },
  }
}

const CARD_GONE = 'This card is not good any more. Ask your teacher for a new one.'

function keepingHandlers(
  context: Context,
): Part<
  | 'keeperOverview'
  | 'addPerson'
  | 'changePerson'
  | 'resetPassword'
  | 'removePerson'
  | 'exportPerson'
> {
  return {
    keeperOverview: () => overviewForKeeper(context),
    addPerson: ({ body }) => addPerson(context, body),
    changePerson: ({ params, body }) => changePerson(context, params.personId, body),
    resetPassword: ({ params }) => resetPassword(context, params.personId),
    removePerson: (call) => removePerson(context, whoCalls(call), call.params.personId),
    exportPerson: async ({ params, response }) => {
      const write = await exportPerson(context, params.personId)
      response.attachment('person.zip').type('application/zip')
      await write(response)
      return undefined
    },
  }
}

function lessonHandlers(
  context: Context,
): Part<
  | 'lessons'
  | 'createLesson'
  | 'lesson'
  | 'editDraft'
  | 'draftEdits'
  | 'history'
  | 'stateAt'
  | 'publish'
  | 'unpublished'
  | 'results'
  | 'handedFileOf'
> {
  return {
    lessons: async (call) => ({ lessons: await listLessons(context.database, whoCalls(call)) }),
    createLesson: (call) => createLesson(context, whoCalls(call), call.body),
    lesson: (call) => readDraft(whoCalls(call), call.params.lessonId),
    editDraft: (call) => takeEdits(context, whoCalls(call), call.params.lessonId, call.body),
    draftEdits: ({ params, query }) => readEdits(params.lessonId, query.since),
    history: ({ params, query }) => readHistory(context, params.lessonId, query.before),
    stateAt: async ({ params }) => ({
      lesson: await readStateAt(context, params.lessonId, params.revision),
    }),
    publish: (call) => publishEdition(context, whoCalls(call), call.params.lessonId, call.body),
    unpublished: ({ params }) => readUnpublished(context, params.lessonId),
    results: (call) =>
      readResults(context, whoCalls(call), call.params.lessonId, call.query.edition),
    handedFileOf: async (call) => {
      const { lessonId, attemptId, fileId: id } = call.params
      const ask = within(context.database)
      if (!(await seesAttempt(ask, whoCalls(call).id, { lessonId, attemptId })))
        throw new HttpError('not-found')
      await sendHandedFile(context, { attemptId, id }, call.response)
      return undefined
    },
  }
}

function sharingHandlers(
  context: Context,
): Part<
  'sharing' | 'share' | 'shareSeveral' | 'giveRole' | 'takeRole' | 'giveCopies' | 'openLessons'
> {
  return {
    sharing: async (call) => {
      const { lessonId } = call.params
      const isOwner = await hasLessonRole(whoCalls(call), lessonId, ROLES_FROM.owner)
      return readSharing(context, lessonId, isOwner)
    },
    share: ({ params, body }) => share(context, params.lessonId, body),
    shareSeveral: (call) => shareSeveral(context, whoCalls(call), call.body),
    giveRole: ({ params, body }) => giveRole(context, params.lessonId, body),
    takeRole: ({ params }) => takeRole(context, params.lessonId, params.personId),
    giveCopies: ({ params, body }) => giveCopies(context, params.lessonId, body),
    openLessons: async () => ({ lessons: await listOpenLessons(context) }),
  }
}

function mediaHandlers(
  context: Context,
): Part<
  | 'mediaList'
  | 'media'
  | 'fetchMedia'
  | 'filmHosts'
  | 'measureMedia'
  | 'describeMedia'
  | 'mediaUses'
  | 'replaceMedia'
  | 'removeMedia'
  | 'cutPicture'
  | 'prepareAgain'
  | 'mediaFile'
  | 'mediaPage'
> {
  return {
    mediaList: async (call) => ({ media: await listMedia(whoCalls(call)) }),
    media: (call) => describeMedia(call.params.mediaId, whoCalls(call).id),
    fetchMedia: (call) => fetchMedia(context, whoCalls(call).id, call.body),
    filmHosts: () => {
      const { filmHost } = context
      return Promise.resolve({ hosts: filmHost ? [{ address: filmHost }] : [] })
    },
    measureMedia: (call) =>
      measureHosted(context, call.params.mediaId, whoCalls(call).id, call.body.durationMs),
    describeMedia: (call) => changeWords(call.params.mediaId, whoCalls(call).id, call.body),
    mediaUses: (call) => readUses(context, whoCalls(call), call.params.mediaId),
    removeMedia: ({ params }) => removeMedia(context, params.mediaId),
    replaceMedia: (call) =>
      replaceEverywhere(context, whoCalls(call), call.params.mediaId, call.body.by),
    cutPicture: (call) => cutPicture(context, whoCalls(call), call.params.mediaId, call.body),
    prepareAgain: ({ params }) => prepareAgain(context, params.mediaId),
    mediaPage: async ({ params, response }) => {
      const file = await findFile(params.mediaId, `page-${params.page}`)
      await sendStored(context.store, file, response)
      return undefined
    },
    mediaFile: async ({ params, response }) => {
      const file = await findFile(params.mediaId, params.file)
      const name = await nameOfDownload(file)
      if (name !== null)
        response.set('Content-Security-Policy', "default-src 'none'; sandbox").attachment(name)
      await sendStored(context.store, file, response)
      return undefined
    },
  }
}

function questionHandlers(
  context: Context,
): Part<'keptQuestions' | 'keepQuestion' | 'dropKeptQuestion' | 'nearWords'> {
  return {
    keptQuestions: async (call) => ({
      questions: await listKeptQuestions(context, whoCalls(call)),
    }),
    keepQuestion: (call) => keepQuestion(whoCalls(call), call.body),
    dropKeptQuestion: ({ params }) => dropKeptQuestion(params.keptId),
    nearWords: async ({ query: { language, listed } }) => ({
      words: await wordsNear(language, new Set(listed.split(/\s+/)), context.log),
    }),
  }
}

function attemptHandlers(
  context: Context,
): Part<
  | 'link'
  | 'linkCover'
  | 'openLink'
  | 'myAttempts'
  | 'attempt'
  | 'ways'
  | 'tally'
  | 'handedFile'
  | 'sendRecords'
> {
  return {
    link: ({ params, person }) => describeLink(context, params.code, person),
    linkCover: async ({ params, person, response }) => {
      const file = await linkCover(context, params.code, person)
      await sendStored(context.store, file, response)
      return undefined
    },
    openLink: async ({ params, body, person, request }) => {
      if (!person) await describeLink(context, params.code, null)
      const learner = person ?? (await welcomeGuest(body.name))
      if (!person) await beginSession(request, learner.id)
      return { attemptId: await openLink(context, params.code, learner) }
    },
    myAttempts: async (call) => ({ attempts: await listAttempts(context, whoCalls(call)) }),
    attempt: ({ params }) => readAttempt(context, params.attemptId),
    ways: ({ params }) => readWaysAt(context, params.attemptId, params.placeId),
    tally: ({ params }) => readTally(context, params.attemptId, params.questionId),
    handedFile: async ({ params: { attemptId, fileId: id }, response }) => {
      await sendHandedFile(context, { attemptId, id }, response)
      return undefined
    },
    sendRecords: ({ params, body }) => takeRecords(context, params.attemptId, body),
  }
}

function welcomeGuest(name: string | undefined) {
  if (name === undefined)
    throw new HttpError('invalid-input', {
      issues: [
        { path: ['body', 'name'], code: 'missing', message: 'needs a first and a last name' },
      ],
    })
  return createGuest(name)
}
