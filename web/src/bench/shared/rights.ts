// What whoever has the bench open may do.
import { computed } from 'vue'
import { isAtLeast } from '@fernbrake/core/contract'
import type { Draft } from '../useDraft.ts'

export function createRights(draft: Draft) {
  const canEdit = computed(() => isAtLeast(draft.role, 'editor'))
  /** Commenters leave notes, and nothing else. */
  const canNote = computed(() => isAtLeast(draft.role, 'commenter'))
  const isNote = (cueId: string) => draft.lesson.value.cues[cueId]?.kind === 'note'
  const mayTouch = (cueIds: readonly string[]) =>
    canEdit.value || (canNote.value && cueIds.every(isNote))
  return { canEdit, canNote, mayTouch }
}
export type Rights = ReturnType<typeof createRights>
