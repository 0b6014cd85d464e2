import fc from 'fast-check'
import { addressSchema } from '../fields/index.ts'
import { describe, expect, it } from 'vitest'
import { edited, fullLesson, PART, withFork } from '../testing/index.ts'
import {
  alignedBoxes,
  alongTurned,
  checkLesson,
  clipOf,
  cornerDrawn,
  degreesTowards,
  distributedBoxes,
  edits,
  findWhatBlocksPublishing,
  mediaIdsOf,
  movedTogether,
  overlayOf,
  runEdit,
  comingMedia,
  opensOf,
  snappedBox,
  snappedCorner,
  stagedMediaIdsOf,
  type Box,
  type ForkCue,
  type OverlayCue,
} from './index.ts'

const box = (x: number, y: number, width = 0.2, height = 0.1): Box => ({ x, y, width, height })
const overlay = (lesson: ReturnType<typeof fullLesson>, id = 'o') => lesson.cues[id] as OverlayCue

describe('arranging', () => {
  it('aligns several to the rectangle round them, one alone to the stage', () => {
    const two = [box(0.1, 0.1), box(0.5, 0.4, 0.1)]
    expect(alignedBoxes(two, 'left').map(({ x }) => x)).toEqual([0.1, 0.1])
    expect(alignedBoxes(two, 'right').map(({ x }) => x)).toEqual([0.4, 0.5])
    expect(alignedBoxes(two, 'middle').map(({ y }) => y)).toEqual([0.25, 0.25])
    expect(alignedBoxes([box(0.1, 0.1)], 'centre')[0]).toEqual(box(0.4, 0.1))
    expect(alignedBoxes([box(0.1, 0.1)], 'bottom')[0]).toEqual(box(0.1, 0.9))
  })

  it('distributes with equal gaps, whatever their order', () => {
    const three = [box(0.8, 0), box(0, 0), box(0.25, 0)]
    expect(distributedBoxes(three, 'across').map(({ x }) => x)).toEqual([0.8, 0, 0.4])
    expect(distributedBoxes(three.slice(1), 'across')).toEqual(three.slice(1))
  })

  it('snaps to the stage, to other overlays, then to the grid', () => {
    const near = { x: 0.012, y: 0.012 }
    expect(snappedBox(box(0.395, 0.3), [], near)).toMatchObject({
      box: { x: 0.4 },
      guides: { x: 0.5 },
    })
    expect(snappedBox(box(0.108, 0.3), [box(0.1, 0.7, 0.33)], near)).toMatchObject({
      box: { x: 0.1 },
      guides: { x: 0.1, y: null },
    })
    expect(snappedBox(box(0.17, 0.33), [], near)).toMatchObject({
      box: { x: 0.1667 },
      guides: { x: null },
    })
    expect(snappedBox(box(0.148, 0.313), [], near).box).toEqual(box(0.148, 0.313))
    expect(snappedBox(box(0.148, 0.313), [], near, true).box).toEqual(box(0.1667, 0.3333))
  })

  it('draws a corner onto lines and grid; the opposite corner stays', () => {
    const near = { x: 0.02, y: 0.02 }
    const one = box(0.2, 0.2, 0.29, 0.31)
    const se = snappedCorner(one, 'se', [], near)
    expect(se).toEqual({ box: box(0.2, 0.2, 0.3, 0.3), guides: { x: 0.5, y: 0.5 } })
    const nw = snappedCorner(one, 'nw', [box(0.21, 0.7, 0.1)], near)
    expect(nw).toMatchObject({ box: { x: 0.21, width: 0.28 }, guides: { x: 0.21, y: null } })
    const free = box(0.2, 0.2, 0.105, 0.15)
    expect(snappedCorner(free, 'ne', [], near).box.width).toBe(0.105)
    const grid = snappedCorner(free, 'ne', [], near, true).box
    expect(grid).toMatchObject({ x: 0.2, width: 0.0917 })
  })

  it('moves several together until the first meets the edge', () => {
    const two = [box(0.1, 0.1), box(0.5, 0.4)]
    expect(movedTogether(two, -0.3, 0.05)).toEqual([box(0, 0.15), box(0.4, 0.45)])
    expect(movedTogether([], 1, 1)).toEqual([])
  })

  it('draws one corner while the opposite one stays', () => {
    const one = box(0.4, 0.4, 0.2, 0.2)
    expect(cornerDrawn(one, 'nw', -0.1, 0.05)).toEqual(box(0.3, 0.45, 0.3, 0.15))
    expect(cornerDrawn(one, 'se', 0.9, -0.1)).toEqual(box(0.4, 0.4, 0.6, 0.1))
    // Drawn past its opposite a box becomes small, never turned inside out.
    expect(cornerDrawn(one, 'ne', -0.9, 0.9)).toEqual(box(0.4, 0.59, 0.01, 0.01))
  })

  it('turns ways and boxes on a stage that is wider than high', () => {
    const ratio = 16 / 9
    const turned = alongTurned(0.09, 0, 90, ratio)
    expect(turned.x).toBeCloseTo(0)
    expect(turned.y).toBeCloseTo(-0.16)
    const middle = box(0.375, 0.375, 0.25, 0.25)
    const towards = (x: number, y: number, step = 1) =>
      degreesTowards(middle, { x, y }, ratio, step)
    expect([towards(0.5, 0.1), towards(0.9, 0.5), towards(0.5, 0.9), towards(0.1, 0.5)]).toEqual([
      0, 90, 180, -90,
    ])
    expect(towards(0.6, 0.5 - 0.1 * ratio, 15)).toBe(45)
  })

  const share = fc.double({ min: 0, max: 0.8, noNaN: true })
  const boxes = fc.array(
    fc.tuple(share, share).map(([x, y]) => box(x, y)),
    { minLength: 1, maxLength: 6 },
  )
  it('never leaves the stage or changes a size', () => {
    fc.assert(
      fc.property(
        boxes,
        fc.constantFrom('left', 'centre', 'right', 'top', 'middle', 'bottom'),
        (list, side) => {
          const all = [...alignedBoxes(list, side), ...distributedBoxes(list, 'down')]
          all.push(snappedBox(list[0]!, list.slice(1), { x: 0.02, y: 0.02 }).box)
          for (const one of all) {
            expect(one).toMatchObject({ width: 0.2, height: 0.1 })
            expect(Math.min(one.x, one.y)).toBeGreaterThanOrEqual(0)
            expect(Math.max(one.x + one.width, one.y + one.height)).toBeLessThanOrEqual(1.0001)
          }
        },
      ),
      { seed: 1801, numRuns: 100 },
    )
  })
})

