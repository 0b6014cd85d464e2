// What a file most likely is, by what the browser and its name say. The server looks at what stands in it.
import type { Media } from '@fernbrake/core/contract'

const ENDINGS: readonly [RegExp, Media['kind']][] = [
  [/\.(mkv|avi|wmv|flv|mpe?g|mp4|m4v|mov|webm|3gp|ts)$/i, 'film'],
  [/\.(mp3|m4a|ogg|oga|opus|wav|flac)$/i, 'sound'],
  [/\.(png|jpe?g|webp|gif|avif)$/i, 'picture'],
  [/\.(pdf|docx?|odt|rtf|xlsx?|ods|pptx?|odp|txt|csv)$/i, 'document'],
]

/** By its name alone; null where that says nothing. */
export const kindByEnding = (name: string): Media['kind'] | null =>
  ENDINGS.find(([ending]) => ending.test(name))?.[1] ?? null

export function kindOfFile({ type, name }: Pick<File, 'type' | 'name'>): Media['kind'] {
  const said = (['video', 'image', 'audio'] as const).find((one) => type.startsWith(`${one}/`))
  if (said) return { video: 'film', image: 'picture', audio: 'sound' }[said] as Media['kind']
  return kindByEnding(name) ?? 'document'
}
