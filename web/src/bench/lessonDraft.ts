// The draft of a lesson, as one type of the documents that several edit.
import { checkLesson, type Lesson, type LoggedEdit } from '@fernbrake/core/lesson'
import { call } from '../api/client.ts'
import { liveSocket } from '../api/live.ts'
import type { DraftKind } from '../drafts/kind.ts'

export const lessonDraft: DraftKind<Lesson> = {
  check: checkLesson,
  async open(lessonId) {
    const { lesson: document, revision } = await call('lesson', { params: { lessonId } })
    return { document, revision }
  },
  editsSince: (lessonId, since) => call('draftEdits', { params: { lessonId }, query: { since } }),
  send: (lessonId, body) => call('editDraft', { params: { lessonId }, body }),
  follow(lessonId, { onEdited, onConnected, onWatched }) {
    const socket = liveSocket()
    const hear = (message: { lessonId: string; entries: LoggedEdit[] }) => {
      if (message.lessonId === lessonId) onEdited(message.entries)
    }
    const enter = () => {
      socket.emit('watchLesson', { lessonId }, onWatched)
      onConnected()
    }
    socket.on('draftEdited', hear)
    socket.on('connect', enter)
    if (socket.connected) enter()
    return () => {
      socket.off('draftEdited', hear)
      socket.off('connect', enter)
    }
  },
}
