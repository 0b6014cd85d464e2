// Edits that place, move, change, copy and remove cues.
import { cleanText } from '../../fields/index.ts'
import {
  blankBase,
  blankQuestion,
  forShelf,
  isGraded,
  type Question,
  type QuestionKindName,
} from '../../questions/index.ts'
import type { Edit } from '../runEdit.ts'
import type { Box, OverlayForm } from '../overlaySchema.ts'
import type { Cue, Hold, Lesson, OverlayCue, QuestionCue } from '../schema.ts'
import { clampSpan, clampToFilm, orderAfterAll } from './placing.ts'
import { usualOverlay } from './usualOverlay.ts'

/** How long a new overlay stays when nothing else is said, in ms. */
export const NEW_OVERLAY_MS = 5000

const nextOrder = (draft: Lesson) => orderAfterAll(Object.values(draft.cues))

export interface NewQuestionIds {
  cueId: string
  questionId: string
  /** Ids for the options, pairs or sets that a new question begins with. */
  optionIds: readonly string[]
}

/** Hands out ids that were made by whoever makes the edit, so that it can be made again. */
export function idsFrom(ids: readonly string[]): () => string {
  let at = 0
  return () => {
    const id = ids[at++]
    if (id === undefined) throw new Error('An edit was given too few ids')
    return id
  }
}

/** As many ids as any new question needs. */
export const MOST_NEW_IDS = 8

/** A new question with nothing written yet; `evidence` is the stretch that answers it, if known. */
export const addQuestion: Edit<
  NewQuestionIds & {
    kind?: QuestionKindName
    partId: string
    atMs: number
    evidence?: { fromMs: number; toMs: number } | null
  }
> = {
  name: 'addQuestion',
  change: (draft, { cueId, questionId, optionIds, kind = 'choice', partId, atMs, evidence }) => {
    const question = blankQuestion(kind, blankBase(questionId), idsFrom(optionIds))
    const span = evidence && clampSpan(draft, partId, evidence.fromMs, evidence.toMs)
    draft.questions[questionId] = { ...question, evidence: span ? { partId, ...span } : null }
    draft.cues[cueId] = questionCue(draft, { cueId, questionId, partId, atMs })
  },
}

/** Asks a question from the question shelf; its things keep their ids, which are its own. */
export const addKeptQuestion: Edit<{
  cueId: string
  questionId: string
  shelfId: string
  question: Question
  partId: string
  atMs: number
}> = {
  name: 'addKeptQuestion',
  change: (draft, { cueId, questionId, shelfId, question, partId, atMs }) => {
    draft.questions[questionId] = { ...forShelf(question), id: questionId, shelfId }
    draft.cues[cueId] = questionCue(draft, { cueId, questionId, partId, atMs })
  },
}

function questionCue(
  draft: Lesson,
  {
    cueId: id,
    questionId,
    partId,
    atMs,
  }: Omit<NewQuestionIds, 'optionIds'> & { partId: string; atMs: number },
): QuestionCue {
  return {
    id,
    kind: 'question',
    partId,
    questionId,
    order: nextOrder(draft),
    atMs: clampToFilm(draft, partId, atMs),
    // Nobody need say what they think before the film goes on.
    hold: isGraded(draft.questions[questionId]!) ? 'answered' : 'shown',
    sendBack: false,
    again: false,
  }
}

export const addOverlay: Edit<{
  cueId: string
  partId: string
  fromMs: number
  toMs?: number
  text: string
  content?: OverlayForm
}> = {
  name: 'addOverlay',
  change: (draft, { cueId, partId, fromMs, toMs, text, content }) => {
    const { box, look } = usualOverlay(content?.form ?? 'text')
    draft.cues[cueId] = {
      id: cueId,
      kind: 'overlay',
      partId,
      order: nextOrder(draft),
      ...clampSpan(draft, partId, fromMs, toMs ?? fromMs + NEW_OVERLAY_MS),
      box,
      text: cleanText(text),
      look,
    }
    if (content && content.form !== 'text') draft.cues[cueId].content = content
  },
}

export const addBookmark: Edit<{ cueId: string; partId: string; atMs: number; title: string }> = {
  name: 'addBookmark',
  change: (draft, { cueId, partId, atMs, title }) => {
    draft.cues[cueId] = {
      id: cueId,
      kind: 'bookmark',
      partId,
      order: nextOrder(draft),
      atMs: clampToFilm(draft, partId, atMs),
      title: cleanText(title),
    }
  },
}

