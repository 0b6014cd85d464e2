// The lessons on a designer's home page.
import { LRUCache } from 'lru-cache'
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
  revision: number
  updated_at: Date
  edition_number: number | null
  learners: number
  seen_by: SeenBy
  role: LessonRoleName
}

export async function listLessons(database: Database, person: Person): Promise<LessonCard[]> {
  const rows = await select<Row>(
    database,
    `SELECT l.id, l.revision, l.updated_at, l.seen_by, r.role, e.number AS edition_number,
            coalesce(a.learners, 0) AS learners
       FROM lesson_roles r JOIN lessons l ON l.id = r.lesson_id
       LEFT JOIN LATERAL (SELECT max(number) AS number FROM editions WHERE lesson_id = l.id) e ON true
       LEFT JOIN LATERAL (SELECT count(DISTINCT person_id)::int AS learners FROM attempts
                           WHERE lesson_id = l.id) a ON true
      WHERE r.person_id = $1
      ORDER BY l.updated_at DESC LIMIT ${MOST_CARDS}`,
    [person.id],
  )
  const drawn = await drawCards(database, rows)
  return rows.flatMap((row) => {
    const card = drawn.get(keyOf(row))
    return card ? [{ ...card, ...ownOf(row) }] : []
  })
}

/** More than anybody looks through; further ones are found once some of these are removed. */
const MOST_CARDS = 2000

/** What a card shows of the draft alone. */
type Drawn = Omit<LessonCard, keyof ReturnType<typeof ownOf>>

/** A draft is long, and mostly as it was when it was looked at last. */
const kept = new LRUCache<string, Drawn>({ max: 10_000 })
const keyOf = ({ id, revision }: Pick<Row, 'id' | 'revision'>) => `${id}/${revision}`

async function drawCards(database: Database, rows: readonly Row[]): Promise<Map<string, Drawn>> {
  const drawn = new Map<string, Drawn>()
  const missing: string[] = []
  for (const row of rows) {
    const known = kept.get(keyOf(row))
    if (known) drawn.set(keyOf(row), known)
    else missing.push(row.id)
  }
  const drafts =
    missing.length === 0
      ? []
      : await select<{ id: string; revision: number; draft: Lesson }>(
          ...([
            database,
            'SELECT id, revision, draft FROM lessons WHERE id = ANY($1::text[])',
          ] as const),
          [missing],
        )
  for (const { draft, ...one } of drafts) {
    const card = draw(draft)
    kept.set(keyOf(one), card)
    // It may have been edited in between; what is shown then is newer than what was listed.
    const listed = rows.find(({ id }) => id === one.id)!
    drawn.set(keyOf(listed), card)
  }
  return drawn
}

const ownOf = (row: Row) => ({
  id: row.id,
  updatedAt: row.updated_at.toISOString(),
  editionNumber: row.edition_number,
  learners: row.learners,
  role: row.role,
  seenBy: row.seen_by,
})

function draw(draft: Lesson): Drawn {
  const parts = partsInOrder(draft)
  const film = filmsInOrder(draft)[0]
  const quizzes = parts.filter((part) => part.kind === 'quiz')
  const quiz = quizzes[0] && quizOnFrond(quizzes[0])
  return {
    title: draft.title,
    summary: draft.summary,
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
  id,
  kind: 'question' as const,
  fromMs: atMs,
  toMs: atMs,
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
