// SQL about what is said: in classes, and among those who come by a link.
import type { Saying } from '@fernbrake/core/records'
import {
  NO_ACTIVITY,
  seesHidden,
  type Onlooker,
  type Post,
  type TalkActivity,
} from '@fernbrake/core/talk'
import { foldWords } from '@fernbrake/core/text'
import type { Ask } from '../../database/connect.ts'
import type { TalkAbout } from '../../lessons/queries/talks.ts'

export interface PostRow extends Omit<Post, 'author' | 'isMine' | 'saidAt' | 'change'> {
  personId: string | null
  name: string | null
  teaches: boolean
  saidAt: Date
  writtenAt: Date
  /** Whether what it replies to is hidden: with it goes what hangs on it. */
  hangsOnHidden: boolean
  /** PostgreSQL tells large numbers as text. */
  change: string
}

const COLUMNS = `p.id, p.person_id AS "personId", w.name, p.teaches, p.sort, p.reply_to AS "replyTo",
  p.part_id AS "partId", p.place, p.words, p.number, p.range, p.is_gone AS "isGone", p.said_at AS "saidAt",
  p.written_at AS "writtenAt", p.is_changed AS "isChanged", p.hidden_at IS NOT NULL AS "isHidden",
  coalesce(h.hidden_at IS NOT NULL, false) AS "hangsOnHidden", p.change`

const FROM = `FROM posts p LEFT JOIN people w ON w.id = p.person_id
       LEFT JOIN posts h ON h.talk_id = p.talk_id AND h.id = p.reply_to`

/**
 * Whoever changes a talk waits here for whoever else does: else a change that is stored later could have the smaller
 * number, and those who ask for what is new would miss it. The first who does begins it.
 */
export async function lockTalk(ask: Ask, { id, assignmentId, lessonId }: TalkAbout): Promise<void> {
  await ask(`SELECT pg_advisory_xact_lock(hashtext('talk ' || $1))`, [id])
  await ask(
    'INSERT INTO talks (id, assignment_id, lesson_id) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING',
    [id, assignmentId, lessonId],
  )
}

/** Posts that changed after a change, the earliest first; of what goes to teachers alone only what this person may see. */
export const readPosts = (
  ask: Ask,
  talkId: string,
  { personId, teaches }: Onlooker,
  { after, most }: { after: number; most: number },
) =>
  ask<PostRow>(
    `SELECT ${COLUMNS} ${FROM}
      WHERE p.talk_id = $1 AND p.change > $2
        AND ($3 OR coalesce(h.sort, p.sort) <> 'enquiry' OR coalesce(h.person_id, p.person_id) = $4)
      ORDER BY p.change LIMIT $5`,
    [talkId, after, teaches, personId, most],
  )

export async function readPost(ask: Ask, talkId: string, postId: string): Promise<PostRow | null> {
  const [row] = await ask<PostRow>(
    `SELECT ${COLUMNS} ${FROM}
      WHERE p.talk_id = $1 AND p.id = $2`,
    [talkId, postId],
  )
  return row ?? null
}

/** What decides whether something may be said: the post that it is about, and what it replies to. */
export type MetPost = Pick<
  PostRow,
  'personId' | 'sort' | 'replyTo' | 'partId' | 'place' | 'range' | 'isGone'
>

/** The posts with these ids, as far as there are any. */
export async function meetPosts(
  ask: Ask,
  talkId: string,
  ids: readonly string[],
): Promise<Map<string, MetPost>> {
  const rows = await ask<PostRow>(
    `SELECT ${COLUMNS} ${FROM}
      WHERE p.talk_id = $1 AND p.id = ANY($2::text[])`,
    [talkId, [...ids]],
  )
  return new Map(rows.map((row) => [row.id, row]))
}

