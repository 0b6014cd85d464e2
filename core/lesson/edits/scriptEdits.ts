// Edits of scripts: their lines, their times, their languages.
import { cleanText } from '../../fields/index.ts'
import { linesInOrder, roomToShift } from '../order.ts'
import type { Edit } from '../runEdit.ts'
import type { Lesson, Script, ScriptLine } from '../schema.ts'
import { clampSpan } from './placing.ts'

/** A line is never shorter than this, in ms. */
const SHORTEST_LINE_MS = 40

export interface ImportedLine {
  id: string
  fromMs: number
  toMs: number
  text: string
  carried?: ScriptLine['carried']
}

/** Puts a script in place of the part's script in the same language. */
export const importScript: Edit<{
  id: string
  partId: string
  language: string
  lines: ImportedLine[]
  carried?: Script['carried']
}> = {
  name: 'importScript',
  change: (draft, { id, partId, language, lines, carried }) => {
    for (const script of Object.values(draft.scripts))
      if (script.partId === partId && script.language === language) delete draft.scripts[script.id]
    const clean = lines.map((line) => [line.id, { ...line, text: cleanText(line.text) }] as const)
    const script: Script = { id, partId, language, lines: Object.fromEntries(clean) }
    draft.scripts[id] = carried ? { ...script, carried } : script
  },
}

/**
 * Adds a script in another language. Times and words of an existing one are taken over, to be written over;
 * `newIds` gives each of its lines an id.
 */
export const addScript: Edit<{
  id: string
  partId: string
  language: string
  from?: { scriptId: string; newIds: Readonly<Record<string, string>> }
}> = {
  name: 'addScript',
  change: (draft, { id, partId, language, from }) => {
    const source = from ? Object.values(draft.scripts[from.scriptId]?.lines ?? {}) : []
    const lines = source.flatMap(({ id: lineId, fromMs, toMs, text }) => {
      const newId = from!.newIds[lineId]
      return newId ? [[newId, { id: newId, fromMs, toMs, text }] as const] : []
    })
    draft.scripts[id] = { id, partId, language, lines: Object.fromEntries(lines) }
  },
}

export const removeScript: Edit<{ scriptId: string }> = {
  name: 'removeScript',
  change: (draft, { scriptId }) => {
    delete draft.scripts[scriptId]
  },
}

const lineOf = (draft: Lesson, scriptId: string, lineId: string) =>
  draft.scripts[scriptId]?.lines[lineId]

/** Changes the words of a line; markup that came with the old words is written again only with those. */
export const setLineText: Edit<{ scriptId: string; lineId: string; text: string }> = {
  name: 'setLineText',
  change: (draft, { scriptId, lineId, text }) => {
    const line = lineOf(draft, scriptId, lineId)
    if (line) line.text = cleanText(text)
  },
}

export const setLineTimes: Edit<{
  scriptId: string
  lineId: string
  fromMs: number
  toMs: number
}> = {
  name: 'setLineTimes',
  change: (draft, { scriptId, lineId, fromMs, toMs }) => {
    const line = lineOf(draft, scriptId, lineId)
    const partId = draft.scripts[scriptId]?.partId
    if (line && partId)
      Object.assign(line, clampSpan(draft, partId, fromMs, toMs, SHORTEST_LINE_MS))
  },
}

/** Adds an empty line. */
export const addLine: Edit<{ scriptId: string; lineId: string; fromMs: number; toMs: number }> = {
  name: 'addLine',
  change: (draft, { scriptId, lineId, fromMs, toMs }) => {
    const script = draft.scripts[scriptId]
    if (!script) return
    const span = clampSpan(draft, script.partId, fromMs, toMs, SHORTEST_LINE_MS)
    script.lines[lineId] = { id: lineId, ...span, text: '' }
  },
}

export const removeLine: Edit<{ scriptId: string; lineId: string }> = {
  name: 'removeLine',
  change: (draft, { scriptId, lineId }) => {
    delete draft.scripts[scriptId]?.lines[lineId]
  },
}

