// Looking for films, pictures and sounds in archives elsewhere.
import { z } from 'zod'
import { addressSchema, cutText, isWebAddress, webAddressSchema } from '../fields/index.ts'
import { USE_TERMS } from '../media/index.ts'
import { soughtSchema } from './finding.ts'
import { mediaKindSchema, type mediaRoutes } from './media.ts'
import { route, type BodyOf, type ReplyOf } from './route.ts'

/** Something that an archive has, as the archive tells of it. */
export const materialSchema = z.strictObject({
  kind: mediaKindSchema,
  title: z.string(),
  maker: z.string(),
  summary: z.string(),
  /** '' where the archive says nothing of it. */
  licence: z.string(),
  licenceAddress: z.string(),
  terms: z.enum(USE_TERMS),
  /** Its page, for people; null where it has none. */
  page: z.string().nullable(),
  /** What a medium is fetched from: its file, or the page of a film that stays with its host. */
  address: addressSchema,
  /** Whether it stays with its host. */
  stays: z.boolean(),
  preview: z.string().nullable(),
})

export const materialRoutes = {
  findMaterial: route('findMaterial', 'designer', 'Look for material in all archives at once', {
    query: z.strictObject({ words: soughtSchema }),
    reply: z.strictObject({
      archives: z.array(
        z.strictObject({
          name: z.string(),
          /** Where a person looks around in it; null where it does not say. */
          home: z.string().nullable(),
          /** `away`: it does not answer; `strange`: what it answers cannot be read. */
          state: z.enum(['answered', 'away', 'strange']),
          /** So many were found; not all of very many come. */
          total: z.int(),
          found: z.array(materialSchema),
        }),
      ),
    }),
  }),
  materialPreview: route('materialPreview', 'designer', 'A small picture that an archive shows', {
    query: z.strictObject({ address: webAddressSchema }),
    reply: null,
  }),
}

/** What is written down of material that is taken: so its maker and its terms are not looked for again. */
export function aboutMaterial(
  { title, summary, maker, licence, licenceAddress, page }: Material,
  archive: string,
): NonNullable<BodyOf<typeof mediaRoutes.fetchMedia>['about']> {
  return {
    title: cutText(title, 200),
    description: cutText(summary, 2000),
    credit: cutText([maker, archive].filter(Boolean).join(', '), 500),
    licence: cutText(licence || licenceAddress, 200),
    source: page !== null && isWebAddress(page) ? page : '',
  }
}

export type Material = z.infer<typeof materialSchema>
export type ArchiveFound = ReplyOf<typeof materialRoutes.findMaterial>['archives'][number]
