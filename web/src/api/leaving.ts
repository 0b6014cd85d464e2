// What has to end when somebody signs out, so that the next person does not go on as the last one. Apart from what it is that ends:
// the page on which people sign in need not fetch it.

const ends = new Set<() => void>()

/** Has this done whenever somebody signs out. */
export const onLeaving = (end: () => void): void => void ends.add(end)

export function leave(): void {
  for (const end of ends) end()
}
