// SQL about accounts, as the keeper sees them.
import type { KeptPerson } from '@fernbrake/core/contract'
import type { Ask } from '../../database/connect.ts'
import type { TalkAbout } from '../../lessons/queries/talks.ts'
import { lockTalk } from '../../talk/queries/talk.ts'

type Row = Omit<KeptPerson, 'createdAt' | 'lastSeenAt' | 'bytes'> & {
  createdAt: Date
  lastSeenAt: Date | null
  bytes: string
}

/** Everybody, or one person; the newest first. */
export async function readKept(ask: Ask, personId: string | null = null): Promise<KeptPerson[]> {
  const rows = await ask<Row>(
    `SELECT p.id, p.name, coalesce(p.email, p.sign_in) AS "signIn", p.role, p.created_at AS "createdAt",
            (SELECT max(last_seen_at) FROM attempts a WHERE a.person_id = p.id) AS "lastSeenAt",
            (SELECT count(*)::int FROM lesson_roles l WHERE l.person_id = p.id) AS lessons,
            (SELECT count(*)::int FROM class_teachers t WHERE t.person_id = p.id) AS teaches,
            (SELECT count(*)::int FROM attempts a WHERE a.person_id = p.id) AS attempts,
            (SELECT coalesce(sum(f.bytes), 0) FROM media m JOIN media_files f ON f.media_id = m.id
              WHERE m.owner_id = p.id)
            + (SELECT coalesce(sum(h.bytes), 0) FROM handed_files h JOIN attempts a ON a.id = h.attempt_id
                WHERE a.person_id = p.id) AS bytes,
            p.password_hash IS NULL AND p.role <> 'guest' AS "isWaiting"
       FROM people p WHERE $1::text IS NULL OR p.id = $1
      ORDER BY p.created_at DESC, p.id LIMIT 20000`,
    [personId],
  )
  return rows.map((row) => ({
    ...row,
    bytes: Number(row.bytes),
    createdAt: row.createdAt.toISOString(),
    lastSeenAt: row.lastSeenAt?.toISOString() ?? null,
  }))
}

export async function readSpace(ask: Ask) {
  const [row] = await ask<{
    lessons: number
    mediaFiles: number
    mediaBytes: string
    handedBytes: string
    databaseBytes: string
  }>(
    `SELECT (SELECT count(*)::int FROM lessons) AS lessons,
            (SELECT count(*)::int FROM media_files) AS "mediaFiles",
            (SELECT coalesce(sum(bytes), 0) FROM media_files) AS "mediaBytes",
            (SELECT coalesce(sum(bytes), 0) FROM handed_files) AS "handedBytes",
            pg_database_size(current_database()) AS "databaseBytes"`,
    [],
  )
  const { lessons, mediaFiles, mediaBytes, handedBytes, databaseBytes } = row!
  return {
    lessons,
    mediaFiles,
    mediaBytes: Number(mediaBytes),
    handedBytes: Number(handedBytes),
    databaseBytes: Number(databaseBytes),
  }
}

/** What would be left without anybody, were this person gone: lessons, classes, and media that lessons use. */
export async function readHolds(ask: Ask, personId: string) {
  const [row] = await ask<{ lessons: number; classes: number; media: number }>(
    `SELECT (SELECT count(*)::int FROM lesson_roles l WHERE l.person_id = $1 AND l.role = 'owner' AND NOT EXISTS (
               SELECT FROM lesson_roles o WHERE o.lesson_id = l.lesson_id AND o.role = 'owner' AND o.person_id <> $1)) AS lessons,
            (SELECT count(*)::int FROM class_teachers t WHERE t.person_id = $1 AND NOT EXISTS (
               SELECT FROM class_teachers o WHERE o.class_id = t.class_id AND o.person_id <> $1)) AS classes,
            (SELECT count(*)::int FROM media m WHERE m.owner_id = $1
               AND EXISTS (SELECT FROM media_uses u WHERE u.media_id = m.id)) AS media`,
    [personId],
  )
  return row!
}

