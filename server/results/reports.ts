// The results of a class or a lesson: SQL counts, core computes, this brings both into the words of the contract.
import {
  analyseQuestions,
  analyseTest,
  askedIn,
  difficulties,
  oftenSaid,
  RESULT_BINS,
  sittingOf,
  tenthsOf,
  type AskedPlace,
  type QuestionFigures,
} from '@fernbrake/core/analysis'
import {
  ROLES_FROM,
  type Comparison,
  type Person,
  type QuestionAnalysis,
  type QuestionReport,
  type WatchedPart,
  type WatchMap,
  type WaysTaken,
} from '@fernbrake/core/contract'
import { inOrder, plainOf } from '@fernbrake/core/fields'
import {
  cuesInOrder,
  filmsInOrder,
  lineNear,
  partsInOrder,
  scriptOfPart,
  type Lesson,
  type Part,
  type Target,
} from '@fernbrake/core/lesson'
import { isByPerson } from '@fernbrake/core/questions'
import { mean } from '@fernbrake/core/statistics'
import {
  cellsOf,
  counts,
  coverage,
  furthestMs,
  largestLeaving,
  leaveOff,
  FEWEST_WHO_RETURN,
  returnedTo,
  whoCameBack,
  type Span,
} from '@fernbrake/core/watching'
import { inColumns, within } from '../database/connect.ts'
import { readSpans } from '../learning/queries/covered.ts'
import { hasLessonRole } from '../lessons/roles.ts'
import { countParts, countWays, readGroupsOf } from './queries/reports.ts'
import type { Context } from '../context.ts'
import { gather, type Gathered, type LearnerWork } from './gather.ts'
import type { SourceOf } from './marking.ts'

/** What was answered is of no interest here. */
const WATCHED_ALONE = { watchedAlone: true }

export async function readWatchMap(
  context: Context,
  person: Person,
  from: SourceOf,
  edition?: number,
): Promise<WatchMap> {
  const { about, lesson, learners } = await gather(context, person, from, edition, WATCHED_ALONE)
  if (!lesson) return { ...about, learners: 0, parts: [] }
  const parts: WatchedPart[] = []
  for (const { id: partId, durationMs } of filmsInOrder(lesson)) {
    if (!durationMs) continue
    // Of those who jumped about very much the runs are not kept.
    const without = learners.filter(({ covered }) => covered.runs[partId] === null)
    const ids = without.map(({ attempt }) => attempt.id)
    const more = await readSpans(inColumns(context.pool), ids, partId)
    parts.push(watchedPart(lesson, learners, { partId, durationMs, more }))
  }
  return { ...about, learners: learners.length, parts }
}

const binOf = (durationMs: number) => Math.max(1000, Math.ceil(durationMs / RESULT_BINS))

function watchedPart(
  lesson: Lesson,
  learners: readonly LearnerWork[],
  { partId, durationMs, more }: { partId: string; durationMs: number; more: readonly Span[] },
): WatchedPart {
  const binMs = binOf(durationMs)
  const runs = learners.flatMap(({ covered }) => covered.runs[partId] ?? [])
  const plays = counts([...runs, ...more], durationMs, binMs)
  const rows = learners.map(({ name, covered }) => {
    const spans = covered.spans[partId] ?? []
    const cells = cellsOf(spans, covered.again[partId] ?? [], durationMs, binMs)
    return {
      name,
      cells,
      watched: coverage(spans, durationMs),
      furthestMs: Math.min(durationMs, furthestMs(spans)),
    }
  })
  const seenBy = plays.map((_, bin) => rows.filter(({ cells }) => cells[bin] !== '0').length)
  const watchedAny = learners
    .map(({ covered }) => covered.spans[partId] ?? [])
    .filter((spans) => spans.length > 0)
  return {
    partId,
    title: lesson.parts[partId]!.title,
    durationMs,
    binMs,
    plays,
    seenBy,
    learners: rows,
    leaveOff: leaveOff(
      watchedAny,
      plays.map((_, bin) => bin * binMs),
    ),
    leaving: largestLeaving(watchedAny, durationMs),
    returned: returnedTo({ plays, learners: seenBy }, durationMs, binMs)
      .map((stretch) => ({
        ...stretch,
        ...whoCameBack(
          rows.map(({ cells }) => cells),
          stretch,
          binMs,
        ),
        line: lineNear(scriptOfPart(lesson, partId, lesson.language), stretch)?.text ?? null,
      }))
      .filter(({ again }) => again >= FEWEST_WHO_RETURN),
    asked: askedIn(lesson).flatMap(({ partId: where, number, atMs }) =>
      where === partId && atMs !== null ? [{ number, atMs }] : [],
    ),
  }
}

export async function readQuestionAnalysis(
  context: Context,
  person: Person,
  from: SourceOf,
  edition?: number,
): Promise<QuestionAnalysis> {
  const gathered = await gather(context, person, from, edition)
  const { about, lesson, learners } = gathered
  const asked = lesson ? askedIn(lesson) : []
  // Who has answered nothing has not sat the test.
  const sat = learners.map(({ responses }) => responses).filter((all) => all.length > 0)
  const sittings = sat.map((responses) => sittingOf(asked, responses))
  const max = asked.reduce((sum, one) => sum + one.max, 0)
  const totals = sittings.map((sitting) =>
    asked.reduce((sum, { id }) => sum + (sitting[id]?.points ?? 0), 0),
  )
  const figures = analyseQuestions(asked, sittings)
  return {
    ...about,
    mayOpenBench: await hasLessonRole(person, about.lessonId, ROLES_FROM.viewer),
    test: { ...analyseTest(asked, sittings), max, tenths: tenthsOf(totals, max) },
    questions: asked.map((one, index) => ({
      ...toQuestionReport(lesson!, one, figures[index]!),
      oftenSaid: oftenSaid(one, sat),
    })),
  }
}

