// Whether those who listen on a socket may still hear what is told there.
import type { LessonRoleName } from '@fernbrake/core/contract'
import type { Ask } from '../../database/connect.ts'

/** Those of these sessions that are still somebody's. */
export async function liveSessions(ask: Ask, sessionIds: readonly string[]): Promise<Set<string>> {
  const rows = await ask<{ sid: string }>(
    `SELECT s.sid FROM sessions s JOIN people p ON p.id = s.sess->>'personId'
      WHERE s.sid = ANY($1::text[]) AND s.expire >= now()`,
    [sessionIds],
  )
  return new Set(rows.map(({ sid }) => sid))
}

/** Those of these sessions whose person has one of these roles on a lesson now; see `hasLessonRole`. */
export async function sessionsWithRole(
  ask: Ask,
  sessionIds: readonly string[],
  lessonId: string,
  roles: readonly LessonRoleName[],
): Promise<Set<string>> {
  const rows = await ask<{ sid: string }>(
    `SELECT s.sid FROM sessions s
       JOIN people p ON p.id = s.sess->>'personId' AND p.role IN ('designer', 'keeper')
       JOIN lesson_roles r ON r.person_id = p.id AND r.lesson_id = $2 AND r.role = ANY($3::text[])
      WHERE s.sid = ANY($1::text[]) AND s.expire >= now()`,
    [sessionIds, lessonId, roles],
  )
  return new Set(rows.map(({ sid }) => sid))
}
