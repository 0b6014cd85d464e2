import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readCaptions, readSrt, readWebVtt, writeSrt, writeWebVtt } from './index.ts'

const lines = fc.array(
  fc
    .tuple(
      fc.integer({ min: 0, max: 86_000_000 }),
      fc.integer({ min: 1, max: 9000 }),
      fc.stringMatching(/^[a-zA-Zäß&<>é][a-zA-Zäß&<> é,.]{0,40}[a-zA-Zäß&>]$/),
    )
    .map(([fromMs, length, text]) => ({ fromMs, toMs: fromMs + length, text })),
  { minLength: 1, maxLength: 20 },
)

describe('WebVTT', () => {
  it('reads times with and without hours, names, settings, notes and styles', () => {
    const text = [
      '\ufeffWEBVTT - a title',
      '',
      'STYLE',
      '::cue { color: red }',
      '',
      'NOTE anything',
      '',
      'intro',
      '00:01.500 --> 00:02.000 align:start position:10%',
      '<v Keeper>Mind the <b>sill</b></v>',
      'and the gate &amp; beam',
      '',
      '01:00:00.000 --> 01:00:01.000',
      'Later',
    ].join('\r\n')
    expect(readWebVtt(text)).toEqual({
      ok: true,
      lines: [
        { fromMs: 1500, toMs: 2000, text: 'Mind the sill\nand the gate & beam' },
        { fromMs: 3_600_000, toMs: 3_601_000, text: 'Later' },
      ],
    })
  })

  it('reads again what it writes', () => {
    fc.assert(
      fc.property(lines, (list) => {
        expect(readWebVtt(writeWebVtt(list))).toEqual({ ok: true, lines: list })
      }),
      { seed: 11 },
    )
  })

  it.each([
    ['no header', '00:01.000 --> 00:02.000\nx', { line: 1, code: 'notThisFormat' }],
    ['a broken time', 'WEBVTT\n\n00:01.0 --> 00:02.000\nx', { line: 3, code: 'brokenTime' }],
    [
      'minutes beyond 59',
      'WEBVTT\n\n00:61:01.000 --> 00:62:00.000\nx',
      { line: 3, code: 'brokenTime' },
    ],
    [
      'an end before the beginning',
      'WEBVTT\n\nname\n00:05.000 --> 00:02.000\nx',
      { line: 4, code: 'endsBeforeItBegins' },
    ],
    ['nothing in it', 'WEBVTT\n', { line: 1, code: 'empty' }],
    [
      'a caption too long',
      `WEBVTT\n\n00:01.000 --> 00:02.000\n${'x'.repeat(2001)}`,
      { line: 3, code: 'tooLong' },
    ],
  ])('refuses the whole file for %s', (_name, text, fault) => {
    expect(readWebVtt(text)).toEqual({ ok: false, faults: [fault] })
  })

  it('tells several faults, but not endlessly', () => {
    const bad = '00:09.000 --> 00:01.000\nx\n\n'.repeat(50)
    const read = readWebVtt(`WEBVTT\n\n${bad}`)
    expect(read.ok ? 0 : read.faults.length).toBe(20)
  })
})

describe('SRT', () => {
  it('reads numbers, commas and markup', () => {
    expect(
      readSrt(
        '1\n00:00:01,000 --> 00:00:02,500\n<i>Mind</i> the sill\n\n2\n00:00:03,000 --> 00:00:04,000\nGo',
      ),
    ).toEqual({
      ok: true,
      lines: [
        { fromMs: 1000, toMs: 2500, text: 'Mind the sill' },
        { fromMs: 3000, toMs: 4000, text: 'Go' },
      ],
    })
  })

  it('reads again what it writes', () => {
    const plain = lines.map((list) =>
      list.map((line) => ({ ...line, text: line.text.replace(/[<>&]/g, 'x') })),
    )
    fc.assert(
      fc.property(plain, (list) => {
        expect(readSrt(writeSrt(list))).toEqual({ ok: true, lines: list })
      }),
      { seed: 12 },
    )
  })

  it('refuses what is no SRT at all', () => {
    expect(readSrt('Dear keeper,\nthe lock is shut.')).toEqual({
      ok: false,
      faults: [{ line: 1, code: 'notThisFormat' }],
    })
  })
})

it('never throws, and tells formats apart by what they hold', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 400 }), (text) => {
      readCaptions(text)
      readCaptions(`WEBVTT\n\n${text}`)
    }),
    { seed: 13, numRuns: 500 },
  )
  expect(readCaptions('WEBVTT\n\n00:01.000 --> 00:02.000\nx').ok).toBe(true)
  expect(readCaptions('1\n00:00:01,000 --> 00:00:02,000\nx').ok).toBe(true)
})

it('is quick on text made to be slow', () => {
  const began = Date.now()
  readCaptions(`WEBVTT\n\n00:01.000 --> 00:02.000\n${'<'.repeat(200_000)}`)
  // Not a measure of speed: a pattern that backtracks without bound would take minutes.
  expect(Date.now() - began).toBeLessThan(10_000)
})
