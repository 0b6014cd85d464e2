// Mails as they would go out. Nothing leaves the machine: the stand-in mailbox keeps the composed message (RFC 5322).
import nodemailer from 'nodemailer'

export interface MailFile {
  name: string
  contentType: string
  content: Buffer
}

export interface Mail {
  recipient: string
  subject: string
  body: string
  files?: readonly MailFile[]
}

const SENDER = 'Fernbrake <fernbrake@harrowmere.example>'

const transport = nodemailer.createTransport({
  streamTransport: true,
  buffer: true,
  newline: 'windows',
})

/** The bytes of the message. Header fields are encoded by the package, so that no line break in them begins another. */
export async function composeMail({ recipient, subject, body, files = [] }: Mail): Promise<Buffer> {
  const sent = await transport.sendMail({
    from: SENDER,
    to: { name: '', address: recipient },
    subject,
    text: body,
    attachments: files.map(({ name, contentType, content }) => ({
      filename: name,
      contentType,
      content,
    })),
  })
  return sent.message as Buffer
}
