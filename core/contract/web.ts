// Pages of the web: what a designer is told before learners are sent there.
import { z } from 'zod'
import { addressSchema, documentSchema, webAddressSchema } from '../fields/index.ts'
import { route } from './route.ts'

/** What was found at an address. */
export const pageCheckSchema = z.strictObject({
  /**
   * `inside` it can be shown in a lesson; `newTab` it answers but does not let itself be shown elsewhere; `error` it
   * answers with an error; `silent` nobody answers in time; `unknown` there is no such name or no connection;
   * `private` the address lies in a network of its own, where learners are not.
   */
  finding: z.enum(['inside', 'newTab', 'error', 'silent', 'unknown', 'private']),
  /** The HTTP status of the answer, where there was one. */
  status: z.int().nullable(),
  title: z.string(),
})

/** A piece of an article; see core/formats/article. */
const pieceSchema = z.discriminatedUnion('piece', [
  z.strictObject({ piece: z.literal('heading'), words: z.string(), level: z.literal([2, 3]) }),
  z.strictObject({ piece: z.literal('text'), text: documentSchema }),
  z.strictObject({
    piece: z.literal('picture'),
    address: z.string(),
    alternative: z.string(),
    caption: z.string(),
  }),
])

/** The main text of a page of the web, and what the page says of it; '' where it says nothing. */
export const articleSchema = z.strictObject({
  title: z.string(),
  maker: z.string(),
  site: z.string(),
  licence: z.string(),
  /** Where it was found in the end. */
  address: z.string(),
  pieces: z.array(pieceSchema),
  lost: z.int(),
  isCut: z.boolean(),
})

export const webRoutes = {
  readArticle: route('readArticle', 'designer', 'Read the main text of a page of the web', {
    body: z.strictObject({ address: webAddressSchema }),
    /**
     * `private`: it lies in a network of its own; `away`: nobody answers with a page; `noText`: nothing to read in it;
     * `tooLong`: finding its text took too long.
     */
    reply: z.strictObject({
      finding: z.enum(['found', 'private', 'away', 'noText', 'tooLong']),
      article: articleSchema.nullable(),
    }),
  }),
  checkPage: route(
    'checkPage',
    'designer',
    'Whether a page of the web answers, and lets itself be shown inside a lesson',
    { body: z.strictObject({ address: addressSchema }), reply: pageCheckSchema },
  ),
}

export type ArticleFound = z.infer<typeof articleSchema>
export type PageCheck = z.infer<typeof pageCheckSchema>
