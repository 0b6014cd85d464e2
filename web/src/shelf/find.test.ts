import { expect, it } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import { findMedia, lacks } from './find.ts'

const medium = (id: string, more: Partial<Media> = {}): Media => ({
  id,
  kind: 'picture',
  title: id,
  description: '',
  alternative: '',
  credit: '',
  licence: '',
  source: '',
  sourceNote: '',
  tags: [],
  state: 'ready',
  fault: null,
  bytes: 1,
  durationMs: null,
  frameRate: null,
  width: 1,
  height: 1,
  hasSound: false,
  soundTracks: [],
  soundTrack: null,
  soundFrom: null,
  files: [],
  jobs: [],
  cut: null,
  cutFrom: null,
  hosted: null,
  pageCount: null,
  ...more,
})
const shelf = [
  medium('Gate', { tags: ['écluse'], licence: 'own work', alternative: 'A mitre gate' }),
  medium('Paddle', { description: 'Gear at Cantle Steps' }),
  medium('Film', { kind: 'film', licence: 'own work' }),
]
const ids = (...search: [string, Parameters<typeof findMedia>[2]]) =>
  findMedia(shelf, ...search).map(({ id }) => id)

it('finds by every word, wherever it stands, whatever case and accents', () => {
  expect(ids('', 'all')).toHaveLength(3)
  expect(ids('cantle GEAR', 'all')).toEqual(['Paddle'])
  expect(ids('Ecluse gate', 'all')).toEqual(['Gate'])
  expect(ids('ecluse paddle', 'all')).toEqual([])
})

it('shows what still lacks a licence or a text for those who cannot see it', () => {
  expect(ids('', 'licence')).toEqual(['Paddle'])
  expect(ids('', 'alternative')).toEqual(['Paddle'])
  expect(ids('', 'film')).toEqual(['Film'])
  expect(lacks(medium('x', { state: 'failed' }))).toEqual([])
})
