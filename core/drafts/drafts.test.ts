// Drafts of a document that is no lesson: what several people do to it ends in one document, and nothing that it may not be.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  emptyUndo,
  recordEdit,
  runEditOn,
  syncOf,
  undoOf,
  type Check,
  type EditOf,
  type LoggedEdit,
  type StateOf,
} from './index.ts'

/** A shelf of cups, no more than four of them, each with a place of its own. */
interface Shelf {
  cups: Record<string, { place: number }>
}
const MOST_CUPS = 4
const check: Check<Shelf> = (value) => {
  const places = Object.values((value as Shelf).cups).map(({ place }) => place)
  const fits = places.length <= MOST_CUPS && new Set(places).size === places.length
  return fits
    ? { ok: true, value: value as Shelf }
    : { ok: false, issues: [{ path: ['cups'], code: 'shelf.full', message: 'has no room' }] }
}
const put: EditOf<Shelf, { id: string; place: number }> = {
  name: 'put',
  change: (shelf, { id, place }) => void (shelf.cups[id] = { place }),
}
const remove: EditOf<Shelf, { id: string }> = {
  name: 'remove',
  change: (shelf, { id }) => void delete shelf.cups[id],
}
const { openDraft, addOwnEdit, receiveEdits, refuseEdit } = syncOf(check)
const { undo, redo } = undoOf(check)
const EMPTY: Shelf = { cups: {} }

let made = 0
/** Does something on one device: nothing where it may not be. */
function doOn(state: StateOf<Shelf>, what: number, id: string): StateOf<Shelf> {
  const outcome =
    what === 0
      ? runEditOn(check, state.view, remove, { id })
      : runEditOn(check, state.view, put, { id, place: what })
  if (!outcome.ok || outcome.made.patches.length === 0) return state
  const { name, patches } = outcome.made
  return addOwnEdit(state, { id: `e${(made += 1)}`, name, patches }, outcome.document)
}

/** What a server does with the oldest waiting edit: logs it where a shelf comes of it, else refuses it. */
function sendOne(state: StateOf<Shelf>, log: LoggedEdit[]): StateOf<Shelf> {
  const behind = receiveEdits(state, log)!
  const [edit] = behind.pending
  if (!edit) return behind
  const server = receiveEdits(openDraft(EMPTY, 0), log)!
  const taken = receiveEdits(server, [{ ...edit, revision: log.length + 1 }])
  if (!taken || !check(taken.confirmed).ok) return refuseEdit(behind, edit.id, [])
  log.push({ ...edit, revision: log.length + 1 })
  return receiveEdits(behind, log)!
}

describe('drafts of any document', () => {
  it('come to one document on every device, and to none that may not be', () => {
    const step = fc.record({
      who: fc.integer({ min: 0, max: 2 }),
      what: fc.integer({ min: 0, max: 6 }),
      id: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
      sends: fc.boolean(),
    })
    fc.assert(
      fc.property(fc.array(step, { maxLength: 60 }), (steps) => {
        const log: LoggedEdit[] = []
        const devices = [0, 1, 2].map(() => openDraft(EMPTY, 0))
        for (const { who, what, id, sends } of steps) {
          devices[who] = sends ? sendOne(devices[who]!, log) : doOn(devices[who]!, what, id)
          expect(check(devices[who]!.view).ok).toBe(true)
        }
        for (const who of [0, 1, 2])
          while (devices[who]!.pending.length > 0) devices[who] = sendOne(devices[who]!, log)
        const ends = devices.map((device) => receiveEdits(device, log)!.view)
        expect(ends[1]).toEqual(ends[0])
        expect(ends[2]).toEqual(ends[0])
      }),
    )
  })

  it('refuse an edit of which none comes, and leave the document alone', () => {
    const full: Shelf = {
      cups: Object.fromEntries([1, 2, 3, 4].map((place) => [`c${place}`, { place }])),
    }
    const outcome = runEditOn(check, full, put, { id: 'one too many', place: 5 })
    expect(outcome).toMatchObject({ ok: false, issues: [{ code: 'shelf.full' }] })
    expect(Object.keys(full.cups)).toHaveLength(MOST_CUPS)
  })

  it('take back and do again what was done, unless somebody has changed it since', () => {
    const first = runEditOn(check, EMPTY, put, { id: 'a', place: 1 })
    if (!first.ok) throw new Error('not put')
    const steps = recordEdit(emptyUndo, first.made)
    const back = undo(steps, first.document)
    expect(back).toMatchObject({ ok: true, document: EMPTY })
    if (!back?.ok) throw new Error('not taken back')
    expect(redo(back.state, back.document)).toMatchObject({ ok: true, document: first.document })
    const moved: Shelf = { cups: { a: { place: 3 } } }
    expect(undo(steps, moved)).toMatchObject({ ok: false, name: 'put' })
  })
})
