// Sign-in cards: who gets one, with which pass phrase, as a PDF to print and cut.
import { readClassHead } from '../learning/queries/classHead.ts'
import { randomBytes } from 'node:crypto'
import { passPhraseOf } from '@fernbrake/core/classes'
import { HttpError } from '../http/HttpError.ts'
import { createThread } from '../threads/threads.ts'
import type { CardSheet } from './cards.ts'
import { readCards, storeCards } from './queries/classes.ts'
import { changingClass } from './classes.ts'
import type { Context } from '../context.ts'

/** Draws a sheet of cards as a PDF. */
export const drawnCards = createThread<CardSheet, Uint8Array>(
  new URL('./cards.worker.ts', import.meta.url),
)

/**
 * The cards of these people, or of the whole class. Whoever has not used theirs gets the same again; whoever has a
 * password gets one only where new ones are wanted (`anew`), and keeps the password until the new phrase is used.
 */
export async function printCards(
  context: Context,
  classId: string,
  { people, anew }: { people: string[] | null; anew: boolean },
  { origin, language }: { origin: string; language: string },
): Promise<{ pdf: Buffer; title: string }> {
  const { sealing } = context
  const { title, cards } = await changingClass(context, classId, async (ask) => {
    const head = await readClassHead(ask, classId)
    const rows = await readCards(ask, classId, people)
    const given = rows.flatMap(({ card, ...row }) => {
      const known = card && !anew ? sealing.open(card) : null
      // A card that cannot be read any more, because the server's secret is another, is made anew.
      const isLost = card !== null && known === null
      if (known === null && !anew && !isLost) return []
      return [{ ...row, phrase: known ?? passPhraseOf(randomBytes), isNew: known === null }]
    })
    const fresh = given.filter(({ isNew }) => isNew)
    await storeCards(
      ask,
      fresh.map(({ id, phrase }) => ({ id, card: sealing.seal(phrase) })),
    )
    return { title: head!.title, cards: given }
  })
  if (cards.length === 0) throw new HttpError('not-found', { reason: 'noOpenCards' })
  return { pdf: Buffer.from(await drawnCards({ language, title, origin, cards })), title }
}
