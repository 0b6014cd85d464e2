// Media on their way into a lesson. That one is put somewhere is decided when it is chosen; what waits is the medium. So it
// goes on when another part is opened, when the bench is left, and after the page was closed, as far as the file was sent.
import { keepHere, readKept } from '@fernbrake/player'
import { nanoid } from 'nanoid'
import { computed, reactive } from 'vue'
import type { Media } from '@fernbrake/core/contract'
import { LARGEST_BYTES } from '@fernbrake/core/media'
import { call } from '../../api/client.ts'
import {
  faultOf,
  sendFile,
  untilSettled,
  whyNotSent,
  type UploadFault,
} from '../../shelf/useMediaUpload.ts'
import type { Wanted } from '../../shelf/wanted.ts'
import type { Draft } from '../useDraft.ts'
import { keyOf, placeMedium, type Place, type Placed } from './places.ts'

/**
 * `ready`: there, and put in as soon as the bench is open. What follows has an end that somebody is to know of: `failed`
 * with its fault; `homeless`: its place is gone, it lies on the shelf; `lost`: it was not sent whole before the page was
 * closed; `cut` and `notDrawn`: see `Placed`.
 */
export type Step =
  | 'sending'
  | 'fetching'
  | 'preparing'
  | 'ready'
  | 'failed'
  | 'homeless'
  | 'lost'
  | 'refused'
  | 'cut'
  | 'notDrawn'

export interface Placing {
  readonly id: string
  readonly name: string
  readonly kind: Media['kind']
  readonly place: Place
  /** Those that were chosen together come one behind the other. */
  readonly batch: string
  mediaId: string | null
  step: Step
  /** What of the step is done, 0 to 1. */
  share: number
  fault: UploadFault | null
}

type Kept = Pick<Placing, 'id' | 'name' | 'kind' | 'place' | 'batch' | 'mediaId'>

const UNDER_WAY: readonly Step[] = ['sending', 'fetching', 'preparing', 'ready']
export const isUnderWay = ({ step }: Placing) => UNDER_WAY.includes(step)

/** What the outside world does; in its place tests have their own. */
export interface Outside {
  send(
    file: Blob,
    about: { name: string; kind: Media['kind'] },
    onShare: (share: number) => void,
  ): Promise<string>
  fetch(wanted: Wanted): Promise<string>
  settle(mediaId: string, onJob: (job: Media['jobs'][number]) => void): Promise<Media>
  /** Does the work where no other tab does it; false where one does. */
  alone(id: string, work: () => Promise<void>): Promise<boolean>
  /** What pages that were closed have kept, each by itself: several tabs may have some. */
  read(): readonly unknown[]
  keep(kept: Kept): void
  forget(id: string): void
}

export type Placer = (id: string, place: Place, media: Media) => Promise<Placed>

