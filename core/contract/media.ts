// Media and their preparation. Uploads themselves follow the tus protocol at UPLOADS_PATH.
import { z } from 'zod'
import {
  addressSchema,
  idSchema,
  mediaMsSchema,
  plainText,
  webAddressSchema,
} from '../fields/index.ts'
import { boxSchema, frameRateSchema, MOST_DOCUMENT_PAGES } from '../lesson/index.ts'
import { route } from './route.ts'

export const mediaFileKindSchema = z.enum([
  'original',
  'playable',
  'poster',
  'peaks',
  'pauses',
  'filmstrip',
  'shots',
  'pages',
])

/** Each page of a document is a file of its own. */
export type PageFile = `page-${number}`

/** What the file `pages` holds: of each page that was drawn, its size as drawn, the words on it, and a slide's notes. */
export const pagesFileSchema = z.strictObject({
  pages: z.array(
    z.strictObject({
      width: z.int(),
      height: z.int(),
      words: z.string(),
      notes: z.string().optional(),
    }),
  ),
})

/** What the file `shots` holds: the times at which a new shot begins, without 0. */
export const shotsFileSchema = z.strictObject({ shots: z.array(mediaMsSchema) })

/** What the file `pauses` holds: where nobody speaks. */
export const pausesFileSchema = z.strictObject({
  pauses: z.array(z.strictObject({ fromMs: mediaMsSchema, toMs: mediaMsSchema })),
})

/** The steps of preparing; sound yields peaks and pauses, one look at every frame filmstrip and shots. */
export const jobSchema = z.strictObject({
  kind: z.enum(['fetch', 'probe', 'playable', 'poster', 'peaks', 'filmstrip', 'pages']),
  state: z.enum(['waiting', 'running', 'done', 'failed']),
  /** 0 to 1. */
  progress: z.number(),
})

export const mediaKindSchema = z.enum(['film', 'picture', 'sound', 'document'])

/** How a picture is cut from another; see PictureCut in core/media. */
export const pictureCutSchema = z.strictObject({
  turns: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
  box: boxSchema,
  width: z.int().min(8).max(20_000).nullable(),
})

/** One of the sounds that run along a film: a language, a commentary, what is shown told in words. */
export const soundTrackSchema = z.strictObject({
  /** A language tag as the file has it (ISO 639 or BCP 47); '' where it says none. */
  language: z.string(),
  title: z.string(),
  channels: z.int().min(0),
})

/** What is to be known of a medium, in words. */
const mediaWords = {
  title: plainText(200, 1),
  description: plainText(2000),
  /** For those who cannot see it. */
  alternative: plainText(1000),
  credit: plainText(500),
  licence: plainText(200),
  /** Its page where it came from, which learners are shown with its credit; '' for none. */
  source: webAddressSchema.or(z.literal('')),
  /** Where it came from: for its owner alone, '' for everybody else. */
  sourceNote: plainText(2000),
  tags: z.array(plainText(40, 1)).max(30),
}

export const mediaSchema = z.strictObject({
  id: idSchema,
  kind: mediaKindSchema,
  ...mediaWords,
  /** `ready` as soon as it plays; `failed` says why in `fault`. */
  state: z.enum(['preparing', 'ready', 'failed']),
  fault: z
    .enum([
      'notAFilm',
      'noPicture',
      'unreadable',
      'conversionFailed',
      'notAPicture',
      'tooLarge',
      'notASound',
      'notADocument',
      'locked',
      'notReached',
      'ownNetwork',
      'endless',
      'guarded',
      'notFramed',
      'notPlayed',
    ])
    .nullable(),
  bytes: z.number(),
  durationMs: z.int().nullable(),
  frameRate: frameRateSchema.nullable(),
  width: z.int().nullable(),
  height: z.int().nullable(),
  hasSound: z.boolean().nullable(),
  /** Of a film: the sounds that its file has, in its order; which of them it plays; and the film it was made from for that. */
  soundTracks: z.array(soundTrackSchema),
  soundTrack: z.int().min(0).nullable(),
  soundFrom: idSchema.nullable(),
  /**
   * Of a film that stays with its host: where it plays in a frame, its page, and the host's name. It has no files but a
   * poster, and is ready once its player has told how long it runs.
   */
  hosted: z
    .strictObject({ player: addressSchema, page: addressSchema, host: z.string() })
    .nullable(),
  /** The picture that this one was cut from, and how; the other stays as it is. */
  cutFrom: idSchema.nullable(),
  cut: pictureCutSchema.nullable(),
  /** Of a document that has pages; more than are drawn, where it has very many. */
  pageCount: z.int().nullable(),
  files: z.array(mediaFileKindSchema),
  jobs: z.array(jobSchema),
})

/** A draft in which something was replaced, and the revision that it came to by it. */
const replacedSchema = z.strictObject({ lessonId: idSchema, revision: z.int().min(1) })

const mediaParams = z.strictObject({ mediaId: idSchema })

