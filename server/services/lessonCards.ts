// The lessons on a designer's home page.
import type { LessonCard, Person } from '@fernbrake/core/contract'
import {
  cueEndMs,
  cuesInOrder,
  cueStartMs,
  filmsInOrder,
  isRecap,
  type Lesson,
} from '@fernbrake/core/lesson'
import { select, type Database } from '../database/connect.ts'

interface Row {
  id: string
  draft: Lesson
  updated_at: Date
  edition_number: number | null
  learners: number
}

export async function listLessons(database: Database, person: Person): Promise<LessonCard[]> {
  const rows = await select<Row>(
    database,
    `SELECT l.id, l.draft, l.updated_at,
            (SELECT max(number) FROM editions e WHERE e.lesson_id = l.id) AS edition_number,
            (SELECT count(*)::int FROM attempts a WHERE a.lesson_id = l.id) AS learners
       FROM lessons l JOIN lesson_roles r ON r.lesson_id = l.id
      WHERE r.person_id = $1
      ORDER BY l.updated_at DESC`,
    [person.id],
  )
  return rows.map(toCard)
}

function toCard(row: Row): LessonCard {
  const { draft } = row
  const first = filmsInOrder(draft)[0]
  return {
    id: row.id,
    title: draft.title,
    summary: draft.summary,
    updatedAt: row.updated_at.toISOString(),
    editionNumber: row.edition_number,
    learners: row.learners,
    durationMs: first?.durationMs ?? 0,
    posterMediaId: first?.mediaId ?? null,
    cues: first ? smallCues(draft, first.id) : [],
  }
}

function smallCues(lesson: Lesson, partId: string): LessonCard['cues'] {
  return cuesInOrder(lesson, partId).flatMap((cue) =>
    cue.kind === 'note'
      ? []
      : [
          {
            id: cue.id,
            kind: cue.kind === 'question' && isRecap(lesson, cue) ? 'recap' : cue.kind,
            fromMs: cueStartMs(cue),
            toMs: cueEndMs(cue),
          },
        ],
  )
}
