// Finding lessons among many: by their words, put away, and in collections.
import { z } from 'zod'
import { clockSchema, idSchema, plainText } from '../fields/index.ts'
import { linkCodeSchema } from './attempts.ts'
import { COLLECTION_SEEN_BY, MOST_IN_COLLECTION } from './sharingChoices.ts'
import { route, type ReplyOf } from './route.ts'

/** What somebody types to find something. */
export const soughtSchema = plainText(200)

/** Words at a moment of a film, in ms, or in a part as a whole. */
export const placeFoundSchema = z.strictObject({
  partId: idSchema,
  atMs: z.int().nullable(),
  text: z.string(),
})

/** Where in a lesson the words stand, in its order; none where its title, summary or tags say them all. */
export const wordsFound = {
  places: z.array(placeFoundSchema),
  /** So many further places. */
  more: z.int(),
}

const lessonIds = z.array(idSchema).max(MOST_IN_COLLECTION)
const collectionParams = z.strictObject({ collectionId: idSchema })
const about = {
  title: plainText(200, 1),
  summary: plainText(2000),
  /** Only its owner, anyone with its link, or everyone, on the page of open lessons. */
  seenBy: z.enum(COLLECTION_SEEN_BY),
}

export const collectionSchema = z.strictObject({
  id: idSchema,
  ...about,
  /** What its page is found by. */
  code: linkCodeSchema,
  /** In the order in which they are to be read; those that I may no longer see are left out. */
  lessonIds: z.array(idSchema),
})

/** A published lesson as strangers see it. */
export const openLessonSchema = z.strictObject({
  code: linkCodeSchema,
  title: z.string(),
  summary: z.string(),
  level: z.string(),
  tags: z.array(z.string()),
  hasCover: z.boolean(),
  publishedAt: clockSchema,
})

export const findingRoutes = {
  findLessons: route('findLessons', 'designer', 'Find lessons of mine by their words', {
    query: z.strictObject({ words: soughtSchema }),
    reply: z.strictObject({
      /** Those in which every word occurs: in what they say of themselves, or in their films, parts and questions. */
      found: z.array(z.strictObject({ lessonId: idSchema, ...wordsFound })),
    }),
  }),
  putAway: route('putAway', 'designer', 'Put lessons away, or take them out again, for me alone', {
    /** All, or none. */
    body: z.strictObject({ lessonIds: z.array(idSchema).min(1).max(2000), away: z.boolean() }),
    reply: z.strictObject({ changed: z.int() }),
  }),
  openLessons: route('openLessons', 'public', 'The lessons that everyone may learn', {
    query: z.strictObject({ words: soughtSchema.optional() }),
    reply: z.strictObject({
      /** `said`: what everyone can read in the talk about it and holds all words, the earliest. */
      lessons: z.array(openLessonSchema.extend({ ...wordsFound, said: z.array(placeFoundSchema) })),
      /** Without words: the collections that everyone may see. */
      collections: z.array(
        z.strictObject({
          code: linkCodeSchema,
          title: z.string(),
          summary: z.string(),
          by: z.string(),
          lessons: z.int(),
        }),
      ),
    }),
  }),
  collections: route('collections', 'designer', 'My collections of lessons', {
    reply: z.strictObject({ collections: z.array(collectionSchema) }),
  }),
  createCollection: route('createCollection', 'designer', 'Begin a collection', {
    /** The same again changes nothing. */
    body: z.strictObject({ id: idSchema, title: about.title, lessonIds }),
    reply: collectionSchema,
    status: 201,
  }),
  changeCollection: route('changeCollection', 'collectionOwner', 'Change a collection of mine', {
    params: collectionParams,
    body: z.strictObject({
      title: about.title.optional(),
      summary: about.summary.optional(),
      seenBy: about.seenBy.optional(),
      /** Come in at its end; those that are in it stay where they are. */
      add: lessonIds.optional(),
      remove: lessonIds.optional(),
      /** In this order; what is not named comes after. */
      order: lessonIds.optional(),
    }),
    reply: collectionSchema,
  }),
  dropCollection: route(
    'dropCollection',
    'collectionOwner',
    'Give a collection up; its lessons stay',
    { params: collectionParams, reply: z.strictObject({ id: idSchema }) },
  ),
  openCollection: route('openCollection', 'public', 'A collection that is shared', {
    params: z.strictObject({ code: linkCodeSchema }),
    reply: z.strictObject({
      title: z.string(),
      summary: z.string(),
      by: z.string(),
      /** Those that whoever has their link may learn. */
      lessons: z.array(openLessonSchema),
    }),
  }),
}

export type Collection = z.infer<typeof collectionSchema>
export type PlaceFound = z.infer<typeof placeFoundSchema>
export type LessonFound = ReplyOf<typeof findingRoutes.findLessons>['found'][number]
export type OpenLesson = z.infer<typeof openLessonSchema>
export type OpenCollection = ReplyOf<typeof findingRoutes.openCollection>
