// @vitest-environment happy-dom
import { nextTick, shallowRef } from 'vue'
import { beforeEach, expect, it } from 'vitest'
import { problemTypeUri, type Problem } from '@fernbrake/core/contract'
import { ApiError } from '../api/client.ts'
import { useFieldFaults } from './useFieldFaults.ts'

const problem = (more: Partial<Problem>): Problem => ({
  type: problemTypeUri('invalid-input'),
  title: 'Not as expected',
  status: 422,
  detail: 'It is not as it should be.',
  ...more,
})
const fault = shallowRef<unknown>(null)
const { at, marks, elsewhere } = useFieldFaults(fault, {
  name: { id: 'name' },
  email: { id: 'address', about: ['addressThere'] },
})
const fails = async (more: Partial<Problem>) => {
  fault.value = new ApiError(more.status ?? 422, problem(more))
  await nextTick()
  await nextTick()
}
beforeEach(async () => {
  document.body.innerHTML = '<input id="name"><input id="address">'
  fault.value = null
  await nextTick()
})

it('a problem that names a field by its path stands there, and takes the focus to it', async () => {
  await fails({ issues: [{ path: ['body', 'name'], code: 'too_small', message: 'empty' }] })
  expect(at('name')).toMatch(/./)
  expect(at('email')).toBeNull()
  expect(elsewhere.value).toBeNull()
  expect(marks('name')).toEqual({ 'aria-invalid': true, 'aria-describedby': 'name-fault' })
  expect(marks('email')).toEqual({})
  expect(document.activeElement?.id).toBe('name')
})

it('so does one whose reason is about a field', async () => {
  await fails({ type: problemTypeUri('already-exists'), reason: 'addressThere', status: 409 })
  expect(at('email')).toMatch(/./)
  expect(document.activeElement?.id).toBe('address')
})

it('all else stands where the form ends', async () => {
  for (const other of [new ApiError(0, null), new Error('ours')]) {
    fault.value = other
    await nextTick()
    expect(elsewhere.value).toBe(other)
    expect([at('name'), at('email')]).toEqual([null, null])
  }
  await fails({ type: problemTypeUri('no-room'), status: 507 })
  expect(elsewhere.value).toBe(fault.value)
})
