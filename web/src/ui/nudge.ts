// How far an arrow key moves something that lies in a frame, in shares of the frame.

const NUDGE = 0.01
const BY: Readonly<Record<string, readonly [dx: number, dy: number]>> = {
  ArrowLeft: [-NUDGE, 0],
  ArrowRight: [NUDGE, 0],
  ArrowUp: [0, -NUDGE],
  ArrowDown: [0, NUDGE],
}

/** Null for any other key. */
export const nudgeOf = (key: string) => (Object.hasOwn(BY, key) ? BY[key]! : null)
