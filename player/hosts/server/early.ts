// What the server sends with the page itself, so that the first frame need not wait for any script.
import type { Attempt } from '@fernbrake/core/contract'

/** The attempt that came with the page, once; null where none did. */
export function claimEarlyAttempt(attemptId: string): Attempt | null {
  const element = document.getElementById('early-attempt')
  element?.remove()
  if (!element?.textContent) return null
  const attempt = JSON.parse(element.textContent) as Attempt
  return attempt.id === attemptId ? attempt : null
}

/** The video element that loads this film already, once; null where there is none. */
export function claimEarlyVideo(address: string): HTMLVideoElement | null {
  const video = document.querySelector<HTMLVideoElement>('#early-video')
  if (!video || new URL(video.src).pathname !== address) return null
  video.removeAttribute('id')
  return video
}

/** Ends the stage that stood in for the player's own. */
export function dropEarlyStage(): void {
  document.getElementById('early-stage')?.remove()
}
