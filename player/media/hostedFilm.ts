// A film that a host plays in a frame, driven by the open player.js messages (specification 0.0.11 of player.js): JSON texts
// that go to and fro by postMessage. Times are seconds there, whole ms here.
import type { FilmMedia, MediaListeners } from './filmMedia.ts'

const CONTEXT = 'player.js'
const VERSION = '0.0.11'
const EVENTS = ['ready', 'play', 'pause', 'ended', 'timeupdate', 'seeked', 'error'] as const
/** So long its page may take before it counts as one that does not answer, in ms. */
const PATIENCE_MS = 20_000
/** A player that was told to play and has not begun by then waits for a press, in ms. */
const BEGIN_WITHIN_MS = 4000
/** Players tell of their time a few times a second; between two of them it runs on by the clock, this long at most, in ms. */
const TOLD_EVERY_MS = 400
/** Two times nearer than this belong to one jump, in ms: hosts stop at the frame that suits them. */
const SAME_PLACE_MS = 500
/** A jump that nobody tells of any more by then is where the player says it is, in ms. */
const JUMP_WITHIN_MS = 2000
/** How loud the film is while something else is heard, as a share of its volume. */
const QUIET = 0.25

interface Message {
  context?: unknown
  event?: unknown
  value?: unknown
  listener?: unknown
}

/** The messages of one frame: nothing from elsewhere is heard, and nobody else hears what is sent. */
function openChannel(frame: HTMLIFrameElement, hear: (event: string, value: unknown) => void) {
  const { origin } = new URL(frame.src)
  const onMessage = ({ source, origin: from, data }: MessageEvent) => {
    if (source !== frame.contentWindow || from !== origin) return
    const message = read(data)
    if (message?.context === CONTEXT && typeof message.event === 'string')
      hear(message.event, message.value)
  }
  addEventListener('message', onMessage)
  return {
    send(method: string, value?: unknown, listener?: string) {
      const message = { context: CONTEXT, version: VERSION, method, value, listener }
      frame.contentWindow?.postMessage(JSON.stringify(message), origin)
    },
    close: () => removeEventListener('message', onMessage),
  }
}

function read(data: unknown): Message | null {
  if (typeof data !== 'string' && typeof data !== 'object') return null
  try {
    return (typeof data === 'string' ? JSON.parse(data) : data) as Message | null
  } catch {
    return null
  }
}

const msOf = (value: unknown): number | null => {
  const seconds =
    typeof value === 'object' ? (value as { seconds?: unknown } | null)?.seconds : value
  return typeof seconds === 'number' && Number.isFinite(seconds)
    ? Math.max(0, Math.round(seconds * 1000))
    : null
}

