// Moments are read as the driver reads them, whatever the time zone and the fraction.
import pg from 'pg'
import { expect, it } from 'vitest'
import { readMoment } from './connect.ts'

const usual = pg.types.getTypeParser(pg.types.builtins.TIMESTAMPTZ, 'text') as (
  text: string,
) => Date

it.each([
  '2026-11-26 09:30:00+00',
  '2026-11-26 09:30:00.1+00',
  '2026-11-26 09:30:00.123+00',
  '2026-11-26 09:30:00.007+00',
  '2026-11-26 09:30:59.999+00',
  '2026-02-28 23:59:59.57+00',
  '1999-12-31 00:00:00+00',
  '2026-11-26 09:30:00.123+01',
  '2026-11-26 09:30:00+05:30',
  '0044-03-15 12:00:00+00 BC',
  '12026-11-26 09:30:00+00',
])('%s', (text) => expect(readMoment(text)).toEqual(usual(text)))

it('is cut to the millisecond', () =>
  expect(readMoment('2026-11-26 09:30:00.123456+00')).toEqual(new Date('2026-11-26T09:30:00.123Z')))