/**
 * Splits a line before its character `at`; the time is shared by the number of letters, or parted at `atMs` where
 * that lies within the line.
 */
export const splitLine: Edit<{
  scriptId: string
  lineId: string
  newLineId: string
  at: number
  atMs?: number
}> = {
  name: 'splitLine',
  change: (draft, { scriptId, lineId, newLineId, at, atMs }) => {
    const line = lineOf(draft, scriptId, lineId)
    if (!line || line.toMs - line.fromMs < 2 * SHORTEST_LINE_MS) return
    const share = line.text.length > 0 ? at / line.text.length : 0.5
    const wanted = atMs ?? line.fromMs + share * (line.toMs - line.fromMs)
    const parted = Math.round(
      Math.min(Math.max(wanted, line.fromMs + SHORTEST_LINE_MS), line.toMs - SHORTEST_LINE_MS),
    )
    const text = line.text.slice(at).trimStart()
    draft.scripts[scriptId]!.lines[newLineId] = {
      id: newLineId,
      fromMs: parted,
      toMs: line.toMs,
      text,
    }
    line.text = line.text.slice(0, at).trimEnd()
    line.toMs = parted
  },
}

/** Joins a line with the one after it. */
export const joinLines: Edit<{ scriptId: string; lineId: string }> = {
  name: 'joinLines',
  change: (draft, { scriptId, lineId }) => {
    const script = draft.scripts[scriptId]
    if (!script) return
    const lines = linesInOrder(script)
    const index = lines.findIndex(({ id }) => id === lineId)
    const [line, next] = [lines[index], lines[index + 1]]
    if (!line || !next) return
    line.text = [line.text, next.text].filter((text) => text !== '').join(' ')
    line.toMs = Math.max(line.toMs, next.toMs)
    delete script.lines[next.id]
  },
}

/** Moves all lines that begin at or after `fromMs`; nothing is moved before the film or past its longest time. */
export const shiftLines: Edit<{ scriptId: string; fromMs: number; byMs: number }> = {
  name: 'shiftLines',
  change: (draft, { scriptId, fromMs, byMs }) => {
    const script = draft.scripts[scriptId]
    if (script) shiftFrom(script, fromMs, byMs)
  },
}

function shiftFrom(script: Script, fromMs: number, byMs: number): void {
  const lines = Object.values(script.lines).filter((line) => line.fromMs >= fromMs)
  const { backMs, onMs } = roomToShift(script, fromMs)
  const shift = Math.round(Math.min(Math.max(byMs, backMs), onMs))
  for (const line of lines) {
    line.fromMs += shift
    line.toMs += shift
  }
}

/**
 * Says that a line begins now, as one taps along with the film. It keeps its length, the line before ends no later,
 * and lines that would now begin before it are put right behind it, each still in its turn. All others stay: a tap
 * must not write a script of hours anew.
 */
export const tapLine: Edit<{ scriptId: string; lineId: string; atMs: number }> = {
  name: 'tapLine',
  change: (draft, { scriptId, lineId, atMs }) => {
    const script = draft.scripts[scriptId]
    if (!script) return
    const lines = linesInOrder(script)
    const index = lines.findIndex(({ id }) => id === lineId)
    const [before, line] = [lines[index - 1], lines[index]]
    if (!line) return
    moveLine(line, Math.max(Math.round(atMs), before ? before.fromMs + SHORTEST_LINE_MS : 0))
    if (before && before.toMs > line.fromMs) before.toMs = line.fromMs
    let behindMs = line.fromMs
    for (const later of lines.slice(index + 1)) {
      if (later.fromMs > behindMs) break
      behindMs += SHORTEST_LINE_MS
      moveLine(later, behindMs)
    }
  },
}

function moveLine(line: ScriptLine, toMs: number): void {
  line.toMs += toMs - line.fromMs
  line.fromMs = toMs
}
