// Which other cues, parts and media a cue names.
import { mediaOfText } from '../fields/index.ts'
import { mediaOfQuestion } from '../questions/index.ts'
import { mediumOf } from './overlay.ts'
import { filmsInOrder, mediaOfPart, pagesOfPart, textsOfPart } from './parts/index.ts'
import type { Condition } from './forkSchema.ts'
import type { Cue, ForkCue, Lesson } from './schema.ts'

interface NamedCue {
  path: string[]
  cueId: string
}

/** The cues that a cue names, and where in it. */
export function cuesNamedBy(cue: Cue): NamedCue[] {
  if (cue.kind === 'overlay') {
    const named: NamedCue[] = []
    if (cue.shown && 'cueId' in cue.shown)
      named.push({ path: ['shown', 'cueId'], cueId: cue.shown.cueId })
    if (cue.action?.does === 'question')
      named.push({ path: ['action', 'cueId'], cueId: cue.action.cueId })
    return named
  }
  if (cue.kind !== 'fork') return []
  return Object.values(cue.choices).flatMap(({ id, condition }) =>
    askersNamedBy(condition).map((cueId) => ({
      path: ['choices', id, 'condition', 'cueId'],
      cueId,
    })),
  )
}

/** The parts that a cue names besides its own, and where in it; `watched`: as a film. */
export function partsNamedBy(cue: Cue): { path: string[]; partId: string; watched?: boolean }[] {
  if (cue.kind === 'overlay')
    return cue.action?.does === 'part'
      ? [{ path: ['action', 'partId'], partId: cue.action.partId }]
      : []
  if (cue.kind !== 'fork') return []
  return Object.values(cue.choices).flatMap(({ id, condition, target }) => [
    ...(target.to === 'part'
      ? [{ path: ['choices', id, 'target', 'partId'], partId: target.partId }]
      : []),
    ...partsNamedIn(condition).map((named) => ({
      ...named,
      path: ['choices', id, 'condition', 'partId'],
    })),
  ])
}

/** The parts that a condition names; `watched`: as a film. */
export function partsNamedIn(condition: Condition | null): { partId: string; watched?: boolean }[] {
  if (condition?.if === 'watched') return [{ partId: condition.partId, watched: true }]
  return condition?.if === 'visited' ? [{ partId: condition.partId }] : []
}

/** The cues, items, blocks or pins whose answers a condition hangs on. */
export function askersNamedBy(condition: Condition | null): string[] {
  return condition?.if === 'answer' && condition.cueId !== null ? [condition.cueId] : []
}

/** Takes out of a cue what it says about another that `isGone`; what it is without it stays. */
export function forgetCues(cue: Cue, isGone: (cueId: string) => boolean): void {
  if (cue.kind === 'overlay') {
    if (cue.shown && 'cueId' in cue.shown && isGone(cue.shown.cueId)) cue.shown = null
    if (cue.action?.does === 'question' && isGone(cue.action.cueId)) cue.action = null
  } else if (cue.kind === 'fork') forgetAnswers(cue, isGone)
}

function forgetAnswers(fork: ForkCue, isGone: (cueId: string) => boolean): void {
  for (const { condition } of Object.values(fork.choices)) forgetAsker(condition, isGone)
}

/** A condition that hung on an answer which nobody is asked for any more names none. */
export function forgetAsker(condition: Condition | null, isGone: (id: string) => boolean): void {
  if (condition?.if === 'answer' && condition.cueId !== null && isGone(condition.cueId))
    condition.cueId = null
}

/** Takes out of every condition of a lesson the answers that nobody is asked for any more. */
export function forgetAskers(lesson: Lesson, isGone: (id: string) => boolean): void {
  for (const cue of Object.values(lesson.cues)) forgetCues(cue, isGone)
  for (const { condition } of Object.values(lesson.routes ?? {})) forgetAsker(condition, isGone)
  for (const { gate } of Object.values(lesson.parts)) forgetAsker(gate?.condition ?? null, isGone)
}

/** In place of a condition that hung on something gone: it never holds, and the designer is told. */
const hangsOnNothing = (): Condition => ({ if: 'answer', cueId: null, is: 'right' })

