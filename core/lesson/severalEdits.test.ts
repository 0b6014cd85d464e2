// Edits of several things at once: cues that move and travel together, the lines of a script.
import { describe, expect, it } from 'vitest'
import { LONGEST_MEDIA_MS } from '../fields/index.ts'
import { edited, fullLesson, lessonWithFilm, PART, withQuestion } from '../testing/index.ts'
import {
  clipOf,
  cueStartMs,
  edits,
  emptyLesson,
  linesInOrder,
  readClip,
  roomToShift,
  type Edit,
  type Lesson,
} from './index.ts'

const PASTED = { a: 'a2', 'q-a': 'q-a2', o: 'o2' }

describe('the lines of a script', () => {
  const script = (lesson: Lesson) => linesInOrder(lesson.scripts.s!)
  const after = <A>(edit: Edit<A>, args: A) =>
    script(edited(fullLesson(), edit, args)).map(({ fromMs, toMs, text }) => [fromMs, toMs, text])
  const [first, second, third] = [
    [1000, 3000, 'Water climbs hills'],
    [3000, 4000, 'by steps.'],
    [6000, 8000, 'Each is a lock.'],
  ]

  it('are split by letters, or at a time within', () => {
    const split = { scriptId: 's', lineId: 'l1', newLineId: 'n', at: 6 }
    expect(after(edits.splitLine, split)).toEqual([
      [1000, 1667, 'Water'],
      [1667, 3000, 'climbs hills'],
      second,
      third,
    ])
    expect(after(edits.splitLine, { ...split, atMs: 2500 })[0]).toEqual([1000, 2500, 'Water'])
    expect(after(edits.splitLine, { ...split, atMs: 9500 })[0]).toEqual([1000, 2960, 'Water'])
  })
  it('are joined with the next one; the last has none', () => {
    expect(after(edits.joinLines, { scriptId: 's', lineId: 'l1' })).toEqual([
      [1000, 4000, 'Water climbs hills by steps.'],
      third,
    ])
    expect(after(edits.joinLines, { scriptId: 's', lineId: 'l3' })).toEqual([first, second, third])
  })
  it('are shifted from a time on, never before the film', () => {
    expect(after(edits.shiftLines, { scriptId: 's', fromMs: 3000, byMs: 500 })).toEqual([
      first,
      [3500, 4500, 'by steps.'],
      [6500, 8500, 'Each is a lock.'],
    ])
    expect(after(edits.shiftLines, { scriptId: 's', fromMs: 0, byMs: -5000 })[0]).toEqual([
      0,
      2000,
      'Water climbs hills',
    ])
  })
  it('can be shifted so far and no further, as somebody is told before', () => {
    const script = fullLesson().scripts.s!
    expect(roomToShift(script, 0)).toEqual({ backMs: -1000, onMs: LONGEST_MEDIA_MS - 8000 })
    expect(roomToShift(script, 3000)).toEqual({ backMs: -3000, onMs: LONGEST_MEDIA_MS - 8000 })
    expect(Math.abs(roomToShift({ ...script, lines: {} }, 0).backMs)).toBeGreaterThan(0)
  })
  it('tapped along keep their length and end the one before; the rest stays', () => {
    expect(after(edits.tapLine, { scriptId: 's', lineId: 'l2', atMs: 2400 })).toEqual([
      [1000, 2400, 'Water climbs hills'],
      [2400, 3400, 'by steps.'],
      third,
    ])
    expect(after(edits.tapLine, { scriptId: 's', lineId: 'l1', atMs: 7000 })).toEqual([
      [7000, 9000, 'Water climbs hills'],
      [7040, 8040, 'by steps.'],
      [7080, 9080, 'Each is a lock.'],
    ])
    expect(after(edits.tapLine, { scriptId: 's', lineId: 'l2', atMs: 20 })[1]![0]).toBe(1040)
  })
  it('never end before they begin', () => {
    const times = { scriptId: 's', lineId: 'l1', fromMs: 5000, toMs: 10 }
    expect(after(edits.setLineTimes, times)).toContainEqual([5000, 5040, 'Water climbs hills'])
  })
})

describe('several cues', () => {
  it('move together as far as the first of them can', () => {
    const starts = (lesson: Lesson) => ['a', 'o', 'b'].map((id) => cueStartMs(lesson.cues[id]!))
    const moved = (byMs: number) =>
      starts(edited(fullLesson(), edits.moveCues, { cueIds: ['a', 'o', 'gone'], byMs }))
    expect(moved(400)).toEqual([5400, 1400, 0])
    expect(moved(-9000)).toEqual([4000, 0, 0])
    expect(moved(1e6)).toEqual([60_000, 56_000, 0])
  })

  it('beyond the end of a shorter film stay there, and go no further', () => {
    const shorter = edited(fullLesson(), edits.attachFilm, {
      partId: PART,
      mediaId: 'm2',
      durationMs: 3000,
      frameRate: '25',
    })
    expect(shorter.cues.a).toMatchObject({ atMs: 5000 })
    const move = (byMs: number) => edited(shorter, edits.moveCues, { cueIds: ['a'], byMs }).cues.a
    expect(move(500)).toMatchObject({ atMs: 5000 })
    expect(move(-2500)).toMatchObject({ atMs: 2500 })
  })

  it('go through the clipboard to another lesson, with their questions', () => {
    const text = JSON.stringify(clipOf(fullLesson(), ['a', 'o', 'gone']))
    const clip = readClip(text)!
    const other = edited(lessonWithFilm(), edits.addFilmPart, { id: 'p2', title: '' })
    const pasted = edited(other, edits.pasteCues, {
      clip,
      partId: 'p2',
      atMs: 10_000,
      newIds: PASTED,
    })
    expect(pasted.cues.o2).toMatchObject({ partId: 'p2', fromMs: 10_000, toMs: 13_000 })
    expect(pasted.cues.a2).toMatchObject({ atMs: 14_000, questionId: 'q-a2' })
    expect(pasted.questions['q-a2']).toMatchObject({ stem: 'Stem of a' })
  })

  it('lose evidence in a film that is not there', () => {
    const lesson = withQuestion(lessonWithFilm(), {
      id: 'a',
      atMs: 5000,
      evidence: { fromMs: 1000, toMs: 2000 },
    })
    const clip = clipOf(lesson, ['a'])!
    const paste = { clip, atMs: 0, newIds: PASTED }
    expect(
      edited(lesson, edits.pasteCues, { ...paste, partId: PART }).questions['q-a2']!.evidence,
    ).toEqual({ partId: PART, fromMs: 1000, toMs: 2000 })
    const empty = edited(emptyLesson('Other'), edits.addFilmPart, { id: 'p2', title: '' })
    const pasted = edited(empty, edits.pasteCues, { ...paste, partId: 'p2' })
    expect(pasted.questions['q-a2']!.evidence).toBe(null)
  })

  it('are not read from a clipboard that holds something else, or a broken clip', () => {
    expect(clipOf(fullLesson(), ['gone'])).toBe(null)
    const clip = clipOf(fullLesson(), ['a'])!
    const others = ['', 'words', '{}', '{"kind":"fernbrake-cues"}', '{"kind":"fernbrake-cues"']
    for (const text of others) expect(readClip(text)).toBe(null)
    expect(readClip(JSON.stringify({ ...clip, questions: {} }))).toBe(null)
    expect(readClip(JSON.stringify({ ...clip, extra: 1 }))).toBe(null)
  })
})
