import { expect, it } from 'vitest'
import { useLoaded } from './useLoaded.ts'

/** A server that answers when it is told to. */
function slowServer() {
  const open: { give(value: string): void; fail(): void }[] = []
  const load = () =>
    new Promise<string>((resolve, reject) =>
      open.push({ give: resolve, fail: () => reject(new Error('away')) }),
    )
  return { open, load }
}

it('of two that were asked for, the later one counts, whichever comes first', async () => {
  const { open, load } = slowServer()
  const { value, loading, error, reload } = useLoaded(load)
  const asked = [reload(), reload(), reload()]
  open[1]!.give('second')
  open[2]!.give('third')
  open[0]!.fail()
  await Promise.all(asked)
  expect([value.value, error.value, loading.value]).toEqual(['third', null, false])
})

it('what was there stays while it is asked for anew, and when that fails', async () => {
  const { open, load } = slowServer()
  const { value, loading, error, reload } = useLoaded(load)
  const first = reload()
  open[0]!.give('first')
  await first
  const second = reload()
  expect([value.value, loading.value]).toEqual(['first', true])
  open[1]!.fail()
  await second
  expect([value.value, loading.value]).toEqual(['first', false])
  expect(error.value).toEqual(new Error('away'))
})
