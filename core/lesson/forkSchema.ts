// Forks: where a film can go on in several ways.
import { z } from 'zod'
import { idSchema, mediaMsSchema, orderSchema, plainText } from '../fields/index.ts'

/** Where a way leads. */
export const targetSchema = z.discriminatedUnion('to', [
  /** On from where the fork stands. */
  z.strictObject({ to: z.literal('on') }),
  z.strictObject({ to: z.literal('time'), atMs: mediaMsSchema }),
  /** Another part of the lesson, at its beginning. */
  z.strictObject({ to: z.literal('part'), partId: idSchema }),
  /** The end, with words of its own; the lesson's where they are empty. */
  z.strictObject({ to: z.literal('ending'), message: plainText(2000) }),
])

/** What must hold for a way to be taken by itself. */
export const conditionSchema = z.discriminatedUnion('if', [
  /** `cueId` is what asks; null where none is named, or the one that was is gone: it never holds then. */
  z.strictObject({
    if: z.literal('answer'),
    cueId: idSchema.nullable(),
    is: z.enum(['right', 'wrong', 'given']),
  }),
  /** Share of the marks that could be had so far. */
  z.strictObject({ if: z.literal('score'), atLeast: z.number().min(0).max(1) }),
  /** A part was opened. */
  z.strictObject({ if: z.literal('visited'), partId: idSchema }),
  /** Share of a part that was watched. */
  z.strictObject({ if: z.literal('watched'), partId: idSchema, atLeast: z.number().min(0).max(1) }),
])

export const choiceSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  text: plainText(200),
  target: targetSchema,
  /** For a fork that decides by itself; null holds always. */
  condition: conditionSchema.nullable(),
})

export const forkFields = {
  kind: z.literal('fork'),
  atMs: mediaMsSchema,
  /** What is asked of the learner. */
  prompt: plainText(500),
  /** True: the first way whose condition holds is taken, and nobody is asked. */
  decides: z.boolean(),
  choices: z.record(idSchema, choiceSchema),
  /** Ms to choose in; null for as long as one likes. */
  countdownMs: z.int().min(3000).max(600_000).nullable(),
  /** Taken when time runs out, or when no condition holds; null for going straight on. */
  defaultChoice: idSchema.nullable(),
}

export type Target = z.infer<typeof targetSchema>
export type Condition = z.infer<typeof conditionSchema>
export type Choice = z.infer<typeof choiceSchema>
