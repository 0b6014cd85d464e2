import { expect, it } from 'vitest'
import { createThread, TookTooLong } from './threads.ts'

it('ends a thread that takes too long, and begins another for the next wish', async () => {
  const beBusy = createThread<number, string>(new URL('./busy.testing.ts', import.meta.url), 500)
  expect(await beBusy(1)).toBe('busy for 1')
  const [long, short] = [beBusy(3_600_000), beBusy(2)]
  await expect(long).rejects.toThrow(TookTooLong)
  // What was wished for meanwhile is done all the same.
  expect(await short).toBe('busy for 2')
  expect(await beBusy(3)).toBe('busy for 3')
})
