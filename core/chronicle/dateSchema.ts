// What a date of a chronicle is. Apart from what reckons with them, so that no schema library travels to learners.
import { z } from 'zod'
import { isDate, type ChronicleDate } from './dates.ts'

export const EARLIEST_YEAR = -100_000
export const LATEST_YEAR = 9999

export const chronicleDateSchema: z.ZodType<ChronicleDate> = z
  .strictObject({
    year: z.int().min(EARLIEST_YEAR).max(LATEST_YEAR),
    month: z.int().min(1).max(12).optional(),
    day: z.int().min(1).max(31).optional(),
  })
  .refine(({ year }) => year !== 0, 'names the year 0, which there is not')
  .refine(isDate, 'is a day that its month does not have')
