// What a post or a note is about.
import { z } from 'zod'
import { idSchema, made, mediaMsSchema, plainText } from '../fields/index.ts'
import { LONGEST_QUOTE } from '../notes/index.ts'

export const postPlaceSchema = /* @__PURE__ */ made(() =>
  z.discriminatedUnion('on', [
    z.strictObject({ on: z.literal('moment'), atMs: mediaMsSchema }),
    z.strictObject({ on: z.literal('part') }),
  ]),
)

export const notePlaceSchema = /* @__PURE__ */ made(() =>
  z.discriminatedUnion('on', [
    ...postPlaceSchema.options,
    z.strictObject({
      on: z.literal('words'),
      blockId: idSchema,
      from: z.int().min(0).max(1_000_000),
      to: z.int().min(0).max(1_000_000),
      quote: plainText(LONGEST_QUOTE),
    }),
  ]),
)
