// What the stand-in film host has: the demo's films, described as a host would. Everything here is made up.
import { join } from 'node:path'
import { REPOSITORY } from '../../settings.ts'
import { holding } from '../standIn.ts'

export interface HeldFilm {
  id: string
  title: string
  author: string
  words: string
  licence: string
  /** Whether the licence lets others take a copy; where not, there is no file and no stream, only the player. */
  mayBeCopied: boolean
  path: string
}

const FREE = 'CC BY 4.0'
const HOUSE = 'Free to show from here; not to be copied'
const film = (...folders: string[]) => join(REPOSITORY, 'demo', 'films', ...folders, 'film.mp4')
const scene = (clip: string) => film('night-passage', clip)

export const CATALOGUE: readonly HeldFilm[] = [
  {
    id: 'water-that-climbs',
    title: 'Water That Climbs',
    author: 'Odile Harcastle',
    words: 'How a lock lifts a boat up a hill: chamber, gates, paddles, sill.',
    licence: HOUSE,
    mayBeCopied: false,
    path: film('water-that-climbs'),
  },
  {
    id: 'water-budget',
    title: 'The Water Budget of a Flight',
    author: 'Perrin Askew',
    words: 'A lecture with slides: what one passage takes, and how a side pond halves it.',
    licence: FREE,
    mayBeCopied: true,
    path: film('water-budget'),
  },
  {
    id: 'caught-on-the-sill',
    title: 'Caught on the Sill',
    author: 'Harrowmere Film Circle',
    words: 'Night at Cantle Steps. A boat hangs by its stern, and the water goes on falling.',
    licence: HOUSE,
    mayBeCopied: false,
    path: scene('caught'),
  },
  {
    id: 'the-boat-floats',
    title: 'The Boat Floats',
    author: 'Harrowmere Film Circle',
    words: 'Night at Cantle Steps. The paddles are shut in time, and the chamber is filled again.',
    licence: FREE,
    mayBeCopied: true,
    path: scene('floats'),
  },
  {
    id: 'the-pole',
    title: 'Pushing with the Pole',
    author: 'Harrowmere Film Circle',
    words: 'Night at Cantle Steps. What a pole does against twelve tonnes: nothing good.',
    licence: FREE,
    mayBeCopied: true,
    path: scene('pole'),
  },
]

/** The films in whose description every word that is looked for stands; all of them for none. */
export const search = (words: string): readonly HeldFilm[] =>
  holding(CATALOGUE, words, ({ title, author, words: said, licence }) => [
    title,
    author,
    said,
    licence,
  ])
