// Keeps results up to date while they are looked at: the socket says that something is new, and what is new is asked for.
import { onScopeDispose } from 'vue'
import { liveSocket } from '../api/live.ts'

/** A class answers at once; results are asked for at most this often, in ms. */
const AT_MOST_EVERY_MS = 2000

export function useLiveResults(lessonId: string, refresh: () => Promise<void>): void {
  const socket = liveSocket()
  let timer: ReturnType<typeof setTimeout> | undefined
  const watchIt = () => socket.emit('watchResults', { lessonId }, () => undefined)
  const onNew = (message: { lessonId: string }) => {
    if (message.lessonId !== lessonId || timer !== undefined) return
    timer = setTimeout(() => {
      timer = undefined
      // What cannot be fetched just now comes with the next answer; what is shown stays.
      void refresh().catch(() => undefined)
    }, AT_MOST_EVERY_MS)
  }
  socket.on('connect', watchIt)
  socket.on('resultsNew', onNew)
  if (socket.connected) watchIt()
  onScopeDispose(() => {
    clearTimeout(timer)
    socket.emit('leaveResults', { lessonId })
    socket.off('connect', watchIt)
    socket.off('resultsNew', onNew)
  })
}