describe('what an overlay leaves unsaid', () => {
  it('is filled in, and what it says stays', () => {
    const plain = overlayOf(overlay(fullLesson()))
    expect(plain).toMatchObject({
      rotation: 0,
      locked: false,
      shown: null,
      content: { form: 'text' },
    })
    expect(plain.look).toMatchObject({ opacity: 1, border: null, font: 'interface' })
    const turned = edited(fullLesson(), edits.turnOverlay, { cueId: 'o', degrees: 200 })
    expect(overlayOf(overlay(turned)).rotation).toBe(-160)
    expect(
      overlay(edited(turned, edits.turnOverlay, { cueId: 'o', degrees: 360 })),
    ).not.toHaveProperty('rotation')
  })
})

describe('becoming another form', () => {
  const become = (lesson: ReturnType<typeof fullLesson>, form: 'box' | 'arrow' | 'text') =>
    edited(lesson, edits.setOverlayForm, { cueId: 'o', content: { form } })

  it('takes that form’s usual place and look while nobody has chosen any', () => {
    const plain = overlay(fullLesson())
    const drawn = overlay(become(fullLesson(), 'box'))
    expect(drawn.look).toMatchObject({ fill: null, border: { width: 0.008 } })
    expect(drawn.box).not.toEqual(plain.box)
    const back = overlay(become(become(fullLesson(), 'arrow'), 'text'))
    expect(back).toEqual(plain)
  })

  it('leaves no words behind that nobody wrote, where words describe what is shown', () => {
    const text = 'Words on the picture'
    const begun = edited(fullLesson(), edits.setOverlayText, { cueId: 'o', text })
    const become = (lesson: typeof begun, form: 'picture' | 'button') =>
      overlay(
        edited(lesson, edits.setOverlayForm, {
          cueId: 'o',
          content: form === 'picture' ? { form, mediaId: null, fit: 'whole' } : { form },
          unwritten: text,
        }),
      ).text
    expect(become(begun, 'picture')).toBe('')
    expect(become(begun, 'button')).toBe(text)
    const written = edited(begun, edits.setOverlayText, { cueId: 'o', text: 'The sill' })
    expect(become(written, 'picture')).toBe('The sill')
  })

  it('keeps what was chosen', () => {
    const chosen = edited(fullLesson(), edits.setOverlayLook, {
      cueId: 'o',
      look: { ink: '#123456' },
    })
    const moved = edited(chosen, edits.setOverlayBox, { cueId: 'o', box: box(0.5, 0.5) })
    expect(overlay(become(moved, 'box'))).toMatchObject({
      look: { ink: '#123456' },
      box: box(0.5, 0.5),
    })
  })
})

