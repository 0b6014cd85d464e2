// The stand-in mailbox: what would have been sent, for whoever caused it or would have received it.
import { z } from 'zod'
import { clockSchema, idSchema } from '../fields/index.ts'
import { route, type ReplyOf } from './route.ts'

export const mailboxRoutes = {
  mailbox: route('mailbox', 'signedIn', 'Mails that I caused or would have received', {
    reply: z.strictObject({
      mails: z.array(
        z.strictObject({
          id: idSchema,
          recipient: z.string(),
          subject: z.string(),
          body: z.string(),
          madeAt: clockSchema,
          files: z.array(
            z.strictObject({ name: z.string(), contentType: z.string(), bytes: z.int() }),
          ),
        }),
      ),
    }),
  }),
  mailFile: route('mailFile', 'signedIn', 'A file that goes with a mail', {
    params: z.strictObject({ mailId: idSchema, position: z.coerce.number().int().min(0).max(99) }),
    reply: null,
  }),
}

export type MailCard = ReplyOf<typeof mailboxRoutes.mailbox>['mails'][number]
