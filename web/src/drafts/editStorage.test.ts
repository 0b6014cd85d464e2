import 'fake-indexeddb/auto'
import { expect, it } from 'vitest'
import { openEditStorage } from './editStorage.ts'

const edit = (id: string, value: string) => ({
  id,
  name: 'setLessonText',
  patches: [{ op: 'replace' as const, path: '/title', value }],
})

it('gives waiting edits back in their order, each lesson its own, and forgets what was acknowledged', async () => {
  const [mine, other] = [await openEditStorage('mine'), await openEditStorage('other')]
  await mine.put(edit('b', 'Second'), 2)
  await mine.put(edit('a', 'First'), 1)
  await other.put(edit('x', 'Elsewhere'), 1)
  expect((await mine.read()).map(({ id }) => id)).toEqual(['a', 'b'])
  await mine.drop(['a', 'x-unknown'])
  expect(await (await openEditStorage('mine')).read()).toEqual([edit('b', 'Second')])
  expect(await other.read()).toHaveLength(1)
})

it('an edit that was carried on takes the place of what it was', async () => {
  const storage = await openEditStorage('typing')
  await storage.put(edit('a', 'W'), 1)
  await storage.put(edit('a', 'Water'), 1)
  expect(await storage.read()).toEqual([edit('a', 'Water')])
})
