// A film's element and what drives it: a <video> for films that lie here, a frame for those that stay with their host.
import type { FrameRate } from '@fernbrake/core/media'
import { createFilmMedia, type FilmMedia, type MediaListeners } from './filmMedia.ts'
import { createHostedFilm, hostedFrame } from './hostedFilm.ts'

export type FilmElement = HTMLVideoElement | HTMLIFrameElement

/** The element for a film; `label` is read out for it. */
export function filmElement(
  { player, address, poster }: { player?: string | null; address: string; poster: string },
  label: string,
): FilmElement {
  if (player) {
    const frame = hostedFrame(player, label)
    // What is in it is driven from here alone: its own buttons would know nothing of holds.
    frame.tabIndex = -1
    return frame
  }
  const video = document.createElement('video')
  Object.assign(video, { src: address, poster })
  return prepareVideo(video, label)
}

export function prepareVideo(video: HTMLVideoElement, label: string): HTMLVideoElement {
  video.preload = 'auto'
  video.playsInline = true
  video.disablePictureInPicture = true
  video.setAttribute('aria-label', label)
  return video
}

export function driveFilm(
  element: FilmElement,
  frameRate: FrameRate,
  listeners: MediaListeners,
): FilmMedia {
  return 'contentWindow' in element
    ? createHostedFilm(element, listeners)
    : createFilmMedia(element, frameRate, listeners)
}
