// SQL about what learners write for themselves.
import type { NoteReported } from '@fernbrake/core/records'
import type { NotePlace, OwnNote } from '@fernbrake/core/notes'
import type { Ask } from '../../database/connect.ts'

/**
 * Stores notes, each of which stands in the list once; of what is there already the latest word holds. One that is gone
 * stays as such, so that no late word brings it back.
 */
export async function storeOwnNotes(
  ask: Ask,
  attemptId: string,
  notes: readonly NoteReported[],
): Promise<void> {
  if (notes.length === 0) return
  await ask(
    `INSERT INTO own_notes (attempt_id, note_id, part_id, place, words, is_gone, written_at)
     SELECT $1, unnest($2::text[]), unnest($3::text[]), unnest($4::text[])::jsonb, unnest($5::text[]),
            unnest($6::boolean[]), unnest($7::timestamptz[])
     ON CONFLICT (attempt_id, note_id) DO UPDATE SET
       part_id = excluded.part_id, place = excluded.place, words = excluded.words,
       is_gone = excluded.is_gone, written_at = excluded.written_at
     WHERE own_notes.written_at <= excluded.written_at`,
    [
      attemptId,
      notes.map(({ noteId }) => noteId),
      notes.map(({ partId }) => partId),
      notes.map(({ place }) => JSON.stringify(place)),
      notes.map(({ words, isGone }) => (isGone ? '' : words)),
      notes.map(({ isGone }) => isGone),
      notes.map(({ at }) => at),
    ],
  )
}

/** How many of a learner's notes there are besides these. */
export async function countOtherNotes(
  ask: Ask,
  attemptId: string,
  noteIds: readonly string[],
): Promise<number> {
  const [row] = await ask<{ count: number }>(
    `SELECT count(*)::int AS count FROM own_notes WHERE attempt_id = $1 AND note_id <> ALL($2::text[])`,
    [attemptId, noteIds],
  )
  return row!.count
}

export async function readOwnNotes(ask: Ask, attemptId: string): Promise<OwnNote[]> {
  const rows = await ask<{
    note_id: string
    part_id: string
    place: NotePlace
    words: string
    written_at: Date
  }>(
    `SELECT note_id, part_id, place, words, written_at FROM own_notes
      WHERE attempt_id = $1 AND NOT is_gone ORDER BY written_at, note_id`,
    [attemptId],
  )
  return rows.map(({ note_id, part_id, place, words, written_at }) => ({
    id: note_id,
    partId: part_id,
    place,
    words,
    at: written_at.toISOString(),
  }))
}
