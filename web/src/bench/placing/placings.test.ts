// Media on their way into a lesson: they come to their places whatever is open, and nothing of them is lost without a word.
import { beforeEach, describe, expect, it } from 'vitest'
import type { Media } from '@fernbrake/core/contract'
import type { Place, Placed } from './places.ts'
import { createPlacings, type Outside, type Placer, type Placings } from './placings.ts'

const media = (id: string, change: Partial<Media> = {}) =>
  ({
    id,
    kind: 'picture',
    state: 'ready',
    title: id,
    hosted: null,
    fault: null,
    ...change,
  }) as Media
const STILL: Place = { at: 'still', partId: 'still' }
const slides = (afterId: string | null): Place => ({ at: 'slides', partId: 'deck', afterId })
const file = (name: string) => new File(['x'], name)

/** What somebody else finishes when they like. */
function later<T>() {
  let resolve!: (value: T) => void
  let reject!: (error: unknown) => void
  const promise = new Promise<T>((...both) => ([resolve, reject] = both))
  return { promise, resolve, reject }
}
const settled = () => new Promise((done) => setTimeout(done))

let kept: Map<string, unknown>
let locked: Set<string>
let sending: ReturnType<typeof later<string>>[]
let preparing: Map<string, ReturnType<typeof later<Media>>>
let put: string[]
let outcome: Placed['outcome']

function outside(): Outside {
  const waitFor = (id: string) => {
    const known = preparing.get(id) ?? later<Media>()
    preparing.set(id, known)
    return known
  }
  return {
    send(_file, _about, onShare) {
      const one = later<string>()
      sending.push(one)
      onShare(0.5)
      return one.promise
    },
    fetch: ({ address }) => Promise.resolve(`from ${address}`),
    settle: (id) => waitFor(id).promise,
    async alone(id, work) {
      if (locked.has(id)) return false
      locked.add(id)
      await work()
      locked.delete(id)
      return true
    },
    read: () => [...kept.values()],
    keep: (one) => void kept.set(one.id, structuredClone(JSON.parse(JSON.stringify(one)))),
    forget: (id) => void kept.delete(id),
  }
}
const arrive = async (index: number, id: string, change: Partial<Media> = {}) => {
  sending[index]!.resolve(id)
  await settled()
  preparing.get(id)!.resolve(media(id, change))
  await settled()
}
const placer: Placer = (_id, place, { id: mediaId }) => {
  const where = place.at === 'slides' ? `after ${place.afterId}` : place.at
  put.push(`${mediaId} ${where}`)
  return Promise.resolve(
    outcome === 'placed' || outcome === 'cut'
      ? { outcome, thingId: `slide of ${mediaId}` }
      : { outcome },
  )
}
const open = (placings: Placings) => placings.open(placer)
const stepsOf = (placings: Placings) => placings.all.map(({ step }) => step)

beforeEach(() => {
  kept = new Map()
  locked = new Set()
  sending = []
  preparing = new Map()
  put = []
  outcome = 'placed'
})

