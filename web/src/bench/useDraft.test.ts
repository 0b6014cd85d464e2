// The draft in the bench against a server that may be away, signed out, busy with others, or of another opinion.
import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import {
  applyPatches,
  edits,
  runEdit,
  type Edit,
  type Lesson,
  type LoggedEdit,
} from '@fernbrake/core/lesson'
import { lessonWithFilm, PART } from '@fernbrake/core/testing'

type Mode = 'well' | 'away' | 'signedOut' | 'refuses' | 'answersLost'
interface Body {
  revision: number
  edits: Omit<LoggedEdit, 'revision'>[]
}

const server = vi.hoisted(() => ({
  lesson: null as unknown as Lesson,
  log: [] as LoggedEdit[],
  mode: 'well' as Mode,
  calls: 0,
  /** How often the log was asked for, and how much of it is told at once. */
  asked: 0,
  atOnce: 500,
}))
const socket = vi.hoisted(() => ({
  heard: new Map<string, (message: unknown) => void>(),
  connected: false,
}))

vi.mock('../api/live.ts', () => ({
  liveSocket: () => ({
    on: (name: string, listener: (message: unknown) => void) => socket.heard.set(name, listener),
    off: (name: string) => socket.heard.delete(name),
    emit: () => undefined,
    get connected() {
      return socket.connected
    },
  }),
}))

vi.mock('../api/client.ts', async (original) => {
  const { ApiError } = await original<typeof import('../api/client.ts')>()
  const keep = (edit: Omit<LoggedEdit, 'revision'>) => {
    if (server.log.some(({ id }) => id === edit.id)) return
    const applied = applyPatches(server.lesson, edit.patches)
    if (!applied.ok) throw new Error('The patches do not fit')
    server.lesson = applied.value
    server.log.push({ ...edit, revision: server.log.length + 1 })
  }
  const call = (name: string, given: { body?: Body; query?: { since: number } }) => {
    if (server.mode === 'away') return Promise.reject(new ApiError(0, null))
    if (name === 'lesson')
      return Promise.resolve({
        id: lessonId,
        lesson: server.lesson,
        revision: server.log.length,
        role: 'owner',
        editions: [],
        linkCode: null,
        updatedAt: '2026-03-02T10:00:00.000Z',
      })
    const since = given.body?.revision ?? given.query?.since ?? 0
    const known: string[] = []
    if (name === 'draftEdits') server.asked += 1
    if (name === 'editDraft') {
      server.calls += 1
      if (server.mode === 'signedOut') return Promise.reject(new ApiError(401, null))
      const [first] = given.body!.edits
      if (server.mode === 'refuses' && first!.patches.some((p) => p.path === '/title'))
        return Promise.reject(
          new ApiError(422, {
            type: 'invalid-edit',
            title: 'Invalid edit',
            status: 422,
            detail: 'No.',
            editId: first!.id,
            issues: [{ path: ['title'], code: 'taken', message: 'is taken' }],
          }),
        )
      const there = new Set(server.log.map(({ id }) => id))
      known.push(...given.body!.edits.map(({ id }) => id).filter((id) => there.has(id)))
      given.body!.edits.forEach(keep)
      if (server.mode === 'answersLost') return Promise.reject(new ApiError(0, null))
    }
    const entries = server.log.filter(({ revision }) => revision > since)
    const told = { revision: server.log.length, entries: entries.slice(0, server.atOnce), known }
    return Promise.resolve(told)
  }
  return { ApiError, call }
})

const { lessonAsLeft, openBenchDraft, restWithScope } = await import('./useDraft.ts')
const { leave } = await import('../api/leaving.ts')
let lessonId = ''
let lessons = 0

beforeEach(() => {
  vi.stubGlobal('window', new EventTarget())
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] })
  lessonId = `lesson-${(lessons += 1)}`
  Object.assign(server, { lesson: lessonWithFilm(), log: [], mode: 'well', calls: 0, asked: 0 })
  server.atOnce = 500
})
afterEach(() => vi.useRealTimers())

const title = (text: string) => [edits.setLessonText, { field: 'title', text }] as const
const titleOfFilm = (text: string) => [edits.renamePart, { partId: PART, title: text }] as const
/** Lets the gathered edits be sent, or sent again. */
const pass = async (ms = 300) => {
  await vi.advanceTimersByTimeAsync(ms)
  await vi.advanceTimersByTimeAsync(0)
}

/** What somebody else does, taken in by the server and told to everyone who listens. */
function other<A>(edit: Edit<A>, args: A): void {
  const outcome = runEdit(server.lesson, edit, args)
  if (!outcome.ok) throw new Error('not a valid edit')
  server.lesson = outcome.lesson
  const { name, patches } = outcome.made
  const entry = { id: `other-${server.log.length}`, name, patches, revision: server.log.length + 1 }
  server.log.push(entry)
  socket.heard.get('draftEdited')?.({ lessonId, entries: [entry] })
}

