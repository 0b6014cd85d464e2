// SQL about how often an attempt was opened.
import type { Ask } from '../../database/connect.ts'

/**
 * Notes that the page of an attempt was opened. Whoever loads it again while they are at it, or within ten minutes, has not opened it
 * once more.
 */
export const noteOpening = (ask: Ask, attemptId: string) =>
  ask(
    `UPDATE attempts SET times_opened = times_opened + 1, last_opened_at = now()
      WHERE id = $1 AND greatest(last_opened_at, opened_at, last_seen_at) < now() - interval '10 minutes'
      RETURNING id`,
    [attemptId],
  )
