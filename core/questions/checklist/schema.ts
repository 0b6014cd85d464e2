// A self-check list: what the learner has done or can do, ticked by themselves.
import { z } from 'zod'
import { idSchema, orderSchema, richText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'

export const checklistItemSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  text: richText(500),
})

export const checklistSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('checklist'),
  items: z.record(idSchema, checklistItemSchema),
})

export const checklistAnswerSchema = z.strictObject({
  kind: z.literal('checklist'),
  ticked: z.array(idSchema).max(100),
})

export type ChecklistQuestion = z.infer<typeof checklistSchema>
export type ChecklistAnswer = z.infer<typeof checklistAnswerSchema>
