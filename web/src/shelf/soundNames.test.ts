import { expect, it } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import { soundName, titleWithSound } from './soundNames.ts'

const t = (key: string, { n, number }: Record<string, unknown>) => `${key} ${String(n ?? number)}`
const track = (language: string, title = '', channels = 2) => ({ language, title, channels })

it('a sound is called by its place, its language, what the file says, and its channels', () => {
  expect(soundName(track('ger'), 1, t)).toBe('2: German, sounds.channels 2')
  expect(soundName(track('deu', 'The keeper', 0), 0, t)).toBe('1: German, The keeper')
  expect(soundName(track('', '', 6), 2, t)).toBe('3: sounds.channels 6')
  // What no language is called is left as it stands.
  expect(soundName(track('zz9', '', 0), 0, t)).toBe('1: zz9')
})

it('a film bears the name of the sound that it plays, and of that one alone', () => {
  const film = (more: Partial<Media>) =>
    ({ soundFrom: null, soundTracks: [track('eng'), track('ger'), track('')], ...more }) as Media
  expect(titleWithSound(film({ title: 'Lock six' }), 1, t)).toBe('Lock six · German')
  expect(titleWithSound(film({ title: 'Lock · six' }), 1, t)).toBe('Lock · six · German')
  expect(titleWithSound(film({ title: 'Lock · six' }), 2, t)).toBe('Lock · six · sounds.numbered 3')
  const german = film({ title: 'Lock · six · German', soundFrom: 'first' })
  expect(titleWithSound(german, 0, t)).toBe('Lock · six · English')
  // Somebody gave it another name.
  expect(titleWithSound(film({ title: 'Schleuse', soundFrom: 'first' }), 0, t)).toBe(
    'Schleuse · English',
  )
  const long = titleWithSound(film({ title: 'x'.repeat(200) }), 1, t)
  expect(long).toHaveLength(200)
  expect(long).toMatch(/ · German$/)
})
