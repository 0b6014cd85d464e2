// Edits of several cues at once: moving them together, removing, pasting.
import type { Clip } from '../clip.ts'
import { cueEndMs, cueStartMs } from '../order.ts'
import { askingOf, filmLengthMs, partOfKind } from '../parts/index.ts'
import type { Edit } from '../runEdit.ts'
import { forgetAskers, forgetCues, renameCues } from '../references.ts'
import type { Cue, ForkCue, Lesson } from '../schema.ts'
import { LONGEST_MEDIA_MS, withoutStretches } from '../../fields/index.ts'
import { copyOf, orderAfterAll } from './placing.ts'

/** How far cues can be moved together so that each stays within its film, as near to `byMs` as can be. */
export function boundedShift(
  lesson: Pick<Lesson, 'parts'>,
  cues: readonly Cue[],
  byMs: number,
): number {
  let least = -Infinity
  let most = Infinity
  for (const cue of cues) {
    const end = filmLengthMs(lesson, cue.partId) ?? LONGEST_MEDIA_MS
    least = Math.max(least, -cueStartMs(cue))
    // What lies beyond the end of a film that was replaced may stay there, but goes no further.
    most = Math.min(most, Math.max(0, end - cueEndMs(cue)))
  }
  return cues.length === 0 ? 0 : Math.round(Math.min(Math.max(byMs, least), most))
}

/** Moves cues together; their distances stay as they are. */
export const moveCues: Edit<{ cueIds: readonly string[]; byMs: number }> = {
  name: 'moveCues',
  change: (draft, { cueIds, byMs }) => {
    const cues = cueIds.flatMap((id) => draft.cues[id] ?? [])
    const shift = boundedShift(draft, cues, byMs)
    for (const cue of cues) shiftCue(cue, shift)
  },
}

function shiftCue(cue: Cue, byMs: number): void {
  if (cue.kind === 'overlay') {
    cue.fromMs += byMs
    cue.toMs += byMs
  } else cue.atMs += byMs
}

/** Removes cues, and the questions that only they ask. */
export const removeCues: Edit<{ cueIds: readonly string[] }> = {
  name: 'removeCues',
  change: (draft, { cueIds }) => {
    for (const id of cueIds) {
      const cue = draft.cues[id]
      if (cue?.kind === 'question') delete draft.questions[cue.questionId]
      delete draft.cues[id]
    }
    forgetAskers(draft, (id) => cueIds.includes(id))
  },
}

/**
 * Pastes a clip so that its first cue begins at `atMs`. `newIds` gives every cue and question of the clip its id in
 * this lesson. Evidence in a film that this lesson does not have is left out.
 */
export const pasteCues: Edit<{
  clip: Clip
  partId: string
  atMs: number
  newIds: Readonly<Record<string, string>>
}> = {
  name: 'pasteCues',
  change: (draft, { clip, partId, atMs, newIds }) => {
    const copies = copyOf(clip.cues).map((cue) => ({ ...cue, partId }))
    const shift = boundedShift(draft, copies, atMs - cueStartMs(copies[0]!))
    for (const cue of copies) {
      shiftCue(cue, shift)
      cue.id = newIds[cue.id]!
      cue.order = orderAfterAll(Object.values(draft.cues))
      if (cue.kind === 'question') pasteQuestion(draft, clip, cue, newIds)
      if (cue.kind === 'fork') leadFromHere(draft, cue)
      if (cue.kind === 'overlay' && cue.action?.does === 'part')
        if (!Object.hasOwn(draft.parts, cue.action.partId)) cue.action = null
      renameCues(cue, newIds)
      draft.cues[cue.id] = cue
    }
    const isGone = (id: string) => !Object.hasOwn(draft.cues, id) && !askingOf(draft, id)
    for (const { id } of copies) forgetCues(draft.cues[id]!, isGone)
  },
}

/** A pasted fork knows no part but its own, and no time of another film. */
function leadFromHere(draft: Lesson, fork: ForkCue): void {
  const end = filmLengthMs(draft, fork.partId) ?? LONGEST_MEDIA_MS
  for (const choice of Object.values(fork.choices)) {
    const { target, condition } = choice
    const isLost =
      (target.to === 'part' && !Object.hasOwn(draft.parts, target.partId)) ||
      (target.to === 'time' && target.atMs > end)
    if (isLost) choice.target = { to: 'on' }
    if (condition?.if === 'watched') condition.partId = fork.partId
  }
}

function pasteQuestion(
  draft: Lesson,
  clip: Clip,
  cue: Extract<Cue, { kind: 'question' }>,
  newIds: Readonly<Record<string, string>>,
): void {
  const question = copyOf(clip.questions[cue.questionId]!)
  const id = newIds[question.id]!
  const isHere = (partId: string) => partOfKind(draft, partId, 'film') !== null
  const { evidence } = question
  const own = { ...question, id, evidence: evidence && isHere(evidence.partId) ? evidence : null }
  // A stretch of a film that this lesson does not have cannot be shown in it.
  draft.questions[id] = withoutStretches(own, (partId) => !isHere(partId))
  // Material stays with the lesson that it was written in.
  const { materialId } = question
  if (materialId !== undefined && !Object.hasOwn(draft.materials ?? {}, materialId))
    delete draft.questions[id]!.materialId
  cue.questionId = id
}
