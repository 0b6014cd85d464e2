// What people are told by mail, through the stand-in mailbox. Whoever has no address finds it on their page.
import type { Person } from '@fernbrake/core/contract'
import type { Ask } from '../database/connect.ts'
import { readAddresses, storeMail } from './queries/mails.ts'
import { wordsIn } from '../locales/words.ts'

/** Tells learners that their answers were marked, each in the language they were here in last. */
export async function tellMarks(
  ask: Ask,
  by: Person,
  { title, heldBack }: { title: string; heldBack: { until: string; timeZone: string } | null },
  learners: readonly string[],
): Promise<void> {
  const known = await readAddresses(ask, learners)
  // In one order for everybody, so that no two who write to the same people wait for each other.
  for (const { email, name, language } of known.sort((a, b) => (a.email < b.email ? -1 : 1))) {
    const { subject, body } = wordsIn(language ?? 'en').mail.marked
    await storeMail(ask, by.id, {
      recipient: email,
      subject: subject(title),
      body: body(name, title, by.name, heldBack),
    })
  }
}