/** A post as somebody sees it. */
export function toPost(row: PostRow, onlooker: Onlooker): Post {
  const { id, sort, replyTo, partId, place, range, isGone, isChanged, isHidden, personId } = row
  const isHiddenFromThem = (isHidden || row.hangsOnHidden) && !seesHidden(row, onlooker)
  return {
    id,
    sort,
    replyTo,
    partId,
    place,
    isGone,
    isChanged,
    isHidden: isHidden || isHiddenFromThem,
    ...(isGone || isHiddenFromThem
      ? { words: '', number: null, range: null }
      : { words: row.words, number: row.number, range }),
    author: personId === null ? null : { id: personId, name: row.name!, teaches: row.teaches },
    isMine: personId === onlooker.personId,
    saidAt: row.saidAt.toISOString(),
    change: Number(row.change),
  }
}

/** Stores what somebody says, or their newer word on it. The talk is locked by now. */
export const storeSaying = (
  ask: Ask,
  by: { talkId: string; personId: string; teaches: boolean },
  saying: Saying,
) =>
  ask(
    `INSERT INTO posts AS p (talk_id, id, person_id, teaches, sort, reply_to, part_id, place, words, number,
                             range, is_gone, said_at, written_at, folded)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $13, $14)
     ON CONFLICT (talk_id, id) DO UPDATE SET
       words = excluded.words, number = excluded.number, range = excluded.range, is_gone = excluded.is_gone,
       written_at = excluded.written_at, folded = excluded.folded, is_changed = true, change = nextval('post_changes')
     WHERE p.person_id = excluded.person_id AND p.written_at < excluded.written_at`,
    [
      by.talkId,
      saying.postId,
      by.personId,
      by.teaches,
      saying.sort,
      saying.replyTo,
      saying.partId,
      JSON.stringify(saying.place),
      saying.isGone ? '' : saying.words,
      saying.isGone ? null : saying.number,
      saying.range && JSON.stringify(saying.range),
      saying.isGone,
      saying.at,
      saying.isGone ? '' : foldWords(saying.words),
    ],
  )

/** Hides a post or shows it again, and with it what hangs on it; the first who hides it is told. The talk is locked by now. */
export const storeHiding = (
  ask: Ask,
  { talkId, postId }: { talkId: string; postId: string },
  isHidden: boolean,
  personId: string,
) =>
  // Whoever knows the replies hears of them anew: they are seen no longer, or again.
  ask(
    `WITH changed AS (
       UPDATE posts SET hidden_at = CASE WHEN $3 THEN now() END, hidden_by = CASE WHEN $3 THEN $4 END,
              change = nextval('post_changes')
        WHERE talk_id = $1 AND id = $2 AND (hidden_at IS NOT NULL) <> $3 RETURNING id)
     UPDATE posts SET change = nextval('post_changes')
      WHERE talk_id = $1 AND reply_to IN (SELECT id FROM changed)`,
    [talkId, postId, isHidden, personId],
  )

export async function countPosts(ask: Ask, talkId: string, personId: string): Promise<number> {
  const [row] = await ask<{ count: number }>(
    'SELECT count(*)::int AS count FROM posts WHERE talk_id = $1 AND person_id = $2',
    [talkId, personId],
  )
  return row!.count
}

/** Who has posted what, by person; the same as `activityOf` in core/talk. */
export async function countActivity(ask: Ask, talkId: string): Promise<Map<string, TalkActivity>> {
  const rows = await ask<Omit<TalkActivity, 'lastAt'> & { personId: string; lastAt: Date }>(
    `SELECT p.person_id AS "personId",
            count(*) FILTER (WHERE p.sort = 'comment')::int AS comments,
            count(*) FILTER (WHERE p.sort = 'enquiry')::int AS enquiries,
            count(*) FILTER (WHERE p.sort = 'reply' AND h.sort <> 'prompt')::int AS replies,
            count(DISTINCT h.id) FILTER (WHERE h.sort = 'prompt')::int AS answers,
            max(p.said_at) AS "lastAt"
       FROM posts p LEFT JOIN posts h ON h.talk_id = p.talk_id AND h.id = p.reply_to
      WHERE p.talk_id = $1 AND p.person_id IS NOT NULL AND NOT p.is_gone GROUP BY p.person_id`,
    [talkId],
  )
  return new Map(
    rows.map(({ personId, lastAt, ...counts }) => [
      personId,
      { ...NO_ACTIVITY, ...counts, lastAt: lastAt.toISOString() },
    ]),
  )
}

