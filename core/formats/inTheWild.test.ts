// Caption files as people and programs write them, and as the standard says they are to be read.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { WebVTTParser } from 'webvtt-parser'
import { readCaptions, readSrt, readWebVtt, writeSrt, writeWebVtt } from './index.ts'

const of = (text: string) => {
  const read = readCaptions(text)
  return {
    said: read.ok ? read.lines.map(({ fromMs, toMs, text: words }) => [fromMs, toMs, words]) : [],
    faults: read.faults.map(({ line, code }) => [line, code]),
  }
}
const vtt = (...lines: string[]) => of(['WEBVTT', '', ...lines].join('\n'))
const srt = (...lines: string[]) => of(lines.join('\n'))

describe('WebVTT', () => {
  it('a time line begins a caption though the empty line before it is missing', () => {
    expect(vtt('00:01.000 --> 00:02.000', 'One', '00:03.000 --> 00:04.000', 'Two').said).toEqual([
      [1000, 2000, 'One'],
      [3000, 4000, 'Two'],
    ])
    expect(of('WEBVTT\n00:01.000 --> 00:02.000\nOne').said).toEqual([[1000, 2000, 'One']])
    expect(of('WEBVTT\nKind: captions\n00:01.000 --> 00:02.000\nOne').said).toEqual([
      [1000, 2000, 'One'],
    ])
  })
  it.each([
    ['&eacute;&copy;&hellip;&#233;&#xE9;&frac12;&amp;lt;', 'é©…éé½&lt;'],
    ['&nosuch; & &', '&nosuch; & &'],
    ['<v Keeper>Mind</v> <00:00:01.500><c.loud>the</c> sill', 'Mind the sill'],
    ['<b>bold', 'bold'],
    ['a <', 'a'],
  ])('reads %s as %s', (written, words) => {
    expect(vtt('00:01.000 --> 00:02.000', written).said).toEqual([[1000, 2000, words]])
  })
  it('a line of spaces is part of a caption; what is written is read again', () => {
    const list = [{ fromMs: 0, toMs: 1000, text: 'One\n   \nTwo\n\nThree' }]
    const written = readWebVtt(writeWebVtt(list))
    expect(written).toMatchObject({ ok: true, lines: [{ text: 'One\nTwo\nThree' }], faults: [] })
    expect(vtt('00:01.000 --> 00:02.000', 'One', '  ', 'Two').said).toEqual([
      [1000, 2000, 'One\nTwo'],
    ])
  })
  it('takes what can be read, and lists the rest with its line', () => {
    const { said, faults } = vtt(
      '00:01.000 --> 00:02.000',
      'One',
      '',
      '00:01.0 --> 00:02.000',
      'Two',
      '',
      '00:05.000 --> 00:04.000',
      'Three',
      '',
      'only words',
      '',
      '25:00:00.000 --> 25:00:01.000',
      'Late',
      '',
      '00:07.000 --> 00:07.000',
      'No length',
      '',
      '00:08.000 --> 00:09.000',
      'bro\ufffdken',
    )
    expect(said).toEqual([
      [1000, 2000, 'One'],
      [7000, 9000, 'No length'],
    ])
    expect(faults).toEqual([
      [6, 'brokenTime'],
      [9, 'endsBeforeItBegins'],
      [12, 'noTime'],
      [14, 'beyondLongest'],
      [17, 'noLength'],
      [20, 'badSigns'],
    ])
  })
  it('keeps a thousand notes and says which it does not', () => {
    const notes = Array.from({ length: 1001 }, (_, at) => `NOTE ${at}\n`)
    const read = readWebVtt(`WEBVTT\n\n${notes.join('\n')}\n00:01.000 --> 00:02.000\nOne\n`)
    expect(read.ok && read.carried.blocks.length).toBe(1000)
    expect(read.faults.map(({ code }) => code)).toEqual(['tooManyNotes'])
  })

  /** Files that the standard’s own parser can be asked about: times in order, nothing that only its strictness minds. */
  const word = fc.constantFrom(
    'gate',
    '&amp;',
    '&eacute;',
    '<b>beam</b>',
    'a',
    '<i>x',
    '3',
    '  ',
    '<c.x>',
    'ß',
  )
  const line = fc.array(word, { minLength: 1, maxLength: 4 }).map((words) => words.join(' '))
  const cue = fc.record({
    gap: fc.integer({ min: 0, max: 5000 }),
    length: fc.integer({ min: 1, max: 5000 }),
    name: fc.constantFrom('', '', '7', 'intro'),
    lines: fc.array(line, { maxLength: 3 }),
    settings: fc.constantFrom('', ' align:start', '\tline:0'),
    after: fc.constantFrom('\n', '\n\n', '', '\nNOTE between\n\n', '\r\n'),
  })
  it('is read as the standard’s own parser reads it', () => {
    const clock = (ms: number) =>
      `${String(Math.floor(ms / 60_000)).padStart(2, '0')}:${String(Math.floor(ms / 1000) % 60).padStart(2, '0')}.${String(ms % 1000).padStart(3, '0')}`
    fc.assert(
      fc.property(fc.array(cue, { minLength: 1, maxLength: 6 }), (cues) => {
        let at = 0
        let text = 'WEBVTT\n\n'
        for (const { gap, length, name, lines, settings, after } of cues) {
          const from = (at += gap)
          at += length
          text += `${name ? `${name}\n` : ''}${clock(from)} --> ${clock(at)}${settings}\n`
          text += lines.map((one) => `${one}\n`).join('') + after
        }
        const parsed = new WebVTTParser().parse(text, 'metadata').cues
        const expected = parsed
          .filter((one) => one.text.replace(/<[^>]*>?/g, '').trim() !== '')
          .map((one) => [Math.round(one.startTime * 1000), Math.round(one.endTime * 1000), one.id])
        const read = readWebVtt(text)
        const found = read.ok
          ? read.lines.map(({ fromMs, toMs, carried }) => [fromMs, toMs, carried?.name ?? ''])
          : []
        expect(found).toEqual(expected)
      }),
      { numRuns: 1000 },
    )
  })
})

