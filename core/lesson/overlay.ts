// An overlay with everything filled in that its document leaves out, and when it is on the stage.
import type { Opens } from '../fields/index.ts'
import { isShownAt } from './order.ts'
import type { OverlayForm, OverlayFormName, OverlayLook } from './overlaySchema.ts'
import type { Lesson, OverlayCue } from './schema.ts'

type Filled<T> = { [K in keyof T]-?: Exclude<T[K], undefined> }
export type WholeLook = Filled<OverlayLook>
export type WholeOverlay = Filled<Omit<OverlayCue, 'look'>> & { look: WholeLook }

const PLAIN_TEXT: OverlayForm = { form: 'text' }
/** The corners of an overlay that says nothing of them, as a share of the stage's height. */
const USUAL_CORNER = 0.006

export function lookOf(look: OverlayLook): WholeLook {
  return { font: 'interface', opacity: 1, border: null, corner: USUAL_CORNER, ...look }
}

export const formOf = (cue: Pick<OverlayCue, 'content'>) => cue.content?.form ?? 'text'

export function overlayOf(cue: OverlayCue): WholeOverlay {
  return {
    name: '',
    content: PLAIN_TEXT,
    rotation: 0,
    locked: false,
    groupId: null,
    shown: null,
    comes: null,
    goes: null,
    action: null,
    ...cue,
    look: lookOf(cue.look),
  }
}

// Here and not beside the schema, so that the player, which asks this, need not carry a schema library.
/** The forms whose words stand on the stage, so that they must be read. */
const WITH_WORDS: readonly OverlayFormName[] = ['text', 'label', 'panel', 'link', 'button', 'sound']
export const showsWords = (form: OverlayFormName) => WITH_WORDS.includes(form)

/** Where a page opens: what is shown on the picture says nothing else, inside; links of older lessons in a new tab. */
export const opensOf = ({ opens, form }: { opens?: Opens; form?: OverlayFormName }): Opens =>
  opens ?? (form === 'web' ? 'inside' : 'newTab')

/** The medium that an overlay shows or lets hear; null for one that needs none or has none yet. */
export function mediumOf({ content }: Pick<OverlayCue, 'content'>): string | null {
  return content && 'mediaId' in content ? content.mediaId : null
}

/** The media of sounds and second films that come within so long, in ms. */
const AHEAD_MS = 12_000

/** The sounds and second films of a part that will soon be on the stage. */
export function comingMedia(lesson: Pick<Lesson, 'cues'>, partId: string, ms: number): string[] {
  return Object.values(lesson.cues).flatMap((cue) => {
    if (cue.kind !== 'overlay' || cue.partId !== partId) return []
    const form = formOf(cue)
    const isComing = ms < cue.fromMs && cue.fromMs <= ms + AHEAD_MS
    return isComing && (form === 'sound' || form === 'film') ? (mediumOf(cue) ?? []) : []
  })
}

/** What of playing decides whether an overlay shows. */
export interface ShownFacts {
  isAnswered(cueId: string): boolean
  /** The countdown that runs and the share of it that is gone; null where none does. */
  countdown: { cueId: string; share: number } | null
}

/** Whether an overlay is on the stage at `ms`. */
export function isOverlayShown(
  { fromMs, toMs, shown }: Pick<OverlayCue, 'fromMs' | 'toMs' | 'shown'>,
  ms: number,
  facts: ShownFacts,
): boolean {
  const inTime = isShownAt({ fromMs, toMs }, ms)
  switch (shown?.when) {
    case undefined:
      return inTime
    case 'always':
      return true
    case 'untilAnswered':
      return inTime && !facts.isAnswered(shown.cueId)
    case 'afterAnswered':
      return inTime && facts.isAnswered(shown.cueId)
    case 'countdown': {
      const { countdown } = facts
      if (countdown?.cueId !== shown.cueId) return false
      return shown.fromShare <= countdown.share && countdown.share < shown.toShare
    }
  }
}
