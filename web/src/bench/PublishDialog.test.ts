// @vitest-environment happy-dom
// Publishing asks first: nobody can press it before it is known whom it would leave behind.
import { flushPromises } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import { ref } from 'vue'
import type { Unpublished } from '@fernbrake/core/contract'
import { benchFor, mounted } from '../testing/mounted.ts'
import PublishDialog from './PublishDialog.vue'

const call = vi.hoisted(() => vi.fn())
vi.mock('../api/client.ts', async (original) => ({ ...(await original<object>()), call }))
vi.mock('vue-router', async (original) => ({
  ...(await original<object>()),
  useRoute: () => ({ query: {} }),
  useRouter: () => ({ push: vi.fn() }),
}))

const news = (learnersInside: number): Unpublished => ({ edition: 1, changes: [], learnersInside })
const published = {
  edition: {
    number: 2,
    publishedAt: '2026-05-01T10:00:00.000Z',
    revision: 7,
    note: '',
    changes: [],
  },
  linkCode: 'code',
}

const CLASS = { id: 'spring', title: 'Spring Intake', isOver: false, members: 20, groups: 0 }

async function dialogAfter(editions: number) {
  const { bench, inside } = benchFor('owner')
  Object.assign(bench.draft, {
    editions: ref(Array.from({ length: editions }, () => ({}))),
    state: ref({ revision: 7 }),
    linkCode: ref('code'),
    keeping: ref('kept'),
    catchUp: vi.fn(),
  })
  mounted(PublishDialog, { visible: true }, inside)
  await flushPromises()
  const publish = () => document.querySelector<HTMLButtonElement>('[data-test=publish]')!
  return { publish, words: () => document.body.textContent }
}

it('who is inside is known before it can be pressed, and is said', async () => {
  let answer!: (reply: Unpublished) => void
  call.mockReturnValueOnce(new Promise((resolve) => (answer = resolve)))
  const { publish, words } = await dialogAfter(1)
  expect(publish().disabled).toBe(true)
  answer(news(3))
  await flushPromises()
  expect(publish().disabled).toBe(false)
  expect(words()).toMatch(/3 learners/)
  call.mockImplementation((name: string) =>
    Promise.resolve(name === 'publish' ? published : { classes: [CLASS] }),
  )
  publish().click()
  await flushPromises()
  expect(call).toHaveBeenCalledWith(
    'publish',
    expect.objectContaining({ body: { revision: 7, number: 2, replaces: true } }),
  )
  expect(words()).toContain('Edition 2 is published')
  // From here it is one press to the class that is to learn it.
  await flushPromises()
  expect(words()).toContain('Spring Intake')
  call.mockReset()
})

it('an answer that does not come keeps nobody from trying', async () => {
  call.mockRejectedValueOnce(new Error('no line'))
  const { publish } = await dialogAfter(1)
  expect(publish().disabled).toBe(false)
})

it('a first edition leaves nobody behind', async () => {
  call.mockReturnValue(new Promise(() => undefined))
  const { publish } = await dialogAfter(0)
  expect(publish().disabled).toBe(false)
})
