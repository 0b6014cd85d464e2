// The draft in the bench: makes edits, keeps them at once, sends them, takes in what others do, undoes and redoes. Each of it
// stands in `draft/`.
import { computed, inject, onScopeDispose, provide, ref, shallowRef, type InjectionKey } from 'vue'
import type { DraftReply, EditionSummary } from '@fernbrake/core/contract'
import { dropRefused, retryRefused, type PendingEdit } from '@fernbrake/core/lesson'
import { call } from '../api/client.ts'
import { createFollowing } from './draft/following.ts'
import { createHeld } from './draft/held.ts'
import { createMaking } from './draft/making.ts'
import { createSending } from './draft/sending.ts'
import { openEditStorage, type EditStorage } from './editStorage.ts'

export type { Keeping } from './draft/held.ts'
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
  const held = createHeld(reply, storage, waiting)
  const { state } = held
  const following = createFollowing(held, {
    onReopened: () => making.forgetSteps(),
    onBack: () => sending.schedule(0),
  })
  const { catchUp, watched } = following
  const sending = createSending(held, { keptAt: new Date(reply.updatedAt), catchUp })
  const making = createMaking(held, sending.isUnderWay, () => sending.schedule())
  const { make, amend, undo, redo, undoName, redoName } = making

  const onOnline = () => sending.schedule(0)
  following.begin()
  window.addEventListener('online', onOnline)
  if (waiting.length > 0) sending.schedule(0)

  return {
    lessonId: held.lessonId,
    role: reply.role,
    state,
    lesson: computed(() => state.value.view),
    keeping: held.keeping,
    keptAt: sending.keptAt,
    editions: shallowRef<EditionSummary[]>(reply.editions),
    linkCode: ref(reply.linkCode),
    notice: held.notice,
    make,
    amend,
    undo,
    redo,
    undoName,
    redoName,
    dropRefused(id: string) {
      state.value = dropRefused(state.value, id)
      void storage.drop([id])
    },
    /** Tries a refused edit again; answers false where it does not fit any more. */
    retryRefused(id: string): boolean {
      const next = retryRefused(state.value, id)
      if (next) state.value = next
      if (next) sending.schedule()
      return next !== null
    },
    watched,
    catchUp,
    send: sending.send,
    close() {
      following.end()
      window.removeEventListener('online', onOnline)
      sending.end()
      void sending.send()
    },
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
