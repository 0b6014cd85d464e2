// The reports as documents: which tables, which columns, which sentences come first.
import type {
  Comparison,
  MarkBook,
  QuestionAnalysis,
  Standing,
  WatchMap,
  WaysTaken,
} from '@fernbrake/core/contract'
import { stateOfAttempts } from '@fernbrake/core/classes'
import type { Cell } from '@fernbrake/core/formats'
import { clockTime } from '@fernbrake/core/media'
import type { ServerWords } from '../../locales/words.ts'
import { number, share, text, type ReportDocument, type Table } from './document.ts'

interface About {
  title: string
  classTitle: string | null
  edition: number | null
}

const aboutOf = ({ report }: ServerWords, { classTitle, edition }: About, name: string) =>
  [classTitle, edition === null ? null : report.edition(edition), name]
    .filter((word) => word !== null)
    .join(' · ')

const rounded = (value: number | null, places = 4): number | null =>
  value === null ? null : Number(value.toFixed(places))
const plain = ({ language }: ServerWords, value: number) =>
  new Intl.NumberFormat(language, { maximumFractionDigits: 2 }).format(value)

/** How a class stands, learner by learner; those who have not begun are there too. */
export function overviewDocument(
  words: ServerWords,
  about: About,
  learners: readonly (Pick<Standing, 'name' | 'hasLeft' | 'attempts'> & { posts?: number })[],
): ReportDocument {
  const { heads, names, sentences, states } = words.report
  const rows = learners.map(({ name, hasLeft, attempts, posts = 0 }) => {
    return { name, hasLeft, ...stateOfAttempts(attempts), count: attempts.length, posts }
  })
  const talks = rows.some(({ posts }) => posts > 0)
  const meant = rows.filter(({ hasLeft }) => !hasLeft)
  const count = (state: string) => meant.filter((row) => row.state === state).length
  return {
    language: words.language,
    title: about.title,
    about: aboutOf(words, about, names.overview),
    sentences: [sentences.standing(count('complete'), meant.length, count('notBegun'))],
    tables: [
      {
        title: words.report.learnersTitle,
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

export function watchingDocument(words: ServerWords, map: WatchMap): ReportDocument {
  const { names, sentences } = words.report
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
    language: words.language,
    title: map.title,
    about: aboutOf(words, map, names.watching),
    sentences: map.learners === 0 ? [words.report.nobody] : left,
    tables: [learnersWatched(words, map), overTime(words, map), returnedTable(words, map)],
  }
}

const learnersWatched = ({ report }: ServerWords, map: WatchMap): Table => ({
  title: report.learnersTitle,
  columns: [
    text(report.heads.part),
    text(report.heads.name),
    share(report.heads.watched),
    text(report.heads.furthest),
  ],
  rows: map.parts.flatMap(({ title, learners }) =>
    learners.map(({ name, watched, furthestMs }) => [
      title,
      name,
      rounded(watched),
      clockTime(furthestMs),
    ]),
  ),
})

const overTime = ({ report }: ServerWords, map: WatchMap): Table => ({
  title: report.curveTitle,
  columns: [
    text(report.heads.part),
    text(report.heads.at),
    number(report.heads.plays),
    number(report.heads.learners),
    share(report.heads.stillThere),
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

const returnedTable = ({ report }: ServerWords, map: WatchMap): Table => ({
  title: report.returned,
  columns: [
    text(report.heads.part),
    text(report.heads.from),
    text(report.heads.to),
    number(report.heads.seenBy),
    number(report.heads.cameBack),
    text(report.heads.line),
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

export function questionsDocument(words: ServerWords, analysis: QuestionAnalysis): ReportDocument {
  const { heads, names, sentences } = words.report
  const { test, questions } = analysis
  const shareOf = (one: { count: number; of: number } | undefined) =>
    one && one.of > 0 ? rounded(one.count / one.of) : null
  const few = test.learners > 0 && !test.isEnough ? [words.report.few(test.learners)] : []
  const mean =
    test.mean === null
      ? []
      : [sentences.test(plain(words, test.mean), plain(words, test.max), test.learners)]
  return {
    language: words.language,
    title: analysis.title,
    about: aboutOf(words, analysis, names.questions),
    sentences: test.learners === 0 ? [words.report.nobody] : [...mean, ...few],
    tables: [
      {
        title: words.report.questionsTitle,
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
        title: words.report.optionsTitle,
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
            right ? words.report.yes : words.report.no,
            rounded(upper),
            rounded(middle),
            rounded(lower),
          ]),
        ),
      },
      wholeTest(words, test),
    ],
  }
}

function wholeTest(words: ServerWords, test: QuestionAnalysis['test']): Table {
  const { heads } = words.report
  const figures: [string, number | null][] = [
    ...([
      [words.report.test.mean, test.mean],
      [words.report.test.median, test.median],
      [words.report.test.sd, test.sd],
      [words.report.test.lower, test.quartiles?.lower ?? null],
      [words.report.test.upper, test.quartiles?.upper ?? null],
      [words.report.test.reliability, test.reliability],
      [words.report.test.error, test.error],
    ] as [string, number | null][]),
  ]
  return {
    title: words.report.wholeTitle,
    columns: [text(heads.figure), number(heads.value)],
    rows: figures.map(([name, value]) => [name, rounded(value, 3)]),
  }
}

export function waysDocument(words: ServerWords, ways: WaysTaken): ReportDocument {
  const { heads, names, onward, ending } = words.report
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
    language: words.language,
    title: ways.title,
    about: aboutOf(words, ways, names.ways),
    sentences: ways.learners === 0 ? [words.report.nobody] : [],
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

export function comparisonDocument(words: ServerWords, comparison: Comparison): ReportDocument {
  const { heads, names } = words.report
  const { groups, questions } = comparison
  const nameOf = ({ classTitle, edition }: Comparison['groups'][number]) =>
    `${classTitle ?? words.report.byLink}, ${words.report.edition(edition)}`
  return {
    language: words.language,
    title: comparison.title,
    about: aboutOf(words, { ...comparison, edition: null }, names.comparison),
    sentences: groups.length === 0 ? [words.report.nobody] : [],
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
          group.classTitle ?? words.report.byLink,
          group.edition,
          group.learners,
          group.finished,
          rounded(group.watched),
          rounded(group.score),
        ]),
      },
      {
        title: words.report.questionsTitle,
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

export function markBookDocument(
  words: ServerWords,
  { title, assignments, learners }: MarkBook,
): ReportDocument {
  const { heads, names } = words.report
  return {
    language: words.language,
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
