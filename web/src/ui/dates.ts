// Dates in the reader's way (locale.ts).
import { LOCALE } from './locale.ts'

const CLOCK: Intl.DateTimeFormatOptions = { hour: '2-digit', minute: '2-digit' }
const MOMENT: Intl.DateTimeFormatOptions = {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
}
const DAY: Intl.DateTimeFormatOptions = { day: 'numeric', month: 'long', year: 'numeric' }

const writers = new Map<Intl.DateTimeFormatOptions, Intl.DateTimeFormat>()

/** A writer is made when it is first needed: making one takes a phone as long as drawing a page. */
function write(form: Intl.DateTimeFormatOptions, date: Date): string {
  const writer = writers.get(form) ?? new Intl.DateTimeFormat(LOCALE, form)
  writers.set(form, writer)
  return writer.format(date)
}

/** A moment: only its time when it is today. */
export function writeMoment(date: Date, now = new Date()): string {
  return write(date.toDateString() === now.toDateString() ? CLOCK : MOMENT, date)
}

/** A day and a time, to be read on any other day too. */
export const writeDayAndTime = (date: Date) => write(MOMENT, date)
export const writeClock = (date: Date) => write(CLOCK, date)
export const writeDay = (date: Date) => write(DAY, date)

/** A moment as the clock of a time zone shows it, to the minute. */
export const writeInZone = (iso: string, timeZone: string) =>
  new Intl.DateTimeFormat(LOCALE, { weekday: 'short', ...MOMENT, timeZone }).format(new Date(iso))
