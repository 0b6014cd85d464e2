// What travels on the socket: hints that something is new. Nothing is known by socket alone; what is missed is asked for.
import { z } from 'zod'
import { idSchema } from '../fields/index.ts'
import { loggedEditSchema } from './lessons.ts'
import { mediaSchema } from './media.ts'
import type { Access } from './route.ts'

/** Who may ask to hear of what; decided as for routes. */
export const WATCH_ACCESS = {
  watchLesson: 'lessonViewer',
  watchResults: 'lessonEditor',
} as const satisfies Record<string, Access>

/** A client asks to hear of a lesson's edits, or of its answers; answered with whether it may. */
export const watchLessonSchema = z.strictObject({ lessonId: idSchema })

export const draftEditedSchema = z.strictObject({
  lessonId: idSchema,
  entries: z.array(loggedEditSchema),
})

export const mediaChangedSchema = z.strictObject({ media: mediaSchema })

/** What somebody who has a lesson open says of themselves. */
export const showSelectionSchema = z.strictObject({
  lessonId: idSchema,
  cueIds: z.array(idSchema).max(50),
})

export const editorHereSchema = z.strictObject({
  lessonId: idSchema,
  /** Tells two tabs of one person apart. */
  key: z.string(),
  name: z.string(),
  cueIds: z.array(idSchema),
})

export type EditorHere = z.infer<typeof editorHereSchema>

export interface ServerToClientEvents {
  /** Somebody else has the lesson open, or has taken other cues in hand. */
  editorHere: (message: EditorHere) => void
  editorGone: (message: { lessonId: string; key: string }) => void
  /** Somebody has come: whoever is here says so again. */
  whoIsHere: (message: { lessonId: string }) => void
  draftEdited: (message: z.infer<typeof draftEditedSchema>) => void
  mediaChanged: (message: z.infer<typeof mediaChangedSchema>) => void
  /** Learners have answered, or come to an end. */
  resultsNew: (message: { lessonId: string }) => void
}

export interface ClientToServerEvents {
  showSelection: (message: z.infer<typeof showSelectionSchema>) => void
  leaveLesson: (message: z.infer<typeof watchLessonSchema>) => void
  watchLesson: (
    message: z.infer<typeof watchLessonSchema>,
    reply: (allowed: boolean) => void,
  ) => void
  watchResults: (
    message: z.infer<typeof watchLessonSchema>,
    reply: (allowed: boolean) => void,
  ) => void
  leaveResults: (message: z.infer<typeof watchLessonSchema>) => void
}