describe('a medium that was chosen', () => {
  it('comes to its place though nothing shows that place any more', async () => {
    const placings = createPlacings(outside())
    await open(placings)
    const stop = placings.show(STILL)
    const done = placings.put(STILL, 'picture', file('gate.png'), 'gate.png')
    expect(placings.all).toMatchObject([{ step: 'sending', share: 0.5, name: 'gate.png' }])
    expect([placings.underWay.value, placings.isSending(), placings.aside.value]).toEqual([
      1,
      true,
      [],
    ])
    stop()
    expect(placings.aside.value).toHaveLength(1)
    await arrive(0, 'm1')
    expect(await done).toBe(true)
    expect([put, placings.all, kept.size]).toEqual([['m1 still'], [], 0])
  })

  it('waits for the bench where that was left', async () => {
    const placings = createPlacings(outside())
    await open(placings)
    placings.close(placer)
    const done = placings.put(STILL, 'picture', file('gate.png'), 'gate.png')
    await arrive(0, 'm1')
    await done
    expect([put, stepsOf(placings), kept.size]).toEqual([[], ['ready'], 1])
    await open(placings)
    expect([put, placings.all, kept.size]).toEqual([['m1 still'], [], 0])
  })

  it('is gone on with after the page was closed, once', async () => {
    const before = createPlacings(outside())
    await open(before)
    void before.put(STILL, 'picture', file('gate.png'), 'gate.png')
    sending[0]!.resolve('m1')
    await settled()
    expect([...kept.values()]).toMatchObject([{ mediaId: 'm1', name: 'gate.png', place: STILL }])
    // The tab that had it in hand is gone, and its locks with it.
    locked.clear()
    const first = createPlacings(outside())
    const second = createPlacings(outside())
    await open(first)
    await open(second)
    await settled()
    expect([stepsOf(first), stepsOf(second)]).toEqual([['preparing'], []])
    preparing.get('m1')!.resolve(media('m1'))
    await settled()
    expect(put.filter((one) => one === 'm1 still').length).toBeGreaterThan(0)
    expect([stepsOf(first), kept.size]).toEqual([[], 0])
  })

  it('that was not sent whole by then is told of, until that was read', async () => {
    const before = createPlacings(outside())
    await open(before)
    void before.put(STILL, 'picture', file('gate.png'), 'gate.png')
    const other = createPlacings(outside())
    await open(other)
    await settled()
    // The tab that sends it has it in hand still.
    expect(other.all).toEqual([])
    locked.clear()
    for (let page = 0; page < 2; page += 1) {
      const next = createPlacings(outside())
      await open(next)
      await settled()
      expect(next.aside.value).toMatchObject([{ step: 'lost', name: 'gate.png' }])
      if (page === 1) next.dismiss(next.all[0]!.id)
    }
    expect(kept.size).toBe(0)
  })

  it.each(['gone', 'refused', 'notDrawn', 'cut'] as const)(
    'is told of where it is %s',
    async (what) => {
      outcome = what
      const placings = createPlacings(outside())
      await open(placings)
      void placings.put(STILL, 'picture', file('gate.png'), 'gate.png')
      await arrive(0, 'm1')
      const [one] = placings.aside.value
      expect(one).toMatchObject({ step: what === 'gone' ? 'homeless' : what })
      expect([placings.underWay.value, kept.size]).toEqual([0, 0])
      placings.dismiss(one!.id)
      expect(placings.all).toEqual([])
    },
  )

  it('that cannot be put in because something of it does not come is told of', async () => {
    const placings = createPlacings(outside())
    await placings.open(() => Promise.reject(new Error('the line is dead')))
    await placings.choose(STILL, media('m1'))
    expect(placings.all).toMatchObject([{ step: 'failed' }])
    // Another bench may be open by the time this one is gone.
    await open(placings)
    placings.close(() => Promise.resolve({ outcome: 'placed' }))
    await placings.choose(STILL, media('m2'))
    expect(put).toEqual(['m2 still'])
  })

  it('that is too large is not sent at all', async () => {
    const placings = createPlacings(outside())
    await open(placings)
    const huge = Object.defineProperty(file('a.png'), 'size', { value: 9 * 1024 ** 3 })
    expect(await placings.put(STILL, 'picture', huge, 'a.png')).toBe(false)
    expect([placings.all[0]!.fault, sending, kept.size]).toEqual(['tooLarge', [], 0])
  })

  it('says what is wrong with it', async () => {
    const placings = createPlacings(outside())
    await open(placings)
    const done = [
      placings.put(STILL, 'picture', file('a.png'), 'a.png'),
      placings.put(STILL, 'picture', file('b.png'), 'b.png'),
      placings.put({ at: 'overlay', cueId: 'c' }, 'film', file('c.mp4'), 'c.mp4'),
    ]
    sending[0]!.reject(new Error('the line is dead'))
    await arrive(1, 'm2', { state: 'failed', fault: 'notAPicture' })
    await arrive(2, 'm3', { kind: 'film', hosted: { player: 'x' } as never })
    expect(await Promise.all(done)).toEqual([false, false, false])
    expect(placings.all.map(({ step, fault }) => [step, fault])).toEqual([
      ['failed', 'failed'],
      ['failed', 'notThis'],
      ['failed', 'hosted'],
    ])
    expect(kept.size).toBe(0)
  })
})

describe('several', () => {
  it('come one behind the other, where the first was meant for', async () => {
    const placings = createPlacings(outside())
    await open(placings)
    const all = placings.putAll(slides('s0'), 'picture', [file('1.png'), file('2.png')])
    await settled()
    expect(sending).toHaveLength(1)
    await arrive(0, 'm1')
    expect(placings.at(slides(null))).toHaveLength(1)
    await arrive(1, 'm2')
    await all
    expect(put).toEqual(['m1 after s0', 'm2 after slide of m1'])
  })
  it('come in their order where the bench was left meanwhile', async () => {
    const placings = createPlacings(outside())
    const all = placings.putAll(slides('s0'), 'picture', [file('1.png'), file('2.png')])
    await settled()
    await arrive(0, 'm1')
    await arrive(1, 'm2')
    await all
    await open(placings)
    expect(put).toEqual(['m1 after s0', 'm2 after slide of m1'])
  })
  it('are all known of from the beginning, and one that cannot be taken stops none', async () => {
    const placings = createPlacings(outside())
    await open(placings)
    const files = [file('1.png'), file('2.png'), file('3.png')]
    const all = placings.putAll(slides(null), 'picture', files)
    await settled()
    expect([kept.size, placings.underWay.value, locked.size]).toEqual([3, 3, 3])
    sending[0]!.reject(new Error('no'))
    await settled()
    await arrive(1, 'm2')
    await arrive(2, 'm3')
    await all
    expect([put, stepsOf(placings)]).toEqual([
      ['m2 after null', 'm3 after slide of m2'],
      ['failed'],
    ])
  })
})

describe('from elsewhere', () => {
  it('an address is fetched, what lies on the shelf is put in at once', async () => {
    const placings = createPlacings(outside())
    await open(placings)
    const done = placings.fetchFrom(STILL, {
      kind: 'picture',
      address: 'https://media.example/gate.png',
    })
    await settled()
    preparing.get('from https://media.example/gate.png')!.resolve(media('m1'))
    expect(await done).toBe(true)
    await placings.choose(STILL, media('m2'))
    expect(put).toEqual(['m1 still', 'm2 still'])
  })
})

describe('a text that is being written', () => {
  const TEXT: Place = { at: 'text', padId: 'pad' }
  it('takes its media while it is open', async () => {
    const placings = createPlacings(outside())
    await open(placings)
    const taken: string[] = []
    const stop = placings.receive('pad', ({ id }) => taken.push(id))
    void placings.put(TEXT, 'picture', file('a.png'), 'a.png')
    await arrive(0, 'm1')
    stop()
    void placings.put(TEXT, 'picture', file('b.png'), 'b.png')
    expect(kept.size).toBe(0)
    await arrive(1, 'm2')
    expect([taken, stepsOf(placings)]).toEqual([['m1'], ['homeless']])
  })
})