export const endSessionsOf = (ask: Ask, personId: string) =>
  ask(`DELETE FROM sessions WHERE sess->>'personId' = $1 OR sess->'choosing'->>'personId' = $1`, [
    personId,
  ])

/** Removes somebody with all that is theirs; answers with the keys of their files, which the store still has. */
export async function removePerson(
  ask: Ask,
  personId: string,
): Promise<{ attempts: number; keys: string[] }> {
  const handed = await ask<{ key: string }>(
    `SELECT h.storage_key AS key FROM handed_files h JOIN attempts a ON a.id = h.attempt_id WHERE a.person_id = $1
     UNION ALL SELECT f.storage_key FROM media_files f JOIN media m ON m.id = f.media_id WHERE m.owner_id = $1`,
    [personId],
  )
  // In the order in which records that arrive lock them: the attempts, then the talk.
  const attempts = await ask(
    'SELECT id FROM attempts WHERE person_id = $1 ORDER BY id FOR UPDATE',
    [personId],
  )
  // Spans are partitioned and refer to nothing, so they do not go by themselves.
  await ask(
    'DELETE FROM spans WHERE attempt_id IN (SELECT id FROM attempts WHERE person_id = $1)',
    [personId],
  )
  await endSessionsOf(ask, personId)
  await ask('DELETE FROM mails WHERE recipient = (SELECT email FROM people WHERE id = $1)', [
    personId,
  ])
  // Reports that were sent to others may name them; whoever wants one has it made anew.
  await ask(
    `DELETE FROM mails m WHERE EXISTS (SELECT FROM mail_files f WHERE f.mail_id = m.id) AND (
       m.about IS NULL
       OR m.about IN (SELECT 'assignment ' || assignment_id FROM attempts WHERE person_id = $1
                      UNION ALL SELECT 'lesson ' || lesson_id FROM attempts WHERE person_id = $1
                      UNION ALL SELECT 'assignment ' || a.id FROM assignments a JOIN enrolments e ON e.class_id = a.class_id
                       WHERE e.person_id = $1))`,
    [personId],
  )
  await ask(
    'DELETE FROM lesson_invited WHERE email = (SELECT lower(email) FROM people WHERE id = $1)',
    [personId],
  )
  // Whoever reads these talks is to hear of it, so nobody else changes them meanwhile; always in the same order.
  const talks = await ask<TalkAbout>(
    `SELECT id, assignment_id AS "assignmentId", lesson_id AS "lessonId" FROM talks
      WHERE id IN (SELECT talk_id FROM posts WHERE person_id = $1) ORDER BY 1`,
    [personId],
  )
  for (const talk of talks) await lockTalk(ask, talk)
  // What others replied to stays as a place that is empty; all else of what was said is gone.
  await ask(
    `UPDATE posts SET words = '', folded = '', number = NULL, is_gone = true, change = nextval('post_changes') WHERE person_id = $1`,
    [personId],
  )
  await ask('DELETE FROM people WHERE id = $1', [personId])
  return { attempts: attempts.length, keys: handed.map(({ key }) => key) }
}

