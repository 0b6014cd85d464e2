// Writes what goes on paper in a thread of its own: hundreds of cards take seconds, in which nobody else is to wait.
import { parentPort } from 'node:worker_threads'
import { writeReport } from '../reports/write.ts'
import { drawCards } from './cards.ts'
import type { PaperAnswer, PaperWish } from './onPaper.ts'

const write = async (wish: PaperWish): Promise<Buffer> =>
  wish.what === 'cards' ? drawCards(wish.cards) : writeReport(wish.document, wish.format)

parentPort!.on('message', ({ id, wish }: { id: number; wish: PaperWish }) => {
  write(wish).then(
    (bytes) => {
      // A copy of its own, so that it can be handed over.
      const copy = Uint8Array.from(bytes)
      parentPort!.postMessage({ id, bytes: copy } satisfies PaperAnswer, [copy.buffer])
    },
    (error: unknown) => parentPort!.postMessage({ id, fault: String(error) } satisfies PaperAnswer),
  )
})
