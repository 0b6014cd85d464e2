// The parts that a lesson is made of, by kind. A new kind is a line here, one in kinds.ts and one in makings.ts.
import { z } from 'zod'
import { chroniclePartSchema } from './chronicle/schema.ts'
import { deckPartSchema } from './deck/schema.ts'
import { filmPartSchema } from './film/schema.ts'
import { pagePartSchema } from './page/schema.ts'
import { quizPartSchema } from './quiz/schema.ts'
import { stillPartSchema } from './still/schema.ts'

export const partSchema = z.discriminatedUnion('kind', [
  filmPartSchema,
  quizPartSchema,
  pagePartSchema,
  stillPartSchema,
  deckPartSchema,
  chroniclePartSchema,
])

export type Part = z.infer<typeof partSchema>
export type PartKindName = Part['kind']
export type PartOf<K extends PartKindName> = Extract<Part, { kind: K }>
