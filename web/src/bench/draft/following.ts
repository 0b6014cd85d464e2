// Coming to what the server has: by what is told on the socket, and by asking for what was missed.
import { ref } from 'vue'
import { reopenDraft, type LoggedEdit } from '@fernbrake/core/lesson'
import { call } from '../../api/client.ts'
import { liveSocket } from '../../api/live.ts'
import type { Held } from './held.ts'

/** `onReopened` hears that the draft was opened anew; `onBack` that the connection is there again. */
export function createFollowing(
  { lessonId, state, settle, receive }: Held,
  { onReopened, onBack }: { onReopened: () => void; onBack: () => void },
) {
  let catchingUp: Promise<void> | null = null
  /** Asks for what was missed; never throws. The next edit, or the next time the connection comes, asks again. */
  function catchUp(): Promise<void> {
    catchingUp ??= followLog()
      .catch(() => undefined)
      .finally(() => (catchingUp = null))
    return catchingUp
  }

  async function followLog(): Promise<void> {
    for (;;) {
      const { revision: since } = state.value
      const { revision, entries } = await call('draftEdits', {
        params: { lessonId },
        query: { since },
      })
      const fits = receive(entries)
      if (fits && state.value.revision >= revision) return
      // A log that does not fit, or leads nowhere, will not by being asked for again.
      if (!fits || state.value.revision === since) return reopen()
    }
  }

  async function reopen(): Promise<void> {
    const { lesson, revision } = await call('lesson', { params: { lessonId } })
    settle(reopenDraft(state.value, lesson, revision))
    onReopened()
  }

  /** Grows whenever the lesson's room was entered, at first and after a lost connection. */
  const watched = ref(0)
  const socket = liveSocket()
  const onEdited = (message: { lessonId: string; entries: LoggedEdit[] }) => {
    if (message.lessonId === lessonId && !receive(message.entries)) void catchUp()
  }
  const onConnect = () => {
    socket.emit('watchLesson', { lessonId }, () => (watched.value += 1))
    void catchUp()
    onBack()
  }
  return {
    watched,
    catchUp,
    begin() {
      socket.on('draftEdited', onEdited)
      socket.on('connect', onConnect)
      if (socket.connected) onConnect()
    },
    end() {
      socket.off('draftEdited', onEdited)
      socket.off('connect', onConnect)
    },
  }
}
