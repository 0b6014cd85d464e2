// What is to be known of a class where its lessons are learned.
import type { Class } from '@fernbrake/core/contract'
import type { Ask } from '../../database/connect.ts'

type ClassHead = Pick<Class, 'id' | 'title' | 'timeZone' | 'isOver' | 'joinCode'> & {
  joinUntil: Date | null
}

export async function readClassHead(ask: Ask, classId: string): Promise<ClassHead | null> {
  const rows = await ask<ClassHead>(
    `SELECT id, title, time_zone AS "timeZone", is_over AS "isOver",
            CASE WHEN join_until > now() THEN join_code END AS "joinCode",
            CASE WHEN join_until > now() THEN join_until END AS "joinUntil"
       FROM classes WHERE id = $1`,
    [classId],
  )
  return rows[0] ?? null
}
