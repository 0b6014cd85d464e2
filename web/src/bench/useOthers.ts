// The others who have this lesson open: who they are, and which cues they have in hand.
import { computed, onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import type { EditorHere } from '@fernbrake/core/contract'
import { liveSocket } from '../api/live.ts'
import type { Draft } from './useDraft.ts'

/** Only so many selected cues are told to others. */
const MOST_TOLD = 50

export function useOthers(
  { lessonId, watched }: Pick<Draft, 'lessonId' | 'watched'>,
  selectedIds: Ref<readonly string[]>,
) {
  const here = shallowRef<ReadonlyMap<string, EditorHere>>(new Map())
  const socket = liveSocket()

  const tell = () =>
    socket.emit('showSelection', { lessonId, cueIds: selectedIds.value.slice(0, MOST_TOLD) })
  const onHere = (editor: EditorHere) => {
    if (editor.lessonId === lessonId) here.value = new Map(here.value).set(editor.key, editor)
  }
  const onGone = (gone: { lessonId: string; key: string }) => {
    if (gone.lessonId !== lessonId) return
    const rest = new Map(here.value)
    rest.delete(gone.key)
    here.value = rest
  }
  const onAsked = (message: { lessonId: string }) => {
    if (message.lessonId === lessonId) tell()
  }
  // Whoever was here may have gone while the connection was away; those who are will say so again.
  const onDisconnect = () => (here.value = new Map())
  socket.on('editorHere', onHere)
  socket.on('editorGone', onGone)
  socket.on('whoIsHere', onAsked)
  socket.on('disconnect', onDisconnect)
  watch([selectedIds, watched], tell)

  onScopeDispose(() => {
    socket.emit('leaveLesson', { lessonId })
    socket.off('editorHere', onHere)
    socket.off('editorGone', onGone)
    socket.off('whoIsHere', onAsked)
    socket.off('disconnect', onDisconnect)
  })

  /** Names by the cue that they have in hand. */
  const namesByCue = computed(() => {
    const names = new Map<string, string[]>()
    for (const { name, cueIds } of here.value.values())
      for (const id of cueIds) names.set(id, [...(names.get(id) ?? []), name])
    return names
  })
  const names = computed(() =>
    [...new Set([...here.value.values()].map(({ name }) => name))].sort(),
  )
  return { names, namesByCue }
}
