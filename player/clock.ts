// How long things take is read from the monotonic clock, since the wall clock may jump while a lesson runs. When they were
// done is told by the wall clock as it is now: the monotonic one stands still while a device sleeps.
const beganAtMs = Date.now() - performance.now()

/** Now, in ms since the epoch. */
export const nowMs = () => Math.round(beganAtMs + performance.now())

/** A time of `nowMs` as records carry it: by the device's clock, ISO 8601 in UTC. */
export const isoTime = (ms: number) => new Date(ms + Date.now() - nowMs()).toISOString()
