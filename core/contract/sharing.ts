// Sharing: who may learn a lesson, and who works on it.
import { z } from 'zod'
import { idSchema, plainText } from '../fields/index.ts'
import { route } from './route.ts'
import { LESSON_ROLES, SEEN_BY } from './sharingChoices.ts'

export const lessonRoleSchema = z.enum(LESSON_ROLES)
export const seenBySchema = z.enum(SEEN_BY)

export const MOST_INVITED = 500

const emailSchema = z.email().max(200)

const sharingReply = z.strictObject({
  seenBy: seenBySchema,
  linkCode: z.string().nullable(),
  /** Whether those who come by the link may talk about it. */
  talks: z.boolean(),
  /** Those who work on it, the owners first. */
  people: z.array(
    z.strictObject({ id: idSchema, name: z.string(), email: z.string(), role: lessonRoleSchema }),
  ),
  /** The email addresses of those who may learn it where only people named may; told to owners alone. */
  invited: z.array(z.string()),
})

const lessonParams = z.strictObject({ lessonId: idSchema })

export const sharingRoutes = {
  sharing: route('sharing', 'lessonViewer', 'Who may learn a lesson, and who works on it', {
    params: lessonParams,
    reply: sharingReply,
  }),
  share: route('share', 'lessonOwner', 'Say who may learn it, and whether they may talk about it', {
    params: lessonParams,
    body: z.strictObject({
      seenBy: seenBySchema.optional(),
      invite: z.array(emailSchema).max(MOST_INVITED).optional(),
      uninvite: z.array(emailSchema).max(MOST_INVITED).optional(),
      talks: z.boolean().optional(),
    }),
    reply: sharingReply,
  }),
  shareSeveral: route('shareSeveral', 'designer', 'Say who may learn several lessons', {
    /** All are changed, or none. */
    body: z.strictObject({ lessonIds: z.array(idSchema).min(1).max(500), seenBy: seenBySchema }),
    reply: z.strictObject({ changed: z.int() }),
  }),
  giveRole: route('giveRole', 'lessonOwner', 'Let somebody work on it', {
    params: lessonParams,
    body: z.strictObject({ email: emailSchema, role: lessonRoleSchema }),
    reply: sharingReply,
  }),
  removeRole: route('removeRole', 'lessonOwner', 'Let somebody work on it no more', {
    params: lessonParams.extend({ personId: idSchema }),
    reply: sharingReply,
  }),
  giveCopies: route('giveCopies', 'lessonOwner', 'Give people a copy of their own', {
    params: lessonParams,
    /** The same `id` again gives nobody a second copy. */
    body: z.strictObject({ id: idSchema, emails: z.array(emailSchema).min(1).max(200) }),
    /** All of them: where one is not known, `no-such-designer` names it, and nobody is given anything. */
    reply: z.strictObject({ given: z.array(z.string()) }),
  }),
}

export const editionNoteSchema = plainText(1000)

export type LessonRoleName = z.infer<typeof lessonRoleSchema>
export type SeenBy = z.infer<typeof seenBySchema>
export type Sharing = z.infer<typeof sharingReply>
