/**
 * Waits until the early video, if there is one, can show a frame, at most `mostMs`. Only a film that takes longer gets
 * its poster meanwhile: fetched at once it would hold up the very frame that it stands in for.
 */
export async function earlyFrame(mostMs: number): Promise<void> {
  const video = document.querySelector<HTMLVideoElement>('#early-video')
  if (!video || video.readyState >= HTMLMediaElement.HAVE_CURRENT_DATA) return
  await new Promise<void>((resolve) => {
    for (const name of ['loadeddata', 'error']) video.addEventListener(name, () => resolve())
    setTimeout(resolve, mostMs)
  })
  if (video.readyState < HTMLMediaElement.HAVE_CURRENT_DATA) video.poster = video.dataset.poster!
}