describe('stacking', () => {
  it('brings several to the front or the back in their own order', () => {
    let lesson = fullLesson()
    for (const cueId of ['p', 'q'])
      lesson = edited(lesson, edits.addOverlay, { cueId, partId: PART, fromMs: 0, text: cueId })
    const order = (l: typeof lesson) =>
      ['o', 'p', 'q'].sort((a, b) => (l.cues[a]!.order < l.cues[b]!.order ? -1 : 1)).join('')
    expect(order(lesson)).toBe('opq')
    const front = edited(lesson, edits.stackOverlays, { cueIds: ['p', 'o'], to: 'front' })
    expect(order(front)).toBe('qop')
    expect(order(edited(front, edits.stackOverlays, { cueIds: ['o', 'p'], to: 'back' }))).toBe(
      'opq',
    )
  })
})

describe('cues that name each other', () => {
  const named = () => {
    let lesson = edited(fullLesson(), edits.setOverlayShown, {
      cueId: 'o',
      shown: { when: 'afterAnswered', cueId: 'a' },
    })
    lesson = edited(lesson, edits.setOverlayAction, {
      cueId: 'o',
      action: { does: 'question', cueId: 'a', pauses: true },
    })
    const condition = { if: 'answer', cueId: 'a', is: 'right' } as const
    return withFork(lesson, {
      id: 'g',
      atMs: 9500,
      ways: [{ id: 'w', target: { to: 'on' }, condition }],
    })
  }

  it('forget one that is deleted', () => {
    const after = edited(named(), edits.removeCues, { cueIds: ['a'] })
    expect(overlay(after)).toMatchObject({ shown: null, action: null })
    // A way that hung on its answer is taken by nobody, and says so before publishing.
    const fork = after.cues.g as ForkCue
    expect(fork.choices.w!.condition).toEqual({ if: 'answer', cueId: null, is: 'right' })
    const decides = edited(after, edits.setForkRules, { cueId: 'g', rules: { decides: true } })
    const codes = findWhatBlocksPublishing(decides).map(({ code }) => code)
    expect(codes).toContain('fork.noQuestion')
    expect(checkLesson(after).ok).toBe(true)
  })

  it('name the copies when they are pasted together, and nothing that is not there', () => {
    const clip = clipOf(named(), ['a', 'o', 'g'])!
    const newIds = { a: 'a2', o: 'o2', g: 'g2', 'q-a': 'q2' }
    const there = edited(named(), edits.pasteCues, { clip, partId: PART, atMs: 20_000, newIds })
    expect(overlay(there, 'o2').shown).toEqual({ when: 'afterAnswered', cueId: 'a2' })
    const alone = clipOf(named(), ['o'])!
    const empty = edited(fullLesson(), edits.removeCues, { cueIds: ['a'] })
    const pasted = edited(empty, edits.pasteCues, {
      clip: alone,
      partId: PART,
      atMs: 0,
      newIds: { o: 'o2' },
    })
    expect(overlay(pasted, 'o2')).toMatchObject({ shown: null, action: null })
  })

  it('may not name one that never was', () => {
    const shown = { when: 'untilAnswered', cueId: 'nobody' } as const
    const outcome = runEdit(fullLesson(), edits.setOverlayShown, { cueId: 'o', shown })
    expect(outcome).toMatchObject({
      ok: false,
      issues: [{ path: ['cues', 'o', 'shown', 'cueId'] }],
    })
    const lost = runEdit(fullLesson(), edits.setForkRules, {
      cueId: 'f',
      rules: { defaultChoice: 'no' },
    })
    expect(lost.ok).toBe(false)
  })
})