/** All that is on its way into one lesson. */
export function createPlacings(outside: Outside) {
  const all = reactive<Placing[]>([])
  /** Puts media in; null while the bench is not open. */
  let placer: Placer | null = null
  const pads = new Map<string, (media: Media) => void>()
  const settled = new Map<string, Media>()
  /** The last slide that came of each batch. */
  const lastOf = new Map<string, string>()
  /** The places whose own buttons tell how it stands, and how many of them do. */
  const shown = reactive(new Map<string, number>())
  const onPlaced = new Set<(place: Place, thingId: string | undefined) => void>()

  /** What the next page is to know of: all that is under way, but what is meant for a text that is open on this one. */
  function keep(one: Placing): void {
    const { id, name, kind, place, batch, mediaId, step } = one
    if ((isUnderWay(one) || step === 'lost') && place.at !== 'text')
      outside.keep({ id, name, kind, place, batch, mediaId })
    else outside.forget(id)
  }
  function add(about: Kept, step: Step): Placing {
    all.push({ ...about, step, share: 0, fault: null })
    const one = all.find(({ id }) => id === about.id)!
    keep(one)
    return one
  }
  function drop(id: string): void {
    const at = all.findIndex((one) => one.id === id)
    if (at >= 0) all.splice(at, 1)
    settled.delete(id)
    outside.forget(id)
  }
  function end(one: Placing, step: Step, fault: UploadFault | null = null): void {
    Object.assign(one, { step, fault })
    keep(one)
  }

  /** Waits until the medium can be shown, and puts it in. True once it is in its place. */
  async function follow(one: Placing): Promise<boolean> {
    one.step = 'preparing'
    keep(one)
    try {
      const media = await outside.settle(one.mediaId!, ({ kind, progress }) =>
        Object.assign(one, { step: kind === 'fetch' ? 'fetching' : 'preparing', share: progress }),
      )
      if (media.state !== 'ready') return (end(one, 'failed', faultOf(media)), false)
      if (media.hosted !== null && one.place.at !== 'filmLength')
        return (end(one, 'failed', 'hosted'), false)
      settled.set(one.id, media)
      one.step = 'ready'
      keep(one)
      return await putIn(one)
    } catch {
      end(one, 'failed', 'failed')
      return false
    }
  }
  async function putIn(one: Placing): Promise<boolean> {
    const media = settled.get(one.id)
    if (!media) return false
    if (one.place.at === 'text') {
      const pad = pads.get(one.place.padId)
      if (!pad) return (end(one, 'homeless'), false)
      drop(one.id)
      pad(media)
      return true
    }
    if (!placer) return true
    settled.delete(one.id)
    // What of it has to be fetched may not come; it lies on the shelf then.
    const placed = await placer(one.id, behindOthers(one), media).catch(() => null)
    if (!placed) return (end(one, 'failed', 'failed'), false)
    switch (placed.outcome) {
      case 'placed':
        drop(one.id)
        break
      case 'cut':
        end(one, 'cut')
        break
      case 'gone':
        end(one, 'homeless')
        return false
      case 'notDrawn':
      case 'refused':
        end(one, placed.outcome)
        return false
    }
    if (placed.thingId) lastOf.set(one.batch, placed.thingId)
    onPlaced.forEach((listener) => listener(one.place, placed.thingId))
    return true
  }

  function behindOthers({ place, batch }: Placing): Place {
    const afterId = lastOf.get(batch)
    return place.at === 'slides' && afterId !== undefined ? { ...place, afterId } : place
  }

  async function sendOne(one: Placing, file: Blob): Promise<boolean> {
    if (file.size > LARGEST_BYTES[one.kind]) return (end(one, 'failed', 'tooLarge'), false)
    try {
      const { name, kind } = one
      one.mediaId = await outside.send(file, { name, kind }, (share) =>
        Object.assign(one, { step: 'sending', share }),
      )
    } catch (error) {
      end(one, 'failed', whyNotSent(error))
      return false
    }
    keep(one)
    return follow(one)
  }

  const chosen = (place: Place, kind: Media['kind'], name: string, batch = nanoid()): Kept => ({
    id: nanoid(),
    name,
    kind,
    place,
    batch,
    mediaId: null,
  })
  /** Sends a file, and puts it in its place. True once it is there, or will be as soon as the bench is open. */
  async function put(
    place: Place,
    kind: Media['kind'],
    file: Blob,
    name: string,
  ): Promise<boolean> {
    const one = add(chosen(place, kind, name), 'sending')
    let isDone = false
    await outside.alone(one.id, async () => void (isDone = await sendOne(one, file)))
    return isDone
  }
  /** One after the other, each behind the one before it; all of them are known of from the beginning. */
  async function putAll(place: Place, kind: Media['kind'], files: readonly File[]): Promise<void> {
    const batch = nanoid()
    let before: Promise<unknown> = Promise.resolve()
    const all = files.map((file) => {
      const one = add(chosen(place, kind, file.name, batch), 'sending')
      const turn = before
      before = outside.alone(one.id, async () => {
        await turn
        await sendOne(one, file)
      })
      return before
    })
    await Promise.all(all)
  }
  function onPlacedAt(listener: (place: Place, thingId: string | undefined) => void): () => void {
    onPlaced.add(listener)
    return () => onPlaced.delete(listener)
  }

  return {
    all: all as readonly Placing[],
    /** How many are on their way. */
    underWay: computed(() => all.filter(isUnderWay).length),
    /** Whether some would be lost if the page were closed now. */
    isSending: () => all.some(({ step }) => step === 'sending'),
    /** What is nowhere else told of. */
    aside: computed(() =>
      all.filter(
        ({ place, step }) =>
          place.at !== 'filmLength' &&
          !(shown.has(placeKey(place)) && (TOLD_THERE.includes(step) || step === 'ready')),
      ),
    ),
    /** A place tells by itself how its media stand; answers with how to end that. */
    show(place: Place): () => void {
      const key = placeKey(place)
      shown.set(key, (shown.get(key) ?? 0) + 1)
      return () => {
        const left = (shown.get(key) ?? 1) - 1
        if (left > 0) shown.set(key, left)
        else shown.delete(key)
      }
    },
    at: (place: Place) => all.filter((one) => samePlace(one.place, place)),
    put,
    putAll,
    async fetchFrom(place: Place, wanted: Wanted): Promise<boolean> {
      const one = add(chosen(place, wanted.kind, nameOf(wanted)), 'fetching')
      try {
        one.mediaId = await outside.fetch(wanted)
      } catch (error) {
        end(one, 'failed', whyNotSent(error))
        return false
      }
      keep(one)
      return follow(one)
    },
    /** Puts in a medium that is being made, once it is there. */
    await(
      place: Place,
      { mediaId, kind, name }: { mediaId: string; kind: Media['kind']; name: string },
    ) {
      return follow(add({ ...chosen(place, kind, name), mediaId }, 'preparing'))
    },
    /** Puts in one that is there. */
    async choose(place: Place, media: Media): Promise<void> {
      const { id: mediaId, kind, title: name } = media
      const one = add({ ...chosen(place, kind, name), mediaId }, 'ready')
      settled.set(one.id, media)
      await putIn(one)
    },
    dismiss: drop,
    onPlaced: onPlacedAt,
    /** A text that is being written takes media while it is. */
    receive(padId: string, take: (media: Media) => void): () => void {
      pads.set(padId, take)
      return () => pads.delete(padId)
    },
    /** The bench is open: what is ready is put in, and what an earlier page left is gone on with. */
    async open(place: Placer): Promise<void> {
      placer = place
      for (const one of [...all]) if (one.step === 'ready') await putIn(one)
      for (const kept of keptIn(outside.read())) {
        if (all.some(({ id }) => id === kept.id)) continue
        void outside.alone(kept.id, async () => {
          const one = add(kept, kept.mediaId === null ? 'lost' : 'preparing')
          if (kept.mediaId !== null) await follow(one)
        })
      }
    },
    /** This bench is left; another may be open by now. */
    close(place: Placer): void {
      if (placer === place) placer = null
    },
  }
}

