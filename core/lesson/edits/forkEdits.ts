// Edits of forks: their words, their ways, how one is chosen.
import { cleanText } from '../../fields/index.ts'
import type { Choice, Target } from '../forkSchema.ts'
import type { Edit } from '../runEdit.ts'
import type { ForkCue, Lesson } from '../schema.ts'
import { clampToFilm, orderAfterAll } from './placing.ts'

function forkIn(draft: Lesson, cueId: string): ForkCue | null {
  const cue = draft.cues[cueId]
  return cue?.kind === 'fork' ? cue : null
}

function newChoice(id: string, others: readonly Choice[]): Choice {
  return { id, order: orderAfterAll(others), text: '', target: { to: 'on' }, condition: null }
}

/** A fork with two ways, both of which go on from where it stands until they are told where to lead. */
/** So far a way leads back at first, in ms. */
const USUAL_WAY_BACK_MS = 10_000

/** Where a way leads back to at first, from a moment of a film. */
export const usualWayBackMs = (atMs: number): number => Math.max(0, atMs - USUAL_WAY_BACK_MS)

export const addFork: Edit<{
  cueId: string
  partId: string
  atMs: number
  choiceIds: [string, string]
  /** Where the second way leads back to at first: two that lead to one place are none. */
  backMs?: number
}> = {
  name: 'addFork',
  change: (draft, { cueId, partId, atMs, choiceIds, backMs }) => {
    const first = newChoice(choiceIds[0], [])
    const second = newChoice(choiceIds[1], [first])
    if (backMs !== undefined && backMs < clampToFilm(draft, partId, atMs))
      second.target = { to: 'time', atMs: clampToFilm(draft, partId, backMs) }
    draft.cues[cueId] = {
      id: cueId,
      kind: 'fork',
      partId,
      order: orderAfterAll(Object.values(draft.cues)),
      atMs: clampToFilm(draft, partId, atMs),
      prompt: '',
      decides: false,
      choices: { [first.id]: first, [second.id]: second },
      countdownMs: null,
      defaultChoice: null,
    }
  },
}

export const setForkPrompt: Edit<{ cueId: string; prompt: string }> = {
  name: 'setForkPrompt',
  change: (draft, { cueId, prompt }) => {
    const fork = forkIn(draft, cueId)
    if (fork) fork.prompt = cleanText(prompt)
  },
}

/** How a way is chosen: by the learner or by itself, in what time, and which one if none is. */
export const setForkRules: Edit<{
  cueId: string
  rules: Partial<Pick<ForkCue, 'decides' | 'countdownMs' | 'defaultChoice'>>
}> = {
  name: 'setForkRules',
  change: (draft, { cueId, rules }) => {
    const fork = forkIn(draft, cueId)
    if (fork) Object.assign(fork, rules)
  },
}

export const addChoice: Edit<{ cueId: string; choiceId: string }> = {
  name: 'addChoice',
  change: (draft, { cueId, choiceId }) => {
    const fork = forkIn(draft, cueId)
    if (fork) fork.choices[choiceId] = newChoice(choiceId, Object.values(fork.choices))
  },
}

export const setChoice: Edit<{
  cueId: string
  choiceId: string
  change: Partial<Pick<Choice, 'text' | 'target' | 'condition'>>
}> = {
  name: 'setChoice',
  change: (draft, { cueId, choiceId, change }) => {
    const fork = forkIn(draft, cueId)
    const choice = fork?.choices[choiceId]
    if (!fork || !choice) return
    Object.assign(choice, change)
    if (change.text !== undefined) choice.text = cleanText(change.text)
    if (change.target) choice.target = cleanTarget(draft, fork.partId, change.target)
  },
}

/** A target with clean words, and a time inside the film of its part. */
export function cleanTarget(draft: Lesson, partId: string, target: Target): Target {
  if (target.to === 'time') return { ...target, atMs: clampToFilm(draft, partId, target.atMs) }
  return target.to === 'ending' ? { ...target, message: cleanText(target.message) } : target
}

/** Removes a way; a fork keeps at least one. */
export const removeChoice: Edit<{ cueId: string; choiceId: string }> = {
  name: 'removeChoice',
  change: (draft, { cueId, choiceId }) => {
    const fork = forkIn(draft, cueId)
    if (!fork || Object.keys(fork.choices).length <= 1) return
    delete fork.choices[choiceId]
    if (fork.defaultChoice === choiceId) fork.defaultChoice = null
  },
}
