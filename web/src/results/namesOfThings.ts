// What the things of a part are called in its results.
import { mapsOfPart, thingsToSee, type Part } from '@fernbrake/core/lesson'

/** The name of each thing that can be seen, or, where it has none, what `numbered` says of its place. */
export function namesOfThings(
  part: Part,
  numbered: (number: number) => string,
): ReadonlyMap<string, string> {
  const maps = Object.values(mapsOfPart(part))
  return new Map(
    thingsToSee(part).map((id, index) => {
      const thing = maps.find((map) => Object.hasOwn(map, id))![id]! as {
        name?: string
        title?: string
      }
      return [id, thing.name || thing.title || numbered(index + 1)]
    }),
  )
}
