// Dates of a chronicle: from a year BCE down to a day. Counted in the Gregorian calendar, also before it was in use, so
// that distances are true; years are named as people write them: there is no year 0, and −44 is 44 BCE.

/** A year, or a month or a day of it. */
export interface ChronicleDate {
  /** Never 0; negative for years BCE. */
  year: number
  month?: number | undefined
  day?: number | undefined
}

/** Years counted through, with 0 for 1 BCE, so that steps over the turn of the eras stay even. */
export const countedYear = (year: number) => (year < 0 ? year + 1 : year)
/** The year as it is named; the other way of `countedYear`. */
export const namedYear = (counted: number) => (counted <= 0 ? counted - 1 : counted)

/** Whether the month has this day; a day without a month is none. */
export function isDate({ year, month, day }: ChronicleDate): boolean {
  if (day === undefined) return true
  return month !== undefined && day <= daysInMonth(year, month)
}

/** How many days a month has. */
export function daysInMonth(year: number, month: number): number {
  if (month === 2) {
    const y = countedYear(year)
    return y % 4 === 0 && (y % 100 !== 0 || y % 400 === 0) ? 29 : 28
  }
  return [4, 6, 9, 11].includes(month) ? 30 : 31
}

/**
 * Whole days from 1 January 1970 to the first day of a date, negative before. By the count of days in eras of 400 years
 * that begin in March (Hinnant, “chrono-compatible low-level date algorithms”).
 */
export function dayNumber({ year, month = 1, day = 1 }: ChronicleDate): number {
  const y = countedYear(year) - (month <= 2 ? 1 : 0)
  const era = Math.floor(y / 400)
  const yearOfEra = y - era * 400
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1
  const dayOfEra =
    yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear
  return era * 146_097 + dayOfEra - 719_468
}

/** The day with this number; the other way of `dayNumber`. */
export function dateOfDay(dayNumber: number): { year: number; month: number; day: number } {
  const z = Math.floor(dayNumber) + 719_468
  const era = Math.floor(z / 146_097)
  const dayOfEra = z - era * 146_097
  const yearOfEra = Math.floor(
    (dayOfEra -
      Math.floor(dayOfEra / 1460) +
      Math.floor(dayOfEra / 36_524) -
      Math.floor(dayOfEra / 146_096)) /
      365,
  )
  const dayOfYear =
    dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100))
  const shifted = Math.floor((5 * dayOfYear + 2) / 153)
  const day = dayOfYear - Math.floor((153 * shifted + 2) / 5) + 1
  const month = shifted + (shifted < 10 ? 3 : -9)
  return { year: namedYear(yearOfEra + era * 400 + (month <= 2 ? 1 : 0)), month, day }
}

/** The first day after a date: after its day, its month or its year, as far as it says. */
export function dayAfter(date: ChronicleDate): number {
  const { year, month, day } = date
  if (day !== undefined) return dayNumber(date) + 1
  if (month !== undefined) return dayNumber({ year, month }) + daysInMonth(year, month)
  return dayNumber({ year: namedYear(countedYear(year) + 1) })
}

/** What happened from a date until another, or at one. */
export interface Dated {
  from: ChronicleDate
  until: ChronicleDate | null
}

/** Whether it ends before it begins: then only its beginning is drawn. */
export const endsTooSoon = ({ from, until }: Dated): boolean =>
  until !== null && dayAfter(until) <= dayNumber(from)

/** The days that it takes, `[fromDay, toDay)`; one moment takes as long as its date leaves open. */
export function daysOf(dated: Dated): { fromDay: number; toDay: number } {
  const last = dated.until === null || endsTooSoon(dated) ? dated.from : dated.until
  return { fromDay: dayNumber(dated.from), toDay: dayAfter(last) }
}

/** From first to last; what begins together with the shorter one first. */
export function inTimeOrder<T extends Dated & { order: string }>(items: readonly T[]): T[] {
  return [...items].sort((a, b) => {
    const [one, other] = [daysOf(a), daysOf(b)]
    return one.fromDay - other.fromDay || one.toDay - other.toDay || (a.order < b.order ? -1 : 1)
  })
}

/** A date in the reader's way, or that of their browser; `bce` puts the words for “before the common era” to it. */
export function dateWords(
  { year, month, day }: ChronicleDate,
  locale: string | undefined,
  bce: (words: string) => string,
): string {
  const shown = Math.abs(year)
  if (month === undefined) return year < 0 ? bce(String(shown)) : String(shown)
  const at = new Date(Date.UTC(2000, month - 1, day ?? 1))
  at.setUTCFullYear(shown)
  // A leap day of a year BCE may stand in no year of the same number; its month and day are said with a year that has it.
  const isMoved = at.getUTCMonth() !== month - 1
  const format = new Intl.DateTimeFormat(locale, {
    timeZone: 'UTC',
    year: 'numeric',
    month: 'long',
    ...(day === undefined ? {} : { day: 'numeric' }),
  })
  const words = isMoved
    ? format.format(new Date(Date.UTC(2000, month - 1, day ?? 1))).replace('2000', String(shown))
    : format.format(at)
  return year < 0 ? bce(words) : words
}