describe('an edit', () => {
  it('is seen at once, and kept when the server has it', async () => {
    const draft = await openBenchDraft(lessonId)
    draft.make(...title('Water'))
    expect(draft.lesson.value.title).toBe('Water')
    expect(draft.keeping.value).toBe('sending')
    await pass()
    expect(draft.keeping.value).toBe('kept')
    expect(server.lesson.title).toBe('Water')
  })

  it('typed letter by letter travels as one, and is one step of undo', async () => {
    const draft = await openBenchDraft(lessonId)
    for (const text of ['W', 'Wa', 'Wat']) draft.make(...title(text))
    await pass()
    expect(server.log).toHaveLength(1)
    draft.undo()
    expect(draft.lesson.value.title).toBe('A lesson')
    draft.redo()
    expect(draft.lesson.value.title).toBe('Wat')
  })

  it('that stands alone is a step of its own, however quickly it follows, and is followed', async () => {
    const draft = await openBenchDraft(lessonId)
    draft.make(...title('One'))
    const alone = { ...edits.setLessonText, alone: true } as const
    draft.make(alone, { field: 'title', text: 'Two' })
    draft.make(...title('Three'))
    for (const before of ['Two', 'One', 'A lesson']) {
      draft.undo()
      expect(draft.lesson.value.title).toBe(before)
    }
    await pass()
    expect(server.lesson.title).toBe('A lesson')
  })

  it('that would break the lesson is not made, and says why', async () => {
    const draft = await openBenchDraft(lessonId)
    expect(draft.make(edits.setLanguage, { language: 'not a language' })).toBe(false)
    expect(draft.notice.value).toMatchObject({ kind: 'invalid', name: 'setLanguage' })
    expect(draft.state.value.pending).toEqual([])
  })
})

describe('without the server', () => {
  it('edits wait, are tried again, and arrive in order', async () => {
    const draft = await openBenchDraft(lessonId)
    server.mode = 'away'
    draft.make(...title('One'))
    await pass(2000)
    draft.make(edits.addBookmark, { cueId: 'm', partId: PART, atMs: 1000, title: 'Two' })
    await pass()
    expect(draft.keeping.value).toBe('offline')
    expect(draft.state.value.pending).toHaveLength(2)
    server.mode = 'well'
    await pass(20_000)
    expect(draft.keeping.value).toBe('kept')
    expect(server.log.map(({ name }) => name)).toEqual(['setLessonText', 'addBookmark'])
  })

  it('edits survive a closed tab', async () => {
    const draft = await openBenchDraft(lessonId)
    server.mode = 'away'
    draft.make(...title('Kept here'))
    await pass()
    draft.close()
    server.mode = 'well'
    const again = await openBenchDraft(lessonId)
    expect(again.lesson.value.title).toBe('Kept here')
    await pass()
    expect(server.lesson.title).toBe('Kept here')
  })

  it('an edit whose answer was lost is taken in once', async () => {
    const draft = await openBenchDraft(lessonId)
    server.mode = 'answersLost'
    draft.make(edits.addBookmark, { cueId: 'm', partId: PART, atMs: 1000, title: 'Once' })
    await pass()
    server.mode = 'well'
    await pass(20_000)
    expect(server.log).toHaveLength(1)
    expect(server.calls).toBeGreaterThan(1)
    expect(draft.state.value.pending).toEqual([])
  })

  it('says that somebody is signed out, and keeps what waits', async () => {
    const draft = await openBenchDraft(lessonId)
    server.mode = 'signedOut'
    draft.make(...title('Later'))
    await pass()
    expect(draft.keeping.value).toBe('signedOut')
    expect(draft.state.value.pending).toHaveLength(1)
  })
})

describe('with others', () => {
  it('their edits come in below what is not sent yet', async () => {
    const draft = await openBenchDraft(lessonId)
    draft.make(...title('Mine'))
    other(edits.addBookmark, { cueId: 'm', partId: PART, atMs: 1000, title: 'Theirs' })
    expect(draft.lesson.value).toMatchObject({ title: 'Mine', cues: { m: { title: 'Theirs' } } })
    await pass()
    expect(draft.lesson.value).toEqual(server.lesson)
  })

  it('what they changed since cannot be undone over their heads', async () => {
    const draft = await openBenchDraft(lessonId)
    draft.make(...title('Mine'))
    await pass()
    other(edits.setLessonText, { field: 'title', text: 'Theirs' })
    draft.undo()
    expect(draft.notice.value).toMatchObject({ kind: 'undoBlocked', name: 'setLessonText' })
    expect(draft.lesson.value.title).toBe('Theirs')
  })

  it('a refused edit is put aside with its reason, and the rest goes on', async () => {
    const draft = await openBenchDraft(lessonId)
    server.mode = 'refuses'
    draft.make(...title('Taken'))
    await pass(2000)
    draft.make(edits.addBookmark, { cueId: 'm', partId: PART, atMs: 1000, title: 'Fine' })
    await pass()
    expect(draft.state.value.refused).toMatchObject([{ issues: [{ message: 'is taken' }] }])
    expect(server.log.map(({ name }) => name)).toEqual(['addBookmark'])
    expect(draft.lesson.value.title).toBe('A lesson')
  })
})

