// What travels on the socket: hints that something is new. Nothing is known by socket alone; what is missed is asked for.
import { z } from 'zod'
import { idSchema } from '../fields/index.ts'
import { loggedEditSchema } from './lessons.ts'
import { mediaSchema } from './media.ts'

/** A client asks to hear of a lesson's edits; answered with whether it may. */
export const watchLessonSchema = z.strictObject({ lessonId: idSchema })

export const draftEditedSchema = z.strictObject({
  lessonId: idSchema,
  entries: z.array(loggedEditSchema),
})

export const mediaChangedSchema = z.strictObject({ media: mediaSchema })

export interface ServerToClientEvents {
  draftEdited: (message: z.infer<typeof draftEditedSchema>) => void
  mediaChanged: (message: z.infer<typeof mediaChangedSchema>) => void
}

export interface ClientToServerEvents {
  watchLesson: (
    message: z.infer<typeof watchLessonSchema>,
    reply: (allowed: boolean) => void,
  ) => void
}
