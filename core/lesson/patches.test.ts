import { describe, expect, it } from 'vitest'
import { fullLesson, PART } from '../testing/index.ts'
import { emptyUndo, recordEdit, undoOf } from '../drafts/index.ts'
import { applyPatches, checkLesson, edits, runEdit, type Lesson } from './index.ts'

describe('patches', () => {
  it('that change what an earlier one put in leave that one as it was', () => {
    const value = { id: 'n', inner: { a: 1 } }
    const patches = [
      { op: 'add' as const, path: '/n', value },
      { op: 'replace' as const, path: '/n/inner/a', value: 2 },
    ]
    const applied = applyPatches<object>({}, patches)
    expect(applied).toEqual({ ok: true, value: { n: { id: 'n', inner: { a: 2 } } } })
    expect(value.inner.a).toBe(1)
  })

  it('one that does not fit leaves nothing of the others', () => {
    const before = { cues: { a: { atMs: 1 } } }
    const applied = applyPatches<object>(before, [
      { op: 'replace', path: '/cues/a/atMs', value: 2 },
      { op: 'remove', path: '/cues/b' },
    ])
    expect(applied).toMatchObject({ ok: false, issues: [{ path: ['patches', 1] }] })
    expect(before).toEqual({ cues: { a: { atMs: 1 } } })
  })

  it('an import with notes in its file can be taken back after it came from the server', () => {
    const carried = {
      format: 'webvtt' as const,
      header: 'WEBVTT',
      blocks: [{ before: null, text: 'NOTE Between us' }],
    }
    const script = { id: 's9', partId: PART, language: 'de', lines: [], carried }
    const outcome = runEdit(fullLesson(), edits.importScript, script)
    if (!outcome.ok) throw new Error('refused')
    const sent = JSON.parse(JSON.stringify(outcome.lesson)) as Lesson
    expect(undoOf(checkLesson).undo(recordEdit(emptyUndo, outcome.made), sent)).toMatchObject({
      ok: true,
    })
  })

  const lesson = fullLesson()
  it.each([
    ['a target that is gone', '/cues/nobody', 'replace'],
    ['a parent that is gone', '/cues/nobody/atMs', 'add'],
    ['a way through a text', '/title/length', 'replace'],
    ['the prototype', '/__proto__/polluted', 'add'],
    ['a constructor', '/constructor/prototype', 'add'],
  ])('refuses %s', (_name, path, op) => {
    expect(applyPatches(lesson, [{ op, path, value: 1 } as never]).ok).toBe(false)
    expect(({} as Record<string, unknown>).polluted).toBeUndefined()
  })

  it('applies all or nothing', () => {
    const result = applyPatches(lesson, [
      { op: 'replace', path: '/title', value: 'half' },
      { op: 'remove', path: '/cues/nobody' },
    ])
    expect(result).toMatchObject({ ok: false, issues: [{ path: ['patches', 1] }] })
    expect(lesson.title).toBe('A lesson')
  })
})