describe('SRT', () => {
  const one = '00:00:01,000 --> 00:00:02,000'
  const two = '00:00:03,000 --> 00:00:04,000'
  it.each([
    ['signs of reckoning', ['1', one, '3 < 4 & 5 > 2'], '3 < 4 & 5 > 2'],
    ['a position', ['1', one, '{\\an8}Up here'], 'Up here'],
    ['tags', ['1', one, '<i>Mind</i> <font color="#fff">the</font> sill'], 'Mind the sill'],
    ['references', ['1', one, 'Gate &amp; beam'], 'Gate & beam'],
    ['an empty line inside', ['1', one, 'Mind', '', 'the sill'], 'Mind\nthe sill'],
    ['an arrow among words', ['1', one, 'Lock --> pound'], 'Lock --> pound'],
    ['figures inside', ['1', one, '1945', '', '2', two, 'x'], '1945'],
  ])('reads %s', (_name, lines, words) => {
    expect(srt(...lines).said[0]).toEqual([1000, 2000, words])
  })
  it('meets a missing empty line, stray numbers, an intro line and no numbers at all', () => {
    const both = [
      [1000, 2000, 'One'],
      [3000, 4000, 'Two'],
    ]
    expect(srt('1', one, 'One', '2', two, 'Two').said).toEqual(both)
    expect(srt('1', one, 'One', '', '2', '', '2', two, 'Two').said).toEqual(both)
    expect(srt('Made by Merrin', '', '1', one, 'One', '', '2', two, 'Two', '', '3')).toEqual({
      said: both,
      faults: [[1, 'noTime']],
    })
    expect(srt(one, 'One', '', two, 'Two').said).toEqual(both)
    expect(srt('1', one, 'One', '   ', '2', two, 'Two').said).toEqual(both)
  })
  it.each([
    ['0:0:1,5 --> 0:0:2,25', 1005, 2025],
    ['00:01,000 --> 00:02,000', 1000, 2000],
    ['00:00:01 --> 00:00:02', 1000, 2000],
    ['00:00:01.000 -> 00:00:02.000', 1000, 2000],
    ['00:00:01,000-->00:00:02,000', 1000, 2000],
    ['00:00:01,000 --> 00:00:02,000  X1:10 X2:20', 1000, 2000],
    ['00:00:05,000 --> 00:00:05,000', 5000, 7000],
  ])('reads the times of %s', (times, from, to) => {
    expect(srt('1', times, 'x').said).toEqual([[from, to, 'x']])
  })
  it('takes what can be read, and lists the rest', () => {
    expect(srt('1', one, 'One', '', '2', '00:00:aa,000 --> 00:00:04,000', 'Two')).toEqual({
      said: [[1000, 2000, 'One']],
      faults: [[6, 'brokenTime']],
    })
  })
})

it('whatever is said is written so that it is read again, in both formats', () => {
  const piece = fc.constantFrom(
    'a',
    '<',
    '>',
    '&',
    '&amp;',
    '&lt;',
    '<i>',
    '</b>',
    '{\\an8}',
    '-->',
    '\n',
    ' ',
    '1',
    '\n2\n',
    'NOTE',
    '00:00:01,000 --> 00:00:02,000',
    '&#65;',
    '&eacute;',
    ';',
    'é',
  )
  const text = fc
    .array(piece, { minLength: 1, maxLength: 8 })
    .map((pieces) =>
      pieces
        .join('')
        .split('\n')
        .filter((line) => line.trim() !== '')
        .join('\n')
        .trim(),
    )
    .filter((words) => words !== '')
  fc.assert(
    fc.property(fc.array(text, { minLength: 1, maxLength: 5 }), (texts) => {
      const list = texts.map((words, at) => ({
        fromMs: at * 2000,
        toMs: at * 2000 + 1000,
        text: words,
      }))
      for (const read of [readWebVtt(writeWebVtt(list)), readSrt(writeSrt(list))])
        expect(read.ok ? read.lines.map(({ text: words }) => words) : read.faults).toEqual(texts)
    }),
    { numRuns: 2000 },
  )
})
