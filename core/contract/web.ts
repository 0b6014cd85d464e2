// Pages of the web: what a designer is told before learners are sent there.
import { z } from 'zod'
import { addressSchema } from '../fields/index.ts'
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

export const webRoutes = {
  checkPage: route(
    'checkPage',
    'designer',
    'Whether a page of the web answers, and lets itself be shown inside a lesson',
    { body: z.strictObject({ address: addressSchema }), reply: pageCheckSchema },
  ),
}

export type PageCheck = z.infer<typeof pageCheckSchema>
