// What the sounds of a film are called: by their place in the file, their language, what the file says of them, and how many channels.
import { languageName } from '@fernbrake/core/fields'
import { LOCALE } from '../ui/locale.ts'
import type { Media, SoundTrack } from '@fernbrake/core/contract'

type Say = (key: string, facts: Record<string, unknown>, count?: number) => string

/** What is said of it; nothing where the file says nothing. */
const wordsOf = ({ language, title }: SoundTrack): string[] =>
  [language && languageName(language, LOCALE), title].filter((words) => words !== '')

/** Its name in a list of all; `at` counts from 0. */
export function soundName(track: SoundTrack, at: number, t: Say): string {
  const { channels } = track
  const heard = channels > 0 ? [t('sounds.channels', { n: channels }, channels)] : []
  return `${at + 1}: ${wordsOf(track).concat(heard).join(', ')}`
}

const LONGEST_TITLE = 200
const JOINT = ' · '

/** What a film is called that plays this of its sounds. */
export function titleWithSound(media: Media, at: number, t: Say): string {
  const { title, soundFrom, soundTracks } = media
  const named = wordsOf(soundTracks[at]!).join(', ') || t('sounds.numbered', { number: at + 1 })
  // The name of the sound that it has now is none of the film's own.
  const end = soundFrom === null ? -1 : title.lastIndexOf(JOINT)
  const own = end < 0 ? title : title.slice(0, end)
  return `${own.slice(0, LONGEST_TITLE - named.length - JOINT.length)}${JOINT}${named}`
}
