// Answers with a file that was handed in: whatever it is, nothing in it may act.
import type { Response } from 'express'
import { sendStored } from '../http/sendStored.ts'
import type { Context } from '../context.ts'
import { findHandedFile } from './handedFiles.ts'

/** Content that a browser shows by itself, without anything in it that could act. */
const isShown = (contentType: string) => /^(?:image|audio|video)\//.test(contentType)

export async function sendHandedFile(
  { store }: Context,
  where: { attemptId: string; id: string },
  response: Response,
): Promise<void> {
  const file = await findHandedFile(where)
  response.set('Content-Security-Policy', "default-src 'none'; media-src 'self'; sandbox")
  if (!isShown(file.contentType)) response.attachment(file.name)
  await sendStored(store, file, response)
}
