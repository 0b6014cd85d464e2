// Whether the server may store anything new. A database whose disk is full dies, and may not come back by itself; so before
// that comes, the server only reads, and takes in only what makes room. What people do meanwhile waits on their devices.
import type { Room } from '../context.ts'
import { READ_ONLY_BELOW_BYTES, WRITABLE_ABOVE_BYTES } from '@fernbrake/core/media'

/** How often it is looked how much room there is, in ms. */
const LOOK_EVERY_MS = 10_000

export interface RoomWatch extends Room {
  /** Looks now; the rest of the time it looks by itself. */
  look(): Promise<void>
  stop(): void
}

export interface RoomWatchParts {
  freeBytes(): Promise<number>
  /** Read-only whatever room there is, as somebody who looks after the server may want it. */
  always: boolean
  onChange(isReadOnly: boolean, freeBytes: number): void
}

export function watchRoom({ freeBytes, always, onChange }: RoomWatchParts): RoomWatch {
  let isFull = false
  let waiting: (() => void)[] = []
  const look = async (): Promise<void> => {
    // Where it cannot be said how much there is, things stay as they are.
    const free = await freeBytes().catch(() => null)
    if (free === null) return
    const next = isFull ? free < WRITABLE_ABOVE_BYTES : free < READ_ONLY_BELOW_BYTES
    if (next === isFull) return
    isFull = next
    onChange(isFull, free)
    if (isFull) return
    waiting.forEach((go) => go())
    waiting = []
  }
  const timer = setInterval(() => void look(), LOOK_EVERY_MS).unref()
  const isReadOnly = () => always || isFull
  return {
    isReadOnly,
    untilWritable: () =>
      isReadOnly() ? new Promise((resolve) => waiting.push(resolve)) : Promise.resolve(),
    look,
    stop: () => clearInterval(timer),
  }
}
