import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { scriptSchema } from '../lesson/index.ts'
import {
  captionsOf,
  readCaptions,
  readSrt,
  readWebVtt,
  scriptFrom,
  writeSrt,
  writeWebVtt,
} from './index.ts'

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
      faults: [],
      more: 0,
      lines: [
        {
          fromMs: 1500,
          toMs: 2000,
          text: 'Mind the sill\nand the gate & beam',
          carried: {
            name: 'intro',
            settings: 'align:start position:10%',
            markup: '<v Keeper>Mind the <b>sill</b></v>\nand the gate &amp; beam',
          },
        },
        { fromMs: 3_600_000, toMs: 3_601_000, text: 'Later' },
      ],
      carried: {
        format: 'webvtt',
        header: 'WEBVTT - a title',
        blocks: [
          { before: 0, text: 'STYLE\n::cue { color: red }' },
          { before: 0, text: 'NOTE anything' },
        ],
      },
    })
  })

  it('reads again what it writes', () => {
    fc.assert(
      fc.property(lines, (list) => {
        expect(readWebVtt(writeWebVtt(list))).toMatchObject({ ok: true, lines: list })
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
  ])('takes nothing where nothing can be read: %s', (_name, text, fault) => {
    expect(readWebVtt(text)).toEqual({ ok: false, faults: [fault] })
  })

  it('tells several faults, but not endlessly', () => {
    const bad = '00:09.000 --> 00:01.000\nx\n\n'.repeat(150)
    const read = readWebVtt(`WEBVTT\n\n${bad}00:01.000 --> 00:02.000\nx`)
    expect([read.faults.length, read.ok && read.more]).toEqual([100, 50])
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
      faults: [],
      more: 0,
      lines: [
        {
          fromMs: 1000,
          toMs: 2500,
          text: 'Mind the sill',
          carried: { markup: '<i>Mind</i> the sill' },
        },
        { fromMs: 3000, toMs: 4000, text: 'Go' },
      ],
      carried: { format: 'srt', header: '', blocks: [] },
    })
  })

  it('reads again what it writes', () => {
    const plain = lines.map((list) =>
      list.map((line) => ({ ...line, text: line.text.replace(/[<>&]/g, 'x') })),
    )
    fc.assert(
      fc.property(plain, (list) => {
        expect(readSrt(writeSrt(list))).toMatchObject({ ok: true, lines: list })
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

describe('what a file carries besides its words', () => {
  const VTT = `WEBVTT - Steps
Kind: captions

STYLE
::cue(.loud) { color: #F0925F }

REGION
id:low width:40%

NOTE Checked by Merrin

first
00:00:01.000 --> 00:00:02.000 align:start line:-1
<v Keeper>Mind the <c.loud>sill</c> &amp; gate

NOTE Between us

00:00:03.000 --> 00:00:04.000
Plain &amp; simple

NOTE At the end
`
  const SRT = `1
00:00:01,000 --> 00:00:02,000 X1:10 X2:20 Y1:1 Y2:2
<font color="#F0925F">Mind</font> the sill

2
00:00:03,000 --> 00:00:04,000
{\\an8}Up here
`
  const through = (text: string, write: typeof writeWebVtt) => {
    const read = readCaptions(text)
    if (!read.ok) throw new Error('unreadable')
    let made = 0
    const script = scriptFrom(read, () => `line-${(made += 1)}`)
    const lines = Object.fromEntries(script.lines.map((line) => [line.id, line]))
    const { carried } = script
    const kept = { id: 's', partId: 'p', language: 'en', lines, ...(carried ? { carried } : {}) }
    expect(scriptSchema.parse(kept)).toEqual(kept)
    const captions = captionsOf(kept)
    return write(captions.lines, captions.carried)
  }
  it('comes out of a script as it went in', () => {
    expect(through(VTT, writeWebVtt)).toBe(VTT)
    expect(through(SRT, writeSrt)).toBe(SRT)
  })
  it('stays out of the other format', () => {
    expect(through(VTT, writeSrt)).toBe(
      '1\n00:00:01,000 --> 00:00:02,000\nMind the sill & gate\n\n2\n00:00:03,000 --> 00:00:04,000\nPlain & simple\n',
    )
    expect(through(SRT, writeWebVtt)).not.toMatch(/font|X1/)
  })
  it('goes with the words when they change, and a note moves to the end when its line is gone', () => {
    const read = readCaptions(VTT)
    if (!read.ok) throw new Error('unreadable')
    const [first] = read.lines
    const changed = writeWebVtt([{ ...first!, text: 'Mind the gate' }], {
      ...read.carried,
      blocks: [{ before: null, text: 'NOTE Between us' }],
    })
    expect(changed).toContain('align:start line:-1\nMind the gate\n\nNOTE Between us')
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
  readCaptions(`1\n00:00:01,000 --> 00:00:02,000 ${' '.repeat(200_000)}x\nwords\n`)
  readCaptions(
    `1\n00:00:01,000 --> 00:00:02,000\n${'{\\\\'.repeat(70_000)}${'<i '.repeat(70_000)}\n`,
  )
  // Not a measure of speed: a pattern that backtracks without bound would take minutes.
  expect(Date.now() - began).toBeLessThan(10_000)
})
