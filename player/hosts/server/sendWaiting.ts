// What an earlier sitting left on this device, sent before somebody asks what came of it: an answer that arrives after what
// is right was told counts for nothing.
import { filesOfAnswer } from '@fernbrake/core/questions'
import { sendRecords } from './api.ts'
import { farewellOf, storeFarewell } from './farewell.ts'
import { openRecordQueue } from './recordQueue.ts'
import { createSender } from './sender.ts'

/** Sends what waits, as far as that is possible now; answers with files are left to the lesson’s own page. */
export async function sendWaiting(attemptId: string): Promise<void> {
  const queue = await openRecordQueue(attemptId)
  await storeFarewell(farewellOf(attemptId).read(), queue)
  const sender = createSender({
    queue,
    send: (records) => sendRecords(attemptId, records),
    beacon: () => undefined,
    onState: () => undefined,
    keepFarewell: () => undefined,
    holdsBack: (record) => record.kind === 'response' && filesOfAnswer(record.answer).length > 0,
  })
  await sender.flush()
}
