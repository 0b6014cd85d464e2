// The addresses on the web that a lesson sends learners to or shows, and where in it they stand.
import { cuesInOrder } from './order.ts'
import { mapsOfPart, partsInOrder } from './parts/index.ts'
import type { Lesson } from './schema.ts'

export interface LinkPlace {
  partId: string
  /** In a film. */
  cueId: string | null
  /** In any other part. */
  thingId: string | null
}

export interface Link {
  address: string
  /** What it is called where it stands; '' where nobody says. */
  title: string
  /** In the order in which a learner comes to them. */
  places: LinkPlace[]
}

/** Every address once, in the order in which a learner comes to them. */
export function linksOf(lesson: Lesson): Link[] {
  const links = new Map<string, Link>()
  const note = (holder: unknown, place: LinkPlace) => {
    for (const { address, title } of addressesIn(holder)) {
      const link = links.get(address) ?? { address, title, places: [] }
      links.set(address, { ...link, title: link.title || title, places: [...link.places, place] })
    }
  }
  const asked = (thing: unknown) => askedBy(thing).map((id) => lesson.questions[id])
  for (const part of partsInOrder(lesson)) {
    const partId = part.id
    for (const cue of cuesInOrder(lesson, partId))
      note([cue, asked(cue)], { partId, cueId: cue.id, thingId: null })
    const maps = mapsOfPart(part)
    const own = Object.fromEntries(Object.entries(part).filter(([name]) => !(name in maps)))
    note(own, { partId, cueId: null, thingId: null })
    for (const thing of Object.values(maps).flatMap((map) => Object.values(map)))
      note([thing, asked(thing)], { partId, cueId: null, thingId: thing.id })
  }
  return [...links.values()]
}

/** Whatever in a thing has an address, as pages in texts, links and overlays have. */
function addressesIn(thing: unknown): { address: string; title: string }[] {
  if (typeof thing !== 'object' || thing === null) return []
  const inside = Object.values(thing).flatMap(addressesIn)
  // Words that lead somewhere are what it is called.
  const { address, title, text } = thing as { address?: unknown; title?: unknown; text?: unknown }
  const called = [title, text].find((one) => typeof one === 'string') ?? ''
  return typeof address === 'string' ? [{ address, title: called as string }, ...inside] : inside
}

/** The questions that a cue, a block, a pin or an item asks. */
function askedBy(thing: unknown): string[] {
  if (typeof thing !== 'object' || thing === null) return []
  return Object.entries(thing).flatMap(([name, value]) =>
    name === 'questionId' && typeof value === 'string' ? [value] : askedBy(value),
  )
}
