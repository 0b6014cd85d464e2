// The lessons on a designer's home page.
import { createKept } from '@fernbrake/core/fields'
import { questionsMet } from '@fernbrake/core/analysis'
import type { LessonCard, Person } from '@fernbrake/core/contract'
import { quizOnFrond, type QuizOnFrond } from '@fernbrake/core/frond'
import {
  cueEndMs,
  cuesInOrder,
  cueStartMs,
  filmsInOrder,
  leafOfCue,
  partsOfKind,
  posterOf,
  type Lesson,
} from '@fernbrake/core/lesson'
import { within, type Ask, type Database } from '../database/connect.ts'
import { readCardRows, readDrafts, type CardRow } from './queries/lessonCards.ts'

export async function listLessons(database: Database, person: Person): Promise<LessonCard[]> {
  const ask = within(database)
  const rows = await readCardRows(ask, person.id, MOST_CARDS)
  const drawn = await drawCards(ask, rows)
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
const kept = createKept<Drawn>(10_000)
const keyOf = ({ id, revision }: Pick<CardRow, 'id' | 'revision'>) => `${id}/${revision}`

async function drawCards(ask: Ask, rows: readonly CardRow[]): Promise<Map<string, Drawn>> {
  const drawn = new Map<string, Drawn>()
  const missing: string[] = []
  for (const row of rows) {
    const known = kept.get(keyOf(row))
    if (known) drawn.set(keyOf(row), known)
    else missing.push(row.id)
  }
  const drafts = missing.length === 0 ? [] : await readDrafts(ask, missing)
  for (const { draft, ...one } of drafts) {
    const card = draw(draft)
    kept.set(keyOf(one), card)
    // It may have been edited in between; what is shown then is newer than what was listed.
    const listed = rows.find(({ id }) => id === one.id)!
    drawn.set(keyOf(listed), card)
  }
  return drawn
}

const ownOf = (row: CardRow) => ({
  id: row.id,
  updatedAt: row.updated_at.toISOString(),
  editionNumber: row.edition_number,
  learners: row.learners,
  opened: row.opened,
  isAway: row.is_away,
  role: row.role,
  seenBy: row.seen_by,
})

function draw(draft: Lesson): Drawn {
  const film = filmsInOrder(draft)[0]
  const quizzes = partsOfKind(draft, 'quiz')
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
            kind: cue.kind === 'question' ? leafOfCue(lesson, cue) : cue.kind,
            fromMs: cueStartMs(cue),
            toMs: cueEndMs(cue),
          },
        ],
  )
}
