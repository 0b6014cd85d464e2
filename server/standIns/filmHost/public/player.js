// The host's side of the open player.js protocol: the page around the frame says what to do, and hears what happens.
const CONTEXT = 'player.js'
const VERSION = '0.0.11'
const video = document.querySelector('video')
/** By event, who hears of it: a listener's name, the window's origin. */
const listeners = new Map()

const METHODS = {
  play: () => void video.play().catch(refuse),
  pause: () => video.pause(),
  getPaused: () => video.paused,
  mute: () => void (video.muted = true),
  unmute: () => void (video.muted = false),
  getMuted: () => video.muted,
  setVolume: (percent) => void (video.volume = Math.min(100, Math.max(0, Number(percent))) / 100),
  getVolume: () => video.volume * 100,
  getDuration: () => video.duration,
  setCurrentTime: (seconds) => void (video.currentTime = Number(seconds)),
  getCurrentTime: () => video.currentTime,
}
const EVENTS = ['ready', 'play', 'pause', 'ended', 'timeupdate', 'seeked', 'error']

/** The browser wants a press in the frame itself, so there has to be something to press. */
function refuse() {
  video.controls = true
  video.addEventListener('play', () => (video.controls = !isFollowed()), { once: true })
  tell('error', { code: 1, msg: 'It may not play yet' })
}
/** Whoever follows its time has buttons of their own for it. */
const isFollowed = () => (listeners.get('timeupdate') ?? []).length > 0

function send(origin, event, value, listener) {
  const message = { context: CONTEXT, version: VERSION, event, value }
  if (listener !== undefined) message.listener = listener
  window.parent.postMessage(JSON.stringify(message), origin)
}
function tell(event, value) {
  for (const { origin, listener } of listeners.get(event) ?? [])
    send(origin, event, value, listener)
}
const ready = () => ({ src: location.href, events: EVENTS, methods: Object.keys(METHODS) })
let isReady = video.readyState >= HTMLMediaElement.HAVE_METADATA

function hear(origin, { method, value, listener }) {
  if (method === 'addEventListener') {
    listeners.set(value, [...(listeners.get(value) ?? []), { origin, listener }])
    video.controls &&= !isFollowed()
    if (value === 'ready' && isReady) send(origin, 'ready', ready(), listener)
    return
  }
  if (method === 'removeEventListener') {
    const left = (listeners.get(value) ?? []).filter((one) => listener && one.listener !== listener)
    listeners.set(value, left)
    return
  }
  if (!Object.hasOwn(METHODS, method)) return
  const answer = METHODS[method](value)
  if (listener !== undefined) send(origin, method, answer, listener)
}

window.addEventListener('message', ({ source, origin, data }) => {
  if (source !== window.parent || source === window || typeof data !== 'string') return
  try {
    const message = JSON.parse(data)
    if (message?.context === CONTEXT) hear(origin, message)
  } catch {
    // Others speak to this window too.
  }
})
const place = () => ({ seconds: video.currentTime, duration: video.duration })
video.addEventListener('loadedmetadata', () => {
  isReady = true
  tell('ready', ready())
  // Whoever came late asks; whoever is there already is told once, whatever its origin: it says nothing secret.
  send('*', 'ready', ready())
})
if (isReady) send('*', 'ready', ready())
video.addEventListener('timeupdate', () => tell('timeupdate', place()))
for (const event of ['play', 'pause', 'ended', 'seeked'])
  video.addEventListener(event, () => tell(event))
video.addEventListener('error', () => tell('error', { code: 2, msg: 'It cannot be played' }))
