// PrimeVue's components in our look, fetched with the first page that has any: those on which people come in have none.
import { defaultOptions, setup, type PrimeVueLocaleOptions } from 'primevue/config'
import { markRaw, type App } from 'vue'
import type { AppI18n } from '../i18n.ts'
import { fernbrakePreset } from './preset.ts'

declare module 'primevue/config' {
  /** What installing does once it has copied what it is given; its own types leave it out. */
  function setup(app: App, options: PrimeVueConfiguration): void
}

/** Lets the application use them; to be called once, when all texts are there. */
export function installComponents(app: App, i18n: AppI18n): void {
  // The nonce of this page's Content-Security-Policy: without it the browser refuses the components' styles.
  const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce
  const { tm } = i18n.global as unknown as { tm(key: string): object }
  // Neither texts nor looks ever change by themselves: nothing need watch each of their thousand values.
  setup(app, {
    ...defaultOptions,
    // What the components say by themselves.
    locale: markRaw({ ...defaultOptions.locale, ...tm('components') }) as PrimeVueLocaleOptions,
    theme: markRaw({ preset: fernbrakePreset, options: { darkModeSelector: '.never-dark' } }),
    // A dialog takes the focus once it has come in: were that slow, it would take it from whoever has gone on to another button.
    pt: markRaw({ dialog: { transition: { css: false } } }),
    ...(nonce ? { csp: { nonce } } : {}),
  })
}