function toQuestionReport(
  lesson: Lesson,
  asked: AskedPlace,
  figures: QuestionFigures,
): Omit<QuestionReport, 'oftenSaid'> {
  const { id, question, partId, placeId, atMs, number, max, labels } = asked
  const { answered, difficulty, discrimination, upperLower, medianMs, tries, seen } = figures
  return {
    questionId: id,
    number,
    kind: question.kind,
    stem: plainOf(question.stem),
    partId,
    partTitle: lesson.parts[partId]!.title,
    placeId,
    atMs,
    max,
    byPerson: isByPerson(question),
    answered,
    difficulty,
    discrimination,
    upperLower,
    medianMs,
    tries,
    evidence: question.evidence,
    seen,
    options: figures.options.map((option) => ({
      ...option,
      label: labels[option.id]!,
      isMisleading: figures.misleading.includes(option.id),
    })),
  }
}

export async function readWays(
  context: Context,
  person: Person,
  from: SourceOf,
  edition?: number,
): Promise<WaysTaken> {
  const { about, lesson, learners } = await gather(context, person, from, edition, WATCHED_ALONE)
  if (!lesson) return { ...about, learners: 0, parts: [] }
  const ids = learners.map(({ attempt }) => attempt.id)
  const ask = within(context.database)
  const [taken, counted] = await Promise.all([countWays(ask, ids), countParts(ask, ids)])
  const parts = partsInOrder(lesson).map((part, index) => ({
    partId: part.id,
    number: index + 1,
    kind: part.kind,
    title: part.title,
    ...(counted.get(part.id) ?? { opened: 0, finished: 0 }),
    ways: waysOf(lesson, part).map((way) => ({ ...way, learners: taken.get(way.id) ?? 0 })),
  }))
  return { ...about, learners: learners.length, parts }
}

/** Where a part lets learners go: at the forks of a film, and by the routes that leave at its end. */
function waysOf(lesson: Lesson, part: Part) {
  const forks = cuesInOrder(lesson, part.id).flatMap((cue) =>
    cue.kind !== 'fork'
      ? []
      : inOrder(Object.values(cue.choices)).map(({ id, text, target }) => ({
          id: `${cue.id} ${id}`,
          atMs: cue.atMs,
          prompt: cue.prompt,
          words: text,
          leads: leadsTo(lesson, target),
        })),
  )
  const routes = inOrder(Object.values(lesson.routes ?? {}))
    .filter(({ fromId }) => fromId === part.id)
    .map(({ id, words, target }) => ({
      id: `${part.id} ${id}`,
      atMs: null,
      prompt: '',
      words,
      leads: leadsTo(lesson, target),
    }))
  return [...forks, ...routes]
}

function leadsTo(
  lesson: Lesson,
  target: Target,
): WaysTaken['parts'][number]['ways'][number]['leads'] {
  switch (target.to) {
    case 'part':
      return { to: 'part', title: lesson.parts[target.partId]?.title ?? '' }
    case 'ending':
      return { to: 'ending', words: target.message }
    case 'time':
      return { to: 'time', atMs: target.atMs }
    case 'on':
      return { to: 'on' }
  }
}

/** The same lesson in other classes and editions that this person may see. */
export async function readComparison(
  context: Context,
  person: Person,
  from: SourceOf,
): Promise<Comparison> {
  const own = await gather(context, person, from)
  const { lessonId } = own.about
  const groups = await readGroupsOf(within(context.database), lessonId, person.id)
  const questions = own.lesson ? askedIn(own.lesson) : []
  const compared = await Promise.all(
    groups.map(async ({ assignmentId, classTitle, edition, lastAt }) => {
      const source: SourceOf =
        assignmentId === null
          ? { source: 'lesson', sourceId: lessonId }
          : { source: 'assignment', sourceId: assignmentId }
      const isSame = source.source === from.source && source.sourceId === from.sourceId
      // What is looked at is known by now.
      const isOwn = isSame && from.source === 'assignment' && edition === own.about.edition
      const group = isOwn
        ? own
        : await gather(context, person, source, edition, { byLinkAlone: true })
      return {
        key: `${assignmentId ?? ''} ${edition}`,
        classTitle,
        edition,
        isOwn,
        lastAt: lastAt.toISOString(),
        ...summaryOf(group),
      }
    }),
  )
  return {
    ...own.about,
    groups: compared,
    questions: questions.map(({ id, number, question }) => ({
      questionId: id,
      number,
      stem: plainOf(question.stem),
    })),
  }
}

function summaryOf({ lesson, learners }: Gathered) {
  const asked = lesson ? askedIn(lesson) : []
  const sittings = learners.map(({ responses }) => sittingOf(asked, responses))
  const shares = learners.flatMap(({ stood }) => (stood.max > 0 ? [stood.points / stood.max] : []))
  return {
    learners: learners.length,
    finished: learners.filter(({ stood }) => stood.finishedAt !== null).length,
    watched: mean(learners.flatMap(({ stood }) => stood.watched ?? [])),
    score: mean(shares),
    questions: difficulties(asked, sittings),
  }
}
