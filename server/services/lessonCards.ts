// The lessons on a designer's home page.
import { questionsMet } from '@fernbrake/core/analysis'
import type { LessonCard, LessonRoleName, Person, SeenBy } from '@fernbrake/core/contract'
import { quizOnFrond, type QuizOnFrond } from '@fernbrake/core/frond'
import {
  cueEndMs,
  cuesInOrder,
  cueStartMs,
  filmsInOrder,
  isRecap,
  partsInOrder,
  posterOf,
  type Lesson,
} from '@fernbrake/core/lesson'
import { select, type Database } from '../database/connect.ts'

interface Row {
  id: string
  draft: Lesson
  updated_at: Date
  edition_number: number | null
  learners: number
  seen_by: SeenBy
  role: LessonRoleName
}

export async function listLessons(database: Database, person: Person): Promise<LessonCard[]> {
  const rows = await select<Row>(
    database,
    `SELECT l.id, l.draft, l.updated_at, l.seen_by, r.role,
            (SELECT max(number) FROM editions e WHERE e.lesson_id = l.id) AS edition_number,
            (SELECT count(DISTINCT person_id)::int FROM attempts a WHERE a.lesson_id = l.id) AS learners
       FROM lessons l JOIN lesson_roles r ON r.lesson_id = l.id
      WHERE r.person_id = $1
      ORDER BY l.updated_at DESC`,
    [person.id],
  )
  return rows.map(toCard)
}

function toCard(row: Row): LessonCard {
  const { draft } = row
  const parts = partsInOrder(draft)
  const film = filmsInOrder(draft)[0]
  const quizzes = parts.filter((part) => part.kind === 'quiz')
  const quiz = quizzes[0] && quizOnFrond(quizzes[0])
  return {
    id: row.id,
    title: draft.title,
    summary: draft.summary,
    updatedAt: row.updated_at.toISOString(),
    editionNumber: row.edition_number,
    learners: row.learners,
    role: row.role,
    seenBy: row.seen_by,
    durationMs: film?.durationMs ?? 0,
    questions: questionsMet(draft).length,
    quizzes: quizzes.length,
    posterMediaId: posterOf(draft),
    tags: draft.tags ?? [],
    level: draft.level ?? '',
    stemMs: film ? (film.durationMs ?? 0) : (quiz?.durationMs ?? 0),
    cues: film ? smallCues(draft, film.id) : (quiz?.leaves ?? []).map(leafOf),
  }
}

/** A quiz's question as a leaf of its small frond. */
export const leafOf = ({ itemId: id, atMs }: QuizOnFrond['leaves'][number]) => ({
  ...{ id, kind: 'question' as const, fromMs: atMs, toMs: atMs },
})

/** What stands on the small frond of a film. */
export function smallCues(lesson: Lesson, partId: string): LessonCard['cues'] {
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