/** Drives the player in a frame, whose address must be set already. Its speed is its own. */
export function createHostedFilm(frame: HTMLIFrameElement, listeners: MediaListeners): FilmMedia {
  const now = { ready: false, failed: false, paused: true, ended: false, muted: false, volume: 1 }
  let [ms, toldAt, jumpedAt, quiet] = [0, 0, 0, false]
  let target: number | null = null
  let wantsPlay: ((begun: boolean) => void) | null = null
  let beginTimer: ReturnType<typeof setTimeout> | undefined
  let tickTimer: ReturnType<typeof setTimeout> | undefined
  let patience = startPatience()

  function startPatience() {
    return setTimeout(() => {
      now.failed = !now.ready
      listeners.onState()
    }, PATIENCE_MS)
  }
  const isRunning = () => !now.paused && target === null
  const nowMs = () =>
    target ?? (isRunning() ? ms + Math.min(TOLD_EVERY_MS, performance.now() - toldAt) : ms)

  function onReady(): void {
    if (now.ready) return
    clearTimeout(patience)
    Object.assign(now, { ready: true, failed: false })
    for (const event of EVENTS) channel.send('addEventListener', event, event)
    sendVolume()
    channel.send(now.muted ? 'mute' : 'unmute')
    if (target !== null && target > 0) channel.send('setCurrentTime', target / 1000)
    else target = null
    if (wantsPlay) channel.send('play')
    listeners.onState()
  }
  function onTime(value: unknown): void {
    const told = msOf(value)
    if (told === null) return
    // What is told of the place before a jump is late.
    const isJumping = performance.now() - jumpedAt < JUMP_WITHIN_MS
    if (target !== null && isJumping && Math.abs(told - target) > SAME_PLACE_MS) return
    settle(told)
    if (!now.paused) listeners.onTick(ms)
  }
  function settle(toldMs: number): void {
    const wasJumping = target !== null
    target = null
    ms = toldMs
    toldAt = performance.now()
    if (wasJumping) listeners.onSettled()
  }
  function onSeeked(): void {
    // Whoever jumps by the host's own means says so by the time that follows.
    if (target !== null) settle(target)
  }
  function onPlay(): void {
    clearTimeout(beginTimer)
    Object.assign(now, { paused: false, ended: false })
    toldAt = performance.now()
    wantsPlay?.(true)
    wantsPlay = null
    listeners.onPlay()
  }
  function onPause(): void {
    clearTimeout(tickTimer)
    if (now.paused) return
    ms = nowMs()
    now.paused = true
    listeners.onPause()
  }
  function onEnded(): void {
    clearTimeout(tickTimer)
    // A way led back from the end before its host said that it was over: there it plays on.
    if (target !== null && !now.paused) {
      channel.send('setCurrentTime', target / 1000)
      channel.send('play')
      return
    }
    Object.assign(now, { paused: true, ended: true })
    listeners.onEnded()
  }
  function onError(): void {
    // One that may not play yet waits for a press; anything else is over.
    if (wantsPlay) return refusePlay()
    now.failed = true
    listeners.onState()
  }
  const heard: Record<string, (value: unknown) => void> = {
    ready: onReady,
    play: onPlay,
    pause: onPause,
    ended: onEnded,
    error: onError,
    timeupdate: onTime,
    seeked: onSeeked,
  }
  const channel = openChannel(frame, (event, value) => heard[event]?.(value))
  /** Before its page is there, nobody would hear. */
  const ask = () => channel.send('addEventListener', 'ready', 'ready')
  frame.addEventListener('load', ask)

  const sendVolume = () =>
    channel.send('setVolume', Math.round(now.volume * (quiet ? QUIET : 1) * 100))
  function refusePlay(): void {
    clearTimeout(beginTimer)
    wantsPlay?.(false)
    wantsPlay = null
  }
  return {
    predictWithinMs: TOLD_EVERY_MS,
    play() {
      if (!now.paused) return Promise.resolve(true)
      wantsPlay?.(true)
      return new Promise((resolve) => {
        wantsPlay = resolve
        if (now.ready) channel.send('play')
        clearTimeout(beginTimer)
        beginTimer = setTimeout(refusePlay, now.ready ? BEGIN_WITHIN_MS : PATIENCE_MS)
      })
    },
    pause() {
      wantsPlay?.(true)
      wantsPlay = null
      channel.send('pause')
    },
    seekTo(wantedMs) {
      clearTimeout(tickTimer)
      if (target === null && Math.round(ms) === wantedMs && now.paused) return
      target = wantedMs
      jumpedAt = performance.now()
      if (now.ready) channel.send('setCurrentTime', wantedMs / 1000)
    },
    tickAt(atMs) {
      clearTimeout(tickTimer)
      const tell = () => {
        if (isRunning()) listeners.onTick(atMs)
      }
      tickTimer = setTimeout(tell, Math.max(0, atMs - nowMs()))
    },
    nowMs: () => Math.round(nowMs()),
    snapshot: () => ({
      paused: now.paused,
      waiting: !now.ready,
      failed: now.failed,
      muted: now.muted,
      volume: now.volume,
      rate: 1,
      hasOneRate: true,
    }),
    setRate: () => undefined,
    setMuted(muted) {
      now.muted = muted
      channel.send(muted ? 'mute' : 'unmute')
      listeners.onState()
    },
    setVolume(volume) {
      now.volume = volume
      sendVolume()
      listeners.onState()
    },
    setQuiet(is) {
      quiet = is
      sendVolume()
    },
    retry() {
      Object.assign(now, { ready: false, failed: false, paused: true })
      target = Math.round(ms)
      clearTimeout(patience)
      patience = startPatience()
      frame.src = String(frame.src)
      listeners.onState()
    },
    drawTo: () => false,
    destroy() {
      for (const timer of [patience, beginTimer, tickTimer]) clearTimeout(timer)
      frame.removeEventListener('load', ask)
      channel.close()
      frame.remove()
    },
  }
}

/** How long a hosted film runs, in whole ms, as its player says; null where it does not answer in time. */
export function measureHostedFilm(
  frame: HTMLIFrameElement,
  withinMs = PATIENCE_MS,
): Promise<number | null> {
  return new Promise((resolve) => {
    const end = (length: number | null) => {
      clearTimeout(timer)
      frame.removeEventListener('load', ask)
      channel.close()
      resolve(length)
    }
    const timer = setTimeout(() => end(null), withinMs)
    const channel = openChannel(frame, (event, value) => {
      if (event === 'ready') channel.send('getDuration', undefined, 'length')
      const length = event === 'getDuration' ? msOf(value) : null
      if (length) end(length)
    })
    const ask = () => channel.send('addEventListener', 'ready', 'ready')
    frame.addEventListener('load', ask)
  })
}

/** A frame for a host's player. It is a sandbox of its own: nothing in it reaches the lesson but by messages. */
export function hostedFrame(address: string, title: string): HTMLIFrameElement {
  const frame = document.createElement('iframe')
  frame.title = title
  // A player of this very server would, with its own origin, be let out of its sandbox.
  const isOwn = new URL(address, location.href).origin === location.origin
  frame.setAttribute('sandbox', isOwn ? 'allow-scripts' : 'allow-scripts allow-same-origin')
  frame.allow = 'autoplay; fullscreen; encrypted-media'
  frame.referrerPolicy = 'strict-origin-when-cross-origin'
  frame.src = address
  return frame
}
