// Showing a place: on a picture, or on the frame at which the film is held.
import { z } from 'zod'
import { idSchema, orderSchema, plainText } from '../../fields/index.ts'
import { questionBase } from '../base.ts'

const share = z.number().min(0).max(1)
const pointSchema = z.strictObject({ x: share, y: share })

/** Shapes in coordinates from 0 to 1 of the picture's, or the stage's, width and height. */
export const shapeSchema = z.discriminatedUnion('shape', [
  z.strictObject({
    shape: z.literal('rectangle'),
    x: share,
    y: share,
    width: share,
    height: share,
  }),
  /** Within its box. */
  z.strictObject({ shape: z.literal('ellipse'), x: share, y: share, width: share, height: share }),
  z.strictObject({ shape: z.literal('polygon'), points: z.array(pointSchema).min(3).max(60) }),
])

export const areaPlaceSchema = z.strictObject({
  id: idSchema,
  order: orderSchema,
  /** What lies there, in words: shown afterwards, and in the list for those who cannot point. */
  label: plainText(200),
  shape: shapeSchema,
  right: z.boolean(),
  feedback: plainText(1000),
})

export const areaSchema = z.strictObject({
  ...questionBase,
  kind: z.literal('area'),
  /** The picture that is pointed at; null for the film's own frame. */
  mediaId: idSchema.nullable(),
  places: z.record(idSchema, areaPlaceSchema),
  /** Whether all right places are to be shown, or one of them is enough. */
  all: z.boolean(),
  /** How many places are to be shown, where it is cut and the right ones cannot be counted. */
  asked: z.int().min(1).max(30).optional(),
})

export const areaAnswerSchema = z.strictObject({
  kind: z.literal('area'),
  points: z.array(pointSchema).max(30),
  /** Places that were named, by whoever had their names alone. */
  named: z.array(idSchema).max(30).optional(),
})

export type AreaPoint = z.infer<typeof pointSchema>
export type AreaShape = z.infer<typeof shapeSchema>
export type AreaPlace = z.infer<typeof areaPlaceSchema>
export type AreaQuestion = z.infer<typeof areaSchema>
export type AreaAnswer = z.infer<typeof areaAnswerSchema>
