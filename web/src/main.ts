// The entry of the application.
import '@fontsource-variable/atkinson-hyperlegible-next/index.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css'
import '@fontsource-variable/literata/index.css'
import '@fernbrake/player/theme.css'
import './theme/app.css'
import { createPinia } from 'pinia'
import PrimeVue from 'primevue/config'
import { createApp } from 'vue'
import App from './App.vue'
import { createAppI18n } from './i18n.ts'
import { createAppRouter } from './router.ts'
import { fernbrakePreset } from './theme/preset.ts'

// The nonce of this page's Content-Security-Policy: without it the browser refuses the components' styles.
const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce

const i18n = await createAppI18n(document.documentElement.lang || 'en')

createApp(App)
  .use(createPinia())
  .use(i18n)
  .use(createAppRouter())
  .use(PrimeVue, {
    // What the components say by themselves.
    locale: i18n.global.tm('components'),
    theme: { preset: fernbrakePreset, options: { darkModeSelector: '.never-dark' } },
    ...(nonce ? { csp: { nonce } } : {}),
  })
  .mount('#app')
