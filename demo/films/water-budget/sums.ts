// The figures of the lecture, each worked out from those before it, so that speech and slides can be held against them.

export const LENGTH_M = 22
export const WIDTH_M = 2.2
export const RISE_M = 2.4
export const FLOOR_M2 = LENGTH_M * WIDTH_M
/** In m³. */
export const LOCKFUL_M3 = FLOOR_M2 * RISE_M
export const BOATS_A_DAY = 24
export const SPENT_M3 = BOATS_A_DAY * LOCKFUL_M3
export const LOST_M3 = 600
export const FEEDER_M3 = 2400
export const SHORT_M3 = SPENT_M3 + LOST_M3 - FEEDER_M3
export const POUND_M2 = 11_000
/** By how much the top pound falls in a day, in cm. */
export const FALL_CM = (SHORT_M3 / POUND_M2) * 100
/** Half the boats come in the other direction and find the lock ready. */
export const SPENT_IN_TURNS_M3 = SPENT_M3 / 2
/** With as many ponds as large as the chamber, n of n + 2 layers are used twice. */
export const savedBy = (ponds: number) => ponds / (ponds + 2)
