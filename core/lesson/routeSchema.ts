// Routes between parts, and gates before them.
import { z } from 'zod'
import { idSchema, orderSchema, plainText } from '../fields/index.ts'
import { conditionSchema, targetSchema } from './forkSchema.ts'

/**
 * A way that leaves a part at its end. Of those whose condition holds, the first without words is taken; those with words
 * before it are offered beside.
 */
export const routeSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  fromId: idSchema,
  /** Another part, or the end of the lesson; `on` where it leads nowhere yet, or no longer: then the order leads on. */
  target: targetSchema.refine(({ to }) => to !== 'time', 'leads to a time'),
  condition: conditionSchema.nullable(),
  words: plainText(200),
})

/** What must hold before a learner may enter a part. */
export const gateSchema = z.strictObject({
  condition: conditionSchema,
  /** Said to those who stand before it; without it, what opens it is said. */
  message: plainText(500),
})

export type Route = z.infer<typeof routeSchema>
export type Gate = z.infer<typeof gateSchema>
