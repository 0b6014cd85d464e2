// The entry of the application.
import '@fontsource-variable/atkinson-hyperlegible-next/index.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css'
import '@fontsource-variable/literata/index.css'
import '@fernbrake/player/theme.css'
import './theme/app.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { call } from './api/client.ts'
import { watchForReturn } from './api/broughtBack.ts'
import App from './App.vue'
import { addFurtherTexts, createAppI18n } from './i18n.ts'
import { createAppRouter } from './router.ts'

async function start(): Promise<void> {
  const i18n = await createAppI18n(document.documentElement.lang || 'en')
  const app = createApp(App).use(createPinia()).use(i18n)
  const router = createAppRouter({
    fetchTexts: () => addFurtherTexts(i18n),
    async fetchComponents(texts) {
      const [{ installComponents }] = await Promise.all([import('./theme/components.ts'), texts])
      installComponents(app, i18n)
    },
  })
  app.use(router).mount('#app')
}

watchForReturn(
  async () => (await call('session')).person?.id ?? null,
  () => location.reload(),
)
// Not awaited here: texts of another language are fetched with what lies in this very file, which is there only once it has run.
void start()