/** Everything that the database holds about one person, by what it is. */
const HELD: readonly [name: string, sql: string][] = [
  [
    'account',
    `SELECT id, name, email, sign_in AS "signIn", role, language, created_at AS "createdAt" FROM people WHERE id = $1`,
  ],
  [
    'classes',
    `SELECT c.id, c.title, e.joined_at AS "joinedAt", e.left_at AS "leftAt",
            array(SELECT g.title FROM group_members m JOIN class_groups g ON g.class_id = m.class_id AND g.id = m.group_id
                   WHERE m.class_id = c.id AND m.person_id = $1) AS groups
       FROM enrolments e JOIN classes c ON c.id = e.class_id WHERE e.person_id = $1 ORDER BY e.joined_at`,
  ],
  [
    'teaches',
    `SELECT c.id, c.title FROM class_teachers t JOIN classes c ON c.id = t.class_id WHERE t.person_id = $1`,
  ],
  [
    'lessons',
    `SELECT lesson_id AS "lessonId", role, put_away_at AS "putAwayAt" FROM lesson_roles WHERE person_id = $1 ORDER BY lesson_id`,
  ],
  [
    'attempts',
    `SELECT a.id, a.lesson_id AS "lessonId", a.edition, a.assignment_id AS "assignmentId", a.number,
            a.opened_at AS "openedAt", a.times_opened AS "timesOpened", a.last_seen_at AS "lastSeenAt", a.finished_at AS "finishedAt",
            a.confirmed_at AS "confirmedAt" FROM attempts a WHERE a.person_id = $1 ORDER BY a.opened_at`,
  ],
  ...(
    [
      ['answers', 'responses', 'answered_at'],
      ['answersAfterTelling', 'answers_after_telling', 'answered_at'],
      ['toldQuestions', 'told_questions', 'told_at'],
      ['marks', 'marks', 'marked_at'],
      ['watched', 'spans', 'began_at'],
      ['waysTaken', 'choices', 'chosen_at'],
      ['seen', 'seen_things', 'seen_at'],
      ['finishedParts', 'finished_parts', 'finished_at'],
      ['ownNotes', 'own_notes', 'written_at'],
      ['filesHandedIn', 'handed_files', 'handed_at'],
    ] as const
  ).map(([name, table]): [string, string] => [
    name,
    `SELECT t.* FROM ${table} t JOIN attempts a ON a.id = t.attempt_id WHERE a.person_id = $1 ORDER BY 1, 2`,
  ]),
  [
    'media',
    `SELECT id, title, kind, bytes, created_at AS "createdAt" FROM media WHERE owner_id = $1`,
  ],
  [
    'keptQuestions',
    `SELECT id, question, kept_at AS "keptAt" FROM kept_questions WHERE owner_id = $1`,
  ],
  [
    'collections',
    `SELECT c.id, c.title, c.summary, c.seen_by AS "seenBy", c.changed_at AS "changedAt",
            array(SELECT i.lesson_id FROM collection_lessons i WHERE i.collection_id = c.id ORDER BY i.position) AS lessons
       FROM collections c WHERE c.owner_id = $1 ORDER BY c.title`,
  ],
  ['keptComments', `SELECT id, words, kept_at AS "keptAt" FROM kept_comments WHERE person_id = $1`],
  [
    'marksGiven',
    `SELECT attempt_id AS "attemptId", response_id AS "responseId", points, comment, marked_at AS "markedAt"
       FROM marks WHERE person_id = $1`,
  ],
  [
    'talk',
    `SELECT t.assignment_id AS "assignmentId", t.lesson_id AS "lessonId", p.id, p.sort, p.reply_to AS "replyTo",
            p.part_id AS "partId", p.place, p.words, p.number, p.is_gone AS "isGone", p.said_at AS "saidAt",
            p.hidden_at AS "hiddenAt"
       FROM posts p JOIN talks t ON t.id = p.talk_id WHERE p.person_id = $1 ORDER BY p.said_at`,
  ],
  [
    'identities',
    `SELECT provider, subject, added_at AS "addedAt" FROM identities WHERE person_id = $1 ORDER BY added_at`,
  ],
  [
    'mails',
    `SELECT recipient, subject, body, made_at AS "madeAt" FROM mails
      WHERE person_id = $1 OR recipient = (SELECT email FROM people WHERE id = $1)`,
  ],
]

export async function readHeld(ask: Ask, personId: string): Promise<Record<string, object[]>> {
  const held: Record<string, object[]> = {}
  for (const [name, sql] of HELD) held[name] = await ask(sql, [personId])
  return held
}

export const readHandedOf = (ask: Ask, personId: string) =>
  ask<{ key: string; name: string; attemptId: string; id: string }>(
    `SELECT h.storage_key AS key, h.name, h.attempt_id AS "attemptId", h.id
       FROM handed_files h JOIN attempts a ON a.id = h.attempt_id WHERE a.person_id = $1 ORDER BY h.handed_at`,
    [personId],
  )
