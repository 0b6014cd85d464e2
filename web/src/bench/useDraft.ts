// The draft of the lesson on the bench: a document that several edit (`drafts/`), with what is known of it besides.
import { inject, onScopeDispose, provide, ref, shallowRef, type InjectionKey } from 'vue'
import type { DraftReply, EditionSummary } from '@fernbrake/core/contract'
import type { Lesson, PendingEdit } from '@fernbrake/core/lesson'
import { ApiError, call } from '../api/client.ts'
import { onLeaving } from '../api/leaving.ts'
import { openEditStorage, type EditStorage } from '../drafts/editStorage.ts'
import { holdDraft } from '../drafts/openDraft.ts'
import { lessonDraft } from './lessonDraft.ts'
import type { PlaceLeft } from './shared/placeLeft.ts'

export type { Keeping } from '../drafts/held.ts'
export type Draft = ReturnType<typeof createDraft>

/** The draft whose bench was left last: whoever comes back to it from another page finds what can be undone there. */
let resting: Draft | null = null

/** Opens a lesson's draft, or takes up the one that was left; throws ApiError. */
export async function openBenchDraft(lessonId: string): Promise<Draft> {
  if (resting?.lessonId === lessonId) return takeUp(resting)
  forgetResting()
  const [reply, storage] = await Promise.all([
    call('lesson', { params: { lessonId } }),
    openEditStorage(lessonId),
  ])
  return createDraft(reply, storage, await storage.read())
}

/** It is there at once; what is not told by edits is asked for behind. */
function takeUp(draft: Draft): Draft {
  resting = null
  draft.wake()
  void askBehind(draft)
  return draft
}

async function askBehind({ lessonId, role, editions, linkCode }: Draft): Promise<void> {
  try {
    const reply = await call('lesson', { params: { lessonId } })
    if (reply.role !== role) return location.reload()
    editions.value = reply.editions
    linkCode.value = reply.linkCode
  } catch (error) {
    const isOver = error instanceof ApiError && [403, 404].includes(error.status)
    // Whoever may not see it any more is told so by the page.
    if (isOver) location.reload()
  }
}

function forgetResting(): void {
  resting?.close()
  resting = null
}
onLeaving(forgetResting)

/** A lesson as it was when its bench was left, with what has not reached the server yet; null where it was not. */
export async function lessonAsLeft(lessonId: string): Promise<Lesson | null> {
  if (resting?.lessonId !== lessonId) return null
  const { lesson, send } = resting
  await send()
  return lesson.value
}

function createDraft(reply: DraftReply, storage: EditStorage, waiting: PendingEdit[]) {
  const { id, lesson: document, revision, role, editions, linkCode, updatedAt } = reply
  const opened = { id, document, revision, keptAt: new Date(updatedAt) }
  const { view, ...draft } = holdDraft(lessonDraft, opened, storage, waiting)
  return {
    ...draft,
    lessonId: id,
    lesson: view,
    role,
    editions: shallowRef<EditionSummary[]>(editions),
    linkCode: ref(linkCode),
    /** What was in hand when its bench was left. */
    left: null as PlaceLeft | null,
  }
}

const KEY: InjectionKey<Draft> = Symbol('draft')

/** Makes the draft known to the components below. */
export function provideDraft(draft: Draft): void {
  provide(KEY, draft)
}

/** Once its bench is left it rests, until another one is. */
export function restWithScope(draft: Draft): void {
  onScopeDispose(() => {
    if (resting !== draft) forgetResting()
    resting = draft
    draft.rest()
  })
}

export function useDraft(): Draft {
  const draft = inject(KEY)
  if (!draft) throw new Error('No draft is open here')
  return draft
}
