// What people are told by mail, through the stand-in mailbox. Whoever has no address finds it on their page.
import type { Person } from '@fernbrake/core/contract'
import type { Ask } from '../database/connect.ts'
import { readAddresses, storeMail } from './queries/mails.ts'
import texts from '../locales/en.ts'

/** Tells learners that their answers were marked. */
export async function tellMarks(
  ask: Ask,
  by: Person,
  { title, heldBack }: { title: string; heldBack: { until: string; timeZone: string } | null },
  learners: readonly string[],
): Promise<void> {
  for (const { email, name } of await readAddresses(ask, learners))
    await storeMail(ask, by.id, {
      recipient: email,
      subject: texts.mail.marked.subject(title),
      body: texts.mail.marked.body(name, title, by.name, heldBack),
    })
}
