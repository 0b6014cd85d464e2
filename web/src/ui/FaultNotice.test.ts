// @vitest-environment happy-dom
// What went wrong, in words of the interface's language.
import { mount } from '@vue/test-utils'
import PrimeVue from 'primevue/config'
import { beforeAll, expect, it } from 'vitest'
import { problemTypeUri, type Problem } from '@fernbrake/core/contract'
import { ApiError } from '../api/client.ts'
import { addFurtherTexts, createAppI18n } from '../i18n.ts'
import FaultNotice from './FaultNotice.vue'

let i18n: Awaited<ReturnType<typeof createAppI18n>>
beforeAll(async () => {
  i18n = await createAppI18n('en')
  await addFurtherTexts(i18n)
})
const problem = (more: Partial<Problem>): Problem => ({
  type: problemTypeUri('class-full'),
  title: 'Full',
  status: 409,
  detail: 'Whatever the server says.',
  ...more,
})
const notice = (error: unknown) =>
  mount(FaultNotice, { props: { error }, global: { plugins: [i18n, PrimeVue] } })

it.each<[what: string, error: unknown, says: string]>([
  [
    'a reason, with its facts',
    new ApiError(409, problem({ reason: 'groupsFull', facts: { most: 40 } })),
    'A class holds up to 40 groups; nothing was changed.',
  ],
  ['a type alone', new ApiError(409, problem({})), 'A class holds up to 5,000 people'],
  [
    'what only a newer server knows',
    new ApiError(409, problem({ type: 'urn:fernbrake:problem:brand-new' })),
    'Whatever the server says.',
  ],
  ['nobody answers', new ApiError(0, null), 'cannot be reached'],
  ['a fault of our own', new Error('x is undefined'), 'Something'],
])('%s', (_what, error, says) => {
  const said = notice(error).text()
  expect(said).toContain(says)
  expect(said).not.toContain('undefined')
})
it('is told at once, and can be tried again', async () => {
  const wrapper = notice(new ApiError(0, null))
  expect(wrapper.attributes('role')).toBe('alert')
  await wrapper.find('button').trigger('click')
  expect(wrapper.emitted('retry')).toHaveLength(1)
})