const SOUND = { form: 'sound', mediaId: null, begins: 'withFilm', quiets: true } as const
const FILM = { form: 'film', mediaId: null, startMs: 0, sound: false, fit: 'whole' } as const

it('what on the picture would do nothing keeps a lesson from being published', () => {
  const codes = (lesson: ReturnType<typeof fullLesson>) =>
    findWhatBlocksPublishing(lesson).flatMap(({ code }) =>
      code.startsWith('overlay') ? [code] : [],
    )
  const form = (content: Parameters<typeof edits.setOverlayForm.change>[1]['content']) =>
    edited(fullLesson(), edits.setOverlayForm, { cueId: 'o', content })
  const act = (action: OverlayCue['action']) =>
    edited(fullLesson(), edits.setOverlayAction, { cueId: 'o', action: action ?? null })
  expect(codes(fullLesson())).toEqual([])
  expect(codes(form({ form: 'picture', mediaId: null, fit: 'whole' }))).toEqual([
    'overlay.noPicture',
  ])
  expect(codes(form({ form: 'link', address: null }))).toEqual(['overlay.noAddress'])
  expect(codes(form({ form: 'web', address: null }))).toEqual(['overlay.noAddress'])
  expect(codes(form(SOUND))).toEqual(['overlay.noSound'])
  expect(codes(form(FILM))).toEqual(['overlay.noFilm'])
  expect(codes(form({ ...FILM, mediaId: 'film-2' }))).toEqual([])
  expect(codes(form({ form: 'button' }))).toEqual(['overlay.noAction'])
  expect(codes(act({ does: 'address', address: null, pauses: true }))).toEqual([
    'overlay.noAddress',
  ])
  expect(codes(act({ does: 'time', atMs: 0, pauses: true }))).toEqual([])
})

it('pages on the picture open there, links as their lessons have it', () => {
  expect(opensOf({ form: 'web' })).toBe('inside')
  expect(opensOf({ form: 'link' })).toBe('newTab')
  expect(opensOf({})).toBe('newTab')
  expect(opensOf({ form: 'link', opens: 'inside' })).toBe('inside')
  expect(opensOf({ form: 'web', opens: 'newTab' })).toBe('newTab')
})

it('what will soon be heard or seen is told ahead', () => {
  const content = { ...SOUND, mediaId: 'm-2' }
  const lesson = edited(fullLesson(), edits.setOverlayForm, { cueId: 'o', content })
  const { fromMs } = overlay(lesson)
  expect(comingMedia(lesson, 'part-1', fromMs - 12_000)).toEqual(['m-2'])
  expect(comingMedia(lesson, 'part-1', fromMs - 12_040)).toEqual([])
  expect(comingMedia(lesson, 'part-1', fromMs)).toEqual([])
  expect(comingMedia(lesson, 'another', fromMs - 1000)).toEqual([])
})

it('only real web addresses are taken', () => {
  const good = [
    'https://harrowmere.example',
    'http://a.example/x?y=1#z',
    'HTTPS://a.example:8080/',
    // Pages of the same server.
    '/stand-ins/pages/water-levels',
    '/',
  ]
  const bad = [
    'javascript:alert(1)',
    'data:text/html,x',
    '//a.example',
    '/\\a.example',
    'https://',
    'a.example',
    'https://a b',
    'https://a.example@b.example/',
    'ftp://a.example',
  ]
  expect(good.filter((text) => !addressSchema.safeParse(text).success)).toEqual([])
  expect(bad.filter((text) => addressSchema.safeParse(text).success)).toEqual([])
})

it('a lesson tells the media it shows: pictures, sounds and second films too', () => {
  const content = { form: 'picture', mediaId: 'picture-1', fit: 'whole' } as const
  const lesson = edited(fullLesson(), edits.setOverlayForm, { cueId: 'o', content })
  expect(mediaIdsOf(lesson)).toEqual(['media-1', 'picture-1'])
  for (const form of [SOUND, FILM]) {
    const showing = edited(fullLesson(), edits.setOverlayForm, {
      cueId: 'o',
      content: { ...form, mediaId: 'm-2' },
    })
    expect(mediaIdsOf(showing)).toEqual(['media-1', 'm-2'])
    const replaced = edited(showing, edits.replaceMedia, { from: 'm-2', to: 'm-3', film: null })
    expect(stagedMediaIdsOf(replaced)).toEqual(['m-3'])
  }
})
