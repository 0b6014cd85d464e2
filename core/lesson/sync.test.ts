// Editors and a server, with edits that cross on the way: everyone ends with the same document.
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { syncOf, type StateOf } from '../drafts/index.ts'
import { edited, filmOf, lessonWithFilm, PART } from '../testing/index.ts'
import {
  applyPatches,
  checkLesson,
  edits,
  runEdit,
  type Lesson,
  type LoggedEdit,
  type Patch,
  type PendingEdit,
} from './index.ts'

const {
  addOwnEdit,
  dropKnown,
  dropRefused,
  openDraft,
  receiveEdits,
  reopenDraft,
  retryRefused,
  refuseEdit,
} = syncOf<Lesson>(checkLesson)
type DraftState = StateOf<Lesson>

const OTHER = 'part-2'
const FILM = lessonWithFilm()
const TWO = {
  ...FILM,
  parts: { ...FILM.parts, [OTHER]: { ...filmOf(FILM), id: OTHER, order: 'z' } },
}
const START = edited(TWO, edits.addBookmark, { cueId: 'b', partId: PART, atMs: 0, title: '' })

/** A server as the real one decides: in order of arrival, each edit whole or not at all, repeats passed over. */
class SlowServer {
  lesson: Lesson = START
  log: LoggedEdit[] = []

  take(edit: PendingEdit): boolean {
    if (this.log.some((entry) => entry.id === edit.id)) return true
    const applied = applyPatches(this.lesson, edit.patches)
    if (!applied.ok || !checkLesson(applied.value).ok) return false
    this.lesson = applied.value
    this.log.push({ ...edit, revision: this.log.length + 1 })
    return true
  }
}

type Step = { client: 0 | 1; act: 'edit' | 'send' | 'receive' | 'sendTwice'; what: number }

/** An edit of these patches, where a lesson comes of it. */
function patched(lesson: Lesson, patches: Patch[]): ReturnType<typeof runEdit> {
  const applied = applyPatches(lesson, patches)
  if (!applied.ok || !checkLesson(applied.value).ok) return { ok: false, issues: [] }
  return { ok: true, lesson: applied.value, made: { name: 'patched', patches, inverse: [] } }
}

/** By its place alone it fits where the other part is gone. */
function markOther(cueId: string): Patch[] {
  const value = { ...START.cues.b!, id: cueId, partId: OTHER }
  return [{ op: 'add', path: `/cues/${cueId}`, value }]
}
const REMOVE_OTHER: Patch[] = [{ op: 'remove', path: `/parts/${OTHER}` }]
const addOther = (): Patch[] => [{ op: 'add', path: `/parts/${OTHER}`, value: START.parts[OTHER]! }]

let made = 0
function makeEdit(state: DraftState, what: number): DraftState {
  const cueId = `c${what % 3}`
  const kinds = [
    () => runEdit(state.view, edits.setLessonText, { field: 'title', text: `title ${what}` }),
    () => runEdit(state.view, edits.addBookmark, { cueId, partId: PART, atMs: what, title: '' }),
    () => runEdit(state.view, edits.moveCue, { cueId, toMs: what * 10 }),
    () => runEdit(state.view, edits.removeCues, { cueIds: [cueId] }),
    () => runEdit(state.view, edits.setBookmarkTitle, { cueId, title: `t${what}` }),
    () => patched(state.view, what % 2 ? REMOVE_OTHER : addOther()),
    () => patched(state.view, markOther(cueId)),
  ]
  const outcome = kinds[what % kinds.length]!()
  if (!outcome.ok || outcome.made.patches.length === 0) return state
  const { name, patches } = outcome.made
  return addOwnEdit(state, { id: `e${(made += 1)}`, name, patches }, outcome.lesson)
}

function receive(state: DraftState, server: SlowServer): DraftState {
  const next = receiveEdits(state, server.log.slice(state.revision))
  if (!next) throw new Error('a gap where there is none')
  return next
}

function send(state: DraftState, server: SlowServer): DraftState {
  let next = state
  for (const edit of state.pending)
    if (!server.take(edit))
      next = refuseEdit(next, edit.id, [{ path: [], code: 'refused', message: '' }])
  return next
}

const steps = fc.array(
  fc.record<Step>({
    client: fc.constantFrom(0, 1),
    act: fc.constantFrom('edit', 'edit', 'send', 'receive', 'sendTwice'),
    what: fc.nat(83),
  }),
  { maxLength: 40 },
)

