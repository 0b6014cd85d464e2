// The stand-in mailbox: mails that would have been sent.
import { nanoid } from 'nanoid'
import type { Ask } from '../../database/connect.ts'
import { afterwards } from '../../jobs/outbox.ts'
import { composeMail, type Mail, type MailFile } from '../compose.ts'

/**
 * Puts a mail into the mailbox, from where it is sent once all is stored; `personId` is whose doing it was, `about` what its
 * files tell of, such as `lesson <id>`.
 */
export async function storeMail(
  ask: Ask,
  personId: string,
  mail: Mail,
  about: string | null = null,
): Promise<void> {
  const id = nanoid()
  const { recipient, subject, body, files = [] } = mail
  await ask(
    `INSERT INTO mails (id, person_id, recipient, subject, body, about) VALUES ($1, $2, $3, $4, $5, $6)`,
    [id, personId, recipient, subject, body, about],
  )
  for (const [position, { name, contentType, content }] of files.entries())
    await ask(
      `INSERT INTO mail_files (mail_id, position, name, content_type, content) VALUES ($1, $2, $3, $4, $5)`,
      [id, position, name, contentType, content],
    )
  await afterwards(ask, 'mail', { key: recipient, payload: { mailId: id } })
}

/** Sends a mail: composes what would go out, and keeps it, since nothing leaves the machine. Sent again it is the same. */
export async function sendMail({ mailId }: { mailId: string }, ask: Ask): Promise<void> {
  const [mail] = await ask<Omit<Mail, 'files'>>(
    'SELECT recipient, subject, body FROM mails WHERE id = $1 AND message IS NULL',
    [mailId],
  )
  // It was sent, or it is gone, such as with whoever it was about.
  if (!mail) return
  const files = await ask<MailFile>(
    'SELECT name, content_type AS "contentType", content FROM mail_files WHERE mail_id = $1 ORDER BY position',
    [mailId],
  )
  await ask('UPDATE mails SET message = $2 WHERE id = $1', [
    mailId,
    await composeMail({ ...mail, files }),
  ])
}

export interface MailRow {
  id: string
  recipient: string
  subject: string
  body: string
  madeAt: Date
  files: { name: string; contentType: string; bytes: number }[]
}

/** The mails that somebody caused, or that are addressed to them; newest first. */
export const readMails = (ask: Ask, personId: string, email: string | null) =>
  ask<MailRow>(
    `SELECT m.id, m.recipient, m.subject, m.body, m.made_at AS "madeAt",
            coalesce((SELECT json_agg(json_build_object('name', f.name, 'contentType', f.content_type,
                                                        'bytes', length(f.content)) ORDER BY f.position)
                        FROM mail_files f WHERE f.mail_id = m.id), '[]') AS files
       FROM mails m WHERE m.person_id = $1 OR m.recipient = $2
      ORDER BY m.made_at DESC, m.id LIMIT 200`,
    [personId, email],
  )

export async function readMailFile(
  ask: Ask,
  who: { personId: string; email: string | null },
  mailId: string,
  position: number,
): Promise<{ name: string; contentType: string; content: Buffer } | null> {
  const [file] = await ask<{ name: string; contentType: string; content: Buffer }>(
    `SELECT f.name, f.content_type AS "contentType", f.content FROM mail_files f JOIN mails m ON m.id = f.mail_id
      WHERE m.id = $1 AND f.position = $2 AND (m.person_id = $3 OR m.recipient = $4)`,
    [mailId, position, who.personId, who.email],
  )
  return file ?? null
}

/** Those of some people who can be written to, by address. */
export const readAddresses = (ask: Ask, personIds: readonly string[]) =>
  ask<{ email: string; name: string; language: string | null }>(
    'SELECT email, name, language FROM people WHERE id = ANY($1::text[]) AND email IS NOT NULL ORDER BY email',
    [personIds],
  )
