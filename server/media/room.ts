// Whether there is room for what somebody is about to send: asked when a sending begins, so that nobody sends for an hour and
// is then told. What has begun holds its room until it is finished, given up or let go.
import { stat } from 'node:fs/promises'
import { join } from 'node:path'
import { KEPT_FREE_BYTES } from '@fernbrake/core/media'
import { HttpError } from '../http/HttpError.ts'

/** So many sendings of one person may be begun and not finished. */
const MOST_UNFINISHED = 200

/** A sending that was begun and is not finished. */
export interface Unfinished {
  id: string
  ownerId: string
  /** What it is said to be, such as `answer`, and for which question of which attempt. */
  metadata: Readonly<Record<string, string | null>>
  bytes: number
}

export interface Room {
  freeBytes: number
  /** What the person's media take already, and may take, in bytes. */
  ownBytes: number
  mostOwnBytes: number
}

/** Why so many more bytes are not taken from somebody, or null. `under` are all sendings that are under way. */
export function whyNoRoom(
  ownerId: string,
  bytes: number,
  under: readonly Unfinished[],
  { freeBytes, ownBytes, mostOwnBytes }: Room,
): HttpError | null {
  const own = under.filter((one) => one.ownerId === ownerId)
  const held = under.reduce((sum, one) => sum + one.bytes, 0)
  const ownHeld = own.reduce((sum, one) => sum + one.bytes, 0)
  if (own.length >= MOST_UNFINISHED) return new HttpError('no-room', { reason: 'tooMuchUnderWay' })
  if (ownBytes + ownHeld + bytes > mostOwnBytes)
    return new HttpError('no-room', { reason: 'ownRoomFull' })
  return freeBytes - held - bytes < KEPT_FREE_BYTES ? new HttpError('no-room') : null
}

/** What of an upload has not come yet, in bytes. */
export async function missingBytes(folder: string, id: string, size: number): Promise<number> {
  const { size: there } = await stat(join(folder, id)).catch(() => ({ size }))
  return Math.max(0, size - there)
}
