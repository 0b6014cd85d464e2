// Clock times for records. Read from the monotonic clock, since the wall clock may jump while a lesson runs.
const beganAtMs = Date.now() - performance.now()

/** Now, in ms since the epoch. */
export const nowMs = () => Math.round(beganAtMs + performance.now())

/** A clock time as records carry it: ISO 8601 in UTC. */
export const isoTime = (ms: number) => new Date(ms).toISOString()
