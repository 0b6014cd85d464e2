// The only place that touches a <video>. Everyone else asks for things and hears what the media confirmed.
import { middleOfFrameSeconds, type FrameRate } from '@fernbrake/core/media'

export interface MediaListeners {
  /** A frame is on screen; whole ms. */
  onTick(mediaMs: number): void
  onPlay(): void
  onPause(): void
  onEnded(): void
  /** The media jumped though nobody here asked for it, such as by a key of the keyboard's media row. */
  onForeignSeek(mediaMs: number): void
  /** A jump that was asked for is on screen. */
  onSettled(): void
  onState(): void
}

export interface MediaSnapshot {
  paused: boolean
  waiting: boolean
  failed: boolean
  muted: boolean
  volume: number
  rate: number
  /** Its speed cannot be chosen. */
  hasOneRate: boolean
}

export interface FilmMedia {
  /** What comes up sooner than this, in ms, is told by `tickAt`: the next tick may come late. */
  readonly predictWithinMs: number
  /** Answers false where the browser refuses to play without a gesture. */
  play(): Promise<boolean>
  pause(): void
  seekTo(ms: number): void
  /** Tells of `ms` as soon as a timer says that it is reached, rather than with the next frame. */
  tickAt(ms: number): void
  nowMs(): number
  snapshot(): MediaSnapshot
  setRate(rate: number): void
  setMuted(muted: boolean): void
  setVolume(volume: number): void
  /** Lowers the film under something else that is heard; the volume that was chosen comes back afterwards. */
  setQuiet(quiet: boolean): void
  retry(): void
  /** Draws the frame that is on screen; false where there is none yet. */
  drawTo(canvas: HTMLCanvasElement): boolean
  destroy(): void
}

/** How loud the film is while something else is heard, as a share of its volume. */
const QUIET = 0.25
/** A few frames. */
const PREDICT_WITHIN_MS = 90
/** Two of the browser's times nearer than this belong to one jump, in seconds. */
const SAME_PLACE_SECONDS = 0.06
/** The first ms of a frame, with what binary fractions lose added back. */
const wholeMs = (seconds: number) => Math.max(0, Math.ceil(seconds * 1000 - 0.05))

export function createFilmMedia(
  video: HTMLVideoElement,
  frameRate: FrameRate,
  listeners: MediaListeners,
): FilmMedia {
  const undo: (() => void)[] = []
  const firstFrameSeconds = middleOfFrameSeconds(0, frameRate)
  let target: number | null = null
  let failed = video.error !== null
  let waiting = video.readyState < HTMLMediaElement.HAVE_CURRENT_DATA
  let frameRequest = 0
  let volume = video.volume
  let quiet = false
  const setVolume = () => void (video.volume = volume * (quiet ? QUIET : 1))
  let tickTimer: ReturnType<typeof setTimeout> | undefined
  const on = (name: string, handler: () => void) => {
    video.addEventListener(name, handler)
    undo.push(() => video.removeEventListener(name, handler))
  }
  const onFrame = (_now: number, frame: { mediaTime: number }) => {
    frameRequest = video.requestVideoFrameCallback(onFrame)
    if (!video.seeking && !video.paused) listeners.onTick(wholeMs(frame.mediaTime))
  }
  const hasFrames = 'requestVideoFrameCallback' in video
  if (hasFrames) frameRequest = video.requestVideoFrameCallback(onFrame)
  const setWaiting = (is: boolean) => () => {
    waiting = is
    listeners.onState()
  }
  on('timeupdate', () => {
    // While frames are reported these ticks are late and coarse; in a hidden tab they are all there is.
    const framesRun = hasFrames && document.visibilityState === 'visible'
    if (!video.seeking && !video.paused && !framesRun) listeners.onTick(wholeMs(video.currentTime))
  })
  on('play', () => listeners.onPlay())
  on('pause', () => {
    clearTimeout(tickTimer)
    // At the end the browser pauses before it says so; what was watched goes on to the very end.
    if (!video.ended) listeners.onPause()
  })
  on('ended', () => {
    // A way may have led back from the last frame before the browser says that it was the last.
    if (video.ended) listeners.onEnded()
  })
  on('seeking', () => {
    const isOurs = target !== null && Math.abs(video.currentTime - target) < SAME_PLACE_SECONDS
    if (!isOurs) listeners.onForeignSeek(wholeMs(video.currentTime))
  })
  on('seeked', () => {
    target = null
    listeners.onSettled()
  })
  for (const name of ['waiting', 'loadstart', 'stalled']) on(name, setWaiting(true))
  for (const name of ['playing', 'canplay', 'loadeddata', 'suspend']) on(name, setWaiting(false))
  for (const name of ['volumechange', 'ratechange']) on(name, () => listeners.onState())
  on('error', () => {
    failed = true
    listeners.onState()
  })
  return {
    predictWithinMs: PREDICT_WITHIN_MS,
    async play() {
      try {
        await video.play()
        return true
      } catch (error) {
        // A pause that follows at once also ends here; only a refusal is of interest.
        return (error as DOMException).name !== 'NotAllowedError'
      }
    },
    pause: () => video.pause(),
    seekTo(ms) {
      clearTimeout(tickTimer)
      const end = Number.isFinite(video.duration) ? video.duration : Infinity
      const wanted = Math.min(middleOfFrameSeconds(ms, frameRate), Math.max(0, end - 0.001))
      // A film that has not moved shows its first frame already; a jump there would only delay it.
      if (video.currentTime === 0 && !video.seeking && wanted <= firstFrameSeconds) return
      target = wanted
      video.currentTime = wanted
    },
    tickAt(ms) {
      clearTimeout(tickTimer)
      const untilMs = (ms - video.currentTime * 1000) / video.playbackRate
      const tell = () => {
        if (!video.paused && !video.seeking) listeners.onTick(ms)
      }
      tickTimer = setTimeout(tell, Math.max(0, untilMs))
    },
    nowMs: () => wholeMs(target ?? video.currentTime),
    snapshot: () => ({
      paused: video.paused,
      waiting,
      failed,
      muted: video.muted || volume === 0,
      volume,
      rate: video.playbackRate,
      hasOneRate: false,
    }),
    setRate: (rate) => void (video.playbackRate = rate),
    setMuted: (muted) => void (video.muted = muted),
    setVolume(wanted) {
      volume = wanted
      setVolume()
    },
    setQuiet(is) {
      quiet = is
      setVolume()
    },
    retry() {
      failed = false
      const at = video.currentTime
      video.load()
      target = at
      video.currentTime = at
      listeners.onState()
    },
    drawTo(canvas) {
      if (video.readyState < HTMLMediaElement.HAVE_CURRENT_DATA) return false
      canvas.width = video.videoWidth
      canvas.height = video.videoHeight
      canvas.getContext('2d')?.drawImage(video, 0, 0)
      return true
    },
    destroy() {
      clearTimeout(tickTimer)
      if (hasFrames) video.cancelVideoFrameCallback(frameRequest)
      for (const stop of undo) stop()
      video.pause()
      video.removeAttribute('src')
      video.load()
    },
  }
}
