// From whom what a lesson shows is.
import type { Credit } from './attempts.ts'
import type { Media } from './media.ts'

/** The credits of these media, in their order; what would be said twice, as of two cuts of a picture, is said once. */
export function creditsFor(
  mediaIds: readonly string[],
  media: readonly Pick<Media, 'id' | 'title' | 'credit' | 'licence' | 'source'>[],
): Credit[] {
  const byId = new Map(media.map((one) => [one.id, one]))
  const said = new Map<string, Credit>()
  for (const { title, credit, licence, source } of mediaIds.flatMap((id) => byId.get(id) ?? []))
    if (credit.trim() + licence.trim() + source !== '')
      said.set(JSON.stringify([title, credit, licence, source]), { title, credit, licence, source })
  return [...said.values()]
}