describe('a log', () => {
  it('that does not fit is not asked for again and again: the draft is opened anew, with what waits', async () => {
    const draft = await openBenchDraft(lessonId)
    server.mode = 'away'
    draft.make(...title('Mine'))
    await pass()
    server.mode = 'well'
    // As where a backup was put back: the revisions go on, on a lesson that is not the one here.
    const patches = [{ op: 'remove' as const, path: '/cues/never-here' }]
    server.lesson = { ...lessonWithFilm(), summary: 'Put back' }
    server.log.push({ id: 'misfit', name: 'removeCues', patches, revision: 1 })
    socket.heard.get('draftEdited')?.({ lessonId, entries: server.log })
    await pass(10_000)
    expect(server.asked).toBeLessThan(4)
    expect(draft.lesson.value).toMatchObject({ title: 'Mine', summary: 'Put back' })
    expect(server.lesson).toMatchObject({ title: 'Mine' })
  })

  it('that is long is followed piece by piece', async () => {
    const draft = await openBenchDraft(lessonId)
    server.atOnce = 3
    const heard = socket.heard.get('draftEdited')!
    socket.heard.delete('draftEdited')
    for (let count = 1; count <= 10; count += 1)
      other(edits.setLessonText, { field: 'title', text: `Title ${count}` })
    socket.heard.set('draftEdited', heard)
    draft.make(edits.addBookmark, { cueId: 'm', partId: PART, atMs: 1000, title: 'Mine' })
    await pass()
    expect(draft.lesson.value).toEqual(server.lesson)
    expect([draft.state.value.pending, draft.keeping.value]).toEqual([[], 'kept'])
  })

  it('that names a waiting edit no more, because it was kept long ago, lets go of it', async () => {
    const draft = await openBenchDraft(lessonId)
    server.mode = 'answersLost'
    draft.make(...title('Once'))
    await pass()
    draft.close()
    server.mode = 'well'
    const again = await openBenchDraft(lessonId)
    await pass()
    await pass(10_000)
    expect([again.state.value.pending, again.keeping.value]).toEqual([[], 'kept'])
    expect(server.calls).toBeLessThan(5)
  })
})

describe('a draft whose bench was left', () => {
  /** A bench that is opened and left again, as going to another page does. */
  const leaveBench = (draft: Awaited<ReturnType<typeof openBenchDraft>>) => {
    const scope = effectScope()
    scope.run(() => restWithScope(draft))
    scope.stop()
  }

  it('is the same on coming back: what was done can be undone, what others did is there', async () => {
    const draft = await openBenchDraft(lessonId)
    draft.make(...title('Water'))
    leaveBench(draft)
    await pass()
    expect(server.lesson.title).toBe('Water')
    other(...titleOfFilm('Locks'))
    const again = await openBenchDraft(lessonId)
    await pass()
    expect(again).toBe(draft)
    expect(again.lesson.value.parts[PART]?.title).toBe('Locks')
    again.undo()
    await pass()
    expect(server.lesson.title).toBe('A lesson')
  })

  it('sends what waits, and is seen by a preview as it stands here', async () => {
    const draft = await openBenchDraft(lessonId)
    server.mode = 'away'
    draft.make(...title('Not sent yet'))
    leaveBench(draft)
    expect((await lessonAsLeft(lessonId))?.title).toBe('Not sent yet')
    expect(await lessonAsLeft('another')).toBeNull()
    server.mode = 'well'
    await pass(10_000)
    expect(server.lesson.title).toBe('Not sent yet')
  })

  it('ends when another is opened', async () => {
    const draft = await openBenchDraft(lessonId)
    leaveBench(draft)
    await openBenchDraft(`${lessonId}-other`)
    expect(await openBenchDraft(lessonId)).not.toBe(draft)
  })

  it.each([false, true])(
    'is not sent in the name of whoever comes next, another opened since: %s',
    async (another) => {
      const draft = await openBenchDraft(lessonId)
      server.mode = 'signedOut'
      draft.make(...title('Mine'))
      await pass()
      leaveBench(draft)
      // The bench of another lesson was opened since: the first one is closed, and still tries to send.
      if (another) await openBenchDraft(`${lessonId}-other`)
      server.mode = 'well'
      leave()
      const calls = server.calls
      await pass(60_000)
      expect(server.calls).toBe(calls)
      expect(server.lesson.title).toBe('A lesson')
    },
  )
})