export const addNote: Edit<{ cueId: string; partId: string; atMs: number }> = {
  name: 'addNote',
  change: (draft, { cueId, partId, atMs }) => {
    draft.cues[cueId] = {
      id: cueId,
      kind: 'note',
      partId,
      order: nextOrder(draft),
      atMs: clampToFilm(draft, partId, atMs),
      text: '',
    }
  },
}

export const setNoteText: Edit<{ cueId: string; text: string }> = {
  name: 'setNoteText',
  change: (draft, { cueId, text }) => {
    const cue = draft.cues[cueId]
    if (cue?.kind === 'note') cue.text = cleanText(text)
  },
}

/** Moves a cue so that it begins at `toMs`; an overlay keeps its length as far as the film allows. */
export const moveCue: Edit<{ cueId: string; toMs: number }> = {
  name: 'moveCue',
  change: (draft, { cueId, toMs }) => {
    const cue = draft.cues[cueId]
    if (cue) moveTo(draft, cue, toMs)
  },
}

function moveTo(draft: Lesson, cue: Cue, toMs: number): void {
  if (cue.kind !== 'overlay') {
    cue.atMs = clampToFilm(draft, cue.partId, toMs)
    return
  }
  const lengthMs = cue.toMs - cue.fromMs
  Object.assign(cue, clampSpan(draft, cue.partId, toMs, toMs + lengthMs, lengthMs))
}

/** Sets when an overlay comes and goes. */
export const setOverlaySpan: Edit<{ cueId: string; fromMs: number; toMs: number }> = {
  name: 'setOverlaySpan',
  change: (draft, { cueId, fromMs, toMs }) => {
    const cue = draft.cues[cueId]
    if (cue?.kind === 'overlay') Object.assign(cue, clampSpan(draft, cue.partId, fromMs, toMs))
  },
}

export const setOverlayBox: Edit<{ cueId: string; box: Box }> = {
  name: 'setOverlayBox',
  change: (draft, { cueId, box }) => {
    const cue = draft.cues[cueId]
    if (cue?.kind === 'overlay') Object.assign(cue.box, boxOnStage(box))
  },
}

/** The box with its size kept between a hundredth and the whole of the stage, and moved so that it lies on it. */
export function boxOnStage(box: Box): Box {
  const round = (value: number) => Math.round(value * 10_000) / 10_000
  const width = round(Math.min(1, Math.max(0.01, box.width)))
  const height = round(Math.min(1, Math.max(0.01, box.height)))
  const x = round(Math.min(1 - width, Math.max(0, box.x)))
  const y = round(Math.min(1 - height, Math.max(0, box.y)))
  return { x, y, width, height }
}

/** The box moved by shares of the stage, as far as it stays on it. */
export function movedBox(box: Box, dx: number, dy: number): Box {
  return boxOnStage({ ...box, x: box.x + dx, y: box.y + dy })
}

/** The box made larger by shares of the stage at its lower right, as far as it stays on it. */
export function resizedBox(box: Box, dx: number, dy: number): Box {
  const width = Math.min(1 - box.x, box.width + dx)
  const height = Math.min(1 - box.y, box.height + dy)
  return boxOnStage({ ...box, width, height })
}

export const setOverlayText: Edit<{ cueId: string; text: string }> = {
  name: 'setOverlayText',
  change: (draft, { cueId, text }) => {
    const cue = draft.cues[cueId]
    if (cue?.kind === 'overlay') cue.text = cleanText(text)
  },
}

export const setOverlayLook: Edit<{ cueId: string; look: Partial<OverlayCue['look']> }> = {
  name: 'setOverlayLook',
  change: (draft, { cueId, look }) => {
    const cue = draft.cues[cueId]
    if (cue?.kind === 'overlay') Object.assign(cue.look, look)
  },
}

export const setBookmarkTitle: Edit<{ cueId: string; title: string }> = {
  name: 'setBookmarkTitle',
  change: (draft, { cueId, title }) => {
    const cue = draft.cues[cueId]
    if (cue?.kind === 'bookmark') cue.title = cleanText(title)
  },
}

export const setHold: Edit<{
  cueId: string
  hold?: Hold
  sendBack?: boolean
  again?: boolean
  /** Null for as long as one likes. */
  countdownMs?: number | null
}> = {
  name: 'setHold',
  change: (draft, { cueId, countdownMs, ...rules }) => {
    const cue = draft.cues[cueId]
    if (cue?.kind !== 'question') return
    Object.assign(cue, rules)
    // Beside a running film nothing shows a time run out.
    if (countdownMs === null || cue.hold === 'none') delete cue.countdownMs
    else if (countdownMs !== undefined) cue.countdownMs = countdownMs
  },
}
