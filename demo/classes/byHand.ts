// What the Spring intake wrote and drew in lesson 2, and what their teacher has said about some of it so far.
import { copyFile, mkdtemp, rm, stat } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Person } from '@fernbrake/core/contract'
import type { LearnerRecord } from '@fernbrake/core/records'
import { createRandom, type Random } from '@fernbrake/core/chance'
import { type Persona } from '@fernbrake/core/rehearsal'
import { keepComment, readPile, saveMark, acceptHandedFile, type Context } from '@fernbrake/server'
import { SKETCHES } from '../pictures/sketches.ts'

const PICTURES = join(dirname(fileURLToPath(import.meta.url)), '..', 'pictures')
const WRITTEN = 'why-not-everywhere'
const DRAWN = 'hand-in-sketch'

/** From the best to the poorest, with the points that a strict reader gives. */
const ANSWERS: readonly { points: number; text: string }[] = [
  {
    points: 4,
    text: 'Because ponds are not free. You need flat ground right beside the chamber, walls that do not leak, and a keeper who opens four paddles in the right order. Up at Oxwith there is water enough, so nobody dug them there.',
  },
  {
    points: 4,
    text: 'They cost room and work. On a hillside there is no room, and every boat takes longer because you fill and empty in steps. Where the reservoir is full anyway, half a lockful is not worth it.',
  },
  {
    points: 3.5,
    text: 'I would say: come and look at lock four. Where should a pond go there, on the towpath? And somebody has to mind the paddles, in the right order, or the water runs the wrong way.',
  },
  {
    points: 3,
    text: 'Two more basins mean two more sets of paddles to keep, and it takes longer to lock through. So they were only dug where water is short.',
  },
  {
    points: 3,
    text: 'You need space next to the lock and somebody who builds it. Some locks stand between the road and the rock and have none of that.',
  },
  {
    points: 2,
    text: 'It would be expensive to dig ponds at all eleven locks, and most of the year there is enough water in the summit pound for everyone.',
  },
  {
    points: 2,
    text: 'Because there is no room for them everywhere. I think that is the main reason why some of our locks do not have any.',
  },
  {
    points: 1,
    text: 'Ponds save half the water but the boats have to wait longer and then the skippers complain about it to the keepers.',
  },
  {
    points: 0.5,
    text: 'Not every lock is used by so many boats, so the ponds would stand there empty for most of the year anyway.',
  },
  {
    points: 0,
    text: 'Because the water only runs downhill, so the ponds would have to be above the lock and that is not possible everywhere.',
  },
]

const COMMENTS = [
  'Say where the room would have to be: beside the chamber, not above it.',
  'Good. What would it cost the keeper, in time?',
  'Look at 4:30 again: which paddles are opened, and in which order?',
]

/** A place in a list from the best to the poorest, by ability and some luck. */
function placeIn(count: number, { ability }: Persona, random: Random): number {
  const share = 0.5 - ability / 4 + (random.next() - 0.5) * 0.3
  return Math.max(0, Math.min(count - 1, Math.floor(share * count)))
}

/** Puts what people write and draw into the place of what the simulation draws; hands the drawings in. */
export async function withHandwork(
  context: Context,
  attemptId: string,
  persona: Persona,
  records: readonly LearnerRecord[],
): Promise<LearnerRecord[]> {
  const random = createRandom(records.length)
  const made: LearnerRecord[] = []
  for (const record of records) {
    if (record.kind !== 'response') made.push(record)
    else if (record.questionId === WRITTEN) {
      const { text } = ANSWERS[placeIn(ANSWERS.length, persona, random)]!
      made.push({ ...record, answer: { kind: 'longText', text } })
    } else if (record.questionId === DRAWN) {
      const { name } = SKETCHES[placeIn(SKETCHES.length, persona, random)]!
      const file = await handIn(context, attemptId, name)
      made.push({ ...record, answer: { kind: 'upload', files: [file] } })
    } else if (record.answer.kind !== 'recording') made.push(record)
  }
  return made
}

async function handIn(context: Context, attemptId: string, sketch: string) {
  const folder = await mkdtemp(join(tmpdir(), 'fernbrake-demo-'))
  const path = join(folder, 'sketch')
  await copyFile(join(PICTURES, `${sketch}.webp`), path)
  const { size: bytes } = await stat(path)
  const [fileId, name] = ['drawn', 'Sketch of a lock.webp']
  await acceptHandedFile(context, { attemptId, questionId: DRAWN, fileId, name }, path)
  await rm(folder, { recursive: true, force: true })
  return { id: fileId, name, bytes }
}

/** The teacher has read the first half of what was written, and told nobody yet. */
export async function markSome(
  context: Context,
  teacher: Person,
  assignmentId: string,
): Promise<void> {
  for (const [index, words] of COMMENTS.entries())
    await keepComment(context, teacher, { id: `kept-comment-${index + 1}`, words })
  const from = { source: 'assignment', sourceId: assignmentId } as const
  const { answers } = await readPile(context, teacher, from, {})
  const written = answers
    .filter(({ questionId }) => questionId === WRITTEN)
    .sort((a, b) => (a.answeredAt < b.answeredAt ? -1 : 1))
  for (const { attemptId, responseId, text } of written.slice(0, Math.ceil(written.length / 2))) {
    const points = ANSWERS.find((one) => one.text === text)?.points ?? 2
    const comment = points >= 3 ? COMMENTS[1]! : points >= 1 ? COMMENTS[0]! : COMMENTS[2]!
    const mark = { attemptId, responseId, revision: 0, points, levels: null }
    await saveMark(context, teacher, from, { ...mark, comment })
  }
}
