// Which service answers which route about results.
import type { Response } from 'express'
import { whoCalls, type Handlers } from './mountRoutes.ts'
import type { MailFile } from '../people/compose.ts'
import type { Context } from '../context.ts'
import { excuse, readMarkBook, weighAssignment } from '../results/markBook.ts'
import { mailReport, markBookFile, reportFile } from '../results/reportFiles.ts'
import { readComparison, readQuestionAnalysis, readWatchMap, readWays } from '../results/reports.ts'

type ReportHandlers = Pick<
  Handlers,
  | 'watchMap'
  | 'questionAnalysis'
  | 'waysTaken'
  | 'comparison'
  | 'report'
  | 'mailReport'
  | 'markBook'
  | 'weighAssignment'
  | 'excuse'
  | 'markBookFile'
>

function send({ name, contentType, content }: MailFile, response: Response): undefined {
  response.attachment(name).type(contentType).send(content)
}

export function reportHandlers(context: Context): ReportHandlers {
  return {
    watchMap: (call) => readWatchMap(context, whoCalls(call), call.params, call.query.edition),
    questionAnalysis: (call) =>
      readQuestionAnalysis(context, whoCalls(call), call.params, call.query.edition),
    waysTaken: (call) => readWays(context, whoCalls(call), call.params, call.query.edition),
    comparison: (call) => readComparison(context, whoCalls(call), call.params),
    report: async (call) => {
      const { report, ...from } = call.params
      const asked = { report, ...call.query }
      return send(await reportFile(context, whoCalls(call), from, asked), call.response)
    },
    mailReport: (call) => mailReport(context, whoCalls(call), call.params, call.body),
    markBook: ({ params }) => readMarkBook(context, params.classId),
    weighAssignment: ({ params, body }) => weighAssignment(context, params, body.weight),
    excuse: ({ params, body }) => excuse(context, params, body.isExcused),
    markBookFile: async ({ params, query, response }) =>
      send(await markBookFile(context, params.classId, query.format), response),
  }
}
