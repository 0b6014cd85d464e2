// Components as tests meet them: in English, with the parts of the interface that every page has.
import { mount, RouterLinkStub } from '@vue/test-utils'
import PrimeVue from 'primevue/config'
import { onTestFinished, vi } from 'vitest'
import { h, ref, type Component } from 'vue'
import { lessonWithFilm } from '@fernbrake/core/testing'
import { createBench, provideBench, type Bench } from '../bench/useBench.ts'
import type { Draft } from '../bench/useDraft.ts'
import { addFurtherTexts, createAppI18n } from '../i18n.ts'

const i18n = await createAppI18n('en')
await addFurtherTexts(i18n)

/** Mounts a component on the page, where what it puts the focus on can have it; `inside` wraps it. */
export function mounted(
  component: Component,
  props: Record<string, unknown>,
  inside: () => void = () => undefined,
) {
  const around = {
    setup() {
      inside()
      return () => h(component, props)
    },
  }
  const page = mount(around, {
    attachTo: document.body,
    global: { plugins: [i18n, PrimeVue], stubs: { RouterLink: RouterLinkStub } },
  })
  // Ids begin anew with each page, so none stays beside that of another test.
  onTestFinished(() => page.unmount())
  const wrapper = page.findComponent(component)
  const button = (word: string) =>
    wrapper
      .findAll('button')
      .find((one) => one.text() === word || one.attributes('aria-label') === word)
  return { page, wrapper, button }
}

/** A bench with a film of a minute, for what lies on one; what is made on it is not carried out. */
export function benchFor(role: Draft['role'] = 'editor'): { bench: Bench; inside: () => void } {
  const make = vi.fn(() => true)
  const draft = {
    lessonId: 'l',
    role,
    lesson: ref(lessonWithFilm(60_000)),
    make,
    onOthers: () => () => undefined,
  } as unknown as Draft
  let bench!: Bench
  mount(
    {
      setup() {
        bench = createBench(draft, { bookmark: () => 'B', overlay: () => 'O' })
        return () => null
      },
    },
    { global: { plugins: [i18n, PrimeVue] } },
  )
  return { bench, inside: () => provideBench(bench) }
}
