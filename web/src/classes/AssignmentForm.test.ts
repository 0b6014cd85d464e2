// @vitest-environment happy-dom
// Giving a lesson to a class: what is still missing is said at the button, what is wrong at its field.
import { flushPromises } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import type { Class } from '@fernbrake/core/contract'
import { ApiError } from '../api/client.ts'
import { mounted } from '../testing/mounted.ts'
import AssignmentForm from './AssignmentForm.vue'

vi.mock('../api/client.ts', async (original) => ({
  ...(await original<typeof import('../api/client.ts')>()),
  call: vi.fn().mockResolvedValue({ lessons: [{ id: 'l', title: 'Locks', editionNumber: 1 }] }),
}))

const school = {
  id: 'c',
  title: 'Keepers',
  timeZone: 'Europe/London',
  groups: [{ id: 'g', title: 'Lock six', members: [] }],
  members: [{ id: 'p', name: 'Ansa Quillmere', leftAt: null }],
} as unknown as Class

async function form(more: Record<string, unknown> = {}) {
  const props = { school, assignment: null, busy: false, fault: null, lessonId: 'l', ...more }
  const shown = mounted(AssignmentForm, props)
  await flushPromises()
  const give = () => shown.button('Give it to the class') ?? shown.wrapper.find('[type="submit"]')
  const times = () => shown.wrapper.findAll('input[type="datetime-local"]')
  const setTime = async (at: number, words: string) => {
    await times()[at]!.setValue(words)
    await times()[at]!.trigger('change')
  }
  return { ...shown, give, times, setTime }
}

it('says what is missing beside the button, and takes it away once it is there', async () => {
  const none = await form({ lessonId: null })
  expect(none.wrapper.text()).toContain('Choose a lesson first.')
  expect(none.give().attributes('disabled')).toBeDefined()
  const { wrapper, give } = await form()
  expect(give().attributes('disabled')).toBeUndefined()
  await wrapper.find('input[value="groups"]').setValue()
  expect(wrapper.text()).toContain('Choose a group first.')
  expect(give().attributes('disabled')).toBeDefined()
  const described = give().attributes('aria-describedby')!
  expect(wrapper.find(`#${described}`).text()).toBe('Choose a group first.')
  await wrapper.find('.targets input').setValue(true)
  expect(wrapper.text()).not.toContain('first.')
  expect(give().attributes('disabled')).toBeUndefined()
})

it.each<[what: string, set: Record<number, string>, at: number, says: string]>([
  [
    'due before it opens',
    { 0: '2199-02-01T10:00', 1: '2199-01-01T10:00' },
    1,
    'It would be due before it opens.',
  ],
  [
    'closing before it opens',
    { 0: '2199-02-01T10:00', 2: '2199-01-01T10:00' },
    2,
    'It would close before it opens.',
  ],
  [
    'closing before it is due',
    { 1: '2199-02-01T10:00', 2: '2199-01-01T10:00' },
    2,
    'It would close before it is due.',
  ],
])('%s is said at that time, and at no other', async (_what, set, at, says) => {
  const { wrapper, times, setTime, give } = await form()
  for (const [index, words] of Object.entries(set)) await setTime(Number(index), words)
  times().forEach((time, index) =>
    expect(time.attributes('aria-invalid')).toBe(index === at ? 'true' : undefined),
  )
  const described = times()[at]!.attributes('aria-describedby')!
  expect(wrapper.find(`#${described}`).text()).toBe(says)
  expect(give().attributes('disabled')).toBeDefined()
  // What was chosen stays.
  expect((times()[at]!.element as HTMLInputElement).value).toBe(set[at])
})

it('what the server refuses stands over the button; all that was chosen is there for the next try', async () => {
  const { wrapper, setTime } = await form({ fault: new ApiError(0, null) })
  await setTime(1, '2199-02-01T10:00')
  expect(wrapper.find('[role="alert"]').text()).toContain('cannot be reached')
  await wrapper.find('[role="alert"] button').trigger('click')
  const [[given]] = wrapper.emitted('save') as [[{ dueAt: string; lessonId: string }]]
  expect(given).toMatchObject({ lessonId: 'l', dueAt: '2199-02-01T10:00:00.000Z' })
})
