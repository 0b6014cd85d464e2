// How much of the stretch that answers a question had been watched when it was answered.
import type { Question } from '@fernbrake/core/questions'
import type { JudgedSpan } from '@fernbrake/core/records'
import { shareWatched, type Span } from '@fernbrake/core/watching'
import type { Ask } from '../database/connect.ts'
import { readCovered } from './queries/covered.ts'

/** What counted as watched before a batch, by part; nothing where none of its questions names a stretch. */
export async function watchedBefore(
  ask: Ask,
  attemptId: string,
  asked: readonly (Question | undefined)[],
): Promise<Record<string, Span[]>> {
  if (!asked.some((question) => question?.evidence)) return {}
  return (await readCovered(ask, [attemptId])).get(attemptId)?.spans ?? {}
}

/** In earlier batches, or in this one before the answer. Null where the question names no stretch. */
export function seenShare(
  { evidence }: Question,
  answeredAt: string,
  watched: Record<string, Span[]>,
  batch: readonly JudgedSpan[],
): number | null {
  if (!evidence || evidence.toMs <= evidence.fromMs) return null
  const answeredMs = Date.parse(answeredAt)
  const justNow = batch.filter(
    ({ counts, partId, endedAt }) =>
      counts && partId === evidence.partId && Date.parse(endedAt) <= answeredMs,
  )
  return shareWatched([...(watched[evidence.partId] ?? []), ...justNow], evidence)
}
