// SQL about which talks there are: one about each assignment, and one about a lesson among those who come by its link.
import type { Ask } from '../../database/connect.ts'

/** What is talked about: a lesson as a class was given it, or as it is learned by its link. One of the two is null. */
export interface TalkAbout {
  id: string
  assignmentId: string | null
  lessonId: string | null
}

export const talkOfClass = (assignmentId: string): TalkAbout => ({
  id: assignmentId,
  assignmentId,
  lessonId: null,
})
/** Ids of assignments hold no space, so that this is nobody else's. */
export const talkByLink = (lessonId: string): TalkAbout => ({
  id: `lesson ${lessonId}`,
  assignmentId: null,
  lessonId,
})

/** Whether those who come by a lesson's link may talk about it. */
export async function isTalkedAbout(ask: Ask, lessonId: string): Promise<boolean> {
  const rows = await ask('SELECT 1 FROM talks WHERE lesson_id = $1 AND is_on', [lessonId])
  return rows.length > 0
}

/** Lets those who come by a lesson's link talk about it, or ends that. */
export const storeTalkByLink = (ask: Ask, lessonId: string, isOn: boolean) =>
  ask(
    `INSERT INTO talks (id, lesson_id, is_on) VALUES ($1, $2, $3)
     ON CONFLICT (id) DO UPDATE SET is_on = excluded.is_on`,
    [talkByLink(lessonId).id, lessonId, isOn],
  )
