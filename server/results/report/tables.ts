// The reports as documents: which tables, which columns, which sentences come first.
import type {
  Comparison,
  MarkBook,
  QuestionAnalysis,
  Standing,
  WatchMap,
  WaysTaken,
} from '@fernbrake/core/contract'
import { standsAs } from '@fernbrake/core/classes'
import type { Cell } from '@fernbrake/core/formats'
import { clockTime } from '@fernbrake/core/media'
import texts from '../../locales/en.ts'
import { number, share, text, type ReportDocument, type Table } from './document.ts'

const { heads, names, sentences, states } = texts.report

interface About {
  title: string
  classTitle: string | null
  edition: number | null
}

const aboutOf = ({ classTitle, edition }: About, name: string) =>
  [classTitle, edition === null ? null : texts.report.edition(edition), name]
    .filter((word) => word !== null)
    .join(' · ')

const rounded = (value: number | null, places = 4): number | null =>
  value === null ? null : Number(value.toFixed(places))
const plain = (value: number) => String(Number(value.toFixed(2)))

/** How a class stands, learner by learner; those who have not begun are there too. */
export function overviewDocument(
  about: About,
  learners: readonly (Pick<Standing, 'name' | 'hasLeft' | 'attempts'> & { posts?: number })[],
): ReportDocument {
  const rows = learners.map(({ name, hasLeft, attempts, posts = 0 }) => {
    return { name, hasLeft, ...standsAs(attempts), count: attempts.length, posts }
  })
  const talks = rows.some(({ posts }) => posts > 0)
  const meant = rows.filter(({ hasLeft }) => !hasLeft)
  const count = (state: string) => meant.filter((row) => row.state === state).length
  return {
    title: about.title,
    about: aboutOf(about, names.overview),
    sentences: [sentences.standing(count('complete'), meant.length, count('notBegun'))],
    tables: [
      {
        title: texts.report.learnersTitle,
        columns: [
          text(heads.name),
          text(heads.stands),
          share(heads.watched),
          number(heads.answered),
          number(heads.asked),
          number(heads.points),
          number(heads.max),
          number(heads.attempts),
          text(heads.lastSeen),
          ...(talks ? [number(heads.posts)] : []),
        ],
        rows: rows.map(({ name, best, state, lastSeenAt, count: attempts, posts }) => [
          name,
          states[state],
          rounded(best?.watched ?? null),
          best?.answered ?? null,
          best?.questions ?? null,
          rounded(best?.points ?? null, 2),
          best?.max ?? null,
          attempts,
          lastSeenAt,
          ...(talks ? [posts] : []),
        ]),
      },
    ],
  }
}

export function watchingDocument(map: WatchMap): ReportDocument {
  const left = map.parts.flatMap(({ title, leaving }) =>
    leaving
      ? [
          sentences.left(
            ...([leaving.count, leaving.of] as const),
            ...([clockTime(leaving.fromMs), clockTime(leaving.toMs), title] as const),
          ),
        ]
      : [],
  )
  return {
    title: map.title,
    about: aboutOf(map, names.watching),
    sentences: map.learners === 0 ? [texts.report.nobody] : left,
    tables: [learnersWatched(map), overTime(map), returnedTable(map)],
  }
}

const learnersWatched = (map: WatchMap): Table => ({
  title: texts.report.learnersTitle,
  columns: [text(heads.part), text(heads.name), share(heads.watched), text(heads.furthest)],
  rows: map.parts.flatMap(({ title, learners }) =>
    learners.map(({ name, watched, furthestMs }) => [
      title,
      name,
      rounded(watched),
      clockTime(furthestMs),
    ]),
  ),
})

const overTime = (map: WatchMap): Table => ({
  title: texts.report.curveTitle,
  columns: [
    text(heads.part),
    text(heads.at),
    number(heads.plays),
    number(heads.learners),
    share(heads.stillThere),
  ],
  rows: map.parts.flatMap(({ title, plays, seenBy, leaveOff, binMs }) =>
    plays.map((count, bin): Cell[] => [
      title,
      clockTime(bin * binMs),
      count,
      seenBy[bin]!,
      rounded(leaveOff[bin]!),
    ]),
  ),
})

const returnedTable = (map: WatchMap): Table => ({
  title: texts.report.returned,
  columns: [
    text(heads.part),
    text(heads.from),
    text(heads.to),
    number(heads.seenBy),
    number(heads.cameBack),
    text(heads.line),
  ],
  rows: map.parts.flatMap(({ title, returned }) =>
    returned.map(({ fromMs, toMs, seen, again, line }): Cell[] => [
      title,
      clockTime(fromMs),
      clockTime(toMs),
      seen,
      again,
      line,
    ]),
  ),
})

