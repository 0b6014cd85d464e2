// Overlays: what can lie on the stage, how it looks, when it shows, how it comes and goes, what a click on it does.
// All that an overlay need not say is left out of the document; `overlayOf` fills it in.
import { z } from 'zod'
import {
  addressSchema,
  colourSchema,
  idSchema,
  mediaMsSchema,
  opensSchema,
  plainText,
} from '../fields/index.ts'

const shareOfStage = z.number().min(0).max(1)

/** A rectangle in stage coordinates, 0 to 1 in both directions; it lies wholly on the stage. */
export const boxSchema = z
  .strictObject({ x: shareOfStage, y: shareOfStage, width: shareOfStage, height: shareOfStage })
  .refine((box) => box.width >= 0.01 && box.height >= 0.01, 'is too small to see')
  .refine((box) => box.x + box.width <= 1.0001 && box.y + box.height <= 1.0001, 'leaves the stage')

export const pointSchema = z.strictObject({ x: shareOfStage, y: shareOfStage })

/**
 * What an overlay is, besides its words: `text` of the cue is the words of a text, label, link, button or panel, and
 * says what a picture shows to those who cannot see it.
 */
export const overlayFormSchema = z.discriminatedUnion('form', [
  z.strictObject({ form: z.literal('text') }),
  /** Words with a line to a point of the picture. */
  z.strictObject({ form: z.literal('label'), to: pointSchema }),
  z.strictObject({ form: z.literal('panel'), title: plainText(200) }),
  /** An address in words; null until one is written. */
  z.strictObject({
    form: z.literal('link'),
    address: addressSchema.nullable(),
    opens: opensSchema.optional(),
  }),
  z.strictObject({ form: z.literal('button') }),
  z.strictObject({
    form: z.literal('picture'),
    mediaId: idSchema.nullable(),
    fit: z.enum(['whole', 'fill']),
  }),
  z.strictObject({ form: z.literal('box') }),
  z.strictObject({ form: z.literal('ellipse') }),
  /** From the middle of the left side to the middle of the right, turned with its box. */
  z.strictObject({ form: z.literal('arrow') }),
  /** Hides what lies beneath. */
  z.strictObject({ form: z.literal('cover') }),
  /** Something to hear, in step with the film or when it is pressed; its words name it. */
  z.strictObject({
    form: z.literal('sound'),
    mediaId: idSchema.nullable(),
    begins: z.enum(['withFilm', 'pressed']),
    /** Whether the film is quieter meanwhile. */
    quiets: z.boolean(),
    /** What is said, for those who cannot hear it. */
    said: plainText(2000).optional(),
  }),
  /** A second film in step with the first, from `startMs` of its own time on. */
  z.strictObject({
    form: z.literal('film'),
    mediaId: idSchema.nullable(),
    startMs: mediaMsSchema,
    sound: z.boolean(),
    fit: z.enum(['whole', 'fill']),
  }),
  /** A page of the web in a frame of its own. */
  z.strictObject({
    form: z.literal('web'),
    address: addressSchema.nullable(),
    opens: opensSchema.optional(),
  }),
])

export const overlayLookSchema = z.strictObject({
  ink: colourSchema,
  fill: colourSchema.nullable(),
  /** Height of the letters as a share of the stage's height. */
  size: z.number().min(0.02).max(0.3),
  align: z.enum(['start', 'centre', 'end']),
  font: z.enum(['interface', 'reading', 'mono']).optional(),
  /** 1 where it is not given; what cannot be seen at all is no overlay. */
  opacity: z.number().min(0.1).max(1).optional(),
  /** Width as a share of the stage's height. */
  border: z
    .strictObject({ colour: colourSchema, width: z.number().min(0.001).max(0.05) })
    .nullable()
    .optional(),
  /** Radius of the corners as a share of the stage's height. */
  corner: z.number().min(0).max(0.5).optional(),
})

/** How an overlay comes or goes: in what way, from or to which side, for how long. */
export const transitionSchema = z.strictObject({
  way: z.enum(['fade', 'slide', 'grow']),
  side: z.enum(['left', 'right', 'top', 'bottom']),
  ms: z.int().min(50).max(5000),
})

/** When an overlay shows, besides the time it is placed at. */
export const shownSchema = z.discriminatedUnion('when', [
  /** As long as the film does, whatever its times. */
  z.strictObject({ when: z.literal('always') }),
  /** During its time, until this question has an answer; or only once it has one. */
  z.strictObject({ when: z.literal('untilAnswered'), cueId: idSchema }),
  z.strictObject({ when: z.literal('afterAnswered'), cueId: idSchema }),
  /** While a countdown runs, from one share of it to another. */
  z
    .strictObject({
      when: z.literal('countdown'),
      cueId: idSchema,
      fromShare: z.number().min(0).max(1),
      toShare: z.number().min(0).max(1),
    })
    .refine((shown) => shown.fromShare < shown.toShare, 'must end after it begins'),
])

/** What a click on an overlay does; `pauses` tells whether the film stops meanwhile. */
export const overlayActionSchema = z.discriminatedUnion('does', [
  z.strictObject({ does: z.literal('time'), atMs: mediaMsSchema, pauses: z.boolean() }),
  z.strictObject({ does: z.literal('part'), partId: idSchema, pauses: z.boolean() }),
  z.strictObject({ does: z.literal('text'), text: plainText(2000), pauses: z.boolean() }),
  /** null until an address is written. */
  z.strictObject({
    does: z.literal('address'),
    address: addressSchema.nullable(),
    opens: opensSchema.optional(),
    pauses: z.boolean(),
  }),
  z.strictObject({ does: z.literal('question'), cueId: idSchema, pauses: z.boolean() }),
])

/** What an overlay says of itself beyond its words, time, box and look; all of it may be left out. */
export const overlayExtras = {
  /** What designers call it in lists; learners never get it. */
  name: plainText(80, 1).optional(),
  content: overlayFormSchema.optional(),
  /** Degrees clockwise. */
  rotation: z.number().min(-180).max(180).optional(),
  locked: z.boolean().optional(),
  /** Overlays of one group are selected and moved together. */
  groupId: idSchema.nullable().optional(),
  shown: shownSchema.nullable().optional(),
  comes: transitionSchema.nullable().optional(),
  goes: transitionSchema.nullable().optional(),
  action: overlayActionSchema.nullable().optional(),
}

/** A look that is kept in the lesson under a name. */
export const namedLookSchema = z.strictObject({
  id: idSchema,
  name: plainText(60, 1),
  look: overlayLookSchema,
})

export type Box = z.infer<typeof boxSchema>
export type Point = z.infer<typeof pointSchema>
export type OverlayForm = z.infer<typeof overlayFormSchema>
export type OverlayFormName = OverlayForm['form']
export type OverlayLook = z.infer<typeof overlayLookSchema>
export type Transition = z.infer<typeof transitionSchema>
export type Shown = z.infer<typeof shownSchema>
export type OverlayAction = z.infer<typeof overlayActionSchema>
export type NamedLook = z.infer<typeof namedLookSchema>

/** The forms in the order in which they are offered. */
export const OVERLAY_FORMS: readonly OverlayFormName[] = overlayFormSchema.options.map(
  (option) => option.shape.form.value,
)
