// Dates in the reader's way (locale.ts).
import { LOCALE } from './locale.ts'

const clock = new Intl.DateTimeFormat(LOCALE, { hour: '2-digit', minute: '2-digit' })
const moment = new Intl.DateTimeFormat(LOCALE, {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
})
const day = new Intl.DateTimeFormat(LOCALE, { day: 'numeric', month: 'long', year: 'numeric' })

/** A moment: only its time when it is today. */
export function writeMoment(date: Date, now = new Date()): string {
  return date.toDateString() === now.toDateString() ? clock.format(date) : moment.format(date)
}

/** A day and a time, to be read on any other day too. */
export const writeDayAndTime = (date: Date) => moment.format(date)
export const writeClock = (date: Date) => clock.format(date)
export const writeDay = (date: Date) => day.format(date)

/** A moment as the clock of a time zone shows it, to the minute. */
export const writeInZone = (iso: string, timeZone: string) =>
  new Intl.DateTimeFormat(LOCALE, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    timeZone,
  }).format(new Date(iso))
