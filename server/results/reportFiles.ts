// Results as files and as mails.
import { readClassHead } from '../learning/queries/classHead.ts'
import type { Person, ReportFormat, ReportName } from '@fernbrake/core/contract'
import { within } from '../database/connect.ts'
import { HttpError } from '../http/HttpError.ts'
import { wordsIn, type ServerWords } from '../locales/words.ts'
import type { MailFile } from '../people/compose.ts'
import { classOfAssignment } from '../learning/queries/assignments.ts'
import { storeMail } from '../people/queries/mails.ts'
import type { ReportDocument } from './report/document.ts'
import {
  comparisonDocument,
  markBookDocument,
  overviewDocument,
  questionsDocument,
  watchingDocument,
  waysDocument,
} from './report/tables.ts'
import { talkDocument } from './report/talkTables.ts'
import { createThread } from '../threads/threads.ts'
import { CONTENT_TYPES, writeReport } from './report/write.ts'
import { countActivity } from '../talk/queries/talk.ts'
import { readStanding } from '../classes/assignments.ts'
import type { Context } from '../context.ts'
import { gather } from './gather.ts'
import { readMarkBook } from './markBook.ts'
import type { SourceOf } from './marking.ts'
import { readComparison, readQuestionAnalysis, readWatchMap, readWays } from './reports.ts'
import { readAllPosts, readTalkReport } from '../talk/talk.ts'

async function overviewOf(
  context: Context,
  person: Person,
  from: SourceOf,
  words: ServerWords,
  edition?: number,
): Promise<ReportDocument> {
  const { about, learners } = await gather(context, person, from, edition)
  if (from.source === 'assignment') {
    const classId = await classOfAssignment(from.sourceId)
    if (classId === null) throw new HttpError('not-found')
    // A class is all who were given it, those too who have not begun, on whatever edition.
    const said = await countActivity(within(context.database), from.sourceId)
    const standing = await readStanding(context, { classId, assignmentId: from.sourceId }, said)
    return overviewDocument(words, { ...about, edition: null }, standing.learners)
  }
  const own = learners.map(({ name, stood }) => ({ name, hasLeft: false, attempts: [stood] }))
  return overviewDocument(words, about, own)
}

async function talkOf(
  context: Context,
  person: Person,
  from: SourceOf,
  words: ServerWords,
): Promise<ReportDocument> {
  const classId = from.source === 'assignment' ? await classOfAssignment(from.sourceId) : null
  const [about, posts, head] = await Promise.all([
    readTalkReport(context, person, from),
    readAllPosts(context, person, from),
    classId === null ? null : readClassHead(within(context.database), classId),
  ])
  return talkDocument(words, { ...about, classTitle: head?.title ?? null }, posts)
}

async function documentOf(
  context: Context,
  person: Person,
  from: SourceOf,
  words: ServerWords,
  { report, edition }: { report: ReportName; edition?: number | undefined },
): Promise<ReportDocument> {
  switch (report) {
    case 'overview':
      return overviewOf(context, person, from, words, edition)
    case 'watching':
      return watchingDocument(words, await readWatchMap(context, person, from, edition))
    case 'questions':
      return questionsDocument(words, await readQuestionAnalysis(context, person, from, edition))
    case 'ways':
      return waysDocument(words, await readWays(context, person, from, edition))
    case 'comparison':
      return comparisonDocument(words, await readComparison(context, person, from))
    case 'talk':
      return talkOf(context, person, from, words)
  }
}

/** What file systems allow in a name, whatever a lesson is called. */
const fileName = (words: string, format: ReportFormat) =>
  `${
    words
      .replace(/[^\p{L}\p{N} ,.()-]+/gu, ' ')
      .trim()
      .slice(0, 80) || 'report'
  }.${format}`

async function fileOf(document: ReportDocument, format: ReportFormat): Promise<MailFile> {
  const words = `${document.title} ${document.about.split(' · ').at(-1)}`
  return {
    name: fileName(words, format),
    contentType: CONTENT_TYPES[format],
    content: await written(document, format),
  }
}

export async function reportFile(
  context: Context,
  person: Person,
  from: SourceOf,
  language: string,
  asked: { report: ReportName; edition?: number | undefined; format: ReportFormat },
): Promise<MailFile> {
  return fileOf(await documentOf(context, person, from, wordsIn(language), asked), asked.format)
}

export async function markBookFile(
  context: Context,
  classId: string,
  language: string,
  format: ReportFormat,
): Promise<MailFile> {
  return fileOf(markBookDocument(wordsIn(language), await readMarkBook(context, classId)), format)
}

/** Mails overview, watching and questions as one PDF and one workbook; one mail to each address. */
export async function mailReport(
  context: Context,
  person: Person,
  from: SourceOf,
  language: string,
  { to, edition }: { to: readonly string[]; edition?: number | undefined },
): Promise<{ sent: number }> {
  const words = wordsIn(language)
  const documents = await Promise.all(
    (['overview', 'watching', 'questions'] as const).map((report) =>
      documentOf(context, person, from, words, { report, edition }),
    ),
  )
  const [first] = documents as [ReportDocument, ...ReportDocument[]]
  const whole: ReportDocument = {
    language,
    title: first.title,
    about: first.about,
    sentences: documents.flatMap(({ sentences }) => sentences),
    tables: documents.flatMap(({ tables }) => tables),
  }
  const files = await Promise.all([fileOf(whole, 'pdf'), fileOf(whole, 'xlsx')])
  // In one order for everybody, so that no two who write to the same people wait for each other.
  const addresses = [...new Set(to.map((address) => address.trim().toLowerCase()))].sort()
  const { subject, body } = words.report.mail
  await context.database.transaction(async (transaction) => {
    for (const recipient of addresses)
      await storeMail(
        within(context.database, transaction),
        person.id,
        {
          recipient,
          subject: subject(whole.title),
          files,
          body: body(whole.title, person.name, whole.sentences),
        },
        `${from.source} ${from.sourceId}`,
      )
  })
  return { sent: addresses.length }
}

/** Lines of text are written at once; what has pages or sheets is written elsewhere. */
const written = async (document: ReportDocument, format: ReportFormat): Promise<Buffer> =>
  format === 'csv'
    ? writeReport(document, format)
    : Buffer.from(await writtenElsewhere({ document, format }))

export interface ReportWish {
  document: ReportDocument
  format: ReportFormat
}
const writtenElsewhere = createThread<ReportWish, Uint8Array>(
  new URL('./report/report.worker.ts', import.meta.url),
)
