// Which routes about pages of the web are answered by what.
import type { Context } from '../context.ts'
import type { Part } from '../http/handlers.ts'
import { originOf } from '../http/security.ts'
import { readArticleAt } from './articles.ts'
import { checkPage } from './webPages.ts'

export function webRoutes(context: Context): Part<'checkPage' | 'readArticle'> {
  return {
    checkPage: ({ body, request }) => checkPage(context, body.address, originOf(request)),
    readArticle: ({ body }) => readArticleAt(context, body.address),
  }
}