/** Whether somebody is let moderate the talk of the class that an assignment is of. */
export async function moderates(
  ask: Ask,
  assignmentId: string,
  personId: string,
): Promise<boolean> {
  const rows = await ask(
    `SELECT 1 FROM enrolments e JOIN assignments a ON a.class_id = e.class_id
      WHERE a.id = $1 AND e.person_id = $2 AND e.moderates AND e.left_at IS NULL`,
    [assignmentId, personId],
  )
  return rows.length > 0
}

/** Who has said something in a talk, by name, those too whose words are gone. */
export const readSpeakers = (ask: Ask, talkId: string) =>
  ask<{ personId: string; name: string }>(
    `SELECT w.id AS "personId", w.name FROM people w
      WHERE w.id IN (SELECT person_id FROM posts WHERE talk_id = $1)
      ORDER BY lower(w.name), w.id`,
    [talkId],
  )

/**
 * How many enquiries wait for the reply of a teacher, and somebody is one: in their classes, and about lessons that they
 * own or edit, among those who came by the link.
 */
export const readWaitingEnquiries = (ask: Ask, personId: string) =>
  ask<{
    assignmentId: string | null
    classId: string | null
    classTitle: string | null
    lessonId: string
    waiting: number
  }>(
    `WITH mine AS (
       SELECT a.id AS talk, a.id AS assignment, a.lesson_id AS lesson, c.id AS class, c.title
         FROM class_teachers r JOIN classes c ON c.id = r.class_id AND NOT c.is_over
         JOIN assignments a ON a.class_id = c.id
        WHERE r.person_id = $1
       UNION ALL
       SELECT t.id, NULL, t.lesson_id, NULL, NULL FROM lesson_roles r JOIN talks t ON t.lesson_id = r.lesson_id
        WHERE r.person_id = $1 AND r.role IN ('owner', 'editor'))
     SELECT m.assignment AS "assignmentId", m.class AS "classId", m.title AS "classTitle", m.lesson AS "lessonId",
            count(*)::int AS waiting
       FROM mine m JOIN posts p ON p.talk_id = m.talk
      WHERE p.sort = 'enquiry' AND NOT p.is_gone
        AND NOT EXISTS (SELECT FROM posts r WHERE r.talk_id = p.talk_id AND r.reply_to = p.id
                           AND r.teaches AND NOT r.is_gone)
      GROUP BY m.talk, m.assignment, m.class, m.title, m.lesson ORDER BY min(p.said_at)`,
    [personId],
  )

/** How many replies to what somebody said have come since they were last in the lesson, by assignment. */
export async function countNewReplies(
  ask: Ask,
  personId: string,
  assignmentIds: readonly string[],
): Promise<Map<string, number>> {
  const rows = await ask<{ id: string; count: number }>(
    `SELECT p.talk_id AS id, count(*)::int AS count
       FROM posts p JOIN posts h ON h.talk_id = p.talk_id AND h.id = p.reply_to
      WHERE p.talk_id = ANY($2::text[]) AND h.person_id = $1 AND p.person_id IS DISTINCT FROM $1
        AND NOT p.is_gone AND p.hidden_at IS NULL
        AND p.said_at > (SELECT max(last_seen_at) FROM attempts t
                          WHERE t.assignment_id = p.talk_id AND t.person_id = $1)
      GROUP BY p.talk_id`,
    [personId, [...assignmentIds]],
  )
  return new Map(rows.map(({ id, count }) => [id, count]))
}
