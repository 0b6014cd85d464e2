// @vitest-environment happy-dom
// A lesson that has nothing in it yet offers what it can begin with.
import { flushPromises } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { Ref } from 'vue'
import { emptyLesson, partsInOrder, runEdit, type Edit, type Lesson } from '@fernbrake/core/lesson'
import { benchFor, mounted } from '../testing/mounted.ts'
import FirstSteps from './FirstSteps.vue'
import type { Draft } from './useDraft.ts'

function steps(role: Draft['role'] = 'editor') {
  const { bench, inside } = benchFor(role)
  const document = bench.draft.lesson as Ref<Lesson>
  document.value = { ...emptyLesson('Lock six'), summary: 'Said already' }
  bench.draft.make = (<A>(edit: Edit<A>, args: A) => {
    const outcome = runEdit(document.value, edit, args)
    if (outcome.ok) document.value = outcome.lesson
    return outcome.ok
  }) as Draft['make']
  return { ...mounted(FirstSteps, {}, inside), bench, document }
}

it('a part of a kind, which is open then', async () => {
  const { button, bench, document } = steps()
  await button('Still: a picture with pins')!.trigger('click')
  expect(partsInOrder(document.value).map(({ kind }) => kind)).toEqual(['still'])
  expect(bench.places.openPart.value?.kind).toBe('still')
})

it('a template, under the title that the lesson has', async () => {
  const { button, document } = steps()
  await button('Decision story')!.trigger('click')
  await flushPromises()
  await expect.poll(() => partsInOrder(document.value).length).toBeGreaterThan(1)
  expect(document.value.title).toBe('Lock six')
  expect(document.value.summary).toBe('Said already')
})

it('nothing to those who only look', () => {
  expect(steps('viewer').wrapper.findAll('button')).toHaveLength(0)
})
