// Which routes about results, marking and reports are answered by what.
import type { Response } from 'express'
import type { Context } from '../context.ts'
import { within } from '../database/connect.ts'
import { HttpError } from '../http/HttpError.ts'
import { type Part, whoCalls } from '../http/handlers.ts'
import { seesAttempt } from '../learning/queries/attemptAccess.ts'
import { sendHandedFile } from '../learning/sendHandedFile.ts'
import type { MailFile } from '../people/compose.ts'
import { excuse, readMarkBook, weighAssignment } from './markBook.ts'
import {
  dropComment,
  isAttemptOf,
  keepComment,
  listPiles,
  readPile,
  release,
  saveMark,
} from './marking.ts'
import { languageOfRequest } from '../http/language.ts'
import { mailReport, markBookFile, reportFile } from './reportFiles.ts'
import { readComparison, readQuestionAnalysis, readWatchMap, readWays } from './reports.ts'
import { readResults } from './results.ts'

export function resultRoutes(context: Context): Part<'results' | 'handedFileOf'> {
  return {
    results: (call) =>
      readResults(context, whoCalls(call), call.params.lessonId, call.query.edition),
    handedFileOf: async (call) => {
      const { lessonId, attemptId, fileId: id } = call.params
      const ask = within(context.database)
      if (!(await seesAttempt(ask, whoCalls(call).id, { lessonId, attemptId })))
        throw new HttpError('not-found')
      await sendHandedFile(context, { attemptId, id }, call.response)
      return undefined
    },
  }
}

export function markingRoutes(
  context: Context,
): Part<
  'piles' | 'pile' | 'saveMark' | 'releaseMarks' | 'markedFile' | 'keepComment' | 'dropComment'
> {
  return {
    piles: (call) => listPiles(context, whoCalls(call)),
    pile: (call) => readPile(context, whoCalls(call), call.params, call.query),
    saveMark: (call) => saveMark(context, whoCalls(call), call.params, call.body),
    releaseMarks: (call) => release(context, whoCalls(call), call.params, call.body),
    markedFile: async ({ params: { attemptId, fileId: id, ...from }, response }) => {
      if (!(await isAttemptOf(from, attemptId))) throw new HttpError('not-found')
      await sendHandedFile(context, { attemptId, id }, response)
      return undefined
    },
    keepComment: (call) => keepComment(context, whoCalls(call), call.body),
    dropComment: (call) => dropComment(context, whoCalls(call), call.params.commentId),
  }
}

function send({ name, contentType, content }: MailFile, response: Response): undefined {
  response.attachment(name).type(contentType).send(content)
}

export function reportRoutes(
  context: Context,
): Part<
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
> {
  return {
    watchMap: (call) => readWatchMap(context, whoCalls(call), call.params, call.query.edition),
    questionAnalysis: (call) =>
      readQuestionAnalysis(context, whoCalls(call), call.params, call.query.edition),
    waysTaken: (call) => readWays(context, whoCalls(call), call.params, call.query.edition),
    comparison: (call) => readComparison(context, whoCalls(call), call.params),
    report: async (call) => {
      const { report, ...from } = call.params
      const asked = { report, ...call.query }
      return send(
        await reportFile(context, whoCalls(call), from, languageOfRequest(call.request), asked),
        call.response,
      )
    },
    mailReport: (call) =>
      mailReport(context, whoCalls(call), call.params, languageOfRequest(call.request), call.body),
    markBook: ({ params }) => readMarkBook(context, params.classId),
    weighAssignment: ({ params, body }) => weighAssignment(context, params, body.weight),
    excuse: ({ params, body }) => excuse(context, params, body.isExcused),
    markBookFile: async ({ params, query, request, response }) =>
      send(
        await markBookFile(context, params.classId, languageOfRequest(request), query.format),
        response,
      ),
  }
}
