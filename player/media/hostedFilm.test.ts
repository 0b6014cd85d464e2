import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createHostedFilm, measureHostedFilm } from './hostedFilm.ts'

const HOST = 'https://films.example'
type Sent = { method: string; value?: unknown; listener?: string }

/** A host's frame: what was sent to it, and what it tells. */
function createFrame() {
  const sent: Sent[] = []
  const contentWindow = {
    postMessage(text: string, origin: string) {
      expect(origin).toBe(HOST)
      const { context, version: _, ...message } = JSON.parse(text) as Sent & Record<string, unknown>
      expect(context).toBe('player.js')
      sent.push(message)
    },
  }
  const frame = Object.assign(new EventTarget(), {
    src: `${HOST}/player/7`,
    contentWindow,
    remove: vi.fn(),
  })
  const tell = (event: string, value?: unknown, from: object = contentWindow, origin = HOST) =>
    window.dispatchEvent(
      Object.assign(new Event('message'), {
        source: from,
        origin,
        data: JSON.stringify({ context: 'player.js', version: '0.0.11', event, value }),
      }),
    )
  const methods = () => sent.map(({ method }) => method)
  return { frame: frame as unknown as HTMLIFrameElement, sent, tell, methods }
}

const window = new EventTarget()
function listen() {
  const told: [string, number?][] = []
  const listeners = {
    onTick: (ms: number) => void told.push(['tick', ms]),
    onPlay: () => void told.push(['play']),
    onPause: () => void told.push(['pause']),
    onEnded: () => void told.push(['ended']),
    onForeignSeek: (ms: number) => void told.push(['foreign', ms]),
    onSettled: () => void told.push(['settled']),
    onState: vi.fn(),
  }
  return { told, listeners }
}
function start() {
  const host = createFrame()
  const { told, listeners } = listen()
  const film = createHostedFilm(host.frame, listeners)
  host.frame.dispatchEvent(new Event('load'))
  return { ...host, told, film }
}

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] })
  vi.stubGlobal('addEventListener', window.addEventListener.bind(window))
  vi.stubGlobal('removeEventListener', window.removeEventListener.bind(window))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a hosted film', () => {
  it('asks whether its player is there, and waits with all else', () => {
    const { film, methods, sent, tell } = start()
    expect(methods()).toEqual(['addEventListener'])
    film.seekTo(12_000)
    void film.play()
    expect(methods()).toEqual(['addEventListener'])
    expect(film.snapshot()).toMatchObject({ waiting: true, paused: true, hasOneRate: true })
    tell('ready')
    expect(sent.slice(-2)).toEqual([{ method: 'setCurrentTime', value: 12 }, { method: 'play' }])
    tell('ready')
    expect(methods().filter((method) => method === 'play')).toHaveLength(1)
    film.destroy()
  })

  it('tells of its time while it plays, and of nothing that others say', async () => {
    const { film, tell, told } = start()
    tell('ready')
    const begun = film.play()
    tell('play')
    expect(await begun).toBe(true)
    tell('timeupdate', { seconds: 1.25, duration: 60 })
    tell('timeupdate', { seconds: 1.5 }, {})
    tell('timeupdate', { seconds: 1.5 }, film, 'https://other.example')
    tell('timeupdate', 'soon')
    tell('pause')
    tell('pause')
    tell('timeupdate', { seconds: 1.3 })
    expect(told).toEqual([['play'], ['tick', 1250], ['pause']])
    film.destroy()
    tell('play')
    expect(told).toHaveLength(3)
  })

  it('jumps, and passes over what was told of the place before', () => {
    const { film, tell, told, sent } = start()
    tell('ready')
    tell('play')
    film.seekTo(30_000)
    expect(sent.at(-1)).toEqual({ method: 'setCurrentTime', value: 30 })
    expect(film.nowMs()).toBe(30_000)
    tell('timeupdate', { seconds: 4 })
    tell('seeked')
    tell('timeupdate', { seconds: 30.2 })
    expect(told).toEqual([['play'], ['settled'], ['tick', 30_200]])
    film.destroy()
  })

  it('is not lost where a host tells of no arrival, or arrives elsewhere', () => {
    const { film, tell, told } = start()
    tell('ready')
    tell('play')
    film.seekTo(30_000)
    vi.advanceTimersByTime(2500)
    tell('timeupdate', { seconds: 28 })
    expect(told).toEqual([['play'], ['settled'], ['tick', 28_000]])
    film.destroy()
  })

  it('runs on by the clock between two tellings, and no further', () => {
    const { film, tell, told } = start()
    tell('ready')
    tell('play')
    tell('timeupdate', { seconds: 10 })
    vi.advanceTimersByTime(200)
    expect(film.nowMs()).toBe(10_200)
    film.tickAt(10_300)
    vi.advanceTimersByTime(99)
    expect(told.at(-1)).toEqual(['tick', 10_000])
    vi.advanceTimersByTime(2)
    expect(told.at(-1)).toEqual(['tick', 10_300])
    vi.advanceTimersByTime(5000)
    expect(film.nowMs()).toBe(10_400)
    film.tickAt(20_000)
    tell('pause')
    vi.advanceTimersByTime(20_000)
    expect(told.at(-1)).toEqual(['pause'])
    film.destroy()
  })

  it('that may not begin says so, and so does one that does not', async () => {
    const { film, tell } = start()
    tell('ready')
    const refused = film.play()
    tell('error', { code: 1 })
    expect(await refused).toBe(false)
    expect(film.snapshot().failed).toBe(false)
    const silent = film.play()
    vi.advanceTimersByTime(4001)
    expect(await silent).toBe(false)
    film.destroy()
  })

  it('whose player does not answer has failed, until it is tried again', () => {
    const { film, tell, sent } = start()
    vi.advanceTimersByTime(20_001)
    expect(film.snapshot().failed).toBe(true)
    film.retry()
    expect(film.snapshot().failed).toBe(false)
    tell('ready')
    vi.advanceTimersByTime(30_000)
    expect(film.snapshot()).toMatchObject({ failed: false, waiting: false })
    film.setVolume(0.5)
    film.setQuiet(true)
    film.setMuted(true)
    expect(sent.slice(-3)).toEqual([
      { method: 'setVolume', value: 50 },
      { method: 'setVolume', value: 13 },
      { method: 'mute' },
    ])
    tell('error', { code: 2 })
    expect(film.snapshot().failed).toBe(true)
    film.destroy()
  })

  it('plays to its end', () => {
    const { film, tell, told } = start()
    tell('ready')
    tell('play')
    tell('ended')
    tell('pause')
    expect(told).toEqual([['play'], ['ended']])
    expect(film.snapshot().paused).toBe(true)
    film.destroy()
  })
})

describe('the length of a hosted film', () => {
  it('is what its player says', async () => {
    const { frame, sent, tell } = createFrame()
    const length = measureHostedFilm(frame)
    frame.dispatchEvent(new Event('load'))
    tell('ready')
    expect(sent.at(-1)).toEqual({ method: 'getDuration', listener: 'length' })
    tell('getDuration', 0)
    tell('getDuration', 61.2504)
    expect(await length).toBe(61_250)
  })

  it('is unknown where nobody answers', async () => {
    const { frame } = createFrame()
    const length = measureHostedFilm(frame, 500)
    vi.advanceTimersByTime(501)
    expect(await length).toBeNull()
  })
})
