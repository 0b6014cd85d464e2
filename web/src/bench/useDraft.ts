// The draft of the lesson on the bench: a document that several edit (`drafts/`), with what is known of it besides.
import { inject, onScopeDispose, provide, ref, shallowRef, type InjectionKey } from 'vue'
import type { DraftReply, EditionSummary } from '@fernbrake/core/contract'
import type { PendingEdit } from '@fernbrake/core/lesson'
import { call } from '../api/client.ts'
import { openEditStorage, type EditStorage } from '../drafts/editStorage.ts'
import { holdDraft } from '../drafts/openDraft.ts'
import { lessonDraft } from './lessonDraft.ts'

export type { Keeping } from '../drafts/held.ts'
export type Draft = ReturnType<typeof createDraft>

/** Opens a lesson's draft; throws ApiError. */
export async function openBenchDraft(lessonId: string): Promise<Draft> {
  const [reply, storage] = await Promise.all([
    call('lesson', { params: { lessonId } }),
    openEditStorage(lessonId),
  ])
  return createDraft(reply, storage, await storage.read())
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
  }
}

const KEY: InjectionKey<Draft> = Symbol('draft')

/** Makes the draft known to the components below, and closes it with the view. */
export function provideDraft(draft: Draft): void {
  provide(KEY, draft)
}

export function closeWithScope(draft: () => Draft | null): void {
  onScopeDispose(() => draft()?.close())
}

export function useDraft(): Draft {
  const draft = inject(KEY)
  if (!draft) throw new Error('No draft is open here')
  return draft
}
