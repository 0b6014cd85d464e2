// The entry of the application.
import '@fontsource-variable/atkinson-hyperlegible-next/index.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css'
import '@fontsource-variable/literata/index.css'
import '@fernbrake/player/theme.css'
import './theme/app.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { addFurtherTexts, createAppI18n } from './i18n.ts'
import { createAppRouter } from './router.ts'

const i18n = await createAppI18n(document.documentElement.lang || 'en')
const app = createApp(App).use(createPinia()).use(i18n)

/** What all pages need but those on which people come in. */
async function fetchWhatPagesShare(): Promise<void> {
  const [{ installComponents }] = await Promise.all([
    import('./theme/components.ts'),
    addFurtherTexts(i18n),
  ])
  installComponents(app, i18n)
}

app.use(createAppRouter(fetchWhatPagesShare)).mount('#app')
