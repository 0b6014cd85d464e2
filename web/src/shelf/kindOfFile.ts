// What a file most likely is, by what the browser and its name say. The server looks at what stands in it.
import type { Media } from '@fernbrake/core/contract'

const FILM = /\.(mkv|avi|wmv|flv|mpe?g|mp4|m4v|mov|webm|3gp|ts)$/i
const SOUND = /\.(mp3|m4a|ogg|oga|opus|wav|flac)$/i
const PICTURE = /\.(png|jpe?g|webp|gif|avif)$/i

export function kindOfFile({ type, name }: Pick<File, 'type' | 'name'>): Media['kind'] {
  const said = (['video', 'image', 'audio'] as const).find((one) => type.startsWith(`${one}/`))
  if (said) return { video: 'film', image: 'picture', audio: 'sound' }[said] as Media['kind']
  if (FILM.test(name)) return 'film'
  if (SOUND.test(name)) return 'sound'
  return PICTURE.test(name) ? 'picture' : 'document'
}
