// The stand-in mailbox, as somebody sees it.
import type { MailCard, Person } from '@fernbrake/core/contract'
import { within } from '../database/connect.ts'
import { HttpError } from '../http/HttpError.ts'
import { readMailFile, readMails } from './queries/mails.ts'
import type { Context } from '../context.ts'

export async function listMails(
  { database }: Context,
  person: Person,
): Promise<{ mails: MailCard[] }> {
  const rows = await readMails(within(database), person.id, person.email)
  return { mails: rows.map((row) => ({ ...row, madeAt: row.madeAt.toISOString() })) }
}

export async function findMailFile(
  { database }: Context,
  person: Person,
  { mailId, position }: { mailId: string; position: number },
): Promise<{ name: string; contentType: string; content: Buffer }> {
  const who = { personId: person.id, email: person.email }
  const file = await readMailFile(within(database), who, mailId, position)
  if (!file) throw new HttpError('not-found')
  return file
}