/** Takes out of routes and gates what they say about a part that is gone. */
export function forgetPartOnRoutes(lesson: Lesson, partId: string): void {
  const isLost = (condition: Condition | null) =>
    partsNamedIn(condition).some((named) => named.partId === partId)
  for (const route of Object.values(lesson.routes ?? {})) {
    const { id, fromId, target, condition } = route
    if (fromId === partId) {
      delete lesson.routes![id]
      continue
    }
    if (target.to === 'part' && target.partId === partId) route.target = { to: 'on' }
    if (isLost(condition)) route.condition = hangsOnNothing()
  }
  for (const part of Object.values(lesson.parts))
    if (part.gate && isLost(part.gate.condition)) delete part.gate
}

/** Takes out of a cue what it says about a part that is gone; a fork that waited for its film goes by its own. */
export function forgetPart(cue: Cue, partId: string): void {
  if (cue.kind === 'overlay' && cue.action?.does === 'part' && cue.action.partId === partId)
    cue.action = null
  if (cue.kind !== 'fork') return
  for (const choice of Object.values(cue.choices)) {
    const { target, condition } = choice
    if (target.to === 'part' && target.partId === partId) choice.target = { to: 'on' }
    if (condition?.if === 'watched' && condition.partId === partId) condition.partId = cue.partId
    if (condition?.if === 'visited' && condition.partId === partId)
      choice.condition = hangsOnNothing()
  }
}

/** Gives the cues that a cue names their new ids, where they have one. */
export function renameCues(cue: Cue, newIds: Readonly<Record<string, string>>): void {
  const renamed = (cueId: string) => (Object.hasOwn(newIds, cueId) ? newIds[cueId]! : cueId)
  if (cue.kind === 'overlay') {
    if (cue.shown && 'cueId' in cue.shown) cue.shown.cueId = renamed(cue.shown.cueId)
    if (cue.action?.does === 'question') cue.action.cueId = renamed(cue.action.cueId)
  } else if (cue.kind === 'fork')
    for (const { condition } of Object.values(cue.choices))
      if (condition?.if === 'answer' && condition.cueId !== null)
        condition.cueId = renamed(condition.cueId)
}

type Showing = Pick<Lesson, 'parts' | 'cues' | 'questions' | 'materials' | 'cover'>

/** The ids of all media that a lesson shows: its films, what lies on them, and what its questions show. */
export function mediaIdsOf(lesson: Showing): string[] {
  const ids = new Set<string>()
  for (const { mediaId } of filmsInOrder(lesson)) if (mediaId) ids.add(mediaId)
  for (const id of stagedMediaIdsOf(lesson)) ids.add(id)
  return [...ids]
}

/** The ids of the media that its cover, its questions, their material and its other parts show, or that lie on its films. */
export function stagedMediaIdsOf(lesson: Showing): string[] {
  const ids = Object.values(lesson.cues).flatMap((cue) =>
    cue.kind === 'overlay' ? (mediumOf(cue) ?? []) : [],
  )
  const asked = Object.values(lesson.questions).flatMap(mediaOfQuestion)
  const shared = Object.values(lesson.materials ?? {}).flatMap(({ text }) => mediaOfText(text))
  const told = Object.values(lesson.parts).flatMap((part) => [
    ...textsOfPart(part).flatMap(mediaOfText),
    ...mediaOfPart(part),
  ])
  const cover = lesson.cover ? [lesson.cover.mediaId] : []
  return [...new Set([...ids, ...asked, ...shared, ...told, ...cover])]
}

/** Under which name the address of a document's page, from 1, is handed on beside those of media. */
export const pageKey = (mediaId: string, page: number) => `${mediaId}/${page}`

/**
 * Where everything is that a lesson shows besides its films: by medium, and by `pageKey` for pages of documents. `media`
 * and `pages` say where such a thing is.
 */
export function stagedAddresses(
  lesson: Showing,
  media: (mediaId: string) => string,
  pages: (mediaId: string, page: number) => string,
): Record<string, string> {
  const drawn = Object.values(lesson.parts)
    .flatMap(pagesOfPart)
    .map(({ mediaId, page }) => [pageKey(mediaId, page), pages(mediaId, page)] as const)
  return Object.fromEntries([...stagedMediaIdsOf(lesson).map((id) => [id, media(id)]), ...drawn])
}