export function questionsDocument(analysis: QuestionAnalysis): ReportDocument {
  const { test, questions } = analysis
  const shareOf = (one: { count: number; of: number } | undefined) =>
    one && one.of > 0 ? rounded(one.count / one.of) : null
  const few = test.learners > 0 && !test.isEnough ? [texts.report.few(test.learners)] : []
  const mean =
    test.mean === null ? [] : [sentences.test(plain(test.mean), plain(test.max), test.learners)]
  return {
    title: analysis.title,
    about: aboutOf(analysis, names.questions),
    sentences: test.learners === 0 ? [texts.report.nobody] : [...mean, ...few],
    tables: [
      {
        title: texts.report.questionsTitle,
        columns: [
          number(heads.number),
          text(heads.question),
          number(heads.answered),
          share(heads.difficulty),
          number(heads.discrimination),
          number(heads.upperLower),
          number(heads.time),
          number(heads.tries),
          share(heads.rightSeen),
          share(heads.rightUnseen),
        ],
        rows: questions.map((one) => [
          one.number,
          one.stem,
          one.answered,
          rounded(one.difficulty),
          rounded(one.discrimination, 2),
          rounded(one.upperLower, 2),
          one.medianMs === null ? null : Math.round(one.medianMs / 1000),
          rounded(one.tries, 2),
          shareOf(one.seen?.withIt),
          shareOf(one.seen?.without),
        ]),
      },
      {
        title: texts.report.optionsTitle,
        columns: [
          number(heads.number),
          text(heads.option),
          text(heads.right),
          share(heads.upper),
          share(heads.middle),
          share(heads.lower),
        ],
        rows: questions.flatMap(({ number: no, options }) =>
          options.map(({ label, right, upper, middle, lower }): Cell[] => [
            no,
            label,
            right ? texts.report.yes : texts.report.no,
            rounded(upper),
            rounded(middle),
            rounded(lower),
          ]),
        ),
      },
      wholeTest(test),
    ],
  }
}

function wholeTest(test: QuestionAnalysis['test']): Table {
  const figures: [string, number | null][] = [
    ...([
      [texts.report.test.mean, test.mean],
      [texts.report.test.median, test.median],
      [texts.report.test.sd, test.sd],
      [texts.report.test.lower, test.quartiles?.lower ?? null],
      [texts.report.test.upper, test.quartiles?.upper ?? null],
      [texts.report.test.reliability, test.reliability],
      [texts.report.test.error, test.error],
    ] as [string, number | null][]),
  ]
  return {
    title: texts.report.wholeTitle,
    columns: [text(heads.figure), number(heads.value)],
    rows: figures.map(([name, value]) => [name, rounded(value, 3)]),
  }
}

export function waysDocument(ways: WaysTaken): ReportDocument {
  const { onward, ending } = texts.report
  type Way = WaysTaken['parts'][number]['ways'][number]
  const leadsOf = ({ leads }: Way) =>
    leads.to === 'part'
      ? leads.title
      : leads.to === 'time'
        ? clockTime(leads.atMs)
        : leads.to === 'ending'
          ? leads.words || ending
          : onward
  return {
    title: ways.title,
    about: aboutOf(ways, names.ways),
    sentences: ways.learners === 0 ? [texts.report.nobody] : [],
    tables: [
      {
        title: names.ways,
        columns: [
          text(heads.part),
          text(heads.at),
          text(heads.way),
          text(heads.leads),
          number(heads.learners),
        ],
        rows: ways.parts.flatMap(({ title, ways: out }) =>
          out.map((way): Cell[] => [
            title,
            way.atMs === null ? null : clockTime(way.atMs),
            [way.prompt, way.words].filter(Boolean).join(' · '),
            leadsOf(way),
            way.learners,
          ]),
        ),
      },
      {
        title: heads.part,
        columns: [text(heads.part), number(heads.opened), number(heads.finished)],
        rows: ways.parts.map(({ title, opened, finished }) => [title, opened, finished]),
      },
    ],
  }
}

export function comparisonDocument(comparison: Comparison): ReportDocument {
  const { groups, questions } = comparison
  const nameOf = ({ classTitle, edition }: Comparison['groups'][number]) =>
    `${classTitle ?? texts.report.byLink}, ${texts.report.edition(edition)}`
  return {
    title: comparison.title,
    about: aboutOf({ ...comparison, edition: null }, names.comparison),
    sentences: groups.length === 0 ? [texts.report.nobody] : [],
    tables: [
      {
        title: names.comparison,
        columns: [
          text(heads.class),
          number(heads.edition),
          number(heads.learners),
          number(heads.finished),
          share(heads.watched),
          share(heads.score),
        ],
        rows: groups.map((group) => [
          group.classTitle ?? texts.report.byLink,
          group.edition,
          group.learners,
          group.finished,
          rounded(group.watched),
          rounded(group.score),
        ]),
      },
      {
        title: texts.report.questionsTitle,
        columns: [
          number(heads.number),
          text(heads.question),
          ...groups.map((group) => share(nameOf(group))),
        ],
        rows: questions.map(({ questionId, number: no, stem }) => [
          no,
          stem,
          ...groups.map((group) => rounded(group.questions[questionId] ?? null)),
        ]),
      },
    ],
  }
}

/** What does not count yet, or never will, is left empty; what was due and not done is nought. */
function bookFigures(mark: MarkBook['learners'][number]['marks'][string] | undefined) {
  const counts = mark?.state === 'marked' || mark?.state === 'missing'
  return counts ? [rounded(mark.points, 2), mark.max] : [null, null]
}

export function markBookDocument({ title, assignments, learners }: MarkBook): ReportDocument {
  return {
    title,
    about: names.markBook,
    sentences: [],
    tables: [
      {
        title: names.markBook,
        columns: [
          text(heads.name),
          ...assignments.flatMap((one) => [number(one.title), number(heads.max)]),
          share(heads.share),
        ],
        rows: learners.map(({ name, marks, share: whole }) => [
          name,
          ...assignments.flatMap(({ id }) => [...bookFigures(marks[id])]),
          rounded(whole),
        ]),
      },
      {
        title: heads.weight,
        columns: [text(heads.name), number(heads.weight), number(heads.max)],
        rows: assignments.map((one) => [one.title, one.weight, one.max]),
      },
    ],
  }
}