it('two clients and the server converge, however their edits cross', () => {
  fc.assert(
    fc.property(steps, (list) => {
      const server = new SlowServer()
      const clients = [openDraft(START, 0), openDraft(START, 0)]
      for (const { client, act, what } of list) {
        const state = clients[client]!
        if (act === 'edit') clients[client] = makeEdit(state, what)
        else if (act === 'receive') clients[client] = receive(state, server)
        else
          clients[client] = act === 'send' ? send(state, server) : send(send(state, server), server)
      }
      for (const state of clients) expect(checkLesson(state.view)).toMatchObject({ ok: true })
      const settled = clients
        .map((state) => receive(send(state, server), server))
        .map((s) => receive(s, server))
      for (const state of settled) {
        expect(state.pending).toEqual([])
        expect(state.view).toEqual(server.lesson)
        expect(state.confirmed).toEqual(server.lesson)
      }
    }),
    { seed: 1819, numRuns: 300 },
  )
})

describe('one client', () => {
  const rename = (id: string, text: string): PendingEdit => ({
    id,
    name: 'setLessonText',
    patches: [{ op: 'replace', path: '/title', value: text }],
  })

  it('shows waiting edits on top of what came from the server after a reload', () => {
    const state = openDraft(START, 0, [rename('mine', 'Mine')])
    const next = receiveEdits(state, [{ ...rename('theirs', 'Theirs'), revision: 1 }])!
    expect(next.confirmed.title).toBe('Theirs')
    expect(next.view.title).toBe('Mine')
  })

  it('asks for what is missing when revisions have a gap', () => {
    expect(receiveEdits(openDraft(START, 0), [{ ...rename('x', 'x'), revision: 2 }])).toBeNull()
  })

  it('passes over what it knows already', () => {
    const once = receiveEdits(openDraft(START, 0), [{ ...rename('x', 'x'), revision: 1 }])!
    expect(receiveEdits(once, [{ ...rename('x', 'x'), revision: 1 }])).toBe(once)
  })

  it('keeps a waiting edit that no longer fits among the refused, until it is dropped', () => {
    const edit = {
      id: 'm',
      name: 'moveCue',
      patches: [{ op: 'replace' as const, path: '/cues/b/atMs', value: 5 }],
    }
    const removal = {
      id: 'r',
      name: 'removeCue',
      revision: 1,
      patches: [{ op: 'remove' as const, path: '/cues/b' }],
    }
    const state = receiveEdits(openDraft(START, 0, [edit]), [removal])!
    expect(state.refused).toMatchObject([{ id: 'm', issues: [{ code: 'patch.target' }] }])
    expect(dropRefused(state, 'm').refused).toEqual([])
    // It fits again once the bookmark is back.
    expect(retryRefused(state, 'm')).toBe(null)
    const value = START.cues.b!
    const back = {
      ...removal,
      id: 'back',
      revision: 2,
      patches: [{ op: 'add' as const, path: '/cues/b', value }],
    }
    const again = retryRefused(receiveEdits(state, [back])!, 'm')!
    expect(again).toMatchObject({ refused: [], pending: [{ id: 'm' }] })
    expect(again.view.cues.b).toMatchObject({ atMs: 5 })
    expect(retryRefused(state, 'nobody')).toBe(null)
  })

  it('puts aside a waiting edit that fits by its places and makes no lesson any more', () => {
    const mark = { id: 'mine', name: 'addBookmark', patches: markOther('again') }
    const mine = openDraft(START, 0, [mark, rename('after', 'Mine')])
    const gone = { id: 'theirs', name: 'removePart', patches: REMOVE_OTHER, revision: 1 }
    const state = receiveEdits(mine, [gone])!
    expect(checkLesson(state.view)).toMatchObject({ ok: true })
    expect(state.refused).toMatchObject([{ id: 'mine', issues: [{ code: 'reference.missing' }] }])
    expect(state).toMatchObject({ pending: [{ id: 'after' }], view: { title: 'Mine' } })
    // The server may have been of another opinion, because it heard of it first.
    const entry = { id: 'mine', name: 'addBookmark', patches: [], revision: 2 }
    expect(receiveEdits(state, [entry])!.refused).toEqual([])
  })

  it('forgets what the server has known for long', () => {
    const state = openDraft(START, 3, [rename('known', 'Old'), rename('new', 'New')])
    expect(dropKnown(state, ['known']).pending).toMatchObject([{ id: 'new' }])
    expect(dropKnown(state, ['other'])).toBe(state)
  })

  it('begins anew with what waits', () => {
    const state = openDraft(START, 3, [rename('mine', 'Mine')])
    const other = edited(START, edits.setLanguage, { language: 'de' })
    expect(reopenDraft(state, other, 9)).toMatchObject({
      revision: 9,
      pending: [{ id: 'mine' }],
      view: { title: 'Mine', language: 'de' },
    })
  })
})
