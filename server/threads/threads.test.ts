import { expect, it } from 'vitest'
import { createThread } from './threads.ts'

it('ends a thread that takes too long, and begins another for the next wish', async () => {
  const beBusy = createThread<number, string>(new URL('./busy.testing.ts', import.meta.url), 3000)
  expect(await beBusy(1)).toBe('busy for 1')
  await expect(beBusy(3_600_000)).rejects.toThrow('The thread ended.')
  expect(await beBusy(2)).toBe('busy for 2')
})
