// Which routes about drafts, editions, sharing and kept questions are answered by what.
import { ROLES_FROM } from '@fernbrake/core/contract'
import type { Context } from '../context.ts'
import { type Part, whoCalls } from '../http/handlers.ts'
import {
  acceptEdits,
  createLesson,
  readDraft,
  readEdits,
  readHistory,
  readStateAt,
} from './drafts.ts'
import {
  changeCollection,
  createCollection,
  dropCollection,
  listCollections,
  openCollection,
} from './collections.ts'
import { publishEdition, readUnpublished } from './editions.ts'
import { findLessons, putAway } from './finding.ts'
import { dropKeptQuestion, keepQuestion, listKeptQuestions } from './keptQuestions.ts'
import { listLessons } from './lessonCards.ts'
import { compareReplacement, replaceEverywhere, takeBackReplacement } from './replaceMedia.ts'
import { hasLessonRole } from './roles.ts'
import {
  giveCopies,
  giveRole,
  listOpenLessons,
  readSharing,
  share,
  shareSeveral,
  removeRole,
} from './sharing.ts'
import { wordsNear } from './words/wordsNear.ts'

export function lessonRoutes(
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
  | 'compareMedia'
  | 'replaceMedia'
  | 'takeBackReplacement'
> {
  return {
    lessons: async (call) => ({ lessons: await listLessons(context.database, whoCalls(call)) }),
    createLesson: (call) => createLesson(context, whoCalls(call), call.body),
    lesson: (call) => readDraft(whoCalls(call), call.params.lessonId),
    editDraft: (call) => acceptEdits(context, whoCalls(call), call.params.lessonId, call.body),
    draftEdits: ({ params, query }) => readEdits(context, params.lessonId, query.since),
    history: ({ params, query }) => readHistory(context, params.lessonId, query.before),
    stateAt: async ({ params }) => ({
      lesson: await readStateAt(context, params.lessonId, params.revision),
    }),
    publish: (call) => publishEdition(context, whoCalls(call), call.params.lessonId, call.body),
    unpublished: ({ params }) => readUnpublished(context, params.lessonId),
    compareMedia: (call) =>
      compareReplacement(context, whoCalls(call), call.params.mediaId, call.query.by),
    replaceMedia: (call) =>
      replaceEverywhere(context, whoCalls(call), call.params.mediaId, call.body.by),
    takeBackReplacement: (call) =>
      takeBackReplacement(context, whoCalls(call), call.params.mediaId, call.body),
  }
}

export function sharingRoutes(
  context: Context,
): Part<'sharing' | 'share' | 'shareSeveral' | 'giveRole' | 'removeRole' | 'giveCopies'> {
  return {
    sharing: async (call) => {
      const { lessonId } = call.params
      const isOwner = await hasLessonRole(whoCalls(call), lessonId, ROLES_FROM.owner)
      return readSharing(context, lessonId, isOwner)
    },
    share: ({ params, body }) => share(context, params.lessonId, body),
    shareSeveral: (call) => shareSeveral(context, whoCalls(call), call.body),
    giveRole: ({ params, body }) => giveRole(context, params.lessonId, body),
    removeRole: ({ params }) => removeRole(context, params.lessonId, params.personId),
    giveCopies: ({ params, body }) => giveCopies(context, params.lessonId, body),
  }
}

export function findingRoutes(
  context: Context,
): Part<
  | 'findLessons'
  | 'putAway'
  | 'openLessons'
  | 'collections'
  | 'createCollection'
  | 'changeCollection'
  | 'dropCollection'
  | 'openCollection'
> {
  const { database } = context
  return {
    findLessons: async (call) => ({
      found: await findLessons(database, whoCalls(call), call.query.words),
    }),
    putAway: (call) => putAway(database, whoCalls(call), call.body),
    openLessons: ({ query }) => listOpenLessons(context, query.words),
    collections: async (call) => ({ collections: await listCollections(database, whoCalls(call)) }),
    createCollection: (call) => createCollection(database, whoCalls(call), call.body),
    changeCollection: (call) =>
      changeCollection(database, whoCalls(call), call.params.collectionId, call.body),
    dropCollection: ({ params }) => dropCollection(database, params.collectionId),
    openCollection: ({ params }) => openCollection(database, params.code),
  }
}

export function questionRoutes(
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
