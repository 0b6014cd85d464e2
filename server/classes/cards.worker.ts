// Draws sign-in cards in a thread of its own: hundreds of them take seconds.
import { serveThread } from '../threads/threads.ts'
import { drawCards, type CardSheet } from './cards.ts'

serveThread(async (sheet: CardSheet) => drawCards(sheet))
