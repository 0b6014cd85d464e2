// Addresses of the web that a lesson may name.
import { z } from 'zod'

/** A web address that a learner may be sent to: http or https, or a page of this server from `/` on; nothing else. */
export const addressSchema = z
  .string()
  .max(2000)
  .regex(/^(https?:\/\/[^\s/?#@\\]+([/?#]\S*)?|\/([^\s/\\][^\s\\]*)?)$/i, 'is no web address')

/** Where a page opens: in the lesson, or, where it does not let itself be shown there, in a tab of its own. */
export const opensSchema = z.enum(['inside', 'newTab'])

export type Opens = z.infer<typeof opensSchema>
