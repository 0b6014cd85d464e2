// What may be handed in, and what a recording may be.
import { describe, expect, it } from 'vitest'
import {
  BYTES_A_MEGABYTE,
  FILE_SORTS,
  filesAsked,
  filesOfAnswer,
  findWhatCannotBeAsked,
  fitsQuestion,
  isMended,
  isOfSort,
  offeredTypes,
  sortsTaken,
  type FileSort,
} from '../index.ts'
import { questionOf } from '../testing.ts'

const file = (id: string, bytes = 1000) => ({ id, name: `${id}.png`, bytes })
const handIn = (...files: ReturnType<typeof file>[]) => ({ kind: 'upload' as const, files })

describe('sorts of file', () => {
  it.each<[string, FileSort[]]>([
    ['image/jpeg', ['picture']],
    ['image/heic', ['picture']],
    ['application/pdf', ['document']],
    ['text/plain', ['document']],
    ['application/vnd.oasis.opendocument.text', ['document']],
    ['audio/mpeg', ['sound']],
    ['audio/webm;codecs=opus', ['sound']],
    // Recorders write sound alone into the containers of films.
    ['video/webm', ['sound', 'film']],
    ['video/mp4', ['sound', 'film']],
    ['video/x-m4v', ['film']],
    // Whatever could act in a browser, or be unpacked, is of no sort.
    ['image/svg+xml', []],
    ['text/html', []],
    ['application/zip', []],
    ['application/x-msdownload', []],
    ['', []],
  ])('%s counts as %j', (type, sorts) => {
    expect(FILE_SORTS.filter((sort) => isOfSort(sort, type))).toEqual(sorts)
  })

  it('are offered by the file picker as they are taken', () => {
    expect(offeredTypes(['picture', 'sound'])).toBe('image/*,audio/*')
    expect(offeredTypes(['document']).split(',')).toContain('.pdf')
    expect(offeredTypes([])).toBe('')
  })
})

describe('a question for files', () => {
  const question = questionOf('upload', { mostFiles: 2, mostMegabytes: 1 })

  it.each([
    ['one file', handIn(file('a')), true],
    ['as many as are asked for', handIn(file('a'), file('b')), true],
    ['the largest that is taken', handIn(file('a', BYTES_A_MEGABYTE)), true],
    ['one too many', handIn(file('a'), file('b'), file('c')), false],
    ['one that is too large', handIn(file('a', BYTES_A_MEGABYTE + 1)), false],
    ['the same one twice', handIn(file('a'), file('a')), false],
    ['none', handIn(), false],
  ])('judges %s', (_what, answer, fits) => {
    expect(fitsQuestion(question, answer)).toBe(fits)
  })

  it('must take some sort of file', () => {
    const takes = { picture: false, document: false, sound: false, film: false }
    const none = { ...question, stem: 'Hand in', takes }
    expect(findWhatCannotBeAsked(none).map(({ code }) => code)).toEqual(['question.noFileSort'])
    expect(sortsTaken({ takes: { ...takes, film: true } })).toEqual(['film'])
  })

  it('tells the server what its files may be', () => {
    expect(filesAsked(question)).toEqual({
      sorts: ['picture', 'document'],
      mostBytes: BYTES_A_MEGABYTE,
    })
    expect(filesOfAnswer(handIn(file('a'), file('b')))).toEqual(['a', 'b'])
  })
})

describe('a question for a recording', () => {
  const question = questionOf('recording', { of: 'voice', mostSeconds: 10 })
  const said = (durationMs: number) => ({
    kind: 'recording' as const,
    file: { id: 'r', bytes: 10 },
    durationMs,
  })

  it('takes what is as long as was asked for, and the moment that a recorder writes on', () => {
    expect([9000, 10_500, 20_000].map((ms) => fitsQuestion(question, said(ms)))).toEqual([
      true,
      true,
      false,
    ])
  })

  it('takes a sound for a voice, and a film for a camera', () => {
    expect(filesAsked(question)!.sorts).toEqual(['sound'])
    expect(filesAsked({ ...question, of: 'camera' })!.sorts).toEqual(['film'])
    expect(filesOfAnswer(said(1))).toEqual(['r'])
  })
})

it('questions that ask for no files name none', () => {
  const choice = questionOf('choice')
  expect([filesAsked(choice), filesOfAnswer({ kind: 'choice', picked: [] })]).toEqual([null, []])
})

it('another try mends what was written or gathered, and begins anew what was picked', () => {
  const kinds = ['longText', 'upload', 'terms', 'choice', 'recording', 'recap'] as const
  expect(kinds.map((kind) => isMended({ kind }))).toEqual([true, true, true, false, false, false])
})