export type Placings = ReturnType<typeof createPlacings>

/** Slides that are put after one another are meant for one place. */
const placeKey = (place: Place) =>
  keyOf(place.at === 'slides' ? { ...place, afterId: null } : place)
const nameOf = ({ about, address }: Wanted) => about?.title ?? address
const samePlace = (one: Place, other: Place) => placeKey(one) === placeKey(other)
/** What the buttons of a place tell. */
const TOLD_THERE: readonly Step[] = ['sending', 'fetching', 'preparing', 'failed']

/** What was kept, as far as it can be read. */
function keptIn(values: readonly unknown[]): Kept[] {
  return (values as Partial<Kept>[]).filter(
    (one): one is Kept =>
      typeof one === 'object' &&
      one !== null &&
      typeof one.id === 'string' &&
      typeof one.name === 'string' &&
      typeof one.batch === 'string' &&
      typeof one.place?.at === 'string' &&
      (one.mediaId === null || typeof one.mediaId === 'string'),
  )
}

const known = new Map<string, Placings>()

/** Those of a lesson: the same for as long as the page lives, whether its bench is open or not. */
export function placingsOf(lessonId: string): Placings {
  const before = known.get(lessonId)
  if (before) return before
  const prefix = `fernbrake-placing ${lessonId} `
  const made = createPlacings({
    send: (file, { name, kind }, onShare) => sendFile(file, { filename: name, kind }, onShare),
    fetch: async (wanted) => (await call('fetchMedia', { body: { id: nanoid(), ...wanted } })).id,
    settle: untilSettled,
    alone,
    read: () => keysKept(prefix).map(readKept),
    keep: (kept) => keepHere(`${prefix}${kept.id}`, kept),
    forget: (id) => keepHere(`${prefix}${id}`, null),
  })
  known.set(lessonId, made)
  addEventListener('beforeunload', (event) => {
    // The browser asks whether somebody means to leave.
    if (made.isSending()) event.preventDefault()
  })
  return made
}

function keysKept(prefix: string): string[] {
  try {
    return Object.keys(localStorage).filter((key) => key.startsWith(prefix))
  } catch {
    // A browser that keeps nothing here has nothing to go on with.
    return []
  }
}

/** Other tabs of this browser leave alone what one of them has in hand. */
async function alone(id: string, work: () => Promise<void>): Promise<boolean> {
  // Without a secure connection there are no locks; then one tab has to do.
  if (!('locks' in navigator)) return (await work(), true)
  return navigator.locks.request(`fernbrake-placing ${id}`, { ifAvailable: true }, async (lock) => {
    if (lock === null) return false
    await work()
    return true
  })
}

/** Puts media into an open draft, as `placeMedium`. */
export const placerOf =
  (draft: Draft): Placer =>
  (id, place, media) =>
    placeMedium(draft, id, place, media)