export const mediaRoutes = {
  mediaList: route('mediaList', 'designer', 'My media', {
    /** `drawsSlides`: whether presentations become pages here. */
    reply: z.strictObject({ media: z.array(mediaSchema), drawsSlides: z.boolean() }),
  }),
  media: route('media', 'mediaViewer', 'One medium and its preparation', {
    params: mediaParams,
    reply: mediaSchema,
  }),
  fetchMedia: route('fetchMedia', 'designer', 'Fetch a medium from its address onto my shelf', {
    /** The same `id` again fetches nothing twice. */
    body: z.strictObject({
      id: idSchema,
      address: webAddressSchema,
      kind: mediaKindSchema,
      /** What is known of it beforehand. */
      about: z
        .strictObject(mediaWords)
        .pick({ title: true, description: true, credit: true, licence: true, source: true })
        .optional(),
    }),
    reply: mediaSchema,
    status: 201,
  }),
  measureMedia: route(
    'measureMedia',
    'mediaOwner',
    'Tell how long a hosted film runs, as its own player says; null where it does not answer',
    {
      params: mediaParams,
      body: z.strictObject({ durationMs: mediaMsSchema.min(1).nullable() }),
      reply: mediaSchema,
    },
  ),
  describeMedia: route(
    'describeMedia',
    'mediaOwner',
    'Write down what is to be known of a medium',
    { params: mediaParams, body: z.strictObject(mediaWords).partial(), reply: mediaSchema },
  ),
  removeMedia: route('removeMedia', 'mediaOwner', 'Remove a medium that nothing shows, for good', {
    params: mediaParams,
    reply: z.strictObject({ bytes: z.number() }),
  }),
  mediaUses: route('mediaUses', 'mediaOwner', 'Where a medium is used', {
    params: mediaParams,
    reply: z.strictObject({
      lessons: z.array(
        z.strictObject({ id: idSchema, title: z.string(), draft: z.boolean(), editions: z.int() }),
      ),
    }),
  }),
  compareMedia: route(
    'compareMedia',
    'mediaOwner',
    'What would become of lessons if another medium took its place',
    {
      params: mediaParams,
      query: z.strictObject({ by: idSchema }),
      reply: z.strictObject({
        lessons: z.array(
          z.strictObject({
            id: idSchema,
            title: z.string(),
            /** Whether it can be done there. */
            isPossible: z.boolean(),
            /** What would lie beyond the end of a film; see core/lesson/replacing. */
            cues: z.int(),
            cutShort: z.int(),
            lines: z.int(),
            stretches: z.int(),
            firstMs: z.int().nullable(),
          }),
        ),
      }),
    },
  ),
  replaceMedia: route(
    'replaceMedia',
    'mediaOwner',
    'Put another medium in its place, in the drafts of all lessons that one may edit',
    {
      params: mediaParams,
      body: z.strictObject({ by: idSchema }),
      /** `left` are the lessons in which it could not be done; the others stand, each at the revision it had then. */
      reply: z.strictObject({
        lessons: z.array(idSchema),
        left: z.array(idSchema),
        done: z.array(replacedSchema),
      }),
    },
  ),
  takeBackReplacement: route(
    'takeBackReplacement',
    'mediaOwner',
    'Take back that another medium was put in its place, where nobody has changed it since',
    {
      params: mediaParams,
      body: z.strictObject({ by: idSchema, done: z.array(replacedSchema).min(1).max(1000) }),
      reply: z.strictObject({ lessons: z.array(idSchema), left: z.array(idSchema) }),
    },
  ),
  cutPicture: route(
    'cutPicture',
    'mediaOwner',
    'Make a new picture of a part of one; a cut of a cut is made from the first',
    {
      params: mediaParams,
      body: z.strictObject({ id: idSchema, cut: pictureCutSchema }),
      reply: mediaSchema,
      status: 201,
    },
  ),
  takeSoundTrack: route(
    'takeSoundTrack',
    'mediaOwner',
    'The same film with another of its sounds; made once, and answered with again',
    {
      params: mediaParams,
      body: z.strictObject({ id: idSchema, track: z.int().min(0), title: plainText(200, 1) }),
      reply: mediaSchema,
      status: 201,
    },
  ),
  prepareAgain: route('prepareAgain', 'mediaOwner', 'Try preparing again', {
    params: mediaParams,
    reply: mediaSchema,
  }),
  mediaPage: route('mediaPage', 'mediaViewer', 'A page of a document as a picture', {
    params: z.strictObject({
      mediaId: idSchema,
      page: z.coerce.number().int().min(1).max(MOST_DOCUMENT_PAGES),
    }),
    reply: null,
  }),
  mediaFile: route('mediaFile', 'mediaViewer', 'The bytes of a file', {
    params: z.strictObject({ mediaId: idSchema, file: mediaFileKindSchema }),
    reply: null,
  }),
}

export type Media = z.infer<typeof mediaSchema>
export type MediaFileKind = z.infer<typeof mediaFileKindSchema>
export type SoundTrack = z.infer<typeof soundTrackSchema>
export type MediaJob = z.infer<typeof jobSchema>
