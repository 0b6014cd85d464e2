// PrimeVue's components in our look, fetched with the first page that has any: those on which people come in have none.
import PrimeVue from 'primevue/config'
import type { App } from 'vue'
import type { AppI18n } from '../i18n.ts'
import { fernbrakePreset } from './preset.ts'

/** Lets the application use them; to be called once, when all texts are there. */
export function installComponents(app: App, i18n: AppI18n): void {
  // The nonce of this page's Content-Security-Policy: without it the browser refuses the components' styles.
  const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce
  const { tm } = i18n.global as unknown as { tm(key: string): object }
  app.use(PrimeVue, {
    // What the components say by themselves.
    locale: tm('components'),
    theme: { preset: fernbrakePreset, options: { darkModeSelector: '.never-dark' } },
    ...(nonce ? { csp: { nonce } } : {}),
  })
}
