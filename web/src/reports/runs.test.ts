import { expect, it } from 'vitest'
import { runsOf } from './runs.ts'

it('draws a bar for each run, low where it was seen and high where it was seen again', () => {
  expect(runsOf('0110221', '1')).toBe('M1 5H3V10H1ZM6 5H7V10H6Z')
  expect(runsOf('0110221', '2')).toBe('M4 0H6V10H4Z')
  expect(runsOf('000', '1')).toBe('')
  expect(runsOf('', '2')).toBe('')
})
