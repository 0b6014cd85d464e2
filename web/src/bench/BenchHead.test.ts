// @vitest-environment happy-dom
// The head of the bench: what is kept, what can be undone, and who may publish.
import { mount, RouterLinkStub } from '@vue/test-utils'
import PrimeVue from 'primevue/config'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { addFurtherTexts, createAppI18n } from '../i18n.ts'
import BenchHead from './BenchHead.vue'
import type { Draft } from './useDraft.ts'

let i18n: Awaited<ReturnType<typeof createAppI18n>>
beforeAll(async () => {
  i18n = await createAppI18n('en')
  await addFurtherTexts(i18n)
})
const page = { template: '<div />' }
const router = createRouter({
  history: createMemoryHistory(),
  routes: ['bench', 'routes', 'results', 'sharing', 'preview']
    .map((name) => ({ path: `/${name}/:lessonId`, name, component: page }))
    .concat([
      { path: '/sign-in', name: 'sign-in', component: page },
      { path: '/', name: 'home', component: page },
    ]),
})

function head(more: Record<string, unknown> = {}) {
  const draft = {
    lessonId: 'l',
    role: 'owner',
    lesson: ref({ title: 'Water That Climbs' }),
    editions: ref([{}]),
    state: ref({ pending: [{}, {}] }),
    keeping: ref('kept'),
    keptAt: ref(new Date()),
    undoName: ref(null),
    redoName: ref(null),
    undo: vi.fn(),
    redo: vi.fn(),
    ...more,
  }
  const wrapper = mount(BenchHead, {
    props: { draft: draft as unknown as Draft },
    global: { plugins: [i18n, PrimeVue, router], stubs: { RouterLink: RouterLinkStub } },
  })
  const button = (word: string) =>
    wrapper.findAll('button').find((one) => one.text().startsWith(word))
  return { wrapper, draft, button, status: () => wrapper.find('[data-test=keeping]') }
}

describe('whether all is kept', () => {
  it.each([
    ['kept', /kept \d/, false],
    ['sending', /Draft after edition 1/, false],
    ['offline', /2 /, true],
    ['signedOut', /Sign in/i, true],
  ])('%s', (keeping, says, isLoud) => {
    const { status } = head({ keeping: ref(keeping) })
    expect(status().text()).toMatch(says)
    expect(status().classes('loud')).toBe(isLoud)
    // All of it can be read where the row is too narrow.
    expect(status().text()).toContain(status().attributes('title')!.slice(0, 10))
  })
})

describe('undoing', () => {
  it('says what would be undone, and is of no use where there is nothing', async () => {
    const none = head()
    expect(none.button('Undo')?.attributes('disabled')).toBeDefined()
    const { button, draft } = head({ undoName: ref('addQuestion') })
    expect(button('Undo')?.attributes('title')).not.toBe(none.button('Undo')?.attributes('title'))
    await button('Undo')!.trigger('click')
    expect(draft.undo).toHaveBeenCalledTimes(1)
  })
})

describe('publishing', () => {
  it.each([
    ['owner', true],
    ['editor', true],
    ['commenter', false],
    ['viewer', false],
  ])('%s', (role, may) => {
    expect(head({ role }).button('Publish edition 2') !== undefined).toBe(may)
  })
  it.each([
    ['owner', true],
    ['editor', true],
    ['commenter', false],
    ['viewer', false],
  ])('and results: whoever is %s is led to them: %s', (role, may) => {
    const links = head({ role }).wrapper.findAllComponents(RouterLinkStub)
    const names = links.map(({ vm }) => (vm.to as { name?: string }).name)
    expect(names.includes('results')).toBe(may)
    expect(names).toContain('sharing')
  })
})
